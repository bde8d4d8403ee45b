import type { Op } from "../engine/op";
import { EVERYWHERE } from "../engine/op";
import { whole } from "../engine/packed";
import { edgeCover, meet } from "../engine/tile";
import { streaks } from "./profile";
import { tabled } from "./streaked-width";

/** A field of one colour on one side of a wandering border: of an inlay, of water against sand. */
export type Field = {
  /** A point of its border, mm, and the way from the border into the field, rad. */
  x: number;
  y: number;
  angle: number;
  /** How far the border wanders, and over what length, mm. */
  wanderMm: number;
  lengthMm: number;
  /** Width of the field from its border on, mm; endless when absent. */
  wideMm?: number;
  colour: number;
  edgeMm: number;
  hides: number;
  seed: number;
  /** Once around a tumbler, mm. */
  aroundMm?: number | null;
};

const ENDLESS_MM = 1e6;
/** So many times its length a border is drawn to either side. */
const REACH = 4;
/** The highest that its noise can be, of what it wanders, and how far a sample's footprint is looked after, mm. */
const HIGHEST = 1.4;
const BLURRED_MM = 60;

/** α by the distance from a border that wanders as a line of noise. */
export function field({
  x,
  y,
  angle,
  wanderMm,
  lengthMm,
  wideMm = ENDLESS_MM,
  colour,
  edgeMm,
  hides,
  seed,
  aroundMm = null,
}: Field): Op {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  /** A line of noise, tabled: around a tumbler once, else as far as a piece reaches. */
  const noise = (seed: number) => {
    const line = streaks(seed, lengthMm, aroundMm);
    return aroundMm === null
      ? tabled(line, -REACH * lengthMm, REACH * lengthMm)
      : tabled(line, 0, aroundMm, true);
  };
  const border = noise(seed);
  const far = noise(seed + 1);
  const endless = wideMm >= ENDLESS_MM;
  /** Further from the middle of its border nothing of the border is met. */
  const clearMm = HIGHEST * wanderMm + edgeMm + BLURRED_MM;
  return {
    kind: "field",
    preserves: "nothing",
    box: EVERYWHERE,
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const dx = (xs[i] as number) - x;
        const dy = (ys[i] as number) - y;
        const into = c * dx + s * dy;
        if (into < -clearMm) continue;
        if (endless && into > clearMm) {
          meet(tile, i, colour, hides);
          continue;
        }
        const p = c * dy - s * dx;
        const q = into - wanderMm * border.at(p);
        const inside = endless ? q : Math.min(q, wideMm * (1 + 0.4 * far.at(p)) - q);
        meet(tile, i, colour, hides * edgeCover(tile, i, inside, c, s, edgeMm));
      }
    },
    forward: (px, py) => [px, py],
    packed: () => ({
      numbers: [
        ...[x, y, c, s, wanderMm, wideMm, edgeMm, hides, clearMm, endless ? 1 : 0],
        ...[border.from, border.perUnit, border.around ? 1 : 0, whole(colour), border.knots, far.knots],
      ],
    }),
  };
}
