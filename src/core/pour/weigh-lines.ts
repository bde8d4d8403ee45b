import { USUAL_SCALE_G, type AtHand } from "../batch/at-hand";
import type { Batch, Cup } from "../batch/batch-coat";
import type { CoatColour, NamedDose } from "../batch/coat-colour";
import { countable, type Dose } from "../batch/dose";
import { COUNTED_WELL, leastDoseG, waysToDose, type DoseWay } from "../batch/let-down";
import { mixesOf } from "../batch/mixes";
import type { Ratio } from "../batch/parts";
import {
  NOTHING_WEIGHED,
  resized,
  weighOut,
  type MixWeighed,
  type Weighed,
  type WeighOut,
} from "../batch/weigh-out";
import { roundToSum } from "../numerics/round-to-sum";
import { groupThousands, trimmed } from "../units/format-quantity";
import { SHOWN_UNIT, unitOf, type UnitSystem } from "../units/dimension";

/** What was weighed so far, by step and line. */
export type WeighedSoFar = ReadonlyMap<string, number>;
export const weighKey = (stepId: string, line: string) => `${stepId}|${line}`;

/** What is weighed: a part of a mix, or a colourant. */
export type WeighedThing =
  /** `carriedG` is A that stocks of colour bring along: so much less of it goes on the scale. */
  | { kind: "part"; part: "A" | "B" | "C"; mixId: string; carriedG: number }
  /** `ofStock`: what is weighed is a stock that was made before, its colour in it. */
  | { kind: "dose"; doseId: string; ofStock?: true }
  /** Colour for a stock that is made first. */
  | { kind: "stock"; doseId: string };

/** One thing to put on the scale, in order. `line` names it within its step, for what was weighed. */
export type WeighLine = {
  line: string;
  thing: WeighedThing;
  label: string;
  /** What the scale is to show: after what was weighed before it. */
  grams: number;
  /** The same as it was planned. */
  plannedGrams: number;
  /** `grams` as the scale can show it. */
  shown: string;
  ml: number | null;
  count: string | null;
  /** How it is measured where the scale cannot weigh it, the best way first. */
  how: string | null;
};

/** Digits behind the point that a scale of this step shows. */
const placesOf = (stepG: number): number => Math.min(3, Math.max(0, Math.ceil(-Math.log10(stepG) - 1e-9)));

/** Grams as a scale of this step shows them; what it cannot dose keeps two figures, so that it is never shown as nothing. */
export function onScale(grams: number, stepG: number): string {
  if (!(grams > 0)) return "0";
  const places = placesOf(stepG);
  if (grams >= leastDoseG(stepG)) return trimmed(Math.round(grams / stepG) * stepG, grams < 100 ? places : 0);
  return groupThousands(String(Number(grams.toPrecision(2))));
}

/** More than this nobody counts: grams come first. */
const MOST_DROPS = 60;
const MOST_SPOONS = 20;

/** A dose in words: "11.5 g", "42 drops (2.1 g)", "4 level spoons (0.8 g)"; what cannot be counted out, in grams alone. */
export function doseWords(dose: Dose, stepG = USUAL_SCALE_G): string {
  const grams = `${onScale(dose.grams, Math.min(stepG, 0.1))} g`;
  if (dose.unit === "gram") return grams;
  const count = countable(dose);
  const [one, many, most] =
    dose.unit === "drop" ? ["drop", "drops", MOST_DROPS] : ["level spoon", "level spoons", MOST_SPOONS];
  if (Math.abs(count - dose.count) > COUNTED_WELL * dose.count) return grams;
  const counted = `${trimmed(count, 2)} ${count === 1 ? one : many}`;
  return count > most ? `${grams} (${counted})` : `${counted} (${grams})`;
}

/** Steps in which the parts of a mix are weighed, g: so fine that rounding does not move the ratio, as far as the scale goes. */
const partStepG = (mixG: number, scaleStepG: number): number => {
  if (mixG < 50 || (mixG < 300 && scaleStepG <= 0.1)) return 0.1;
  return mixG < 10_000 ? 1 : 10;
};

/** A and B, and C where there is one, rounded to what is weighed so that they sum to the rounded mix. */
export function weighable(
  { aG, bG, cG }: { aG: number; bG: number; cG: number },
  scaleStepG: number,
): { aG: number; bG: number; cG: number; mixG: number } {
  const [a, b, c] = roundToSum([aG, bG, cG], partStepG(aG + bG + cG, scaleStepG)) as [number, number, number];
  return { aG: a, bG: b, cG: c, mixG: a + b + c };
}

