import { decideLearning } from "@/contracts/learning";
import { serverNowMs } from "@/contracts/server-now";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { learningOf } from "@/server/repositories/learning";

export const learnActs = [
  implement(decideLearning, async (person, { id, said }) => {
    await learningOf(database(), person).decide(id, said, new Date(serverNowMs()));
    return null;
  }),
];
