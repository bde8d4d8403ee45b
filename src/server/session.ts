import "server-only";
import { getIronSession, type SessionOptions } from "iron-session";
import { cookies } from "next/headers";
import { cache } from "react";
import type { Person } from "@/contracts/people";
import { database } from "./database";
import { signInBook } from "./repositories/people";
import { readSettings } from "./settings";

type Session = { personId?: string; sessionVersion?: number };

function options(): SessionOptions {
  const { sessionSecret, secureCookies } = readSettings();
  return {
    password: sessionSecret,
    cookieName: "gaugebeam",
    ttl: 14 * 86400,
    cookieOptions: { httpOnly: true, sameSite: "lax", secure: secureCookies, path: "/" },
  };
}

const session = async () => getIronSession<Session>(await cookies(), options());

/** Who is signed in, read once a request. */
export const currentPerson = cache(async (): Promise<Person | null> => {
  const { personId, sessionVersion } = await session();
  return personId && sessionVersion ? signInBook(database()).person(personId, sessionVersion) : null;
});

export async function openSession(personId: string, sessionVersion: number): Promise<void> {
  const own = await session();
  own.personId = personId;
  own.sessionVersion = sessionVersion;
  await own.save();
}

export async function closeSession(): Promise<void> {
  (await session()).destroy();
}
