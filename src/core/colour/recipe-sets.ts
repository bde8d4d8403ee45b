import { belowSurface, K2, ratioOf } from "./film-optics";
import { COARSE } from "./observer";
import { labSlope, OUT, type RecipeTable } from "./recipe-table";
import { smoothReflectanceOfXyz } from "./recover";
import { WHITE, xyzOfLab, type Lab } from "./spaces";

let lastSets: { count: number; most: number; sets: Int16Array } | null = null;

/** All sets of up to `most` of `count`, flat with -1 as filler; kept, since a shelf seldom changes between two searches. */
export function allSets(count: number, most: number): Int16Array {
  if (lastSets?.count === count && lastSets.most === most) return lastSets.sets;
  const list: number[] = [];
  for (let a = 0; a < count; a += 1) {
    list.push(a, -1, -1, -1);
    for (let b = a + 1; b < count && most > 1; b += 1) {
      list.push(a, b, -1, -1);
      for (let c = b + 1; c < count && most > 2; c += 1) {
        list.push(a, b, c, -1);
        for (let d = c + 1; d < count && most > 3; d += 1) list.push(a, b, c, d);
      }
    }
  }
  lastSets = { count, most, sets: Int16Array.from(list) };
  return lastSets.sets;
}

/** Each colourant as a step in colour away from the target, if it were added to it; three numbers each. */
function stepsAway(target: Lab, [mL, ma, mb]: Lab, table: RecipeTable, count: number): Float64Array {
  const wanted = smoothReflectanceOfXyz(xyzOfLab(target));
  const [tx, ty, tz] = xyzOfLab(target);
  const [gx, gy, gz] = [labSlope(tx / WHITE[0]) / WHITE[0], labSlope(ty), labSlope(tz / WHITE[2]) / WHITE[2]];
  const vectors = new Float64Array(count * 3);
  for (let band = 0; band < table.bands; band += 1) {
    const R = Math.min(0.999, Math.max(1e-4, belowSurface(wanted[COARSE[band] as number] as number)));
    const theta = ratioOf(R);
    const root = Math.sqrt(theta * theta + 2 * theta);
    const slope = (-R * R * (1 + (theta + 1) / root) * OUT) / (1 - K2 * R) ** 2;
    const [sx, sy, sz] = [
      slope * (table.X[band] as number),
      slope * (table.Y[band] as number),
      slope * (table.Z[band] as number),
    ];
    for (let first = 0; first < count; first += 1) {
      const at = first * table.bands + band;
      // A step no larger than the pigment alone could make it: its own θ bounds it.
      const S = table.S[at] as number;
      const away = (table.K[at] as number) - theta * S;
      const d = away / (S + Math.abs(away));
      const [fx, fy, fz] = [gx * sx * d, gy * sy * d, gz * sz * d];
      vectors[first * 3] = (vectors[first * 3] as number) + mL * 116 * fy;
      vectors[first * 3 + 1] = (vectors[first * 3 + 1] as number) + ma * 500 * (fx - fy);
      vectors[first * 3 + 2] = (vectors[first * 3 + 2] as number) + mb * 200 * (fy - fz);
    }
  }
  return vectors;
}

/** How near the origin comes to the hull of each set: six steps of Frank and Wolfe. */
function hullDistances(vectors: Float64Array, sets: Int16Array): Float64Array {
  const count = sets.length / 4;
  const rough = new Float64Array(count);
  for (let set = 0; set < count; set += 1) {
    const first = (sets[set * 4] as number) * 3;
    let [x, y, z] = [vectors[first] as number, vectors[first + 1] as number, vectors[first + 2] as number];
    for (let step = 0; step < 6; step += 1) {
      let lowest = Infinity;
      let toward = first;
      for (let part = 0; part < 4; part += 1) {
        const colour = sets[set * 4 + part] as number;
        if (colour < 0) break;
        const at = colour * 3;
        const along =
          x * (vectors[at] as number) + y * (vectors[at + 1] as number) + z * (vectors[at + 2] as number);
        if (along < lowest) {
          lowest = along;
          toward = at;
        }
      }
      const [dx, dy, dz] = [
        (vectors[toward] as number) - x,
        (vectors[toward + 1] as number) - y,
        (vectors[toward + 2] as number) - z,
      ];
      const long = dx * dx + dy * dy + dz * dz;
      if (long < 1e-12) break;
      const share = Math.max(0, Math.min(1, -(x * dx + y * dy + z * dz) / long));
      x += share * dx;
      y += share * dy;
      z += share * dz;
    }
    rough[set] = Math.sqrt(x * x + y * y + z * z);
  }
  return rough;
}

/** The indices of the smallest values, in order: only those below the wanted quantile are sorted. */
function nearest(values: Float64Array, wanted: number): Uint32Array {
  const limit = Float64Array.from(values).sort()[wanted - 1] as number;
  const below: number[] = [];
  for (let index = 0; index < values.length && below.length < wanted; index += 1)
    if ((values[index] as number) <= limit) below.push(index);
  return Uint32Array.from(below).sort((a, b) => (values[a] as number) - (values[b] as number));
}

/**
 * The sets that can come nearest to a target, the likeliest first, as places in `sets`.
 * @param metric weights that turn small ΔL*, Δa*, Δb* at the target into about its ΔE00; @param count colourants of the table
 */
export function likeliestSets(
  target: Lab,
  metric: Lab,
  table: RecipeTable,
  count: number,
  sets: Int16Array,
  wanted: number,
): Uint32Array {
  const rough = hullDistances(stepsAway(target, metric, table, count), sets);
  return nearest(rough, Math.min(wanted, rough.length));
}
