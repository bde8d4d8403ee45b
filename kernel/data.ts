/** How an operation lies in memory: a head of eight words, then its numbers, then the places of its tables. */

/** Bytes of the head. */
const HEAD: i32 = 32;

export function codeOf(op: i32): i32 {
  return load<i32>(op);
}
export function flagsOf(op: i32): i32 {
  return load<i32>(op, 4);
}
/** The fields of the zone that it is done in: their number and their places; 0 where it is done everywhere. */
export function zoneOf(op: i32): i32 {
  return load<i32>(op, 24);
}
/** Once around a tumbler, mm; else 0. */
export function aroundOf(op: i32): f32 {
  return load<f32>(op, 28);
}
/** Its box, right and low with their signs turned. */
export function boxOf(op: i32): i32 {
  return op + 8;
}

/** Its nth number. */
export function num(op: i32, n: i32): f32 {
  return load<f32>(op + HEAD + 4 * n);
}
/** A whole number, or the place of a table. */
export function int(op: i32, n: i32): i32 {
  return load<i32>(op + HEAD + 4 * n);
}
