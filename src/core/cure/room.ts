/** A heat gun or torch that passes over the film: so much warmer, falling off again. */
export type HeatPulse = { atMin: number; riseK: number; decayMin: number };

/** The temperature of the room, as a person sets it. Minutes run from midnight of the first day. */
export type Room =
  | { kind: "constant"; tempC: number }
  /** The same every day: coldest and warmest, each at its minute of the day. */
  | { kind: "day"; coldC: number; coldAtMin: number; warmC: number; warmAtMin: number }
  /** A logger's readings in the order of time; held before the first and after the last. */
  | { kind: "logger"; readings: readonly (readonly [atMin: number, tempC: number])[] };

const DAY_MIN = 24 * 60;
const turn = (minutes: number) => ((minutes % DAY_MIN) + DAY_MIN) % DAY_MIN;

/** Half a cosine from one to the other. */
const eased = (from: number, to: number, share: number) =>
  from + ((to - from) * (1 - Math.cos(Math.PI * share))) / 2;

function ofDay(room: Extract<Room, { kind: "day" }>, atMin: number): number {
  const warming = turn(room.warmAtMin - room.coldAtMin) || DAY_MIN / 2;
  const since = turn(atMin - room.coldAtMin);
  return since < warming
    ? eased(room.coldC, room.warmC, since / warming)
    : eased(room.warmC, room.coldC, (since - warming) / (DAY_MIN - warming));
}

function ofLogger(readings: Extract<Room, { kind: "logger" }>["readings"], atMin: number): number {
  let [low, high] = [0, readings.length - 1];
  const first = readings[low];
  const last = readings[high];
  if (!first || !last) throw new Error("A logger without a reading has no temperature");
  if (atMin <= first[0]) return first[1];
  if (atMin >= last[0]) return last[1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((readings[middle] as readonly [number, number])[0] <= atMin) low = middle;
    else high = middle;
  }
  const [before, after] = [readings[low], readings[high]] as [[number, number], [number, number]];
  const share = after[0] > before[0] ? (atMin - before[0]) / (after[0] - before[0]) : 1;
  return before[1] + share * (after[1] - before[1]);
}

/**
 * Temperature of the room at a minute, °C.
 * @throws for a logger without readings.
 */
export function roomTempC(room: Room, atMin: number): number {
  switch (room.kind) {
    case "constant":
      return room.tempC;
    case "day":
      return ofDay(room, atMin);
    case "logger":
      return ofLogger(room.readings, atMin);
  }
}

/** The film's temperature: the room's, and what passes of heat left in it. */
export const filmTempC = (room: Room, pulses: readonly HeatPulse[], atMin: number): number =>
  pulses.reduce(
    (sum, { atMin: from, riseK, decayMin }) =>
      atMin < from ? sum : sum + riseK * Math.exp(-(atMin - from) / decayMin),
    roomTempC(room, atMin),
  );
