import type { Target } from "../colour/target";
import type { Measured } from "../geometry/measure";
import { ringTurn } from "../geometry/ring";
import { sharpCorners } from "../geometry/sharp-corners";
import type { Point } from "../geometry/curves";
import { PASS } from "../passes/facts";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import type { When } from "../pour/inspect-events";
import { seamsLaid } from "../pour/seams";
import { covers } from "../schedule/coat";
import { pieceWalkWords, walkWords, type Look } from "./walk-words";

/** One point of the walk round. */
export type WalkItem = {
  /** Stable for the same job. */
  id: string;
  title: string;
  look: string;
  /** The piece that it is on; null for what is looked at on all of them. */
  pieceId: string | null;
  /** What is most often wrong there, of the table of faults: the first is the usual one. */
  faults: readonly string[];
};

type Made = { id: string; words: Look; faults: readonly string[] };

/** Corners of an outline that stand out, and that go in. */
export function cornersOf(ring: readonly Point[]): { outer: Point[]; inner: Point[] } {
  const turn = ringTurn(ring);
  const starts = sharpCorners(ring.map(({ x, y }) => [x, y]));
  // A single start is where a smooth line was begun, not a corner.
  if (starts.length < 2) return { outer: [], inner: [] };
  const outer: Point[] = [];
  const inner: Point[] = [];
  for (const at of starts) {
    const count = ring.length;
    const [a, b, c] = [ring[(at + count - 1) % count], ring[at], ring[(at + 1) % count]] as [
      Point,
      Point,
      Point,
    ];
    const cross = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
    (cross * turn > 0 ? outer : inner).push(b);
  }
  return { outer, inner };
}

/** Points that hang on a piece: what it has, in the order of a walk around it. */
function onPiece(piece: Measured, coats: readonly PlannedCoat[]): Made[] {
  const { shape, cutOuts } = piece.piece;
  const made: Made[] = [];
  const put = (there: boolean, id: string, words: () => Look, ...faults: string[]) => {
    if (there) made.push({ id, words: words(), faults });
  };
  const words = pieceWalkWords;
  if (shape.kind === "tumbler") {
    put(true, "wall", words.wall, "dripsUnder", "thin");
    return made;
  }
  const { outer, inner } = cornersOf(piece.outline.corners);
  const length = piece.lengthByTreatmentMm;
  const fills = piece.fillMl !== null;
  put(outer.length > 0 && !fills, "outer", () => words.outer(outer.length), "baldFace", "thin");
  put(inner.length > 0 && !fills, "inner", () => words.inner(inner.length), "mud", "bubbles");
  cutOuts.forEach((cutOut, at) =>
    put(
      true,
      `cut-out-${cutOut.id}`,
      () => words.cutOut(cutOuts.length === 1 ? "the cut-out" : `cut-out ${at + 1}`),
      "baldFace",
      "dripsUnder",
    ),
  );
  put(piece.faceAreaMm2 > 0 && !fills, "faces", words.faces, "baldFace", "dripsUnder");
  put(length.face + length.open > 0 && !fills, "under", words.under, "dripsUnder");
  put(length.dam > 0, "dams", words.dams, "damWrong", "lip");
  put(piece.jointLengthMm > 0 || length.joint > 0, "joints", words.joints, "sunk", "ripples");
  put(piece.zones.length > 1, "zones", () => words.zones(piece.zones.length), "foreign", "ripples");
  const seams = seamsLaid(coats, piece);
  put(seams.length > 0, "seams", () => words.seams(seams.length), "ripples", "torn");
  put(shape.kind === "river", "banks", words.banks, "bubbles", "sunk");
  put(shape.kind === "mould", "level", words.mould, "sunk", "bubbles");
  return made;
}

/** Whether anything on these coats makes a picture that can be out of balance. */
const hasPattern = (coats: readonly PlannedCoat[]): boolean =>
  coats.some(
    ({ coat }) => coat.colours.length > 1 && coat.passes.some(({ kind }) => PASS[kind].picture !== undefined),
  );

function onAll(coats: readonly PlannedCoat[], target: Target | undefined): Made[] {
  const pattern = hasPattern(coats);
  const made = (id: keyof typeof walkWords, ...faults: string[]): Made => ({
    id,
    words: walkWords[id],
    faults,
  });
  return [
    made("cover", "thin", "short"),
    ...(pattern ? [made("balance", "mud"), made("dead", "mud"), made("made", "torn", "thin")] : []),
    ...(pattern ? [made("regular", "mud")] : []),
    made("foreign", "foreign"),
    made("bubbles", "bubbles", "fishEyes"),
    made("dust", "nibs"),
    made("moving", "ripples", "cellsClosed"),
    made("firm", "soft"),
    made("gloss", "blush", "ripples"),
    ...(target ? [made("tile", "yellow", "mud")] : []),
  ];
}

/**
 * The walk round: a short list made for the pieces that a pour lay on, corners outside then inside, cut-outs, faces and what is below them, then all of
 * it. Wet it asks for what can still be mended, cured for what is seen in daylight.
 * @param coatIds the coats that were poured
 */
export function walkOf(
  plan: Pick<Plan, "coats" | "pieces">,
  coatIds: ReadonlySet<string>,
  when: When,
  target?: Target,
): WalkItem[] {
  const coats = plan.coats.filter(({ coat }) => coatIds.has(coat.id));
  const pieces = plan.pieces.filter(({ id }) => coats.some(({ coat }) => covers(coat, id)));
  const item = ({ id, words, faults }: Made, piece: Measured | null): WalkItem[] => {
    const look = words[when];
    if (look === null) return [];
    const named = piece && pieces.length > 1 ? `, ${piece.name}` : "";
    return [
      {
        id: piece ? `${piece.id}:${id}` : id,
        title: `${words.title}${named}`,
        look,
        pieceId: piece?.id ?? null,
        faults,
      },
    ];
  };
  return [
    ...pieces.flatMap((piece) => onPiece(piece, coats).flatMap((made) => item(made, piece))),
    ...(coats.length > 0 ? onAll(coats, target).flatMap((made) => item(made, null)) : []),
  ];
}
