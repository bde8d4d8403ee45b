/** The number at a place that is known to lie within a list. @throws RangeError where it does not */
export function nth(values: ArrayLike<number>, index: number): number {
  const value = values[index];
  if (value === undefined) throw new RangeError(`No number at ${index} of ${values.length}`);
  return value;
}
