import { CAUTION } from "../advice/pass-rules";
import type { Batch, BatchedCoat, Cup } from "../batch/batch-coat";
import { countable, type Dose } from "../batch/dose";
import { TOOL_WORDS } from "../batch/factors";
import type { Section } from "../batch/sections";
import { roundToSum } from "../numerics/round-to-sum";
import { COAT_WORDS } from "../schedule/coat";
import { PASS, type Pass } from "../schedule/pass";
import { formatQuantity, quantityText, trimmed } from "../units/format-quantity";
import type { UnitSystem } from "../units/dimension";
import type { Plan, PlannedCoat } from "./derive-plan";

/** One thing to put on the scale, in order. `line` names it within its step, for what was weighed. */
export type WeighLine = {
  line: string;
  label: string;
  grams: number;
  ml: number | null;
  count: string | null;
};

export type RunStep = {
  /** Stable for the same plan: coat, batch and act. */
  id: string;
  coatId: string;
  coatName: string;
  batch: number | null;
  /** The pass that it is; null for weighing, mixing and splitting. */
  passId: string | null;
  kind: "weigh" | "mix" | "split" | "pass";
  title: string;
  detail: string;
  weigh: WeighLine[];
  /** Planned begin and end, minutes after midnight of the first day. */
  atMin: number;
  untilMin: number;
  caution: string | null;
  stopHere: string | null;
  /** True for what puts vapour in the air that burns, and for what would light it. */
  vapour: boolean;
  flame: boolean;
};

/** "left run and corner to 1 840 mm": what one batch covers, in words. */
export function sectionWords(sections: readonly Section[], system: UnitSystem): string {
  const names = sections.map((section) => {
    if (section.copies > 1) return `${section.pieceName} × ${section.copies}`;
    const name = section.copy > 1 ? `${section.pieceName} ${section.copy}` : section.pieceName;
    if (section.whole) return name;
    const end = quantityText(section.toMm, "length", system);
    return section.fromMm > 0
      ? `${name} from ${quantityText(section.fromMm, "length", system)} to ${end}`
      : `${name} to ${end}`;
  });
  return names.length > 3 ? `${names.slice(0, 2).join(", ")} and ${names.length - 2} more` : names.join(", ");
}

/** More than this nobody counts: grams come first. */
const MOST_DROPS = 60;
const MOST_SPOONS = 20;

/** A dose in words: "11.5 g", "42 drops (2.1 g)", "4 level spoons (0.8 g)". */
export function doseWords(dose: Dose): string {
  const count = countable(dose);
  if (dose.unit === "gram") return `${trimmed(count, 1)} g`;
  const grams = `${trimmed(dose.grams, dose.grams < 10 ? 1 : 0)} g`;
  const [one, many, most] =
    dose.unit === "drop" ? ["drop", "drops", MOST_DROPS] : ["level spoon", "level spoons", MOST_SPOONS];
  const counted = `${trimmed(count, 2)} ${count === 1 ? one : many}`;
  return count > most ? `${grams} (${counted})` : `${counted} (${grams})`;
}

/** A and B rounded to whole grams so that they sum to the rounded mix. */
export function weighable(aG: number, bG: number): { aG: number; bG: number; mixG: number } {
  const [a, b] = roundToSum([aG, bG], aG + bG < 50 ? 0.1 : 1) as [number, number];
  return { aG: a, bG: b, mixG: a + b };
}

/** Cups of a batch in whole millilitres (tenths below 50), summing to the rounded pot. */
export function cupsMl(cups: readonly Cup[]): number[] {
  const total = cups.reduce((sum, cup) => sum + cup.ml, 0);
  return roundToSum(
    cups.map((cup) => cup.ml),
    total < 100 ? 0.1 : 1,
  );
}

/** All doses of a cup in words; a colourant is named where it is not the cup's own colour. */
export const dosesWords = ({ name, doses }: Cup): string =>
  doses.map((dose) => (dose.name === name ? doseWords(dose) : `${dose.name} ${doseWords(dose)}`)).join(", ");

