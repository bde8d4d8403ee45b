import { scaled, sumOf, exactly, type Spread } from "../numerics/spread";
import type { Plan } from "../plan/derive-plan";
import { comparePour } from "../pour/compare-pour";
import type { PourState } from "../pour/pour-events";
import type { RunStep } from "../pour/run-sheet";
import { MM2_PER_FT2, MM2_PER_M2 } from "../units/constants";
import type { UnitSystem } from "../units/dimension";
import type { Minor } from "./money";
import { lookPrice, type Quote, type QuotedLook } from "./quote";

/** What one pour took: mixed, ml by resin card; minutes at the piece, those who were on it, days on which something was done. */
export type Poured = { mixedMl: Record<string, number>; workMin: number; people: number; days: number };

/** A longer gap between two ticks is waiting, not work, min (common practice, no source). */
export const WAITING_MIN = 45;

/** Minutes of work between moments at which something was ticked; gaps of waiting are left out. */
export function minutesAtWork(momentsMs: readonly number[]): number {
  const inOrder = [...momentsMs].sort((a, b) => a - b);
  return inOrder.slice(1).reduce((sum, at, index) => {
    const gap = (at - (inOrder[index] ?? at)) / 60_000;
    return gap <= WAITING_MIN ? sum + gap : sum;
  }, 0);
}

/**
 * What a pour took, by what was recorded of it.
 * @param dayOf the shop's day of a moment
 */
export function pouredOf(
  plan: Plan,
  steps: readonly RunStep[],
  state: PourState,
  people: number,
  system: UnitSystem,
  dayOf: (at: string) => string,
): Poured {
  const mixedMl: Record<string, number> = {};
  for (const { coatId, mixedMl: ml } of comparePour(plan, steps, state, system)) {
    const cardId = plan.coats.find(({ coat }) => coat.id === coatId)?.coat.resinCardId;
    if (cardId) mixedMl[cardId] = (mixedMl[cardId] ?? 0) + ml;
  }
  const done = [...state.doneAt.values()];
  return {
    mixedMl,
    workMin: minutesAtWork(done.map((at) => Date.parse(at))),
    people,
    days: new Set(done.map(dayOf)).size,
  };
}

/** What was quoted of a look beside what became of it. Money in minor units, before tax. */
export type QuotedAndActual = {
  resins: { name: string; quotedMl: Spread; actualMl: number; quoted: Minor | null; actual: Minor | null }[];
  /** Hours of one person, setting up included. */
  hours: { quoted: Spread; actual: number };
  /** All that it cost. */
  cost: { quoted: Spread; actual: Spread };
  net: Minor;
  /** What stays of the price after all cost, and what an hour brought: price less all cost but wages. */
  stays: { quoted: Spread; actual: Spread };
  perHour: { quoted: number | null; actual: number | null };
};

const lessThan = (amount: number, { low, likely, high }: Spread): Spread => ({
  low: amount - high,
  likely: amount - likely,
  high: amount - low,
});

/** Sets an accepted look beside its pours. What was used up, boards and disposal stand as they were reckoned: nobody records them. */
export function quotedAndActual(quote: Quote, look: QuotedLook, pours: readonly Poured[]): QuotedAndActual {
  const { cost } = look;
  const { net } = lookPrice(quote.rules, look);
  const mixed = (cardId: string) => pours.reduce((sum, { mixedMl }) => sum + (mixedMl[cardId] ?? 0), 0);
  const resins = cost.resins.map(({ cardId, name, ml, cost: quoted }) => {
    const actualMl = mixed(cardId);
    return {
      name,
      quotedMl: ml,
      actualMl,
      quoted: quoted && Math.round(quoted.likely),
      actual: quoted && ml.likely > 0 ? Math.round((quoted.likely * actualMl) / ml.likely) : null,
    };
  });
  const hours = pours.reduce(
    (sum, { workMin, people, days }) => sum + (workMin * people + days * cost.setUpMin) / 60,
    0,
  );
  const resin = resins.reduce((sum, { actual }) => sum + (actual ?? 0), 0);
  const overhead = 1 + cost.overheadPct / 100;
  const withoutWages = scaled(sumOf([exactly(resin), cost.other]), overhead);
  const actual = scaled(sumOf([exactly(resin + hours * cost.hourly), cost.other]), overhead);
  const quotedWages = scaled(cost.hours, cost.hourly * overhead).likely;
  return {
    resins,
    hours: { quoted: cost.hours, actual: hours },
    cost: { quoted: cost.total, actual },
    net,
    stays: { quoted: lessThan(net, cost.total), actual: lessThan(net, actual) },
    perHour: {
      quoted: cost.hours.likely > 0 ? (net - (cost.total.likely - quotedWages)) / cost.hours.likely : null,
      actual: hours > 0 ? (net - withoutWages.likely) / hours : null,
    },
  };
}

/** What a look is called for what it earned: the words of its largest line by area, else of its largest line. */
export function techniqueOf(quote: Quote, look: QuotedLook): string {
  const { lines } = lookPrice(quote.rules, look);
  const byArea = lines.filter(({ unit }) => unit === "m2" || unit === "ft2");
  const [largest] = [...(byArea.length > 0 ? byArea : lines)].sort((a, b) => b.amount - a.amount);
  return largest?.words ?? look.name;
}

/** Sizes in which work is told apart, by its top: up to so many m² or ft². */
const SIZES: Record<UnitSystem, { unit: string; perUnitMm2: number; ends: readonly [number, number] }> = {
  metric: { unit: "m²", perUnitMm2: MM2_PER_M2, ends: [1, 4] },
  us: { unit: "ft²", perUnitMm2: MM2_PER_FT2, ends: [10, 40] },
};

export function sizeWords(areaMm2: number, system: UnitSystem): string {
  const { unit, perUnitMm2, ends } = SIZES[system];
  const [small, large] = ends;
  const area = areaMm2 / perUnitMm2;
  if (area <= small) return `up to ${small} ${unit}`;
  return area <= large ? `${small} to ${large} ${unit}` : `over ${large} ${unit}`;
}

export type EarnedJob = { technique: string; size: string; hours: number; perHour: number };
export type EarnedRow = {
  technique: string;
  size: string;
  jobs: number;
  hours: number;
  /** By its hours over all jobs of the row, and the job that brought least and most. */
  perHour: Spread;
};

/** What an hour brought by technique and size, the best first. */
export function earnedBy(jobs: readonly EarnedJob[]): EarnedRow[] {
  const groups = new Map<string, EarnedJob[]>();
  for (const job of jobs) {
    const key = JSON.stringify([job.technique, job.size]);
    groups.set(key, [...(groups.get(key) ?? []), job]);
  }
  return [...groups.values()]
    .flatMap((group): EarnedRow[] => {
      const [first] = group;
      const hours = group.reduce((sum, job) => sum + job.hours, 0);
      if (!first || hours <= 0) return [];
      const each = group.map(({ perHour }) => perHour);
      return [
        {
          technique: first.technique,
          size: first.size,
          jobs: group.length,
          hours,
          perHour: {
            low: Math.min(...each),
            likely: group.reduce((sum, job) => sum + job.perHour * job.hours, 0) / hours,
            high: Math.max(...each),
          },
        },
      ];
    })
    .sort((a, b) => b.perHour.likely - a.perHour.likely);
}
