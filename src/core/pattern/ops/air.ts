import { boxAround, type Op } from "../engine/op";
import { boundTile } from "../engine/tile";
import { angleOf } from "../../numerics/fast-turn";
import { streaks } from "./profile";
import { tabled } from "./streaked-width";
import { drawOutRadially } from "./radial";

/** Warm air blown at a place: the film runs off in a cone, streaked. */
export type Air = {
  x: number;
  y: number;
  angle: number;
  reachMm: number;
  /** Half of the cone's opening, rad. */ spread: number;
  seed: number;
};

/** Inside its streaks nearly all has run off: what lies there was near the middle. */
const KEPT = 0.12;
const OUTER = 1.7;

/** r < a(θ): r0² = 0.12·r²; else r0² = 0.12·a² + (r² − a²)(B² − 0.12·a²)/(B² − a²), with a streaked within the cone. */
export function air({ x, y, angle, reachMm, spread, seed }: Air): Op {
  const streak = streaks(seed, 1.2);
  /** By the angle off its middle. */
  const length = tabled(
    (off) =>
      reachMm *
      Math.exp(-1.4 * (off / spread) ** 2) *
      (0.86 + 0.14 * Math.max(-1, Math.min(1, streak((2 * off) / spread)))),
    -Math.PI,
    Math.PI,
    true,
  );
  const lengthAt = (theta: number) => length.at(theta - angle);
  const map = (r: number, a: number) => {
    const b2 = (OUTER * a) ** 2;
    if (r * r >= b2 || a < 1) return null;
    if (r < a) return { r0: Math.sqrt(KEPT) * r, slope: Math.sqrt(KEPT) };
    const scale = (b2 - KEPT * a * a) / (b2 - a * a);
    const r0 = Math.sqrt(KEPT * a * a + (r * r - a * a) * scale);
    return { r0, slope: (scale * r) / Math.max(1e-9, r0) };
  };
  const far2 = (OUTER * reachMm) ** 2;
  return {
    kind: "air",
    preserves: "nothing",
    box: boxAround(x, y, OUTER * reachMm),
    back: (tile) => {
      let moved = false;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const dx = (tile.x[i] as number) - x;
        const dy = (tile.y[i] as number) - y;
        const r2 = dx * dx + dy * dy;
        if (r2 < 1e-12 || r2 > far2) continue;
        const r = Math.sqrt(r2);
        const found = map(r, lengthAt(angleOf(dy, dx)));
        if (!found) continue;
        const ux = dx / r;
        const uy = dy / r;
        tile.x[i] = x + ux * found.r0;
        tile.y[i] = y + uy * found.r0;
        drawOutRadially(tile, i, ux, uy, Math.min(4, found.slope), found.r0 / r);
        moved = true;
      }
      if (moved) boundTile(tile);
    },
    forward: (px, py) => {
      const [dx, dy] = [px - x, py - y];
      const r0 = Math.hypot(dx, dy);
      if (r0 === 0) return [px, py];
      const a = lengthAt(Math.atan2(dy, dx));
      const b2 = (OUTER * a) ** 2;
      if (r0 * r0 >= b2 || a < 1) return [px, py];
      const inner = KEPT * a * a;
      const r =
        r0 * r0 < inner
          ? r0 / Math.sqrt(KEPT)
          : Math.sqrt(a * a + ((r0 * r0 - inner) * (b2 - a * a)) / (b2 - inner));
      return [x + (dx / r0) * r, y + (dy / r0) * r];
    },
    packed: () => ({
      numbers: [x, y, angle, length.from, length.perUnit, KEPT, OUTER, far2, length.knots],
    }),
  };
}
