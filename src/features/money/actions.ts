import { savePrice, setRates } from "@/contracts/money";
import { serverNowMs } from "@/contracts/server-now";
import { makeQuote, tellQuote } from "@/contracts/quotes";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { moneyOf } from "@/server/repositories/money";
import { quotesOf } from "@/server/repositories/quotes";
import { numberQuote } from "./quote/queries";

export const moneyActs = [
  implement(setRates, async (person, { fields }) => {
    await moneyOf(database(), person).setRates(fields);
    return null;
  }),
  implement(savePrice, async (person, { jobId, fields }) => {
    await moneyOf(database(), person).savePrice(jobId, fields, new Date(serverNowMs()));
    return null;
  }),
  implement(makeQuote, async (person, { id, jobId, fields }) => {
    await numberQuote(person, id, jobId, fields);
    return null;
  }),
  implement(tellQuote, async (person, { id, quoteId, said }) => {
    await quotesOf(database(), person).tell(id, quoteId, said, new Date(serverNowMs()));
    return null;
  }),
];
