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
      [re[i], re[j]] = [re[j] as number, re[i] as number];
      [im[i], im[j]] = [im[j] as number, im[i] as number];
    }
  }
  for (let size = 2; size <= n; size *= 2) {
    const half = size / 2;
    const turn = (-2 * Math.PI) / size;
    for (let k = 0; k < half; k += 1) {
      const [c, s] = [Math.cos(turn * k), Math.sin(turn * k)];
      for (let at = k; at < n; at += size) {
        const other = at + half;
        const [a, b] = [re[other] as number, im[other] as number];
        const [x, y] = [a * c - b * s, a * s + b * c];
        re[other] = (re[at] as number) - x;
        im[other] = (im[at] as number) - y;
        re[at] = (re[at] as number) + x;
        im[at] = (im[at] as number) + y;
      }
    }
  }
}

/** Power |X|² of a square field of a side that is a power of two, row by row. */
export function power2d(field: Float64Array, side: number): Float64Array {
  const re = Float64Array.from(field);
  const im = new Float64Array(side * side);
  for (let y = 0; y < side; y += 1)
    fft(re.subarray(y * side, (y + 1) * side), im.subarray(y * side, (y + 1) * side));
  const [columnRe, columnIm] = [new Float64Array(side), new Float64Array(side)];
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
  return re.map((value, i) => value * value + (im[i] as number) ** 2);
}
