import { mixesOf } from "../batch/mixes";
import type { Batch, BatchedCoat, Cup } from "../batch/batch-coat";
import type { Vessel } from "../batch/vessel";
import type { Measured } from "../geometry/measure";
import { edgeOf, isHigh, type Edge, type EdgeName } from "../geometry/piece";
import type { JobDocument } from "../job/job";
import { PASS, type PassKind } from "../passes/facts";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import { covers, coversZone, type Coat } from "../schedule/coat";
import type { Pass } from "../schedule/pass";
import { placesOf } from "../veins/places";
import { standing } from "../veins/standing";
import { tapeList, type PieceVein } from "../veins/tape";
import type { VeinMap } from "../veins/vein-map";
import type { PourState } from "./pour-events";
import type { RunStep } from "./run-sheet";
import { seamsUnder } from "./seams";
import { asWeighed } from "./batches-to-come";
import { weighKey } from "./weigh-lines";

/** A line on the scale as it rises in its vessel, ml from its floor; `isIn` once something was weighed of it. */
export type FillMark = { line: string; label: string; shown: string; toMl: number; isIn: boolean };

/** A vessel that is filled at the scale: its marks from below, and how full it is by what was weighed. */
export type FillVessel = {
  id: string;
  name: string | null;
  vessel: Vessel;
  marks: FillMark[];
  filledMl: number;
};

/** A part of a piece that is worked by itself, as shares of its area from where the work begins. */
export type ActStretch = {
  number: number;
  fromShare: number;
  toShare: number;
  state: "done" | "now" | "later";
};

/** A piece that an act is done on, and where on it. */
export type ActPiece = {
  piece: Measured;
  /** Which of several alike stands for it on the vein map and in the picture: its own id for the first. */
  standingId: string;
  /** Which of several alike, as it is said; null for one alone and for all of them. */
  copies: string | null;
  /** In the order of work; empty where the piece is worked in one. */
  stretches: ActStretch[];
  /** Edges that it is done on, as a hand goes around; empty where it is done on the top. */
  edges: EdgeName[];
  /** Zones that it is done in; empty for all. */
  zoneIds: string[];
  /** Where what lies below was laid part by part, as shares of its area; null for an act that looks for no seams. */
  seams: number[] | null;
  /** Veins that are laid on it, one after the other, by the numbers of the vein map. */
  veins: ActVein[];
};

/** A vein with its colour. */
export type ActVein = PieceVein & { hex: string };

/** What is drawn of an act. */
export type ActPicture =
  | { kind: "weigh"; vessels: FillVessel[] }
  | { kind: "cups"; cups: Cup[]; pot: Vessel; potMl: number }
  | { kind: "pieces"; pieces: ActPiece[] };

/** What of a line lies on the scale and is not taken yet. */
export type OnScale = { line: string; grams: number } | null;

/** What an act looks like: what fills at the scale, cups that are filled, or the pieces that it is done on. Null where nothing is known of its coat. */
export function actPicture(
  plan: Plan,
  { veinMap }: Pick<JobDocument, "veinMap">,
  step: RunStep,
  steps: readonly RunStep[],
  state: PourState,
  onScale: OnScale = null,
): ActPicture | null {
  const planned = plan.coats.find(({ coat }) => coat.id === step.coatId);
  if (!planned?.batched) return null;
  if (step.kind === "pass") {
    const pass = planned.coat.passes.find(({ id }) => id === step.passId);
    if (!pass) return null;
    const at = { step, steps, state };
    const veins = pass.kind === "veins" && veinMap ? onVeinMap(plan, veinMap, planned.coat) : [];
    const pieces = veins.length > 0 ? veins : onPieces(plan, planned, planned.batched, pass, at);
    return { kind: "pieces", pieces };
  }
  const batch = batchNow(plan, planned, planned.batched, step, state);
  if (!batch) return null;
  if (step.kind === "weigh") return { kind: "weigh", vessels: fillVessels(batch, step, state, onScale) };
  return { kind: "cups", cups: batch.cups, pot: batch.pot, potMl: batch.parts.mixMl };
}

