import { beginTrial, tellTrial } from "@/contracts/trials";
import { serverNowMs } from "@/contracts/server-now";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { trialsOf } from "@/server/repositories/trials";

export const trialActs = [
  implement(beginTrial, async (person, { id, plan }) => {
    await trialsOf(database(), person).begin(id, plan, new Date(serverNowMs()));
    return null;
  }),
  implement(tellTrial, async (person, { id, trialId, said }) => {
    await trialsOf(database(), person).tell(id, trialId, said, new Date(serverNowMs()));
    return null;
  }),
];
