import type { Box } from "../../geometry/ring";
import type { SoftPlace } from "../../geometry/weights";
import { smooth } from "../engine/op";

/** How much of a colour there shall be at a place, of what there would be: 1 where nothing is said of it. */
export type Weight = (x: number, y: number) => number;

export const EVENLY: Weight = () => 1;

/** In the middle of "more here" a colour lies so many times as dense (assumed). */
const MORE = 6;
/** Of what there would be so much is left where there shall be none, so that there is always somewhere for it to go. */
const LEAST = 0.002;

function weightOfPlace(
  { kind, xMm, yMm, reachMm, angleDeg = 0 }: SoftPlace,
  aroundMm: number | null,
): Weight {
  const reach = Math.max(1, reachMm);
  // Around a tumbler the nearer way counts.
  const across = (x: number) =>
    aroundMm === null ? x - xMm : x - xMm - aroundMm * Math.round((x - xMm) / aroundMm);
  switch (kind) {
    case "more":
      return (x, y) => 1 + (MORE - 1) * Math.exp(-2 * ((across(x) / reach) ** 2 + ((y - yMm) / reach) ** 2));
    case "none":
      return (x, y) => Math.max(LEAST, smooth((Math.hypot(across(x), y - yMm) / reach - 0.6) / 0.6));
    case "fade": {
      const [c, s] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
      // A fade has two ends: it takes the way as it lies, not around.
      return (x, y) => Math.max(LEAST, 1 - smooth((c * (x - xMm) + s * (y - yMm)) / reach));
    }
  }
}

/** All soft places of a colour together. */
export function weightOf(places: readonly SoftPlace[] | undefined, aroundMm: number | null): Weight {
  if (!places || places.length === 0) return EVENLY;
  const each = places.map((place) => weightOfPlace(place, aroundMm));
  return (x, y) => each.reduce((product, weight) => product * weight(x, y), 1);
}

/** How much there shall be of one colour beside another that shall be more or less there itself. */
export const beside =
  (own: Weight, other: Weight): Weight =>
  (x, y) =>
    other === EVENLY ? own(x, y) : own(x, y) / Math.max(0.15, other(x, y));

/** Squares across each side of a box at which a weight is read. */
const SQUARES = 48;

type Place = { x: number; y: number };

/** Weights read over a box: places spread evenly over it come to lie as dense as they say; how much they would cover of it stays. */
export type Dealt = {
  /** Where a place of an even spread comes to lie. */
  at: <Even extends Place>(even: Even) => Even;
  /** What has to be poured for the same share of the box, by that of an even spread: what lies dense lies over itself. */
  cover: (evenCover: number) => number;
  /** How many times as dense as an even spread a place is. */
  density: Weight;
};

/** As an even spread is. */
export const AS_IT_IS: Dealt = { at: (even) => even, cover: (evenCover) => evenCover, density: EVENLY };

/** How far along a rising line of sums a share of its last is reached, between its places too. */
function reached(sums: Float64Array, share: number): number {
  const wanted = share * (sums[sums.length - 1] as number);
  let [low, high] = [0, sums.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((sums[middle] as number) <= wanted) low = middle;
    else high = middle;
  }
  const [from, to] = [sums[low] as number, sums[high] as number];
  return low + (to > from ? (wanted - from) / (to - from) : 0);
}

/**
 * Deals an even spread over a box by a weight: first across, then down each column (the Knothe–Rosenblatt rearrangement; its density is the
 * weight to within the size of a square).
 */
export function dealtBy(weight: Weight, box: Box): Dealt {
  if (weight === EVENLY) return AS_IT_IS;
  const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
  const square = (n: number, from: number, size: number) => from + ((n + 0.5) / SQUARES) * size;
  const columns: Float64Array[] = [];
  const across = new Float64Array(SQUARES + 1);
  let mean = 0;
  for (let column = 0; column < SQUARES; column += 1) {
    const down = new Float64Array(SQUARES + 1);
    for (let row = 0; row < SQUARES; row += 1)
      down[row + 1] =
        (down[row] as number) + weight(square(column, box.minX, wide), square(row, box.minY, high));
    columns.push(down);
    across[column + 1] = (across[column] as number) + (down[SQUARES] as number);
    mean += (down[SQUARES] as number) / SQUARES ** 2;
  }
  if (!(mean > 0)) return AS_IT_IS;
  const densities = new Float64Array(SQUARES * SQUARES);
  columns.forEach((down, column) => {
    for (let row = 0; row < SQUARES; row += 1)
      densities[column * SQUARES + row] = ((down[row + 1] as number) - (down[row] as number)) / mean;
  });
  return {
    density: (x, y) => weight(x, y) / mean,
    at: (even) => {
      const [u, v] = [(even.x - box.minX) / wide, (even.y - box.minY) / high];
      // What lies beside the box stays there.
      if (u < 0 || u > 1 || v < 0 || v > 1) return even;
      const column = reached(across, u);
      const down = columns[Math.min(SQUARES - 1, Math.floor(column))] as Float64Array;
      return {
        ...even,
        x: box.minX + (column / SQUARES) * wide,
        y: box.minY + (reached(down, v) / SQUARES) * high,
      };
    },
    cover: (evenCover) => {
      // Places that fall anywhere cover 1 − e^(−c) of a ground: so much is wanted of all of it.
      const bareWanted = Math.exp(-evenCover) * densities.length;
      const most = MOST_POURED * evenCover;
      let poured = evenCover;
      // Newton: what is covered rises and flattens, so that it is come at from below.
      for (let step = 0; step < MOST_NEWTON; step += 1) {
        let bare = 0;
        let lessens = 0;
        for (let at = 0; at < densities.length; at += 1) {
          const density = densities[at] as number;
          const left = Math.exp(-poured * density);
          bare += left;
          lessens += density * left;
        }
        const more = lessens > 0 ? (bare - bareWanted) / lessens : Infinity;
        poured += more;
        if (poured >= most) return most;
        if (more < 1e-9 * poured) break;
      }
      return poured;
    },
  };
}

/** Newton is there in a handful of steps. */
const MOST_NEWTON = 30;
/** More than so many times the usual is not poured on one place. */
const MOST_POURED = 3;
