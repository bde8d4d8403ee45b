import type { Measured } from "../geometry/measure";
import { passPlaces } from "../plan/set-room";
import { cupsClock, mixClock, passClock, type ActClock } from "./act-clock";
import { whereWords } from "./where-words";
import type { Batch, BatchedCoat } from "../batch/batch-coat";
import { PASS } from "../passes/facts";
import type { PassWindow } from "../schedule/coat-windows";
import { putsVapour, type Pass } from "../schedule/pass";
import { turnWords, type Turn } from "../schedule/turns";
import type { UnitSystem } from "../units/dimension";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import { asWeighed } from "./batches-to-come";
import { weighStepId } from "./weigh-step";
import { cupsMl, weighLines, type WeighLine, type WeighedSoFar } from "./weigh-lines";
import { type AtHand } from "../batch/at-hand";
import {
  mixDetail,
  mixEachDetail,
  mixEachTitle,
  mixTitle,
  passDetail,
  splitDetail,
  splitTitle,
  weighDetail,
  weighTitle,
  cupTitle,
} from "./step-words";

export type RunStep = {
  /** Stable for the same plan: coat, batch and act. */
  id: string;
  coatId: string;
  coatName: string;
  batch: number | null;
  /** From 1, for a pass that comes more than once; else null. */
  turn: number | null;
  /** It is a round of what is done until the film is so: any of them may be the last. */
  untilSo: boolean;
  /** The pass that it is; null for weighing, mixing and splitting. */
  passId: string | null;
  kind: "weigh" | "mix" | "split" | "pass";
  title: string;
  detail: string;
  weigh: WeighLine[];
  /** Planned begin and end, minutes after midnight of the first day. */
  atMin: number;
  untilMin: number;
  /** Counts an act that lasts; null for one that is done when it is done. */
  clock: ActClock | null;
  caution: string | null;
  stopHere: string | null;
  /** True for what puts vapour in the air that burns, and for what would light it. */
  vapour: boolean;
  flame: boolean;
};

function batchSteps(
  planned: PlannedCoat,
  batched: BatchedCoat,
  plannedBatch: Batch,
  { system, atHand, weighed }: SheetOf,
): RunStep[] {
  const { coat, resin } = planned;
  const paint = resin?.kind === "paint";
  const weighId = weighStepId(coat.id, plannedBatch.number);
  // After an over-pour B, the cups and their colours follow what is in the pot; the batches to come follow those before them.
  const batch = asWeighed(planned, plannedBatch.number, atHand, weighed)?.batch ?? plannedBatch;
  const times = planned.windows?.batches.find((row) => row.number === batch.number);
  const base = {
    coatId: coat.id,
    coatName: coat.name,
    batch: batch.number,
    turn: null,
    untilSo: false,
    passId: null,
    clock: null,
    caution: null,
    stopHere: null,
    vapour: false,
    flame: false,
  };
  const mixAt = times?.mixAtMin ?? 0;
  const separate = batch.cups.length > 0 && batch.cups.every((cup) => cup.parts !== null);
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
      title: weighTitle(partsG, paint ? "paint" : parts.includes("C") ? "A, B and C" : "A and B"),
      detail: weighDetail(coat.kind, batch, batched.batches.length, system),
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
      title: separate ? mixEachTitle() : mixTitle(batched.mixingMin),
      detail: separate
        ? mixEachDetail(batched.potLifeMin)
        : mixDetail(batch.parts.cG > 0, batched.potLifeMin),
      weigh: [],
      clock: separate ? cupsClock(batch.cups.length, batched.mixingMin) : mixClock(batched.mixingMin),
      atMin: mixAt,
      untilMin: mixAt + batched.mixingMin,
    });
    if (!separate && batch.cups.length > 1) {
      steps.push({
        ...base,
        id: `${coat.id}:${batch.number}:split`,
        kind: "split",
        title: splitTitle(batch.cups.length),
        detail: splitDetail(
          batch.cups.map((cup, index) => ({ name: cupTitle(cup), ml: volumes[index] ?? cup.ml })),
          system,
        ),
        weigh: [],
        atMin: mixAt + batched.mixingMin,
        untilMin: mixAt + batched.mixingMin,
      });
    }
  }
  return steps;
}

/** The coat of an act, of whose id its own is the beginning. */
export const coatOfStep = (stepId: string): string => stepId.split(":", 1)[0] ?? "";

