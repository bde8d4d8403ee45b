import { codeText } from "../pour/lot-code";
import type { UnitSystem } from "../units/dimension";
import { quantityText, trimmed } from "../units/format-quantity";
import { UNIT_OF_KIND, type ConsumableUse, type ItemKind, type ShelfItem } from "./item";
import type { Lot, StockEntry, TakenFor } from "./lot";
import type { Shortage } from "./reserve";

export const KIND_WORDS: Record<ItemKind, string> = {
  resin: "Resins",
  colour: "Colours",
  spray: "Sprays",
  alcohol: "Alcohols",
  embed: "Stones, glass, glitter",
  consumable: "Cups, gloves, tools",
};

export const USE_WORDS: Record<ConsumableUse, string> = {
  cup: "cups or buckets",
  stick: "stirring sticks",
  gloves: "gloves",
  roller: "rollers, brushes",
  tape: "tape, film",
  strip: "strips, dams",
  sandpaper: "sandpaper",
  other: "something else",
};

/** An amount of a kind, in the reader's units; pieces as a bare number. */
export function amountText(kind: ItemKind, amount: number, system: UnitSystem): string {
  const unit = UNIT_OF_KIND[kind];
  if (unit === "piece") return trimmed(amount, 1);
  return quantityText(amount, unit === "g" ? "mass" : "volume", system);
}

export const TAKEN_WORDS: Record<TakenFor, string> = {
  poured: "poured",
  sample: "sample board",
  lost: "spilt or lost",
  "thrown away": "thrown away",
  other: "other",
};

/** What an entry of a lot's book says. */
export function entryWords(entry: StockEntry, jobName: string | null): string {
  switch (entry.kind) {
    case "facts":
      return entry.why || "What is known of it";
    case "came":
      return "Came";
    case "took": {
      const what = jobName ?? (entry.from ? "a pour" : TAKEN_WORDS[entry.what]);
      return entry.why ? `Taken: ${what}, ${entry.why}` : `Taken: ${what}`;
    }
    case "back":
      return entry.why ? `Put back: ${entry.why}` : "Put back";
    case "counted":
      return entry.grossG === null ? "Counted" : "Weighed";
    case "opened":
      return "Opened";
    case "corrected":
      return "Corrected";
  }
}

/** Of how much a small test cup is mixed before a resin that is past its date is trusted, g (common practice, no source). */
export const TEST_CUP_G = 30;

/** What is tried before something past its date is used. */
export const pastWords = (kind: ItemKind): string =>
  kind === "resin"
    ? `Mix a test cup of ${TEST_CUP_G} g first and leave it a day: it must set hard and clear. Warm cloudy A until it is clear.`
    : "Try it in a test cup first.";

/** What one job will lack of one thing: "6782 g of A and 1923 g of B", and the rest of it in a sentence or two. */
export type ShortOfItem = { name: string; lacks: string; sure: boolean; beside: string };
/** What one job will lack on its day. */
export type ShortOfJob = { jobId: string; name: string; day: string; sure: boolean; things: ShortOfItem[] };

/** Shortages by job, the earliest day first; parts of one item together. */
export function shortWords(
  shortages: readonly Shortage[],
  of: {
    items: readonly ShelfItem[];
    lots: readonly Lot[];
    jobs: readonly { jobId: string; name: string }[];
    system: UnitSystem;
  },
): ShortOfJob[] {
  const found = new Map<string, ShortOfJob>();
  const jobIds = [...new Set(shortages.map(({ jobId }) => jobId))];
  for (const jobId of jobIds) {
    const ofJob = shortages.filter((short) => short.jobId === jobId);
    const things = [...new Set(ofJob.map(({ itemId }) => itemId))].flatMap((itemId) => {
      const item = of.items.find(({ id }) => id === itemId);
      return item
        ? [
            shortOfItem(
              item,
              ofJob.filter((short) => short.itemId === itemId),
              of,
            ),
          ]
        : [];
    });
    const [first] = ofJob;
    if (first && things.length > 0)
      found.set(jobId, {
        jobId,
        name: of.jobs.find((job) => job.jobId === jobId)?.name ?? "",
        day: first.day,
        sure: ofJob.some(({ sure }) => sure),
        things,
      });
  }
  return [...found.values()].sort((a, b) => a.day.localeCompare(b.day));
}

function shortOfItem(
  { kind, name }: ShelfItem,
  shorts: readonly Shortage[],
  { lots, system }: { lots: readonly Lot[]; system: UnitSystem },
): ShortOfItem {
  const amount = (value: number) => amountText(kind, value, system);
  const sure = shorts.filter((short) => short.sure);
  const told = sure.length > 0 ? sure : shorts;
  const lacks = told
    .map(({ part, need, there }) => {
      const by = amount((sure.length > 0 ? need.likely : need.high) - there);
      return part === "whole" ? by : `${by} of ${part}`;
    })
    .join(" and ");
  const there = told.every((short) => short.there === 0);
  const needs = told.map(({ need }) => `${amount(need.low)} to ${amount(need.high)}`).join(" and ");
  const pastLots = [
    ...new Map(
      shorts.flatMap(({ past, part }) => past.map((lot) => [`${lot.lotId} ${part}`, { ...lot, part }])),
    ).values(),
  ].map(({ lotId, amount: held, part }) => {
    const code = lots.find(({ id }) => id === lotId)?.code ?? 0;
    return `${codeText(code, part)} with ${amount(held)}`;
  });
  return {
    name,
    lacks,
    sure: sure.length > 0,
    beside: [
      `${there ? "None is there. " : ""}It needs ${needs}.`,
      ...(pastLots.length > 0
        ? [`Past its date, not counted: ${pastLots.join(", ")}. ${pastWords(kind)}`]
        : []),
    ].join(" "),
  };
}
