import { litPictureOf, USUAL_LIGHT, type Light } from "../pattern/engine/lit";
import type { Shares } from "../pattern/engine/sheet";
import type { Rehearsal } from "../pattern/passes/rehearsal";
import type { PieceRehearsal } from "./rehearse";

/** Colours of veins: laid when the film was thick, their borders stay crisp. */
export const lateColours = ({ coats }: Pick<Rehearsal, "coats">): ReadonlySet<number> =>
  new Set(coats.filter(({ vein }) => vein).flatMap(({ colours }) => colours.map(({ at }) => at)));

/** The middle of what is seen, mm: the lamp and the eye stand by it. */
export const middleOf = ({
  box: { minX, minY, maxX, maxY },
}: Pick<Rehearsal, "box">): { x: number; y: number } => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

/** The picture of a rehearsal under a lamp. */
export const litPieceOf = (
  { rehearsal, palette }: Pick<PieceRehearsal, "rehearsal" | "palette">,
  shares: Shares,
  light: Light = USUAL_LIGHT,
): Uint8ClampedArray =>
  litPictureOf(shares, palette, rehearsal.seed, rehearsal.angle, {
    light,
    late: lateColours(rehearsal),
    topMm: middleOf(rehearsal),
    aroundMm: rehearsal.aroundMm,
  });