/** What goes on the scale for a batch, in order. */
export function weighLines(batch: Batch, paint: boolean): WeighLine[] {
  const doseLines = (cup: Cup, into: string): WeighLine[] =>
    cup.doses.map((dose) => ({
      line: `dose-${dose.id}`,
      label: `${dose.name} ${into}`,
      grams: dose.grams,
      ml: null,
      count: doseWords(dose),
    }));
  if (paint) return [{ line: "A", label: "paint", grams: batch.parts.aG, ml: batch.parts.aMl, count: null }];
  const separate = batch.cups.every((cup) => cup.parts !== null);
  if (separate) {
    return batch.cups.flatMap((cup) => {
      const { aG, bG } = weighable(cup.parts?.aG ?? 0, cup.parts?.bG ?? 0);
      return [
        {
          line: `A-${cup.colourId}`,
          label: `A, resin, for ${cup.name}`,
          grams: aG,
          ml: cup.parts?.aMl ?? 0,
          count: null,
        },
        ...doseLines(cup, `into ${cup.doses.length > 1 ? `the A of ${cup.name}` : "its A"}`),
        {
          line: `B-${cup.colourId}`,
          label: `B, hardener, for ${cup.name}`,
          grams: bG,
          ml: cup.parts?.bMl ?? 0,
          count: null,
        },
        ...(cup.parts && cup.parts.cG > 0
          ? [
              {
                line: `C-${cup.colourId}`,
                label: `C, filler, for ${cup.name}`,
                grams: cup.parts.cG,
                ml: cup.parts.cMl,
                count: null,
              },
            ]
          : []),
      ];
    });
  }
  const { aG, bG } = weighable(batch.parts.aG, batch.parts.bG);
  const { cG, cMl } = batch.parts;
  return [
    { line: "A", label: "A, resin", grams: aG, ml: batch.parts.aMl, count: null },
    { line: "B", label: "B, hardener", grams: bG, ml: batch.parts.bMl, count: null },
    ...(cG > 0 ? [{ line: "C", label: "C, filler", grams: cG, ml: cMl, count: null }] : []),
    // By the numbers that are drawn under the cups: clear ones count too.
    ...batch.cups.flatMap((cup, index) =>
      doseLines(cup, batch.cups.length > 1 ? `into cup ${index + 1}` : "into the pot"),
    ),
  ];
}

function batchSteps(planned: PlannedCoat, batched: BatchedCoat, batch: Batch, system: UnitSystem): RunStep[] {
  const { coat, card } = planned;
  const paint = card?.kind === "paint";
  const times = planned.windows?.batches.find((row) => row.number === batch.number);
  const of = batched.batches.length > 1 ? `, batch ${batch.number} of ${batched.batches.length}` : "";
  const base = {
    coatId: coat.id,
    coatName: coat.name,
    batch: batch.number,
    passId: null,
    caution: null,
    stopHere: null,
    vapour: false,
    flame: false,
  };
  const mixAt = times?.mixAtMin ?? 0;
  const separate = batch.cups.length > 0 && batch.cups.every((cup) => cup.parts !== null);
  const lives = batched.potLifeMin
    ? ` It lives ${Math.round(batched.potLifeMin.low)} to ${Math.round(batched.potLifeMin.high)} min in the pot.`
    : "";
  const volumes = cupsMl(batch.cups);
  const steps: RunStep[] = [
    {
      ...base,
      id: `${coat.id}:${batch.number}:weigh`,
      kind: "weigh",
      title: `Weigh ${quantityText(batch.parts.mixG, "mass", system)}`,
      detail: `${COAT_WORDS[coat.kind]}${of}. ${quantityText(batch.parts.mixMl, "volume", system)} for ${sectionWords(batch.sections, system) || "the whole piece"}.`,
      weigh: weighLines(batch, paint),
      atMin: mixAt,
      untilMin: mixAt,
    },
  ];
  if (!paint) {
    steps.push({
      ...base,
      id: `${coat.id}:${batch.number}:mix`,
      kind: "mix",
      title: separate ? "Mix each cup" : `Mix ${batched.mixingMin} minutes`,
      detail: separate
        ? `Colour into A until no dry grain is left, then B; two to three minutes each, slowly.${lives}`
        : `${batch.parts.cG > 0 ? "A and B first, then the filler. " : ""}Top to bottom and back, a turn at each end, three times; scrape into a clean second container; two times more. The clock starts when A meets B.${lives}`,
      weigh: [],
      atMin: mixAt,
      untilMin: mixAt + batched.mixingMin,
    });
    if (!separate && batch.cups.length > 1) {
      steps.push({
        ...base,
        id: `${coat.id}:${batch.number}:split`,
        kind: "split",
        title: `Split into ${batch.cups.length} cups`,
        detail:
          batch.cups
            .map((cup, index) => `${cup.name} ${quantityText(volumes[index] ?? cup.ml, "volume", system)}`)
            .join(" · ") + ". Fluid before powder; stir until no dry grain is left.",
        weigh: [],
        atMin: mixAt + batched.mixingMin,
        untilMin: mixAt + batched.mixingMin,
      });
    }
  }
  return steps;
}

