import { addPerson, givePassword, removePerson, setRole } from "@/contracts/people";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { hashPassword, refuseWeak } from "@/server/passwords";
import { peopleOf } from "@/server/repositories/people";

export const peopleActs = [
  implement(addPerson, async (me, { password, ...fields }) => {
    refuseWeak(password, [fields.name, fields.email, me.shopName]);
    const passwordHash = await hashPassword(password);
    return {
      personId: await peopleOf(database(), me).add({
        ...fields,
        units: me.units,
        clock: me.clock,
        passwordHash,
      }),
    };
  }),
  implement(setRole, async (me, { personId, role }) => {
    await peopleOf(database(), me).setRole(personId, role);
    return null;
  }),
  implement(removePerson, async (me, { personId }) => {
    await peopleOf(database(), me).remove(personId);
    return null;
  }),
  implement(givePassword, async (me, { personId, password }) => {
    refuseWeak(password, [me.shopName]);
    await peopleOf(database(), me).givePassword(personId, await hashPassword(password));
    return null;
  }),
];
