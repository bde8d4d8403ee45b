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
/** Whether its box, so far to the side, meets another. */
export function meetsBox(op: i32, byMm: f32, left: f32, top: f32, right: f32, low: f32): bool {
  return (
    load<f32>(op, 8) + byMm < right &&
    load<f32>(op, 16) + byMm > left &&
    load<f32>(op, 12) < low &&
    load<f32>(op, 20) > top
  );
}

/** Its nth number. */
export function num(op: i32, n: i32): f32 {
  return load<f32>(op + HEAD + 4 * n);
}
/** A whole number, or the place of a table. */
export function int(op: i32, n: i32): i32 {
  return load<i32>(op + HEAD + 4 * n);
}
