import type { Shares } from "./sheet";

/** How a picture was moved about a sample: along which way its pouring lies now, how far it was drawn out, and how much of the pouring it shows. */
export type Flow = {
  /** The direction of pouring, carried to where the sample lies now: unit length. */
  alongX: Float32Array;
  alongY: Float32Array;
  /** How much it was worked, 0 to 1: from how far it was stretched. */
  worked: Float32Array;
  /** So many millimetres of what was poured lie beneath one sample. */
  footprintMm: Float32Array;
};

/** Where neighbours were poured further apart than so many samples, there is a border between them: nothing is told across it. */
const FAR_SAMPLES = 12;
/** Stretched so far beyond none counts as fully worked. */
const FULLY = 2.2;

/**
 * Works out how the picture was moved, from where each sample's colour was poured: the differences to its neighbours are the Jacobian of the way
 * back. Its inverse carries the direction of pouring here, which has no seams where the axes of the stretch would change places.
 * @param angle direction of the pour, rad
 */
export function flowOf({ sheet, sourceX, sourceY }: Shares, angle: number): Flow {
  const { widthPx, heightPx, pixelMm } = sheet;
  const samples = widthPx * heightPx;
  const flow: Flow = {
    alongX: new Float32Array(samples),
    alongY: new Float32Array(samples),
    worked: new Float32Array(samples),
    footprintMm: new Float32Array(samples),
  };
  const [poured, across] = [Math.cos(angle), Math.sin(angle)];
  const most = (FAR_SAMPLES * pixelMm) ** 2;
  const perMm = 1 / pixelMm;
  for (let row = 0; row < heightPx; row += 1)
    for (let column = 0; column < widthPx; column += 1) {
      const i = row * widthPx + column;
      const x = sourceX[i] as number;
      const y = sourceY[i] as number;
      // Along a row and along a column, of the neighbours on either side the nearer one by where it was poured.
      let xx = 1;
      let yx = 0;
      let xy = 0;
      let yy = 1;
      let found = most;
      for (let side = column > 0 ? -1 : 1; side <= 1 && column + side < widthPx; side += 2) {
        const dx = ((sourceX[i + side] as number) - x) * side;
        const dy = ((sourceY[i + side] as number) - y) * side;
        const far = dx * dx + dy * dy;
        if (far >= found) continue;
        found = far;
        xx = dx * perMm;
        yx = dy * perMm;
      }
      found = most;
      for (let side = row > 0 ? -1 : 1; side <= 1 && row + side < heightPx; side += 2) {
        const dx = ((sourceX[i + side * widthPx] as number) - x) * side;
        const dy = ((sourceY[i + side * widthPx] as number) - y) * side;
        const far = dx * dx + dy * dy;
        if (far >= found) continue;
        found = far;
        xy = dx * perMm;
        yy = dy * perMm;
      }
      // Singular values of [[xx, xy], [yx, yy]].
      const sum = Math.sqrt((xx + yy) ** 2 + (yx - xy) ** 2);
      const difference = Math.sqrt((xx - yy) ** 2 + (yx + xy) ** 2);
      const large = (sum + difference) / 2;
      const small = Math.abs(sum - difference) / 2;
      flow.footprintMm[i] = pixelMm * Math.max(1e-3, large);
      flow.worked[i] = small > 1e-3 * large ? Math.min(1, Math.max(0, (large / small - 1) / FULLY)) : 1;
      // The inverse, but for its length and sign.
      const turned = xx * yy - xy * yx < 0 ? -1 : 1;
      const alongX = turned * (yy * poured - xy * across);
      const alongY = turned * (xx * across - yx * poured);
      const length = Math.sqrt(alongX * alongX + alongY * alongY);
      flow.alongX[i] = length > 1e-6 ? alongX / length : poured;
      flow.alongY[i] = length > 1e-6 ? alongY / length : across;
    }
  return flow;
}
