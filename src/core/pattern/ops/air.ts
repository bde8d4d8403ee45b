import { boxAround, type Op } from "../op";
import { boundTile, drawOut } from "../tile";
import { streaks } from "./profile";
import { radialJacobian } from "./radial";

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
  const lengthAt = (theta: number) => {
    const off = Math.atan2(Math.sin(theta - angle), Math.cos(theta - angle)) / spread;
    const cone = Math.exp(-(off ** 2) * 1.4);
    return reachMm * cone * (0.86 + 0.14 * Math.max(-1, Math.min(1, streak(off * 2))));
  };
  const map = (r: number, a: number) => {
    const b2 = (OUTER * a) ** 2;
    if (r * r >= b2 || a < 1) return null;
    if (r < a) return { r0: Math.sqrt(KEPT) * r, slope: Math.sqrt(KEPT) };
    const scale = (b2 - KEPT * a * a) / (b2 - a * a);
    const r0 = Math.sqrt(KEPT * a * a + (r * r - a * a) * scale);
    return { r0, slope: (scale * r) / Math.max(1e-9, r0) };
  };
  return {
    kind: "air",
    preserves: "nothing",
    box: boxAround(x, y, OUTER * reachMm),
    back: (tile) => {
      let moved = false;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [dx, dy] = [(tile.x[i] as number) - x, (tile.y[i] as number) - y];
        const r = Math.hypot(dx, dy);
        if (r < 1e-6 || r > OUTER * reachMm) continue;
        const found = map(r, lengthAt(Math.atan2(dy, dx)));
        if (!found) continue;
        const [ux, uy] = [dx / r, dy / r];
        tile.x[i] = x + ux * found.r0;
        tile.y[i] = y + uy * found.r0;
        drawOut(tile, i, ...radialJacobian(ux, uy, Math.min(4, found.slope), found.r0 / r));
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
  };
}
