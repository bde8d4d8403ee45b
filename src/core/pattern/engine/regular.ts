import { power2d } from "../../numerics/fft";
import type { Shares } from "./sheet";

const SIDE = 128;
/** Ways, each half a turn over so many, and stretches of the wave number, so many to an octave. */
const WAYS = 12;
const PER_OCTAVE = 6;
/** Waves shorter than this, of the field's side, are grain. */
const FINEST = SIDE / 4;
/** From so much on an eye sees a beat where it wants chance (assumed: even stripes and rows of equal puddles are near 4, scattered ones at 1 to 1.7). */
export const TOO_REGULAR = 2.4;

/**
 * How regular a picture is: the largest excess of power over the trend of its neighbours at the same angle, as a power of ten. It sees what
 * repeats, at any angle; strong direction alone is no beat.
 * @param light of each colour, 0 to 1
 */
export function regularity({ sheet, weight }: Shares, light: readonly number[]): number {
  const { widthPx, heightPx, colours } = sheet;
  const samples = widthPx * heightPx;
  // A square cut from the middle, or all of it drawn into one, faded out at its sides so that they are no beat.
  const most = Math.min(widthPx, heightPx);
  const field = new Float64Array(SIDE * SIDE);
  const [offX, offY] = [(widthPx - most) / 2, (heightPx - most) / 2];
  const counted = new Float64Array(SIDE * SIDE);
  for (let y = 0; y < most; y += 1)
    for (let x = 0; x < most; x += 1) {
      const at = Math.floor(offY + y) * widthPx + Math.floor(offX + x);
      let value = 0;
      for (let colour = 0; colour < colours; colour += 1)
        value += (weight[colour * samples + at] as number) * (light[colour] ?? 0);
      const cell = Math.floor((y * SIDE) / most) * SIDE + Math.floor((x * SIDE) / most);
      field[cell] = (field[cell] as number) + value;
      counted[cell] = (counted[cell] as number) + 1;
    }
  let mean = 0;
  for (let i = 0; i < field.length; i += 1) {
    field[i] = (counted[i] as number) > 0 ? (field[i] as number) / (counted[i] as number) : 0;
    mean += (field[i] as number) / field.length;
  }
  const fade = (n: number) => Math.sin((Math.PI * (n + 0.5)) / SIDE) ** 2;
  for (let y = 0; y < SIDE; y += 1)
    for (let x = 0; x < SIDE; x += 1)
      field[y * SIDE + x] = ((field[y * SIDE + x] as number) - mean) * fade(x) * fade(y);
  return excess(power2d(field, SIDE));
}

function excess(power: Float64Array): number {
  const steps = Math.ceil(PER_OCTAVE * Math.log2(FINEST)) + 1;
  const sums = new Float64Array(WAYS * steps);
  const many = new Float64Array(WAYS * steps);
  for (let y = 0; y < SIDE; y += 1)
    for (let x = 0; x < SIDE; x += 1) {
      const [kx, ky] = [x < SIDE / 2 ? x : x - SIDE, y < SIDE / 2 ? y : y - SIDE];
      const k = Math.hypot(kx, ky);
      if (k < 2 || k > FINEST) continue;
      const way = Math.floor((((Math.atan2(ky, kx) + 2 * Math.PI) % Math.PI) / Math.PI) * WAYS) % WAYS;
      const step = Math.round(PER_OCTAVE * Math.log2(k));
      sums[way * steps + step] = (sums[way * steps + step] as number) + (power[y * SIDE + x] as number);
      many[way * steps + step] = (many[way * steps + step] as number) + 1;
    }
  const whole = power.reduce((sum, value) => sum + value, 0) || 1;
  // What has less power than this of the whole is no beat that an eye would see.
  const floor = (1e-3 * whole) / (SIDE * SIDE);
  const at = (way: number, step: number): number | null => {
    const n = many[way * steps + step] as number;
    return n > 0 ? Math.max(floor, (sums[way * steps + step] as number) / n) : null;
  };
  let largest = 0;
  for (let way = 0; way < WAYS; way += 1)
    for (let step = PER_OCTAVE; step < steps; step += 1) {
      const here = at(way, step);
      const around = [-5, -4, -3, 3, 4, 5].flatMap((by) => at(way, step + by) ?? []);
      if (here === null || around.length < 3) continue;
      const trend = around.reduce((sum, value) => sum + Math.log10(value), 0) / around.length;
      largest = Math.max(largest, Math.log10(here) - trend);
    }
  return largest;
}
