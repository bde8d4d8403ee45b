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
    await benchOf(database(), person).read(reading);
    // A pour that was begun a moment ago has not got what the shop knows already.
    await poursOf(database(), person).roomRead(reading);
    return null;
  }),
];
