import { plainLot, readCode } from "../pour/lot-code";
import type { Part } from "./item";

/** What is known of a lot beside how much there is. Days are year-month-day. */
export type LotFacts = {
  /** As it stands on the bottle; empty where there is none. */
  number: string;
  boughtOn: string | null;
  bestBefore: string | null;
  /** For all that came, in the shop's money. */
  price: number | null;
  place: string;
  /** What a full bottle holds, by part: g, ml or pieces as its kind is counted. Of a resin both halves together are a full pair. */
  full: Partial<Record<Part, number>>;
  /** Weight of an empty bottle, by part, g. */
  tareG: Partial<Record<Part, number>>;
};

/** The line of a pour that something was weighed at. */
export type PourLine = { pourId: string; stepId: string; line: string };

/** A pour by its job and the pieces that were poured. */
export type PourNamed = {
  pourId: string;
  jobId: string;
  jobName: string;
  startedAt: string;
  pieces: string[];
};

export type TakenFor = "poured" | "sample" | "lost" | "thrown away" | "other";

/**
 * What happened to a lot. Append-only; amounts are in the unit of the item's kind. `facts` replaces what was known; `counted` says what is there, by
 * a look or by weight; `corrected` gives another entry another amount and says why.
 */
export type StockEntry = { id: string; at: string; by: string } & (
  | { kind: "facts"; facts: LotFacts; why: string }
  | { kind: "came"; part: Part; amount: number }
  | { kind: "took"; part: Part; amount: number; what: TakenFor; why: string; from?: PourLine }
  | { kind: "back"; part: Part; amount: number; why: string }
  | { kind: "counted"; part: Part; amount: number; grossG: number | null }
  | { kind: "opened"; part: Part; on: string }
  | { kind: "corrected"; entryId: string; amount: number; why: string }
);

/** Bottles of one delivery. `code` is the shop's own number, which its labels carry. */
export type Lot = { id: string; itemId: string; code: number; entries: readonly StockEntry[] };

/** Whether what was said at the bench is this lot: its code, or the maker's number. */
export function isSaid(said: string, code: number, { number }: LotFacts): boolean {
  const read = readCode(said);
  return read ? read.code === code : plainLot(number) !== "" && plainLot(number) === plainLot(said);
}
