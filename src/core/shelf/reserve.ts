import { exactly, sumOf, type Spread } from "../numerics/spread";
import type { Part } from "./item";
import type { Lot } from "./lot";
import type { ItemNeed } from "./needs";
import { isPast, leftOf, lotState, usedFirst } from "./stock";

/** An approved job with its first day, and what it takes. */
export type JobNeeds = { jobId: string; name: string; day: string; needs: readonly ItemNeed[] };

/** Something that a job will not find on the shelf on its day. */
export type Shortage = {
  jobId: string;
  day: string;
  itemId: string;
  part: Part;
  need: Spread;
  /** What it finds: what jobs before it leave. */
  there: number;
  /** Likely short, or only where its need comes out high. */
  sure: boolean;
  /** Lots that would help but are past their date on that day: they are never counted. */
  past: { lotId: string; amount: number }[];
};

const key = (itemId: string, part: Part) => `${itemId} ${part}`;

/** What approved jobs take off the shelf, the earliest day first, from each lot in the order in which it is used; and what they will lack. */
export function reserve(
  jobs: readonly JobNeeds[],
  lots: readonly Lot[],
): {
  shortages: Shortage[];
  reservedOf: (itemId: string, part: Part) => Spread;
} {
  const left = new Map<string, number>();
  const needs = new Map<string, Spread[]>();
  const shortages: Shortage[] = [];
  const ordered = [...lots].sort(usedFirst);
  for (const { jobId, day, needs: ofJob } of [...jobs].sort((a, b) => a.day.localeCompare(b.day)))
    for (const { itemId, part, amount } of ofJob) {
      needs.set(key(itemId, part), [...(needs.get(key(itemId, part)) ?? []), amount]);
      const ofItem = ordered.filter((lot) => lot.itemId === itemId && lotState(lot).left.has(part));
      const here = (lot: Lot) => left.get(`${lot.id} ${part}`) ?? leftOf(lot, part);
      const usable = ofItem.filter((lot) => !isPast(lot, day));
      const there = usable.reduce((all, lot) => all + here(lot), 0);
      if (there < amount.high)
        shortages.push({
          jobId,
          day,
          itemId,
          part,
          need: amount,
          there,
          sure: there < amount.likely,
          past: ofItem
            .filter((lot) => isPast(lot, day) && here(lot) > 0)
            .map((lot) => ({ lotId: lot.id, amount: here(lot) })),
        });
      let rest = amount.likely;
      for (const lot of usable) {
        const taken = Math.min(rest, here(lot));
        left.set(`${lot.id} ${part}`, here(lot) - taken);
        rest -= taken;
      }
    }
  const reserved = new Map([...needs].map(([of, list]) => [of, sumOf(list)]));
  return {
    shortages,
    reservedOf: (itemId, part) => reserved.get(key(itemId, part)) ?? exactly(0),
  };
}
