import { byIdentity } from "../numerics/by-identity";
import type { Part } from "./item";
import type { Lot, LotFacts, StockEntry } from "./lot";

export const NO_FACTS: LotFacts = {
  number: "",
  boughtOn: null,
  bestBefore: null,
  price: null,
  place: "",
  full: {},
  tareG: {},
};

/** One line of a lot's history: what it changed, and how it stands now. */
export type HistoryLine = {
  entry: StockEntry;
  /** The amount that counts, where it has one: as it was corrected. */
  amount: number | null;
  /** What it moved of the part, after all before it. */
  changed: number | null;
  corrections: { by: string; at: string; was: number; why: string }[];
  /** A later entry of the same line of a pour counts in its place. */
  replaced: boolean;
};

/** How a lot stands. */
export type LotState = {
  facts: LotFacts;
  /** What there is of each part that came. May be under nothing by the book: then it is to be counted. */
  left: ReadonlyMap<Part, number>;
  came: ReadonlyMap<Part, number>;
  openedOn: ReadonlyMap<Part, string>;
  /** The moment of the last count of a part. */
  countedAt: ReadonlyMap<Part, string>;
  history: HistoryLine[];
};

const lineKey = (entry: StockEntry): string | null =>
  entry.kind === "took" && entry.from
    ? `${entry.from.pourId}|${entry.from.stepId}|${entry.from.line}|${entry.part}`
    : null;

/**
 * Folds a lot's entries, in the order of their times (of equal times the order in which they were written). Of a pour's line the entry that was written last
 * counts: what was weighed anew replaces what was booked.
 */
function fold({ entries }: Lot): LotState {
  const lastOfLine = new Map<string, string>();
  const corrections = new Map<string, Extract<StockEntry, { kind: "corrected" }>[]>();
  for (const entry of entries) {
    const key = lineKey(entry);
    if (key) lastOfLine.set(key, entry.id);
    if (entry.kind === "corrected")
      corrections.set(entry.entryId, [...(corrections.get(entry.entryId) ?? []), entry]);
  }
  const state = {
    facts: NO_FACTS,
    left: new Map<Part, number>(),
    came: new Map<Part, number>(),
    openedOn: new Map<Part, string>(),
    countedAt: new Map<Part, string>(),
    history: [] as HistoryLine[],
  };
  const ordered = [...entries].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  for (const entry of ordered) {
    if (entry.kind === "corrected") continue;
    const typed = "amount" in entry ? entry.amount : null;
    const told = corrections.get(entry.id) ?? [];
    const key = lineKey(entry);
    const replaced = key !== null && lastOfLine.get(key) !== entry.id;
    const amount = told.at(-1)?.amount ?? typed;
    const line: HistoryLine = {
      entry,
      amount,
      changed: null,
      corrections: told.map(({ by, at, why }, n) => ({
        by,
        at,
        why,
        was: told[n - 1]?.amount ?? typed ?? 0,
      })),
      replaced,
    };
    state.history.push(line);
    if (replaced) continue;
    if (entry.kind === "facts") state.facts = entry.facts;
    else if (entry.kind === "opened") state.openedOn.set(entry.part, entry.on);
    else {
      const before = state.left.get(entry.part) ?? 0;
      const after = afterEntry(entry.kind, before, amount ?? 0);
      line.changed = after - before;
      state.left.set(entry.part, after);
      if (entry.kind === "came")
        state.came.set(entry.part, (state.came.get(entry.part) ?? 0) + (amount ?? 0));
      if (entry.kind === "counted") state.countedAt.set(entry.part, entry.at);
      if (entry.kind === "took" && amount !== 0 && !state.openedOn.has(entry.part))
        state.openedOn.set(entry.part, entry.at.slice(0, 10));
    }
  }
  return state;
}

function afterEntry(kind: "came" | "took" | "back" | "counted", before: number, amount: number): number {
  if (kind === "counted") return amount;
  return kind === "took" ? before - amount : before + amount;
}

export const lotState: (lot: Lot) => LotState = byIdentity(fold);

/** What a lot has of a part; nothing where the book is under nothing. */
export const leftOf = (lot: Lot, part: Part): number => Math.max(0, lotState(lot).left.get(part) ?? 0);

/** What counts as nothing left, of grams, millilitres and pieces. */
const NOTHING = 1e-6;
/** Whether anything is left of a lot by the book, or less than nothing. */
export const holdsSomething = (lot: Lot): boolean =>
  [...lotState(lot).left.values()].some((left) => Math.abs(left) > NOTHING);

/** Whether a lot is past its date on a day. */
export const isPast = (lot: Lot, day: string): boolean => {
  const { bestBefore } = lotState(lot).facts;
  return bestBefore !== null && bestBefore < day;
};

/** What goes first: what is open, then what ends sooner, then what was bought earlier. */
export function usedFirst(a: Lot, b: Lot): number {
  const [one, two] = [lotState(a), lotState(b)];
  const last = "9999";
  const open = (state: LotState) => (state.openedOn.size > 0 ? 0 : 1);
  return (
    open(one) - open(two) ||
    (one.facts.bestBefore ?? last).localeCompare(two.facts.bestBefore ?? last) ||
    (one.facts.boughtOn ?? last).localeCompare(two.facts.boughtOn ?? last) ||
    a.code - b.code
  );
}
