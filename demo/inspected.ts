import { randomUUID } from "node:crypto";
import { readCombAt, USUAL_COMB_MM } from "@/core/inspect/combs";
import { cellsOf } from "@/core/inspect/piece-cells";
import type { Measured } from "@/core/geometry/measure";
import type { Plan } from "@/core/plan/derive-plan";
import type { InspectAct } from "@/core/pour/inspect-events";
import type { PourEvent } from "@/core/pour/pour-events";
import { covers, filmOn } from "@/core/schedule/coat";
import { walkOf } from "@/core/inspect/walk";

/** Shares of the planned film where the comb was put: along the front, the middle and the back, thin towards the one end. */
const READ: readonly (readonly [number, number, number])[] = [
  [0.08, 0.25, 0.82],
  [0.3, 0.2, 0.95],
  [0.55, 0.3, 1.02],
  [0.88, 0.25, 1.1],
  [0.06, 0.75, 0.6],
  [0.28, 0.8, 0.86],
  [0.6, 0.7, 1.0],
  [0.9, 0.78, 1.06],
];

/**
 * How a piece was looked at: a comb in the wet coat, and when it was cured the walk round and what was not right.
 * @param wetMs when the comb was put @param curedMs when it was looked at, both ms
 */
export function demoInspection(
  plan: Plan,
  coatId: string,
  { wetMs, curedMs }: { wetMs: number; curedMs: number },
): PourEvent[] {
  const planned = plan.coats.find(({ coat }) => coat.id === coatId);
  const piece = plan.pieces.find(({ id }) => planned && covers(planned.coat, id));
  if (!planned || !piece) return [];
  const minMm = filmOn(planned.coat, piece.id);
  const place = ([x, y]: readonly [number, number, ...number[]]) => placeOn(piece, x, y);
  const combs = READ.map((at): InspectAct => {
    const film = minMm * at[2];
    const wetted = USUAL_COMB_MM.us.filter((tooth) => tooth <= film).length;
    return { kind: "comb", coatId, place: place(at), ...readCombAt(USUAL_COMB_MM.us, wetted) };
  });
  const looked = walkOf(plan, new Set([coatId]), "cured", undefined).map(({ id }, at): InspectAct => ({
    kind: "looked",
    when: "cured",
    item: id,
    ok: at % 5 !== 1,
  }));
  const pins: InspectAct[] = [
    {
      kind: "pin",
      when: "cured",
      fault: "baldFace",
      coatId,
      place: placeOn(piece, 0.12, 1.0),
      sizeMm: 60,
      text: "Primer shows along the lower edge.",
    },
    {
      kind: "pin",
      when: "cured",
      fault: "nibs",
      coatId,
      place: placeOn(piece, 0.66, 0.45),
      sizeMm: 2,
      text: "",
    },
  ];
  const answers: InspectAct[] = [{ kind: "answer", fault: "baldFace", coatId, evidence: "faceLate", u: 0 }];
  const from = (acts: readonly InspectAct[], ms: number) =>
    acts.map((act, at) => ({ ...act, id: randomUUID(), at: new Date(ms + at * 20_000).toISOString() }));
  return [...from(combs, wetMs), ...from([...looked, ...pins, ...answers], curedMs)];
}

/** The middle of the cell of a piece that lies nearest to these shares of its box. */
function placeOn(piece: Measured, x: number, y: number) {
  const { widthMm, heightMm } = piece.outline;
  const far = (cell: { x: number; y: number }) => Math.hypot(cell.x - x * widthMm, cell.y - y * heightMm);
  const nearest = cellsOf(piece).places.reduce((best, cell) => (far(cell) < far(best) ? cell : best));
  return { pieceId: piece.id, xMm: nearest.x, yMm: nearest.y };
}