/** "30 to 40 ml over 3.7 m²": what a sprayed pass takes, ±15 %. */
export function sprayWords(pass: Pass, areaMm2: number, system: UnitSystem): string | null {
  if (pass.mlPerM2 === null) return null;
  const likely = (pass.mlPerM2 * areaMm2) / 1e6;
  return `${formatQuantity(likely * 0.85, "volume", system).number} to ${quantityText(likely * 1.15, "volume", system)} over ${quantityText(areaMm2, "area", system)}`;
}

/** What a pass says in one line of detail. */
export function passDetail(pass: Pass, areaMm2: number, system: UnitSystem): string {
  const parts = [
    sprayWords(pass, areaMm2, system),
    pass.rounds > 1 ? `${pass.rounds} rounds` : null,
    pass.tool !== "none" ? TOOL_WORDS[pass.tool] : null,
  ].filter(Boolean);
  const head = parts.length > 0 ? `${parts.join(" · ")}. ` : "";
  const text = `${head}${pass.note}`.trim();
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** No act of a coat before the one that goes before it: a pass timed for minute 15 waits while the coat is still laid. */
function inOrder(steps: readonly RunStep[]): RunStep[] {
  let latest = -Infinity;
  return steps.map((step) => {
    latest = Math.max(latest, step.atMin);
    return { ...step, atMin: latest, untilMin: step.untilMin + latest - step.atMin };
  });
}

/**
 * The pour in steps, in the order of time: per coat its batches (weigh, mix, split), then its passes. Each batch is laid as soon
 * as it is mixed; the other passes follow the last one. A coat that starts late falls between the passes of the coat below.
 */
export function runSheet(plan: Plan, system: UnitSystem): RunStep[] {
  const steps = plan.coats.flatMap((planned) =>
    planned.batched ? inOrder(coatSteps(planned, planned.batched, system)) : [],
  );
  return steps.sort((one, other) => one.atMin - other.atMin);
}

function coatSteps(planned: PlannedCoat, batched: BatchedCoat, system: UnitSystem): RunStep[] {
  const { coat } = planned;
  const firstMix = planned.windows?.mixedAtMin ?? 0;
  /** From when to when it is planned; without windows from the minute that it names. */
  const plannedOf = (pass: Pass) => {
    const earliest = firstMix + (pass.fromMin ?? 0);
    const own = planned.windows?.windows.find((window) => window.pass.id === pass.id);
    return own ?? { atMin: earliest, untilMin: earliest };
  };
  const passStep = (
    pass: Pass,
    batch: number | null,
    { atMin, untilMin }: { atMin: number; untilMin: number },
  ): RunStep => ({
    id: batch === null ? `${coat.id}:pass:${pass.id}` : `${coat.id}:${batch}:pass:${pass.id}`,
    coatId: coat.id,
    coatName: coat.name,
    batch,
    passId: pass.id,
    kind: "pass",
    title: PASS[pass.kind].words,
    detail: passDetail(pass, batched.topAreaMm2, system),
    weigh: [],
    atMin,
    untilMin,
    caution: CAUTION[pass.kind] ?? null,
    stopHere: pass.stopHere,
    vapour: pass.kind === "alcohol" || pass.kind === "mica-alcohol" || pass.kind === "fog",
    flame: pass.kind === "flame" || pass.kind === "blow",
  });
  const before = coat.passes.filter((pass) => pass.kind === "sand");
  const laid = coat.passes.filter((pass) => pass.kind === "lay" || pass.kind === "bucket-pour");
  const after = coat.passes.filter((pass) => !before.includes(pass) && !laid.includes(pass));
  const many = batched.batches.length > 1;
  return [
    ...before.map((pass) => passStep(pass, null, { atMin: firstMix, untilMin: firstMix })),
    ...batched.batches.flatMap((batch) => [
      ...batchSteps(planned, batched, batch, system),
      ...laid.map((pass) => {
        const whole = plannedOf(pass);
        const atMin = planned.windows?.batches[batch.number - 1]?.pourAtMin ?? firstMix;
        const untilMin = atMin + (whole.untilMin - whole.atMin) * batch.share;
        return passStep(pass, many ? batch.number : null, { atMin, untilMin });
      }),
    ]),
    ...after.map((pass) => passStep(pass, null, plannedOf(pass))),
  ];
}

/** "09:40", with "+1 d" for later days. */
export function clockText(minutes: number): string {
  const whole = Math.round(minutes);
  const day = Math.floor(whole / 1440);
  const inDay = whole - day * 1440;
  const time = `${String(Math.floor(inDay / 60)).padStart(2, "0")}:${String(inDay % 60).padStart(2, "0")}`;
  return day > 0 ? `${time} +${day} d` : time;
}