/**
 * The pour in steps, in the order of time, each at the minute that the plan's windows have: per coat its batches (weigh, mix, split), then
 * its passes. Each batch is laid as soon as it is mixed; the other passes follow the last one. A coat that starts late falls between the passes of the coat below.
 * @param weighed what was weighed so far: what is still to come of a batch follows it
 */
export function runSheet(plan: Plan, system: UnitSystem, weighed: WeighedSoFar = new Map()): RunStep[] {
  const of = { system, atHand: plan.atHand, weighed, pieces: plan.pieces };
  const steps = plan.coats.flatMap((planned) =>
    planned.batched ? coatSteps(planned, planned.batched, of) : [],
  );
  return steps.sort((a, b) => a.atMin - b.atMin);
}

/** A pass with its time, and its turns where it comes more than once. */
type Row = Pick<PassWindow, "pass" | "atMin" | "untilMin" | "turns" | "turnOf">;

type SheetOf = { system: UnitSystem; atHand: AtHand; weighed: WeighedSoFar; pieces: readonly Measured[] };

function coatSteps(planned: PlannedCoat, batched: BatchedCoat, of: SheetOf): RunStep[] {
  const { coat } = planned;
  const { windows } = planned;
  const firstMix = windows?.mixedAtMin ?? 0;
  const passStep = (
    { pass, turns, turnOf }: Row,
    { atMin, untilMin }: { atMin: number; untilMin: number },
    turn: Turn | null = null,
  ): RunStep => {
    const { words, fire, caution: ownCaution } = PASS[pass.kind];
    const vapour = putsVapour(pass);
    // Alcohol on a tool brings its caution to that of the pass.
    const ofAlcohol = vapour && fire !== "vapour" ? PASS.alcohol.caution : undefined;
    const caution = [ofAlcohol, ownCaution].filter(Boolean).join(" ") || null;
    const ofBatch = turn !== null && turnOf === "batch";
    const untilSo = turnOf === "round" && pass.repeat !== undefined && "until" in pass.repeat;
    return {
      id:
        turn === null
          ? `${coat.id}:pass:${pass.id}`
          : ofBatch
            ? `${coat.id}:${turn.number}:pass:${pass.id}`
            : `${coat.id}:pass:${pass.id}:${turn.number}`,
      coatId: coat.id,
      coatName: coat.name,
      batch: ofBatch ? turn.number : null,
      turn: turn?.number ?? null,
      untilSo,
      passId: pass.id,
      kind: "pass",
      title: turn === null || ofBatch ? words : turnWords(words, turn, turnOf, turns),
      detail: passDetail(pass, batched.topAreaMm2, of.system, {
        colours: coat.colours,
        places: passPlaces(pass, coat, of.pieces),
        where: PASS[pass.kind].picture === "pours" ? whereWords(coat, of.pieces) : null,
      }),
      weigh: [],
      atMin,
      untilMin,
      clock: passClock(pass, untilMin - atMin),
      caution,
      stopHere: pass.stopHere,
      vapour,
      flame: fire === "lights",
    };
  };
  /** As the days have it; without days each at the minute that it names. */
  const rows: Row[] =
    windows?.windows ??
    coat.passes.map((pass) => {
      const atMin = firstMix + (pass.fromMin ?? 0);
      return { pass, atMin, untilMin: atMin, turns: [], turnOf: null };
    });
  const many = batched.batches.length > 1;
  const isBefore = ({ pass }: { pass: Pass }) => PASS[pass.kind].phase === "before";
  const isPerBatch = ({ pass, turnOf }: Row) => PASS[pass.kind].perBatch === true && turnOf !== "section";
  return [
    ...rows.filter(isBefore).map((row) => passStep(row, row)),
    ...batched.batches.flatMap((batch) => [
      ...batchSteps(planned, batched, batch, of),
      ...rows.filter(isPerBatch).map((row) => {
        const turn = row.turns.find(({ number }) => number === batch.number);
        return passStep(row, turn ?? row, (many && turn) || null);
      }),
    ]),
    ...rows
      .filter((row) => !isBefore(row) && !isPerBatch(row))
      .flatMap((row) =>
        row.turns.length > 1 ? row.turns.map((turn) => passStep(row, turn, turn)) : [passStep(row, row)],
      ),
  ];
}
