import { cutAtShare } from "../geometry/lanes";
import type { Measured } from "../geometry/measure";
import { PASS, type PassKind } from "../passes/facts";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import { covers, liesOnTop } from "../schedule/coat";
import type { Pass } from "../schedule/pass";
import type { UnitSystem } from "../units/dimension";
import { quantityText } from "../units/format-quantity";

/** Passes that go over what was laid side by side, and feel or level its seams. */
const OVER_SEAMS: ReadonlySet<PassKind> = new Set(["sand", "plane", "grits", "hone", "check"]);

/** Two seams nearer to each other than this are one, as a share of the piece. */
const SAME_SHARE = 1e-6;

/** Where on a piece one coat was laid in parts: between its batches, and between the sections of its passes, as shares of the area. */
function seamsOf({ coat, batched }: PlannedCoat, piece: Measured): number[] {
  const ofBatches = (batched?.batches ?? []).flatMap(({ sections }) =>
    sections
      .filter(({ pieceId, zoneId }) => pieceId === piece.id && zoneId === null)
      .map(({ fromShare }) => fromShare),
  );
  const ofPasses = coat.passes.flatMap(({ sections = 1 }) =>
    Array.from({ length: sections }, (_, n) => n / sections),
  );
  return [...ofBatches, ...ofPasses];
}

/**
 * The seams that an act goes over: where the coats below it, and its own where it is already laid, were laid part by part.
 * @returns shares of the piece's area from where the work begins, rising, between 0 and 1; null for an act that looks for no seams
 */
export function seamsUnder(plan: Plan, planned: PlannedCoat, pass: Pass, piece: Measured): number[] | null {
  const { coat } = planned;
  const isClear = coat.kind === "clear" || coat.kind === "lock-in";
  if (!OVER_SEAMS.has(pass.kind) && !(isClear && PASS[pass.kind].on === undefined)) return null;
  const below = plan.coats.slice(0, plan.coats.indexOf(planned));
  return seamsLaid(PASS[pass.kind].phase === "late" ? [...below, planned] : below, piece);
}

/** Where these coats were laid part by part on a piece, as shares of its area from where the work begins, rising, between 0 and 1. */
export function seamsLaid(coats: readonly PlannedCoat[], piece: Measured): number[] {
  return coats
    .filter(({ coat }) => liesOnTop(coat) && covers(coat, piece.id))
    .flatMap((below) => seamsOf(below, piece))
    .filter((share) => share > SAME_SHARE && share < 1 - SAME_SHARE)
    .sort((a, b) => a - b)
    .filter((share, n, all) => n === 0 || share - all[n - 1]! > SAME_SHARE);
}

const list = new Intl.ListFormat("en");

/** "Seams 51 in and 102 in along: no step may be felt there." Null where there is none. */
export function seamWords(
  seams: readonly number[] | null,
  piece: Measured,
  system: UnitSystem,
): string | null {
  if (seams === null) return null;
  const along = seams.map((share) => quantityText(cutAtShare(piece.piece, share).alongMm, "length", system));
  const zones = piece.zones.length > 1;
  if (along.length === 0 && !zones) return null;
  const at =
    along.length === 0
      ? "Seams where the zones meet"
      : `${along.length === 1 ? "A seam" : "Seams"} ${list.format(along)} along${zones ? ", and where the zones meet" : ""}`;
  return `${at}: no step may be felt there.`;
}
