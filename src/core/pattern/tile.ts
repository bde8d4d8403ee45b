import type { Box } from "../geometry/ring";

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
  /** 1 in a hole: the next colour that is met is not there. */
  deep: Uint8Array;
  /** Share of each colour, at colour × MOST + sample. */
  weight: Float32Array;
  /** Twice the angle of the last strong shear, as cosine and sine; both 0 where there was none. */
  shear2x: Float32Array;
  shear2y: Float32Array;
  /** Where what is seen most of it was poured, mm, and how much of it that is. */
  sourceX: Float32Array;
  sourceY: Float32Array;
  most: Float32Array;
  /** Around all that is live, mm. */
  box: Box;
};

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
    deep: new Uint8Array(MOST),
    weight: new Float32Array(MOST * colours),
    shear2x: new Float32Array(MOST),
    shear2y: new Float32Array(MOST),
    sourceX: new Float32Array(MOST),
    sourceY: new Float32Array(MOST),
    most: new Float32Array(MOST),
    box: { minX: 0, minY: 0, maxX: 0, maxY: 0 },
  };
}

/** Softness of the resin's own edges, mm (assumed). */
const SOFT_MM = 0.3;

/**
 * Sets a tile on its way.
 * @param points centres of its samples, mm, at most TILE × TILE
 * @param pixelMm side of a sample
 */
export function startTile(tile: Tile, points: readonly (readonly [number, number])[], pixelMm: number): void {
  const own = 0.13 * pixelMm ** 2 + SOFT_MM ** 2;
  tile.live = points.length;
  points.forEach(([x, y], at) => {
    tile.index[at] = at;
    tile.x[at] = x;
    tile.y[at] = y;
  });
  tile.sxx.fill(own);
  tile.syy.fill(own);
  tile.sxy.fill(0);
  tile.clear.fill(1);
  tile.deep.fill(0);
  tile.weight.fill(0);
  tile.shear2x.fill(0);
  tile.shear2y.fill(0);
  tile.most.fill(0);
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
  tile.box = { minX, minY, maxX, maxY };
}

/** A sample meets a colour that covers this share of it. */
export function meet(tile: Tile, i: number, colour: number, share: number): void {
  if (share <= 0) return;
  if (tile.deep[i] === 1) {
    // The hole goes through what lies here, and shows what is under it.
    if (share > 0.5) tile.deep[i] = 0;
    return;
  }
  const clear = tile.clear[i] as number;
  const at = weightAt(colour, i);
  const seen = clear * share;
  tile.weight[at] = (tile.weight[at] as number) + seen;
  if (seen > (tile.most[i] as number)) {
    tile.most[i] = seen;
    tile.sourceX[i] = tile.x[i] as number;
    tile.sourceY[i] = tile.y[i] as number;
  }
  tile.clear[i] = clear * (1 - share);
}

/** What is settled goes no further. */
export function settle(tile: Tile): void {
  let kept = 0;
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    if ((tile.clear[i] as number) >= SETTLED) {
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

/** Half-width of an edge across a direction, mm: its own softness and the footprint's. */
export const edgeHalfMm = (tile: Tile, i: number, nx: number, ny: number, edgeMm: number): number =>
  Math.sqrt(
    edgeMm * edgeMm +
      3 *
        Math.max(
          0,
          nx * nx * (tile.sxx[i] as number) +
            2 * nx * ny * (tile.sxy[i] as number) +
            ny * ny * (tile.syy[i] as number),
        ),
  );
