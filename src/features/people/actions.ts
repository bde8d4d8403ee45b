import { addPerson, removePerson, setRole } from "@/contracts/people";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { hashPassword } from "@/server/passwords";
import { peopleOf } from "@/server/repositories/people";

export const peopleActs = [
  implement(addPerson, async (me, { password, ...fields }) => ({
    personId: await peopleOf(database(), me).add({
      ...fields,
      units: me.units,
      passwordHash: await hashPassword(password),
    }),
  })),
  implement(setRole, async (me, { personId, role }) => {
    await peopleOf(database(), me).setRole(personId, role);
    return null;
  }),
  implement(removePerson, async (me, { personId }) => {
    await peopleOf(database(), me).remove(personId);
    return null;
  }),
];
