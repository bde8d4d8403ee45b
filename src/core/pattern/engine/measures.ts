import type { Shares } from "./sheet";

/** Share of each colour on top, 0 to 1. */
export function onTop({ sheet, weight }: Shares): number[] {
  const samples = sheet.widthPx * sheet.heightPx;
  return Array.from({ length: sheet.colours }, (_, colour) => {
    let sum = 0;
    for (let i = colour * samples; i < (colour + 1) * samples; i += 1) sum += weight[i] as number;
    return sum / samples;
  });
}

/** How unevenly a colour lies: (left − right)/(left + right) and (back − front)/(back + front), −1 to 1; 0 where there is none. */
export function balance({ sheet, weight }: Shares, colour: number): { leftRight: number; backFront: number } {
  const { widthPx, heightPx } = sheet;
  let [left, right, back, front] = [0, 0, 0, 0];
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) {
      const share = weight[colour * widthPx * heightPx + y * widthPx + x] as number;
      if (x + 0.5 < widthPx / 2) left += share;
      else if (x + 0.5 > widthPx / 2) right += share;
      if (y + 0.5 < heightPx / 2) back += share;
      else if (y + 0.5 > heightPx / 2) front += share;
    }
  const uneven = (a: number, b: number) => (a + b > 0 ? (a - b) / (a + b) : 0);
  return { leftRight: uneven(left, right), backFront: uneven(back, front) };
}

/** Share of a colour in the left, the middle and the right third. */
export function thirds({ sheet, weight }: Shares, colour: number): [number, number, number] {
  const { widthPx, heightPx } = sheet;
  const sums: [number, number, number] = [0, 0, 0];
  const many: [number, number, number] = [0, 0, 0];
  for (let x = 0; x < widthPx; x += 1) {
    const third = Math.min(2, Math.floor((3 * (x + 0.5)) / widthPx)) as 0 | 1 | 2;
    for (let y = 0; y < heightPx; y += 1)
      sums[third] += weight[colour * widthPx * heightPx + y * widthPx + x] as number;
    many[third] += heightPx;
  }
  return sums.map((sum, n) => sum / Math.max(1, many[n as 0 | 1 | 2])) as [number, number, number];
}

/** Share of the samples in which no colour has most of it: what has melted into each other. */
export function blended({ sheet, weight }: Shares): number {
  const samples = sheet.widthPx * sheet.heightPx;
  let melted = 0;
  for (let i = 0; i < samples; i += 1) {
    let most = 0;
    for (let colour = 0; colour < sheet.colours; colour += 1)
      most = Math.max(most, weight[colour * samples + i] as number);
    if (most < 0.72) melted += 1;
  }
  return melted / samples;
}

/**
 * How muddy it is: mean over the footprints of Σ_{a<b} 2·w_a·w_b·ΔE_ab. What was poured with soft edges has some of it already: tell it
 * above that.
 * @param difference ΔE00 of two colours
 */
export function mud({ sheet, weight }: Shares, difference: (a: number, b: number) => number): number {
  const samples = sheet.widthPx * sheet.heightPx;
  let sum = 0;
  for (let a = 0; a < sheet.colours; a += 1)
    for (let b = a + 1; b < sheet.colours; b += 1) {
      const apart = 2 * difference(a, b);
      let both = 0;
      for (let i = 0; i < samples; i += 1)
        both += (weight[a * samples + i] as number) * (weight[b * samples + i] as number);
      sum += apart * both;
    }
  return sum / samples;
}

/** A field averaged over boxes of so many samples around each, by sums of rows and columns. */
function boxed(
  field: Float32Array,
  offset: number,
  widthPx: number,
  heightPx: number,
  side: number,
): Float64Array {
  const half = Math.max(0, Math.floor((side - 1) / 2));
  const across = new Float64Array(widthPx * heightPx);
  const out = new Float64Array(widthPx * heightPx);
  const average = (from: (n: number) => number, to: (n: number, value: number) => void, length: number) => {
    let sum = 0;
    let [low, high] = [0, -1];
    for (let n = 0; n < length; n += 1) {
      while (high < Math.min(length - 1, n + half)) {
        high += 1;
        sum += from(high);
      }
      while (low < n - half) {
        sum -= from(low);
        low += 1;
      }
      to(n, sum / (high - low + 1));
    }
  };
  for (let y = 0; y < heightPx; y += 1)
    average(
      (n) => field[offset + y * widthPx + n] as number,
      (n, value) => void (across[y * widthPx + n] = value),
      widthPx,
    );
  for (let x = 0; x < widthPx; x += 1)
    average(
      (n) => across[n * widthPx + x] as number,
      (n, value) => void (out[n * widthPx + x] = value),
      heightPx,
    );
  return out;
}

/** Share of the colour there is most of about each sample, over boxes of a length. */
export function segregated(shares: Shares, scaleMm: number): Float64Array {
  const { widthPx, heightPx, pixelMm, colours } = shares.sheet;
  const samples = widthPx * heightPx;
  const side = Math.max(1, Math.round(scaleMm / pixelMm));
  const most = new Float64Array(samples);
  for (let colour = 0; colour < colours; colour += 1) {
    const field = boxed(shares.weight, colour * samples, widthPx, heightPx, side);
    for (let i = 0; i < samples; i += 1) most[i] = Math.max(most[i] as number, field[i] as number);
  }
  return most;
}

/**
 * Danckwerts' intensity of segregation at a viewing scale: Σ var(w_c) / Σ w̄_c(1 − w̄_c) after averaging over that length. 1 where colours lie
 * apart, 0 where they are one.
 */
export function segregation(shares: Shares, scaleMm: number): number {
  const { widthPx, heightPx, pixelMm, colours } = shares.sheet;
  const samples = widthPx * heightPx;
  const side = Math.max(1, Math.round(scaleMm / pixelMm));
  let [apart, most] = [0, 0];
  for (let colour = 0; colour < colours; colour += 1) {
    const field = boxed(shares.weight, colour * samples, widthPx, heightPx, side);
    let [sum, squares] = [0, 0];
    for (const value of field) {
      sum += value;
      squares += value * value;
    }
    const mean = sum / samples;
    apart += squares / samples - mean * mean;
    most += mean * (1 - mean);
  }
  return most > 0 ? apart / most : 0;
}
