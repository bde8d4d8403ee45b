import type { Box } from "../../geometry/ring";

/** Side of a tile, samples. */
export const TILE = 48;
const MOST = TILE * TILE;
/** A sample through which less than this is still seen is settled. */
const SETTLED = 0.008;

/**
 * Samples of a square of the picture on their way back through the passes, the last pass first: where each lies by now, how far its footprint
 * has been drawn out, how much of it is still seen through, and what it has met so far. Only the first `live` of `index` are still on the way.
 */
export type Tile = {
  live: number;
  index: Uint16Array;
  /** Where it lies, mm. */
  x: Float64Array;
  y: Float64Array;
  /** Its footprint: covariance, mm². */
  sxx: Float64Array;
  sxy: Float64Array;
  syy: Float64Array;
  /** Share that is still to be coloured. */
  clear: Float64Array;
  /** Share of it that lies in a hole: the next colour that is met is not there. */
  deep: Float32Array;
  /** Share of each colour, at colour × MOST + sample. */
  weight: Float32Array;
  /** Twice the angle of the last strong shear, as cosine and sine; both 0 where there was none. */
  shear2x: Float32Array;
  shear2y: Float32Array;
  /** Where what is seen most of it was poured, mm, and how much of it that is. */
  sourceX: Float32Array;
  sourceY: Float32Array;
  most: Float32Array;
  /** Distance of its samples where they stand for what lies between them, mm; else 0. */
  apartMm: number;
  /** How far around itself each then looks for what is smaller than that, by the spread of its own footprint. */
  looks: number;
  /** Something small lies near: what is between this sample and its neighbours may be unlike all of them. FAR: only beyond half way to them. */
  busy: Uint8Array;
  /** Beside a hole: 1 until the colour that the hole leaves out is met, then 2 more than that colour, until the one that it shows is. */
  beside: Uint8Array;
  /** Around all that is live, mm. */
  box: Box;
};

export const FAR = 1;
export const NEAR = 2;

/** What covers unevenly from sample to sample: there is no telling what lies between. */
export const uneven = (tile: Tile, i: number): void => void (tile.busy[i] = NEAR);

export const weightAt = (colour: number, sample: number): number => colour * MOST + sample;

export function newTile(colours: number): Tile {
  const numbers = () => new Float64Array(MOST);
  return {
    live: 0,
    index: new Uint16Array(MOST),
    x: numbers(),
    y: numbers(),
    sxx: numbers(),
    sxy: numbers(),
    syy: numbers(),
    clear: numbers(),
    deep: new Float32Array(MOST),
    weight: new Float32Array(MOST * colours),
    shear2x: new Float32Array(MOST),
    shear2y: new Float32Array(MOST),
    sourceX: new Float32Array(MOST),
    sourceY: new Float32Array(MOST),
    most: new Float32Array(MOST),
    looks: 0,
    apartMm: 0,
    busy: new Uint8Array(MOST),
    beside: new Uint8Array(MOST),
    box: { minX: 0, minY: 0, maxX: 0, maxY: 0 },
  };
}

/** Softness of the resin's own edges, mm (assumed). */
const SOFT_MM = 0.3;
/** Variance of a sample's own square, of its side squared. */
const OWN_SHARE = 0.13;
/** The middle between four samples is so far from each of them, as a share of their distance. */
const LOOKS_SHARE = 0.72;
/** It is not looked for further than so many times the distance: what a pass smears is wide, not far away. */
const MOST_LOOKS = 1.5;
/** What is wider than so many times the distance reaches one of the samples anyway. */
const THIN = 1.5;

/** Variance of a sample's own footprint, mm². */
export const footprintOf = (pixelMm: number): number => OWN_SHARE * pixelMm ** 2 + SOFT_MM ** 2;
/** `looks` of a tile. */
export const looksBy = (apartMm: number, spread: number): number =>
  (LOOKS_SHARE * apartMm) / Math.sqrt(spread);

/**
 * Sets a tile on its way.
 * @param points centres of its samples, mm, at most TILE × TILE
 * @param pixelMm side of a sample
 * @param apartMm to its neighbours, where they are further away: what lies between is looked for
 */
export function startTile(
  tile: Tile,
  points: readonly (readonly [number, number])[],
  pixelMm: number,
  apartMm = 0,
): void {
  points.forEach(([x, y], at) => {
    tile.x[at] = x;
    tile.y[at] = y;
  });
  resetTile(tile, points.length, pixelMm, apartMm);
}

/** Sets the first of a tile's samples on their way from where they lie. */
export function resetTile(tile: Tile, many: number, pixelMm: number, apartMm: number): void {
  const spread = footprintOf(pixelMm);
  tile.live = many;
  tile.apartMm = apartMm;
  tile.looks = looksBy(apartMm, spread);
  for (let at = 0; at < many; at += 1) tile.index[at] = at;
  tile.sxx.fill(spread, 0, many);
  tile.syy.fill(spread, 0, many);
  tile.sxy.fill(0, 0, many);
  tile.clear.fill(1, 0, many);
  tile.deep.fill(0, 0, many);
  for (let from = 0; from < tile.weight.length; from += MOST) tile.weight.fill(0, from, from + many);
  tile.shear2x.fill(0, 0, many);
  tile.shear2y.fill(0, 0, many);
  tile.most.fill(0, 0, many);
  tile.busy.fill(0, 0, many);
  tile.beside.fill(0, 0, many);
  boundTile(tile);
}

