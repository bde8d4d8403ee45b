import { angleOf } from "../../numerics/fast-turn";
import { seeded } from "../../numerics/random";
import { boxAround, type Op } from "../engine/op";
import { whole } from "../engine/packed";
import { boundTile, drawOut, edgeCover, meet } from "../engine/tile";

/** A puddle of a colour poured on what lies there. */
export type Drop = {
  x: number;
  y: number;
  /** Half axes of its mean ellipse, mm, and its turn, rad. */
  a: number;
  b: number;
  angle: number;
  colour: number;
  /** How uneven its outline is, as a share of its radius. */
  uneven: number;
  seed: number;
  /** Share of its place that it pushes away; the rest it covers. 1 with an endless reach is an ink drop. */
  pushes?: number;
  /** How far it pushes, in its own radii; infinite for an ink drop. */
  reach?: number;
  /** Softness of its own edge, mm. */
  edgeMm?: number;
  /** How much of what lies under it it hides, 0 to 1. */
  hides?: number;
};

/** Defaults of science: it pushes a little less than half of what it covers, out to twice its radius (assumed). */
const PUSHES = 0.45;
const REACH = 2;
const WAVES = 5;

const TURN = 512;

/** An outline around 1: S(θ), whose mean is 1; read off a table between which it is straight. */
function outlineOf(uneven: number, seed: number): { table: Float64Array; at: (theta: number) => number } {
  const random = seeded(seed);
  const waves = Array.from({ length: WAVES }, (_, n) => ({
    m: n + 2,
    height: (uneven * (0.6 + 0.8 * random())) / (n + 1.5),
    phase: 2 * Math.PI * random(),
  }));
  const table = Float64Array.from({ length: TURN + 1 }, (_, n) =>
    waves.reduce(
      (sum, { m, height, phase }) => sum + height * Math.cos((m * n * 2 * Math.PI) / TURN + phase),
      1,
    ),
  );
  return {
    table,
    at: (theta) => {
      const at = (theta / (2 * Math.PI) + 1) * TURN;
      const n = Math.floor(at);
      const here = table[n % TURN] as number;
      return here + ((table[(n % TURN) + 1] as number) - here) * (at - n);
    },
  };
}

/** By the squared radius in its own ellipse: covered where ρ² < S; below and outside ρ0² = (ρ² − δS)·B²/(B² − δS). */
export function drop({
  x,
  y,
  a,
  b,
  angle,
  colour,
  uneven,
  seed,
  pushes = PUSHES,
  reach = REACH,
  edgeMm = 0.6,
  hides = 1,
}: Drop): Op {
  const outline = outlineOf(uneven, seed);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const reach2 = reach * reach;
  const mean = Math.sqrt(a * b);
  const far2 = reach2 * Math.max(a, b) ** 2;
  /** Squared radius before, from that after: both in ellipses. */
  const stretch = (star: number) => (Number.isFinite(reach2) ? reach2 / (reach2 - pushes * star) : 1);
  return {
    kind: "drop",
    preserves: "nothing",
    box: boxAround(
      x,
      y,
      (Number.isFinite(reach) ? Math.max(reach, 1 + uneven * 2) : 1e7) * Math.max(a, b) + 3 * edgeMm,
    ),
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      let moved = false;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const dx = (xs[i] as number) - x;
        const dy = (ys[i] as number) - y;
        const length2 = dx * dx + dy * dy;
        if (length2 >= far2) continue;
        const u = (c * dx + s * dy) / a;
        const v = (c * dy - s * dx) / b;
        const rho2 = u * u + v * v;
        if (rho2 >= reach2) continue;
        const rho = Math.sqrt(rho2);
        const star = outline.at(angleOf(v, u));
        const length = length2 > 0 ? Math.sqrt(length2) : 1;
        // Covered: how far inside its edge, in millimetres along the ray.
        const inside = (Math.sqrt(star > 0 ? star : 0) - rho) * mean;
        const covered = edgeCover(tile, i, inside, dx / length, dy / length, edgeMm);
        if (covered > 0) meet(tile, i, colour, hides * covered);
        const pushed = pushes * star;
        // Nothing of before lies here; what is still seen through its soft edge is what was at its middle.
        if (rho2 <= pushed || rho === 0) continue;
        const scale = stretch(star);
        const rho0 = Math.sqrt((rho2 - pushed) * scale);
        const ratio = rho0 / rho;
        const ur = u / rho;
        const vr = v / rho;
        const both = (scale * rho) / (rho0 > 1e-9 ? rho0 : 1e-9) - ratio;
        // From its ellipse back to the piece.
        const lxx = ratio + both * ur * ur;
        const lyy = ratio + both * vr * vr;
        const lxy = (both * ur * vr * a) / b;
        const lyx = (both * ur * vr * b) / a;
        const u0 = u * ratio * a;
        const v0 = v * ratio * b;
        xs[i] = x + c * u0 - s * v0;
        ys[i] = y + s * u0 + c * v0;
        const cx = c * lxx - s * lyx;
        const cy = c * lxy - s * lyy;
        const sx = s * lxx + c * lyx;
        const sy = s * lxy + c * lyy;
        drawOut(tile, i, c * cx - s * cy, s * cx + c * cy, c * sx - s * sy, s * sx + c * sy);
        moved = true;
      }
      if (moved) boundTile(tile);
    },
    forward: (px, py) => {
      const [dx, dy] = [px - x, py - y];
      const [u, v] = [(c * dx + s * dy) / a, (c * dy - s * dx) / b];
      const rho2 = u * u + v * v;
      if (rho2 >= reach2 || rho2 === 0) return [px, py];
      const star = outline.at(Math.atan2(v, u));
      const ratio = Math.sqrt((pushes * star + rho2 / stretch(star)) / rho2);
      const [u1, v1] = [u * ratio * a, v * ratio * b];
      return [x + c * u1 - s * v1, y + s * u1 + c * v1];
    },
    packed: () => {
      const ends = Number.isFinite(reach2);
      return {
        numbers: [
          ...[x, y, c, s, a, b, pushes, ends ? reach2 : 0, edgeMm, hides, ends ? far2 : 0, ends ? 1 : 0],
          ...[whole(colour), outline.table],
        ],
      };
    },
  };
}
