import { savePrice, setRates } from "@/contracts/money";
import { serverNowMs } from "@/contracts/server-now";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { moneyOf } from "@/server/repositories/money";

export const moneyActs = [
  implement(setRates, async (person, { fields }) => {
    await moneyOf(database(), person).setRates(fields);
    return null;
  }),
  implement(savePrice, async (person, { jobId, fields }) => {
    await moneyOf(database(), person).savePrice(jobId, fields, new Date(serverNowMs()));
    return null;
  }),
];
