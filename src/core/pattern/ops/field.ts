import type { Op } from "../op";
import { EVERYWHERE } from "../op";
import { edgeCover, meet } from "../tile";
import { streaks } from "./profile";

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

/** α by the distance from a border that wanders as a line of noise. */
export function field({
  x,
  y,
  angle,
  wanderMm,
  lengthMm,
  wideMm = 1e6,
  colour,
  edgeMm,
  hides,
  seed,
  aroundMm = null,
}: Field): Op {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const border = streaks(seed, lengthMm, aroundMm);
  const far = streaks(seed + 1, lengthMm, aroundMm);
  return {
    kind: "field",
    preserves: "nothing",
    box: EVERYWHERE,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [dx, dy] = [(tile.x[i] as number) - x, (tile.y[i] as number) - y];
        const p = c * dy - s * dx;
        const q = c * dx + s * dy - wanderMm * border(p);
        const inside = Math.min(q, wideMm * (1 + 0.4 * far(p)) - q);
        meet(tile, i, colour, hides * edgeCover(tile, i, inside, c, s, edgeMm));
      }
    },
    forward: (px, py) => [px, py],
  };
}
