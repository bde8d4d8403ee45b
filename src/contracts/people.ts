import { z } from "zod";
import type { UnitSystem } from "@/core/units/dimension";
import { act, type Role } from "./act";
import type { ClockStyle } from "@/core/units/clock";
import { nameText, rowId, text, timeZone } from "./text";

export type Person = {
  id: string;
  shopId: string;
  shopName: string;
  name: string;
  email: string;
  role: Role;
  units: UnitSystem;
  /** How this person reads times and dates. */
  clock: ClockStyle;
  /** Of the shop's wall clock; null where none was chosen. */
  timeZone: string | null;
};

const email = text().trim().toLowerCase().max(200).pipe(z.email("That is not an e-mail address."));
const newPassword = text().min(10, "At least 10 letters or figures.").max(200, "At most 200 letters.");

const knownPassword = text().min(1, "Type your password.").max(200);
export const signInFields = z.object({ email, password: knownPassword });
export const firstRunFields = z.object({
  shopName: nameText("the name of the shop"),
  name: nameText("your name"),
  email,
  password: newPassword,
});
export const newPersonFields = z.object({
  name: nameText("a name"),
  email,
  password: newPassword,
  role: z.enum(["owner", "hand"]),
});

export const changePasswordFields = z.object({ current: knownPassword, password: newPassword });

/** Where one person works for several shops with the same address and password, which ones: the choice is sent as `shopId`. */
export type SignedIn = { shops: { id: string; name: string }[] } | null;
export const signIn = act<SignedIn>()(
  "session.sign-in",
  "anybody",
  signInFields.extend({ shopId: rowId.optional() }),
  { reads: true },
);
export const signOut = act<null>()("session.sign-out", "anybody", z.object({}), { reads: true });
export const firstRun = act<null>()(
  "session.first-run",
  "anybody",
  firstRunFields.extend({
    timeZone: timeZone.nullable().default(null),
    clock: z.enum(["24h", "12h"]).default("24h"),
  }),
);
export const setUnits = act<null>()("me.set-units", "person", z.object({ units: z.enum(["us", "metric"]) }));
export const setClock = act<null>()("me.set-clock", "person", z.object({ clock: z.enum(["24h", "12h"]) }));
/** Changes one's password; every session but this one ends. */
export const changePassword = act<null>()("me.change-password", "person", changePasswordFields);
/** Ends all of one's sessions, this one too. */
export const signOutEverywhere = act<null>()("me.sign-out-everywhere", "person", z.strictObject({}), {
  reads: true,
});
export const addPerson = act<{ personId: string }>()("people.add", "owner", newPersonFields);
export const setRole = act<null>()(
  "people.set-role",
  "owner",
  z.object({ personId: rowId, role: z.enum(["owner", "hand"]) }),
);
export const removePerson = act<null>()("people.remove", "owner", z.object({ personId: rowId }));
/** Gives somebody of the shop another password, who has forgotten theirs or has none yet; their sessions end. */
export const givePassword = act<null>()(
  "people.give-password",
  "owner",
  z.object({ personId: rowId, password: newPassword }),
);
