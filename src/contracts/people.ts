import { z } from "zod";
import type { UnitSystem } from "@/core/units/dimension";
import { act, type Role } from "./act";
import { nameText, rowId } from "./text";

export type Person = {
  id: string;
  shopId: string;
  shopName: string;
  name: string;
  email: string;
  role: Role;
  units: UnitSystem;
};

const email = z.string().trim().toLowerCase().max(200).pipe(z.email("That is not an e-mail address."));
const newPassword = z.string().min(10, "At least 10 letters or figures.").max(200, "At most 200 letters.");

export const signInFields = z.object({ email, password: z.string().min(1, "Type your password.").max(200) });
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

export const signIn = act<null>()("session.sign-in", "anybody", signInFields);
export const signOut = act<null>()("session.sign-out", "anybody", z.object({}));
export const firstRun = act<null>()("session.first-run", "anybody", firstRunFields);
export const setUnits = act<null>()("me.set-units", "person", z.object({ units: z.enum(["us", "metric"]) }));
export const addPerson = act<{ personId: string }>()("people.add", "owner", newPersonFields);
export const setRole = act<null>()(
  "people.set-role",
  "owner",
  z.object({ personId: rowId, role: z.enum(["owner", "hand"]) }),
);
export const removePerson = act<null>()("people.remove", "owner", z.object({ personId: rowId }));
