/**
 * Lower factor L of a symmetric positive matrix, row by row: L·Lᵀ = matrix.
 * @param matrix n × n
 * @throws when it is not positive.
 */
export function cholesky(matrix: readonly (readonly number[])[]): number[][] {
  const n = matrix.length;
  const L = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let row = 0; row < n; row += 1)
    for (let column = 0; column <= row; column += 1) {
      let sum = (matrix[row] as readonly number[])[column] as number;
      const [a, b] = [L[row] as number[], L[column] as number[]];
      for (let k = 0; k < column; k += 1) sum -= (a[k] as number) * (b[k] as number);
      if (row === column) {
        if (!(sum > 0)) throw new Error(`Not positive at ${row}: ${sum}`);
        a[row] = Math.sqrt(sum);
      } else a[column] = sum / (b[column] as number);
    }
  return L;
}

/** x of Lᵀ·x = b. */
export function backward(L: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = b.length;
  const x = [...b];
  for (let row = n - 1; row >= 0; row -= 1) {
    for (let k = row + 1; k < n; k += 1)
      x[row] = (x[row] as number) - ((L[k] as readonly number[])[row] as number) * (x[k] as number);
    x[row] = (x[row] as number) / ((L[row] as readonly number[])[row] as number);
  }
  return x;
}

/** x of L·x = b. */
export function forward(L: readonly (readonly number[])[], b: readonly number[]): number[] {
  const x = [...b];
  for (let row = 0; row < b.length; row += 1) {
    for (let k = 0; k < row; k += 1)
      x[row] = (x[row] as number) - ((L[row] as readonly number[])[k] as number) * (x[k] as number);
    x[row] = (x[row] as number) / ((L[row] as readonly number[])[row] as number);
  }
  return x;
}
