import { meets, type Op } from "./op";
import { meet, newTile, settle, startTile, TILE, weightAt, type Tile } from "./tile";

/** A picture of a piece: size in samples, millimetres to a sample, the place of its upper left corner, the colour that lies under everything. */
export type Sheet = {
  widthPx: number;
  heightPx: number;
  pixelMm: number;
  fromX: number;
  fromY: number;
  base: number;
  colours: number;
};

/** Share of each colour in each sample, row by row; and the direction of its last strong shear. */
export type Shares = {
  sheet: Sheet;
  /** Of colour k at sample i: k × widthPx × heightPx + i. */
  weight: Float32Array;
  shear2x: Float32Array;
  shear2y: Float32Array;
  /** Where what is seen most of each sample was poured, mm. */
  sourceX: Float32Array;
  sourceY: Float32Array;
};

export const emptyShares = (sheet: Sheet): Shares => {
  const samples = sheet.widthPx * sheet.heightPx;
  return {
    sheet,
    weight: new Float32Array(samples * sheet.colours),
    shear2x: new Float32Array(samples),
    shear2y: new Float32Array(samples),
    sourceX: new Float32Array(samples),
    sourceY: new Float32Array(samples),
  };
};

/** Takes one tile back through all operations, the last first; those that do not reach its live samples are passed over. */
function through(
  tile: Tile,
  ops: readonly Op[],
  base: number,
  skipping: boolean,
  under: Shares | null,
): void {
  for (let at = ops.length - 1; at >= 0 && tile.live > 0; at -= 1) {
    const op = ops[at] as Op;
    if (skipping && !meets(op.box, tile.box)) continue;
    op.back(tile);
    settle(tile);
  }
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    // A hole through everything shows what is under it too.
    tile.deep[i] = 0;
    if (under) meetPicture(tile, i, under);
    else meet(tile, i, base, 1);
  }
}

/** A sample meets a picture that was worked out before: its shares there, straight between its four nearest samples. */
function meetPicture(tile: Tile, i: number, { sheet, weight }: Shares): void {
  const { widthPx, heightPx, pixelMm, fromX, fromY, colours } = sheet;
  const u = Math.min(widthPx - 1, Math.max(0, ((tile.x[i] as number) - fromX) / pixelMm - 0.5));
  const v = Math.min(heightPx - 1, Math.max(0, ((tile.y[i] as number) - fromY) / pixelMm - 0.5));
  const column = Math.min(widthPx - 2, Math.floor(u));
  const row = Math.min(heightPx - 2, Math.floor(v));
  const a = u - column;
  const b = v - row;
  const clear = tile.clear[i] as number;
  const at = row * widthPx + column;
  for (let colour = 0; colour < colours; colour += 1) {
    const from = colour * widthPx * heightPx + at;
    const top = (weight[from] as number) * (1 - a) + (weight[from + 1] as number) * a;
    const low = (weight[from + widthPx] as number) * (1 - a) + (weight[from + widthPx + 1] as number) * a;
    const to = weightAt(colour, i);
    tile.weight[to] = (tile.weight[to] as number) + clear * (top * (1 - b) + low * b);
  }
  tile.clear[i] = 0;
  tile.sourceX[i] = tile.x[i] as number;
  tile.sourceY[i] = tile.y[i] as number;
}

/** Which tile of a sheet comes next, column and row. */
export const tilesOf = ({ widthPx, heightPx }: Sheet, side = TILE): [number, number][] => {
  const [across, down] = [Math.ceil(widthPx / side), Math.ceil(heightPx / side)];
  return Array.from({ length: across * down }, (_, n) => [n % across, Math.floor(n / across)]);
};

/**
 * The picture of a row of operations, tile by tile: each sample is taken back from where it is seen to what it is made of.
 * @param side of a tile, samples, at most 48
 * @param under a picture on which the operations are done, in place of the base; at least two samples wide and high
 * @param skipping passes over what does not reach a tile; it changes nothing but the time
 */
export function evaluate(
  ops: readonly Op[],
  sheet: Sheet,
  {
    into = emptyShares(sheet),
    tiles = tilesOf(sheet),
    side = TILE,
    skipping = true,
    under = null,
  }: {
    into?: Shares;
    tiles?: readonly [number, number][];
    side?: number;
    skipping?: boolean;
    under?: Shares | null;
  } = {},
): Shares {
  const tile = newTile(sheet.colours);
  const { widthPx, heightPx, pixelMm, fromX, fromY } = sheet;
  const samples = widthPx * heightPx;
  for (const [column, row] of tiles) {
    const points: [number, number][] = [];
    const places: number[] = [];
    for (let py = row * side; py < Math.min(heightPx, (row + 1) * side); py += 1)
      for (let px = column * side; px < Math.min(widthPx, (column + 1) * side); px += 1) {
        points.push([fromX + (px + 0.5) * pixelMm, fromY + (py + 0.5) * pixelMm]);
        places.push(py * widthPx + px);
      }
    startTile(tile, points, pixelMm);
    through(tile, ops, sheet.base, skipping, under);
    places.forEach((place, i) => {
      for (let colour = 0; colour < sheet.colours; colour += 1)
        into.weight[colour * samples + place] = tile.weight[weightAt(colour, i)] as number;
      into.shear2x[place] = tile.shear2x[i] as number;
      into.shear2y[place] = tile.shear2y[i] as number;
      into.sourceX[place] = tile.sourceX[i] as number;
      into.sourceY[place] = tile.sourceY[i] as number;
    });
  }
  return into;
}
