import { boxAround, type Op } from "../engine/op";
import { boundTile, drawOut, open, within } from "../engine/tile";
import { valueNoise } from "../engine/noise";

/** A chop line: a stick drawn through the film opens it along a jagged line, and what lies under shows. */
export type Slit = {
  x: number;
  y: number;
  angle: number;
  halfMm: number;
  /** Half of its opening, mm, and how far it pushes, mm. */
  openMm: number;
  reachMm: number;
  seed: number;
};

/** Softness of its edges, mm. */
const EDGE_MM = 0.2;

/** |p| < e: a hole; else |p0| = (|p| − e)·b/(b − e). It closes towards its ends. */
export function slit({ x, y, angle, halfMm, openMm, reachMm, seed }: Slit): Op {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const jag = valueNoise(seed, 22);
  const middle = (q: number) => 4 * jag(q, 0.5);
  const halfOpen = (q: number) => openMm * Math.max(0, 1 - (q / halfMm) ** 2) * (0.75 + 0.25 * jag(q, 9.5));
  return {
    kind: "slit",
    preserves: "nothing",
    box: boxAround(x, y, Math.hypot(halfMm, reachMm + 6)),
    back: (tile) => {
      let moved = false;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const dx = (tile.x[i] as number) - x;
        const dy = (tile.y[i] as number) - y;
        const q = c * dx + s * dy;
        const aside = c * dy - s * dx;
        if (q >= halfMm || q <= -halfMm || aside > reachMm + 4 || aside < -reachMm - 4) continue;
        const off = middle(q);
        const p = aside - off;
        const e = halfOpen(q);
        const far = Math.abs(p);
        if (far >= reachMm || e <= 0) continue;
        if (tile.looks > 0) tile.beside[i] = 1;
        open(tile, i, within(tile, i, e - far, -s, c, EDGE_MM, 2 * e));
        if (far <= e) continue;
        const scale = reachMm / (reachMm - e);
        const p0 = Math.sign(p) * (far - e) * scale + off;
        tile.x[i] = x + c * q - s * p0;
        tile.y[i] = y + s * q + c * p0;
        drawOut(
          tile,
          i,
          c * c + s * s * scale,
          c * s * (1 - scale),
          c * s * (1 - scale),
          s * s + c * c * scale,
        );
        moved = true;
      }
      if (moved) boundTile(tile);
    },
    forward: (px, py) => {
      const [dx, dy] = [px - x, py - y];
      const q = c * dx + s * dy;
      const off = middle(q);
      const p0 = c * dy - s * dx - off;
      const e = halfOpen(q);
      if (Math.abs(q) >= halfMm || Math.abs(p0) >= reachMm || e <= 0) return [px, py];
      const p = Math.sign(p0 || 1) * (Math.abs(p0) * ((reachMm - e) / reachMm) + e) + off;
      return [x + c * q - s * p, y + s * q + c * p];
    },
    packed: () => ({
      numbers: [
        ...[x, y, c, s, halfMm, openMm, reachMm, EDGE_MM],
        ...jag.octaves.flatMap(({ perMm, heights }) => [perMm, heights]),
      ],
    }),
  };
}
