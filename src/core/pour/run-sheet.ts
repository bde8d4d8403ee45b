import type { Batch, BatchedCoat } from "../batch/batch-coat";
import { TOOL_WORDS } from "../batch/factors";
import type { Section } from "../batch/sections";
import { COAT_WORDS } from "../schedule/coat";
import { PASS } from "../passes/facts";
import { type Pass } from "../schedule/pass";
import { formatQuantity, quantityText } from "../units/format-quantity";
import type { UnitSystem } from "../units/dimension";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import {
  batchAsWeighed,
  cupsMl,
  partText,
  weighLines,
  type WeighLine,
  weighKey,
  type WeighedSoFar,
} from "./weigh-lines";
import { type AtHand } from "../batch/at-hand";

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

export const weighStepId = (coatId: string, batch: number): string => `${coatId}:${batch}:weigh`;

function batchSteps(
  planned: PlannedCoat,
  batched: BatchedCoat,
  plannedBatch: Batch,
  { system, atHand, weighed }: SheetOf,
): RunStep[] {
  const { coat, resin } = planned;
  const paint = resin?.kind === "paint";
  const weighId = weighStepId(coat.id, plannedBatch.number);
  // After an over-pour B, the cups and their colours follow what is in the pot.
  const batch = resin
    ? batchAsWeighed(plannedBatch, coat.colours, resin, atHand, (line) =>
        weighed.get(weighKey(weighId, line)),
      ).batch
    : plannedBatch;
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
  const volumes = cupsMl(batch.cups, system);
  const lines = weighLines(plannedBatch, paint, atHand.scaleStepG, batch);
  const parts = lines.flatMap(({ thing }) => (thing.kind === "part" ? [thing.part] : []));
  const partsG = lines.reduce(
    (sum, { thing, grams }) => sum + (thing.kind === "part" ? grams + thing.carriedG : 0),
    0,
  );
  const steps: RunStep[] = [
    {
      ...base,
      id: weighId,
      kind: "weigh",
      title: `Weigh ${partText(partsG)}\u00a0g of ${paint ? "paint" : parts.includes("C") ? "A, B and C" : "A and B"}`,
      detail: `${COAT_WORDS[coat.kind]}${of}. ${quantityText(batch.parts.mixMl, "volume", system)} for ${sectionWords(batch.sections, system) || "the whole piece"}.`,
      weigh: lines,
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

/**
 * The pour in steps, in the order of time, each at the minute that the plan's windows have: per coat its batches (weigh, mix, split), then
 * its passes. Each batch is laid as soon as it is mixed; the other passes follow the last one. A coat that starts late falls between the passes of the coat below.
 * @param weighed what was weighed so far: what is still to come of a batch follows it
 */
export function runSheet(plan: Plan, system: UnitSystem, weighed: WeighedSoFar = new Map()): RunStep[] {
  const of = { system, atHand: plan.atHand, weighed };
  const steps = plan.coats.flatMap((planned) =>
    planned.batched ? coatSteps(planned, planned.batched, of) : [],
  );
  return steps.sort((a, b) => a.atMin - b.atMin);
}

type SheetOf = { system: UnitSystem; atHand: AtHand; weighed: WeighedSoFar };

function coatSteps(planned: PlannedCoat, batched: BatchedCoat, of: SheetOf): RunStep[] {
  const { coat } = planned;
  const { windows } = planned;
  const firstMix = windows?.mixedAtMin ?? 0;
  const passStep = (
    { pass, atMin, untilMin }: { pass: Pass; atMin: number; untilMin: number },
    batch: number | null = null,
  ): RunStep => {
    const { words, caution = null, fire } = PASS[pass.kind];
    return {
      id: batch === null ? `${coat.id}:pass:${pass.id}` : `${coat.id}:${batch}:pass:${pass.id}`,
      coatId: coat.id,
      coatName: coat.name,
      batch,
      passId: pass.id,
      kind: "pass",
      title: words,
      detail: passDetail(pass, batched.topAreaMm2, of.system),
      weigh: [],
      atMin,
      untilMin,
      caution,
      stopHere: pass.stopHere,
      vapour: fire === "vapour",
      flame: fire === "lights",
    };
  };
  /** As the days have it; without days each at the minute that it names. */
  const rows =
    windows?.windows ??
    coat.passes.map((pass) => {
      const atMin = firstMix + (pass.fromMin ?? 0);
      return { pass, atMin, untilMin: atMin, perBatch: [] };
    });
  const many = batched.batches.length > 1;
  const isBefore = ({ pass }: { pass: Pass }) => PASS[pass.kind].phase === "before";
  const isPerBatch = ({ pass }: { pass: Pass }) => PASS[pass.kind].perBatch === true;
  return [
    ...rows.filter(isBefore).map((row) => passStep(row)),
    ...batched.batches.flatMap((batch) => [
      ...batchSteps(planned, batched, batch, of),
      ...rows.filter(isPerBatch).map((row) => {
        const times = row.perBatch.find(({ number }) => number === batch.number) ?? row;
        return passStep(
          { pass: row.pass, atMin: times.atMin, untilMin: times.untilMin },
          many ? batch.number : null,
        );
      }),
    ]),
    ...rows.filter((row) => !isBefore(row) && !isPerBatch(row)).map((row) => passStep(row)),
  ];
}
