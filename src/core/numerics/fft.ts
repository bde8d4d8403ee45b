/**
 * Discrete Fourier transform in place, radix 2 (Cooley and Tukey, 1965): X_k = Σ x_n·e^(−2πi·kn/N).
 * @param re,im real and imaginary parts, of a length that is a power of two
 * @throws for another length
 */
export function fft(re: Float64Array, im: Float64Array): void {
  const n = re.length;
  if (n === 0 || (n & (n - 1)) !== 0 || im.length !== n) throw new Error(`No power of two: ${n}`);
  for (let i = 1, j = 0; i < n; i += 1) {
    let bit = n >> 1;
    for (; (j & bit) !== 0; bit >>= 1) j ^= bit;
    j |= bit;
    if (i < j) {
      const r = re[i] as number;
      re[i] = re[j] as number;
      re[j] = r;
      const m = im[i] as number;
      im[i] = im[j] as number;
      im[j] = m;
    }
  }
  for (let size = 2; size <= n; size *= 2) {
    const half = size / 2;
    const turn = (-2 * Math.PI) / size;
    for (let k = 0; k < half; k += 1) {
      const c = Math.cos(turn * k);
      const s = Math.sin(turn * k);
      for (let at = k; at < n; at += size) {
        const other = at + half;
        const a = re[other] as number;
        const b = im[other] as number;
        const x = a * c - b * s;
        const y = a * s + b * c;
        re[other] = (re[at] as number) - x;
        im[other] = (im[at] as number) - y;
        re[at] = (re[at] as number) + x;
        im[at] = (im[at] as number) + y;
      }
    }
  }
}

/** The same of a square field of a side that is a power of two, row by row, in place. */
export function fft2d(re: Float64Array, im: Float64Array, side: number): void {
  for (let y = 0; y < side; y += 1)
    fft(re.subarray(y * side, (y + 1) * side), im.subarray(y * side, (y + 1) * side));
  const columnRe = new Float64Array(side);
  const columnIm = new Float64Array(side);
  for (let x = 0; x < side; x += 1) {
    for (let y = 0; y < side; y += 1) {
      columnRe[y] = re[y * side + x] as number;
      columnIm[y] = im[y * side + x] as number;
    }
    fft(columnRe, columnIm);
    for (let y = 0; y < side; y += 1) {
      re[y * side + x] = columnRe[y] as number;
      im[y * side + x] = columnIm[y] as number;
    }
  }
}

/** Power |X|² of a square field of a side that is a power of two, row by row. */
export function power2d(field: Float64Array, side: number): Float64Array {
  const re = Float64Array.from(field);
  const im = new Float64Array(side * side);
  fft2d(re, im, side);
  return re.map((value, i) => value * value + (im[i] as number) ** 2);
}

/**
 * Sums over a grid of weights times what goes by the distance of columns and rows: Σ weight(x′, y′)·k(|x − x′|, |y − y′|) for every x and y.
 * @param k of columns and rows apart @returns a function of weights, row by row of a grid `wide` × `high`, to the sums in the same order
 */
export function summedOver(
  k: (columns: number, rows: number) => number,
  wide: number,
  high: number,
): (weights: Float64Array) => Float64Array {
  let side = 2;
  while (side < 2 * Math.max(wide, high)) side *= 2;
  const ofKernel = new Float64Array(side * side);
  for (let y = 0; y < high; y += 1)
    for (let x = 0; x < wide; x += 1) {
      const value = k(x, y);
      // Round the corner, so that what lies left and above counts as what lies right and below.
      for (const row of y === 0 ? [0] : [y, side - y])
        for (const column of x === 0 ? [0] : [x, side - x]) ofKernel[row * side + column] = value;
    }
  // Even in both directions: its transform is real.
  fft2d(ofKernel, new Float64Array(side * side), side);
  return (weights) => {
    const re = new Float64Array(side * side);
    const im = new Float64Array(side * side);
    for (let y = 0; y < high; y += 1)
      for (let x = 0; x < wide; x += 1) re[y * side + x] = weights[y * wide + x] as number;
    fft2d(re, im, side);
    // Back again by the conjugate.
    for (let at = 0; at < re.length; at += 1) {
      re[at] = (re[at] as number) * (ofKernel[at] as number);
      im[at] = -(im[at] as number) * (ofKernel[at] as number);
    }
    fft2d(re, im, side);
    const sums = new Float64Array(wide * high);
    for (let y = 0; y < high; y += 1)
      for (let x = 0; x < wide; x += 1) sums[y * wide + x] = (re[y * side + x] as number) / (side * side);
    return sums;
  };
}