/** Grams of parts as they are written: tenths only where they are weighed in tenths. */
export const partText = (grams: number): string => trimmed(grams, 1);

/** Cups of a batch, ml, as they are shown in a system of units: so that what is printed under them sums to what is printed of the pot. */
export function cupsMl(cups: readonly Cup[], system: UnitSystem): number[] {
  const total = cups.reduce((sum, cup) => sum + cup.ml, 0);
  const unit = unitOf("volume", SHOWN_UNIT.volume[system]);
  const metricStep = total < 10 ? 0.1 : total < 10_000 ? 1 : 10;
  const step = system === "us" ? unit.toBase(0.25) : metricStep;
  return roundToSum(
    cups.map((cup) => cup.ml),
    step,
  );
}

/** All doses of a cup in words; a colourant is named where it is not the cup's own colour. */
export const dosesWords = ({ name, doses }: Cup, stepG = USUAL_SCALE_G): string =>
  doses
    .map((dose) => (dose.name === name ? doseWords(dose, stepG) : `${dose.name} ${doseWords(dose, stepG)}`))
    .join(", ");

type Line = Omit<WeighLine, "plannedGrams" | "shown">;

/** A dose with how it is measured, and with what of it goes into a stock of A first. */
function measured(dose: NamedDose, cup: Cup, batch: Batch, stepG: number) {
  const ways = waysToDose(dose, cup, batch, stepG);
  const [best] = ways;
  const stock = best?.kind === "stock" && best.base === "A" ? best : null;
  return { dose, stock, how: howWords(ways, stepG) };
}

const gramWords = (grams: number) => `${trimmed(grams, grams < 10 ? 2 : 0)} g`;

/** How a dose is measured that the scale cannot weigh: the best way in a sentence, the others in a few words. */
function howWords([best, ...others]: readonly DoseWay[], stepG: number): string | null {
  if (!best) return null;
  const also = others.map((way) =>
    way.kind === "finer" ? `a scale in steps of ${trimmed(way.stepG, 3)} g` : "a stock made before",
  );
  return `${wayWords(best, stepG)}${also.length > 0 ? ` Or ${also.join(", or ")}.` : ""}`;
}

function wayWords(way: DoseWay, stepG: number): string {
  switch (way.kind) {
    case "count":
      return `Count it out: steps of ${trimmed(stepG, 3)} g are too coarse.`;
    case "stock":
      return way.base === "A"
        ? `First stir ${gramWords(way.makeColourG)} into ${gramWords(way.makeBaseG)} of A, a stock of 1 in ${way.ratio}, and weigh ${gramWords(way.stockG)} of it; A is ${gramWords(way.carriesG)} less. What is over keeps for later batches.`
        : `Stir ${gramWords(way.makeColourG)} into ${gramWords(way.makeBaseG)} of the mixed clear, a stock of 1 in ${way.ratio}, and give ${gramWords(way.stockG)} of it into this cup.`;
    case "finer":
      return `Too little for steps of ${trimmed(stepG, 3)} g: a scale in steps of ${trimmed(way.stepG, 3)} g weighs it straight.`;
    case "none":
      return "No scale weighs so little: mix more at once, or leave it out.";
  }
}

