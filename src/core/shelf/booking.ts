import type { Part, ShelfItem } from "./item";
import { isSaid, type Lot, type PourLine } from "./lot";
import { isPast, leftOf, lotState, usedFirst } from "./stock";
import type { WeighedOut } from "./weighed-out";

/** What the book is to say of a line of a pour: so much of it came from this lot. Nothing, where an earlier entry does not hold any more. */
export type Booking = { lotId: string; part: Part; amount: number; at: string; from: PourLine };

/** Something that was weighed and is in nobody's book: the lot that was said is not on the shelf, or nothing there can be it. */
export type Unplaced = { itemId: string; weighed: WeighedOut; from: PourLine };

const SAME_G = 1e-6;

/** What was booked of a line, lot by lot, as it was written: an entry that somebody corrected since stays corrected as long as nothing is weighed anew. */
function bookedAt({ pourId, stepId, line }: PourLine, lots: readonly Lot[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const lot of lots)
    for (const { entry, replaced } of lotState(lot).history) {
      if (entry.kind !== "took" || !entry.from || replaced || !(entry.amount > 0)) continue;
      const { from } = entry;
      if (from.pourId === pourId && from.stepId === stepId && from.line === line)
        found.set(lot.id, entry.amount);
    }
  return found;
}

const sum = (amounts: Map<string, number>) => [...amounts.values()].reduce((all, amount) => all + amount, 0);

/** Out of which lots so much came, where nobody said it: the oldest open one that is in date, and when that is empty the next. Null where there are none. */
function fromOldest(
  { part, at }: WeighedOut,
  grams: number,
  lots: readonly Lot[],
  hereLeft: (lot: Lot) => number,
): Map<string, number> | null {
  const day = at.slice(0, 10);
  const usable = lots
    .filter((lot) => lotState(lot).left.has(part) && !isPast(lot, day) && hereLeft(lot) > 0)
    .sort(usedFirst);
  if (usable.length === 0) return null;
  const out = new Map<string, number>();
  let rest = grams;
  for (const lot of usable) {
    const last = lot === usable.at(-1);
    // What is more than all hold was weighed all the same: the last one is under nothing by the book.
    const amount = last ? rest : Math.min(rest, hereLeft(lot));
    out.set(lot.id, amount);
    rest -= amount;
    if (rest <= SAME_G) break;
  }
  return out;
}

/**
 * What is to be written in the book of what was weighed at a pour: from the lot that was said, else from the oldest open one. What the book says already
 * stays where it is; of what was weighed anew, more or less comes from the same lots.
 * @param weighed in the order of time
 */
export function bookingsOf(
  pourId: string,
  weighed: readonly WeighedOut[],
  items: readonly ShelfItem[],
  lots: readonly Lot[],
): { bookings: Booking[]; unplaced: Unplaced[] } {
  const bookings: Booking[] = [];
  const unplaced: Unplaced[] = [];
  /** What this run has booked off a part of a lot, beside what the book says. */
  const moved = new Map<string, number>();
  for (const line of weighed) {
    const { stepId, part, grams, at } = line;
    const item = items.find(({ cardId }) => cardId === line.cardId);
    if (!item) continue;
    const from = { pourId, stepId, line: line.line };
    const ofItem = lots.filter(({ itemId }) => itemId === item.id);
    const before = bookedAt(from, ofItem);
    const hereLeft = (lot: Lot) =>
      leftOf(lot, part) + (before.get(lot.id) ?? 0) - (moved.get(`${lot.id} ${part}`) ?? 0);
    const said =
      line.lot === null ? undefined : ofItem.find((lot) => isSaid(line.lot!, lot.code, lotState(lot).facts));
    let wanted: Map<string, number> | null;
    if (said) wanted = new Map([[said.id, grams]]);
    else if (before.size > 0) wanted = changedTo(before, grams);
    else wanted = line.lot === null ? fromOldest(line, grams, ofItem, hereLeft) : null;
    if (wanted === null) {
      unplaced.push({ itemId: item.id, weighed: line, from });
      continue;
    }
    for (const lotId of new Set([...before.keys(), ...wanted.keys()])) {
      const [was, now] = [before.get(lotId) ?? 0, wanted.get(lotId) ?? 0];
      if (Math.abs(was - now) <= SAME_G) continue;
      bookings.push({ lotId, part, amount: now, at, from });
      moved.set(`${lotId} ${part}`, (moved.get(`${lotId} ${part}`) ?? 0) + now - was);
    }
  }
  return { bookings, unplaced };
}

/** The same lots, with so much together: what is more or less is the last one's as far as that goes. */
function changedTo(before: Map<string, number>, grams: number): Map<string, number> {
  const out = new Map(before);
  let rest = grams - sum(before);
  for (const lotId of [...before.keys()].reverse()) {
    const now = Math.max(0, (before.get(lotId) ?? 0) + rest);
    rest -= now - (before.get(lotId) ?? 0);
    out.set(lotId, now);
  }
  return out;
}
