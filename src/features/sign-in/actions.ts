import { firstRun, setUnits, signIn, signOut } from "@/contracts/people";
import { implement, implementOpen } from "@/server/acts";
import { database } from "@/server/database";
import { checkPassword, hashPassword } from "@/server/passwords";
import { Refused } from "@/server/refused";
import { peopleOf, signInBook } from "@/server/repositories/people";
import { closeSession, openSession } from "@/server/session";

export const signInActs = [
  implementOpen(signIn, async ({ email, password }) => {
    const { personId, sessionVersion } = await checkPassword(email, password);
    await openSession(personId, sessionVersion);
    return null;
  }),
  implementOpen(signOut, async () => {
    await closeSession();
    return null;
  }),
  implementOpen(firstRun, async ({ shopName, name, email, password }) => {
    const book = signInBook(database());
    if (!(await book.isEmpty()))
      throw new Refused({
        code: "forbidden",
        message: "This shop has its owner already. Sign in, or ask the owner to add you.",
      });
    const passwordHash = await hashPassword(password);
    const { personId } = await book.found(shopName, { name, email, units: "us", passwordHash });
    await openSession(personId, 1);
    return null;
  }),
  implement(setUnits, async (person, { units }) => {
    await peopleOf(database(), person).setUnits(units);
    return null;
  }),
];