function linesOf(batch: Batch, paint: boolean, stepG: number): Line[] {
  const doses = batch.cups.map((cup) => cup.doses.map((dose) => measured(dose, cup, batch, stepG)));
  const stockLines = doses.flat().flatMap(({ dose, stock }): Line[] =>
    stock
      ? [
          {
            line: `stock-${dose.id}`,
            thing: { kind: "stock", doseId: dose.id },
            label: `${dose.name} into ${gramWords(stock.makeBaseG)} of ${paint ? "paint" : "A"}, for a stock`,
            grams: stock.makeColourG,
            ml: null,
            count: null,
            how: `A stock of 1 in ${stock.ratio}: made first, its rest keeps for later batches.`,
          },
        ]
      : [],
  );
  const doseLines = (at: number, into: string): Line[] =>
    (doses[at] ?? []).map(({ dose, stock, how }) => ({
      line: `dose-${dose.id}`,
      thing: { kind: "dose", doseId: dose.id, ...(stock && { ofStock: true as const }) },
      label: stock ? `of the stock of ${dose.name} ${into}` : `${dose.name} ${into}`,
      grams: stock ? stock.stockG : dose.grams,
      ml: null,
      count: stock ? null : doseWords(dose, stepG),
      how: stock ? `${doseWords(dose, stepG)} of colour are in it.` : how,
    }));
  const cupsMixed = batch.cups.some((cup) => cup.parts !== null);
  const lines = mixesOf(batch).map(({ id, name, parts }, at) => {
    const inIt = cupsMixed ? (doses[at] ?? []) : doses.flat();
    const carriedG = inIt.reduce((sum, { stock }) => sum + (stock?.carriesG ?? 0), 0);
    const { aG, bG, cG } = weighable(parts, stepG);
    const of = name === null ? "" : `, for ${name}`;
    const line = (part: "A" | "B" | "C", words: string, grams: number, ml: number, less = 0): Line => ({
      line: name === null ? part : `${part}-${id}`,
      thing: { kind: "part", part, mixId: id, carriedG: less },
      label: paint ? "paint" : `${part}, ${words}${of}`,
      grams: grams - less,
      ml: less > 0 ? null : ml,
      count: null,
      how: less > 0 ? `${gramWords(less)} more of it come with the stock.` : null,
    });
    return {
      a: line("A", "resin", aG, parts.aMl, carriedG),
      rest: [
        ...(paint ? [] : [line("B", "hardener", bG, parts.bMl)]),
        ...(cG > 0 ? [line("C", "filler", cG, parts.cMl)] : []),
      ],
    };
  });
  if (cupsMixed)
    return [
      ...stockLines,
      ...lines.flatMap(({ a, rest }, at) => {
        const cup = batch.cups[at] as Cup;
        return [
          a,
          ...doseLines(at, `into ${cup.doses.length > 1 ? `the A of ${cup.name}` : "its A"}`),
          ...rest,
        ];
      }),
    ];
  return [
    ...stockLines,
    ...lines.flatMap(({ a, rest }) => [a, ...rest]),
    // By the numbers that are drawn under the cups: clear ones count too.
    ...batch.cups.flatMap((_, at) =>
      doseLines(at, batch.cups.length > 1 ? `into cup ${at + 1}` : "into the pot"),
    ),
  ];
}

/**
 * What goes on the scale for a batch, in order.
 * @param now the batch as it is after what was weighed; the batch itself where nothing was
 */
export function weighLines(
  batch: Batch,
  paint: boolean,
  stepG = USUAL_SCALE_G,
  now: Batch = batch,
): WeighLine[] {
  const planned = new Map(linesOf(batch, paint, stepG).map(({ line, grams }) => [line, grams]));
  return linesOf(now, paint, stepG).map((line) => ({
    ...line,
    plannedGrams: planned.get(line.line) ?? line.grams,
    shown: line.thing.kind === "part" ? partText(line.grams) : onScale(line.grams, stepG),
  }));
}

/** What was typed of A and B at the lines of a batch, mix by mix. Colourants do not make a batch larger by themselves. */
export function weighedAt(
  lines: readonly WeighLine[],
  gramsOf: (line: string) => number | undefined,
): Weighed {
  const mixes: Record<string, MixWeighed> = {};
  for (const { line, thing } of lines) {
    const typed = gramsOf(line);
    if (thing.kind !== "part" || thing.part === "C" || typed === undefined) continue;
    const grams = typed + thing.carriedG;
    const before = mixes[thing.mixId] ?? { aG: null, bG: null };
    mixes[thing.mixId] = thing.part === "A" ? { ...before, aG: grams } : { ...before, bG: grams };
  }
  return { ...NOTHING_WEIGHED, mixes };
}

/** A batch as it is by what was weighed of it: the verdicts on each mix, and all its numbers after them. */
export function batchAsWeighed(
  batch: Batch,
  colours: readonly CoatColour[],
  card: Ratio,
  { vesselsMl, scaleStepG }: AtHand,
  gramsOf: (line: string) => number | undefined,
): { out: WeighOut; batch: Batch } {
  const lines = weighLines(batch, card.kind === "paint", scaleStepG);
  const out = weighOut(batch, weighedAt(lines, gramsOf), card, vesselsMl);
  return { out, batch: resized(batch, out.factor, colours, card, vesselsMl) };
}
