import { USUAL_BENCH } from "@/contracts/bench";
import {
  changePassword,
  firstRun,
  setClock,
  setUnits,
  signIn,
  signOut,
  signOutEverywhere,
} from "@/contracts/people";
import { implement, implementOpen } from "@/server/acts";
import { database } from "@/server/database";
import { checkPassword, hashPassword, refuseWeak } from "@/server/passwords";
import { Refused } from "@/server/refused";
import { benchOf } from "@/server/repositories/bench";
import { peopleOf, signInBook } from "@/server/repositories/people";
import { sessionBook } from "@/server/repositories/sessions";
import { caller, closeSession, openSession } from "@/server/session";

export const signInActs = [
  implementOpen(signIn, async ({ email, password, shopId }) => {
    const found = await checkPassword(email, password, await caller(email));
    const chosen =
      shopId === undefined
        ? found.length === 1
          ? found[0]
          : undefined
        : found.find((credentials) => credentials.shopId === shopId);
    if (!chosen)
      return { shops: found.map((credentials) => ({ id: credentials.shopId, name: credentials.shopName })) };
    await openSession(chosen.personId, email);
    return null;
  }),
  implementOpen(signOut, async () => {
    await closeSession();
    return null;
  }),
  implementOpen(firstRun, async ({ shopName, name, email, password, timeZone, clock }) => {
    const taken = () =>
      new Refused({
        code: "forbidden",
        message: "This shop has its owner already. Sign in, or ask the owner to add you.",
      });
    const book = signInBook(database());
    if (!(await book.isEmpty())) throw taken();
    refuseWeak(password, [shopName, name, email]);
    const passwordHash = await hashPassword(password);
    const founded = await book.foundFirst(shopName, { name, email, units: "us", clock, passwordHash });
    if (!founded) throw taken();
    const owner = await book.person(founded.personId);
    if (owner) await benchOf(database(), owner).set({ ...USUAL_BENCH, timeZone });
    await openSession(founded.personId, email);
    return null;
  }),
  implement(setUnits, async (person, { units }) => {
    await peopleOf(database(), person).setUnits(units);
    return null;
  }),
  implement(setClock, async (person, { clock }) => {
    await peopleOf(database(), person).setClock(clock);
    return null;
  }),
  implement(changePassword, async (person, { current, password }) => {
    const { email, id } = person;
    const known = await checkPassword(email, current, await caller(email)).catch((failure: unknown) => {
      // Said at the field of the old password, not of the new one.
      if (failure instanceof Refused) throw new Refused({ ...failure.error, field: "current" });
      throw failure;
    });
    if (!known.some(({ personId }) => personId === id))
      throw new Refused({ code: "invalid", field: "current", message: "This is not your password here." });
    refuseWeak(password, [person.name, email, person.shopName]);
    await peopleOf(database(), person).setPassword(await hashPassword(password));
    await openSession(id, email);
    return null;
  }),
  implement(signOutEverywhere, async (person) => {
    await sessionBook(database()).endAll(person.id);
    await closeSession();
    return null;
  }),
];
