import { redirect } from "next/navigation";
import type { Person } from "@/contracts/people";
import { database } from "./database";
import { signInBook } from "./repositories/people";
import { currentPerson } from "./session";

/** For pages: the signed-in person, or the way to sign in. */
export async function requirePerson(): Promise<Person> {
  const person = await currentPerson();
  if (person) return person;
  redirect((await signInBook(database()).isEmpty()) ? "/first-run" : "/sign-in");
}