/** Finds the box anew, after something moved. */
export function boundTile(tile: Tile): void {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    const x = tile.x[i] as number;
    const y = tile.y[i] as number;
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  const { box } = tile;
  box.minX = minX;
  box.minY = minY;
  box.maxX = maxX;
  box.maxY = maxY;
}

/** A sample meets a colour that covers this share of it. A hole goes through it, and shows what is under it. */
export function meet(tile: Tile, i: number, colour: number, share: number): void {
  if (share <= 0) return;
  const clear = tile.clear[i] as number;
  const hole = tile.deep[i] as number;
  let left = share;
  if (hole > 0) {
    left = share * (1 - hole);
    tile.deep[i] = share < 1 ? (hole * (1 - share)) / (1 - left) : 0;
  }
  if (tile.beside[i] !== 0) besideHole(tile, i, colour, share);
  if (left <= 0) return;
  const at = weightAt(colour, i);
  const seen = clear * left;
  tile.weight[at] = (tile.weight[at] as number) + seen;
  if (seen > (tile.most[i] as number)) {
    tile.most[i] = seen;
    tile.sourceX[i] = tile.x[i] as number;
    tile.sourceY[i] = tile.y[i] as number;
  }
  tile.clear[i] = clear * (1 - left);
}

/** A hole near a sample is of no account where it shows the colour that it leaves out. */
function besideHole(tile: Tile, i: number, colour: number, share: number): void {
  const beside = tile.beside[i] as number;
  if (beside === 1) {
    if (share > 0.5) tile.beside[i] = 2 + colour;
    else tile.busy[i] = NEAR;
    return;
  }
  if (colour !== beside - 2) tile.busy[i] = NEAR;
  tile.beside[i] = 0;
}

/** Variance of a sample's footprint across a direction, mm². */
function across(tile: Tile, i: number, nx: number, ny: number): number {
  const variance =
    nx * nx * (tile.sxx[i] as number) +
    2 * nx * ny * (tile.sxy[i] as number) +
    ny * ny * (tile.syy[i] as number);
  return variance > 0 ? variance : 0;
}

/**
 * How much of a sample lies within what has an edge, 0 to 1.
 * @param inside how far within the edge its middle lies, mm; less than 0 outside
 * @param nx,ny across the edge
 * @param edgeMm half of the edge's own softness
 * @param wideMm of what has the edge, where it is narrow: its middle is within it by half of that
 */
export function within(
  tile: Tile,
  i: number,
  inside: number,
  nx: number,
  ny: number,
  edgeMm: number,
  wideMm = Infinity,
): number {
  const half = Math.sqrt(edgeMm * edgeMm + 3 * across(tile, i, nx, ny));
  if (inside <= -half) return 0;
  if (inside >= half) return 1;
  const covered = (inside + half < wideMm ? inside + half : wideMm) / (2 * half);
  return covered < 1 ? covered : 1;
}

/** As `within`; where the edge is near without reaching the sample, the sample is told. */
export function edgeCover(
  tile: Tile,
  i: number,
  inside: number,
  nx: number,
  ny: number,
  edgeMm: number,
  wideMm = Infinity,
): number {
  const share = within(tile, i, inside, nx, ny, edgeMm, wideMm);
  if (tile.looks > 0 && (share === 1 || (share === 0 && wideMm < THIN * tile.apartMm))) {
    const spread = across(tile, i, nx, ny);
    const beyond = (inside < 0 ? -inside : inside) - Math.sqrt(edgeMm * edgeMm + 3 * spread);
    const far = Math.min(tile.looks * Math.sqrt(spread), MOST_LOOKS * tile.apartMm);
    if (beyond < far) tile.busy[i] = beyond < far / 2 ? NEAR : Math.max(FAR, tile.busy[i] as number);
  }
  return share;
}

/** What a hole opens of a sample, besides what others opened. */
export function open(tile: Tile, i: number, share: number): void {
  tile.deep[i] = 1 - (1 - (tile.deep[i] as number)) * (1 - share);
}

/** What is settled goes no further. */
export function settle(tile: Tile): void {
  let kept = 0;
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    // Beside a hole it also matters what lies under what is seen.
    if ((tile.clear[i] as number) >= SETTLED || tile.beside[i] !== 0) {
      tile.index[kept] = i;
      kept += 1;
    }
  }
  tile.live = kept;
}

/** Footprints are not followed beyond this, mm (the model is linear in them). */
const LONGEST_MM = 60;

/** Σ ← A·Σ·Aᵀ + s²·t·tᵀ for a sample, with A the inverse map's Jacobian and t a unit direction in which the pass smears. */
export function drawOut(
  tile: Tile,
  i: number,
  axx: number,
  axy: number,
  ayx: number,
  ayy: number,
  smear = 0,
  tx = 0,
  ty = 0,
): void {
  const xx = tile.sxx[i] as number;
  const xy = tile.sxy[i] as number;
  const yy = tile.syy[i] as number;
  const extra = smear * smear;
  let nxx = axx * axx * xx + 2 * axx * axy * xy + axy * axy * yy + extra * tx * tx;
  let nxy = axx * ayx * xx + (axx * ayy + axy * ayx) * xy + axy * ayy * yy + extra * tx * ty;
  let nyy = ayx * ayx * xx + 2 * ayx * ayy * xy + ayy * ayy * yy + extra * ty * ty;
  const trace = nxx + nyy;
  if (trace > LONGEST_MM * LONGEST_MM) {
    const scale = (LONGEST_MM * LONGEST_MM) / trace;
    nxx *= scale;
    nxy *= scale;
    nyy *= scale;
  }
  tile.sxx[i] = nxx;
  tile.sxy[i] = nxy;
  tile.syy[i] = nyy;
}
