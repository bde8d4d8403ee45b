import { readRoom, setBench } from "@/contracts/bench";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";
import { benchOf } from "@/server/repositories/bench";

export const benchActs = [
  implement(setBench, async (person, { settings }) => {
    await benchOf(database(), person).set(settings);
    return null;
  }),
  implement(readRoom, async (person, { reading }) => {
    const fresh = await benchOf(database(), person).read(reading);
    if (fresh) await poursOf(database(), person).roomRead(reading);
    return null;
  }),
];
