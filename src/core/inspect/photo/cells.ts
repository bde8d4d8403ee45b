import type { Shares } from "../../pattern/engine/sheet";

/** A colour with fewer samples lies in no cells that could be told. */
const LEAST_SAMPLES = 200;

/**
 * How wide the cells of a colour are, mm: as discs that lines across cut in chords as long on average, 4/π of the mean chord (Cauchy); chords of rows
 * and columns, as grains are counted by intercepts (ASTM E112, from memory). Null where there is too little of it.
 */
export function cellMm({ sheet, weight }: Shares, colour: number): number | null {
  const { widthPx, heightPx, pixelMm } = sheet;
  const offset = colour * widthPx * heightPx;
  const lies = (x: number, y: number) =>
    x >= 0 && y >= 0 && (weight[offset + y * widthPx + x] as number) > 0.5;
  let [samples, chords] = [0, 0];
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) {
      if (!lies(x, y)) continue;
      samples += 1;
      if (!lies(x - 1, y)) chords += 1;
      if (!lies(x, y - 1)) chords += 1;
    }
  return samples < LEAST_SAMPLES ? null : (4 / Math.PI) * ((2 * samples) / chords) * pixelMm;
}