/** The batch of a step, after what was weighed of it and of those before it. */
const batchNow = (
  plan: Plan,
  planned: PlannedCoat,
  batched: BatchedCoat,
  step: RunStep,
  state: PourState,
): Batch | null =>
  asWeighed(planned, step.batch, plan.atHand, state.weighed)?.batch ??
  batched.batches.find(({ number }) => number === step.batch) ??
  null;

/** Where A, B and what else makes the volume of a mix rise to in its vessel. Doses of colour are too little to be seen there. */
function fillVessels(batch: Batch, step: RunStep, state: PourState, onScale: OnScale): FillVessel[] {
  return mixesOf(batch).map(({ id, name, parts, vessel }): FillVessel => {
    const volumes = { A: parts.aMl, B: parts.bMl, C: parts.cMl };
    let [toMl, filledMl] = [0, 0];
    const marks = step.weigh.flatMap(({ line, thing, label, grams, shown }): FillMark[] => {
      if (thing.kind !== "part" || thing.mixId !== id) return [];
      const ml = volumes[thing.part];
      const weighed = state.weighed.get(weighKey(step.id, line));
      toMl += ml;
      const inIt = weighed ?? (onScale?.line === line ? onScale.grams : 0);
      if (grams > 0) filledMl += ml * (inIt / grams);
      return [{ line, label, shown, toMl, isIn: weighed !== undefined }];
    });
    return { id, name, vessel, marks, filledMl };
  });
}

/** Edges that a kind of pass is done on; null for one that is done on the top. */
function edgeRule(kind: PassKind): ((edge: Edge) => boolean) | null {
  if (kind === "dam-pull") return ({ treatment }) => treatment === "dam";
  switch (PASS[kind].on) {
    case "faces":
      return ({ treatment, heightMm }) => isHigh(treatment) && heightMm > 0;
    case "edges":
      return ({ treatment }) => isHigh(treatment) || treatment === "open";
    default:
      return null;
  }
}

type At = { step: RunStep; steps: readonly RunStep[]; state: PourState };

/** How far each of the steps of a pass is, by its batch or turn. */
function stateOf(number: number, key: "batch" | "turn", { step, steps, state }: At): ActStretch["state"] {
  if (step[key] === number) return "now";
  const same = steps.find(
    (other) => other.coatId === step.coatId && other.passId === step.passId && other[key] === number,
  );
  return same && state.doneAt.has(same.id) ? "done" : "later";
}

/** Of a colour that is not there any more. */
const UNKNOWN = "#888888";

/** The pieces that veins of a coat run over, one by one as they stand, each with its veins. */
function onVeinMap(plan: Plan, map: VeinMap, coat: Coat): ActPiece[] {
  const all = standing(plan.pieces);
  const places = placesOf(all, map.places);
  return all.flatMap((copy): ActPiece[] => {
    const piece = plan.pieces.find((kind) => kind.piece === copy.piece);
    const place = places.get(copy.id);
    if (!piece || !place || !covers(coat, piece.id)) return [];
    const veins = tapeList(map, copy, place).flatMap((vein): ActVein[] => {
      const set = map.sets.find(({ id }) => id === vein.setId);
      const colour = coat.colours.find(({ id }) => id === set?.colourId);
      return set?.coatId === coat.id ? [{ ...vein, hex: colour?.hex ?? UNKNOWN }] : [];
    });
    if (veins.length === 0) return [];
    const number = copy.name.slice(piece.name.length).trim();
    const copies = number === "" ? null : `${number} of ${piece.count}`;
    return [
      { piece, standingId: copy.id, copies, stretches: [], edges: [], zoneIds: [], seams: null, veins },
    ];
  });
}

