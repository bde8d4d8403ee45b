import { readRoom, setBench } from "@/contracts/bench";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { benchOf } from "@/server/repositories/bench";

export const benchActs = [
  implement(setBench, async (person, { settings }) => {
    await benchOf(database(), person).set(settings);
    return null;
  }),
  implement(readRoom, async (person, { reading }) => {
    await benchOf(database(), person).read(reading);
    return null;
  }),
];
