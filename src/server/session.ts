import "server-only";
import { createHash, randomUUID } from "node:crypto";
import { getIronSession, type SessionOptions } from "iron-session";
import { cookies, headers } from "next/headers";
import { cache } from "react";
import type { Person } from "@/contracts/people";
import { database } from "./database";
import { sessionBook } from "./repositories/sessions";
import { readSettings } from "./settings";

type Session = { sessionId?: string };
/** A browser in which people signed in before: their tries are counted apart from everybody else's. */
type Device = { id?: string; people?: string[] };

const DAY_S = 86_400;
/** A session ends after so long, wherever it was opened. */
export const SESSION_DAYS = 14;
/** So many people share one browser at most. */
const MOST_KNOWN = 12;

function options(cookieName: string, days: number): SessionOptions {
  const { sessionSecret, secureCookies } = readSettings();
  return {
    password: sessionSecret,
    cookieName,
    ttl: days * DAY_S,
    cookieOptions: { httpOnly: true, sameSite: "lax", secure: secureCookies, path: "/" },
  };
}

const session = async () => getIronSession<Session>(await cookies(), options("gaugebeam", SESSION_DAYS));
const device = async () => getIronSession<Device>(await cookies(), options("gaugebeam-device", 400));
const printOf = (email: string) => createHash("sha256").update(email).digest("base64url").slice(0, 16);

/** Who is signed in, read once a request. */
export const currentPerson = cache(async (): Promise<Person | null> => {
  const { sessionId } = await session();
  return sessionId ? sessionBook(database()).person(sessionId) : null;
});

/** Opens a session for a person; one that was open in this browser ends. */
export async function openSession(personId: string, email: string): Promise<void> {
  const book = sessionBook(database());
  const own = await session();
  if (own.sessionId) await book.end(own.sessionId);
  own.sessionId = await book.open(personId, SESSION_DAYS);
  await own.save();
  const known = await device();
  known.id ??= randomUUID();
  const rest = (known.people ?? []).filter((print) => print !== printOf(email));
  known.people = [printOf(email), ...rest].slice(0, MOST_KNOWN);
  await known.save();
}

/** Ends the session here and on the server: the cookie opens nothing any more, wherever it was copied to. */
export async function closeSession(): Promise<void> {
  const own = await session();
  if (own.sessionId) await sessionBook(database()).end(own.sessionId);
  own.destroy();
}

/** From where a request comes: its address, and the browser's own id where this address signed in with it before. */
export async function caller(email: string): Promise<{ address: string; deviceId: string | null }> {
  const known = await device();
  return {
    address: (await headers()).get("x-gaugebeam-address") ?? "unknown",
    deviceId: known.id && known.people?.includes(printOf(email)) ? known.id : null,
  };
}