function onPieces(plan: Plan, planned: PlannedCoat, batched: BatchedCoat, pass: Pass, at: At): ActPiece[] {
  const { step } = at;
  const { coat } = planned;
  const rule = edgeRule(pass.kind);
  const bySection =
    planned.windows?.windows.find((window) => window.pass.id === pass.id)?.turnOf === "section";
  const many = pass.sections ?? 1;
  return plan.pieces
    .filter((piece) => covers(coat, piece.id))
    .flatMap((piece): ActPiece[] => {
      const covered = piece.zones.filter(({ id }) => coversZone(coat, piece.id, id));
      const worked = covered.filter(({ id }) => pass.zoneIds?.includes(id) ?? true);
      if (piece.zones.length > 0 && worked.length === 0) return [];
      const zoneIds = worked.length < piece.zones.length ? worked.map(({ id }) => id) : [];
      const edges = rule
        ? piece.outline.sides.flatMap(({ name }) => (rule(edgeOf(piece.piece, name)) ? [name] : []))
        : [];
      const shared = {
        piece,
        standingId: piece.id,
        copies: null,
        stretches: [],
        edges,
        zoneIds,
        seams: seamsUnder(plan, planned, pass, piece),
        veins: [],
      };
      if (step.batch === null)
        return [
          {
            ...shared,
            stretches:
              bySection && step.turn !== null
                ? Array.from({ length: many }, (_, n) => ({
                    number: n + 1,
                    fromShare: n / many,
                    toShare: (n + 1) / many,
                    state: stateOf(n + 1, "turn", at),
                  }))
                : [],
          },
        ];
      return ofBatch(batched, piece, at).map((here) => ({ ...shared, ...here }));
    });
}

/** The copies of a piece that a batch covers, each with all of its stretches, and the zones that the batch goes into. */
function ofBatch(
  batched: BatchedCoat,
  piece: Measured,
  at: At,
): Pick<ActPiece, "copies" | "stretches" | "zoneIds">[] {
  const all = batched.batches.flatMap(({ number, sections }) =>
    sections.filter(({ pieceId }) => pieceId === piece.id).map((section) => ({ number, section })),
  );
  const mine = all.filter(({ number }) => number === at.step.batch);
  const copies = new Map(mine.map(({ section }) => [section.copy, section.copies]));
  return [...copies].map(([copy, count]) => {
    const there = all.filter(({ section }) => section.copy <= copy && copy < section.copy + section.copies);
    const cut = there.some(({ section }) => !section.whole && section.zoneId === null);
    return {
      copies: copiesWords(piece.count, copy, count),
      zoneIds: mine.flatMap(({ section }) =>
        section.copy === copy && section.zoneId !== null ? [section.zoneId] : [],
      ),
      stretches: cut
        ? there.map(({ number, section: { fromShare, toShare } }) => ({
            number,
            fromShare,
            toShare,
            state: stateOf(number, "batch", at),
          }))
        : [],
    };
  });
}

function copiesWords(of: number, first: number, count: number): string | null {
  if (count >= of) return null;
  return count === 1 ? `${first} of ${of}` : `${first} to ${first + count - 1} of ${of}`;
}

/**
 * How many passes of a rehearsed picture are done before an act and after it, by where the acts of its passes stand on the run sheet.
 * @param passes those of the picture, in its order
 */
export function picturedAround(
  passes: readonly { coatId: string; passId: string }[],
  steps: readonly RunStep[],
  step: RunStep,
): { before: number; after: number } {
  const now = steps.findIndex(({ id }) => id === step.id);
  /** Where the first act of a picture's pass stands; behind all others where it is not on the sheet. */
  const begins = passes.map(({ coatId, passId }) => {
    const at = steps.findIndex((other) => other.coatId === coatId && other.passId === passId);
    return at < 0 ? Infinity : at;
  });
  const doneBy = (last: number) => begins.reduce((many, at, n) => (at <= last ? n + 1 : many), 0);
  return { before: doneBy(now - 1), after: doneBy(now) };
}
