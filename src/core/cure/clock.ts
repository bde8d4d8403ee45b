import { cureSpeed } from "./kinetics";
import { filmTempC, type HeatPulse, type Room } from "./room";

/**
 * The resin's own clock under a room: seconds at 25 °C that have gone by, θ = ∫ e(T) dt. Whatever the temperature did, a film's conversion
 * is that of θ seconds at 25 °C, since all of its reactions speed up alike.
 */
export type CureClock = {
  /** θ from the first minute to a minute, s. */
  thetaS: (atMin: number) => number;
  /** The minute at which θ has grown by so much since a minute; Infinity where that is more than a hundred days. */
  minuteOf: (fromMin: number, thetaS: number) => number;
};

/** Longest steps of the sum, min: short where heat has passed over the film, for so many of its decay times. */
const STEP_MIN = { room: 10, heated: 1, later: 40 };
/** A day that is the same every time is summed in longer steps from then on, min: what is asked for that late is told in hours. */
const LATER_MIN = 24 * 60;
const HOT_FOR = 12;
/** Longer than this nobody waits. */
const LONGEST_MIN = 100 * 24 * 60;
/** Temperatures at the start, middle and end of a step, °C. */
type Step = readonly [number, number, number];
/** Steps of a history, grown as far as they are asked for: minutes since the first one at which each begins, and its temperatures. */
type Steps = {
  edge: (step: number) => number;
  temps: (step: number) => Step;
  at: (minutes: number) => number;
};

/** A pulse comes at the edge of a step, so that nothing jumps within one: before it the film is cool, after it hot. */
function stepsOf(room: Room, fromMin: number, pulses: readonly HeatPulse[]): Steps {
  const begins = pulses.map(({ atMin }) => atMin - fromMin);
  const before = 1e-9;
  const laterMin = room.kind === "day" ? LATER_MIN : Infinity;
  const edges = [0];
  const steps: Step[] = [];
  const edge = (step: number): number => {
    while (edges.length <= step) {
      const last = edges[edges.length - 1] as number;
      const hot = pulses.some(
        ({ decayMin }, index) =>
          (begins[index] as number) <= last && last - (begins[index] as number) < HOT_FOR * decayMin,
      );
      const next = last + (hot ? STEP_MIN.heated : last < laterMin ? STEP_MIN.room : STEP_MIN.later);
      edges.push(
        begins.reduce((soonest, begin) => (begin > last && begin < soonest ? begin : soonest), next),
      );
    }
    return edges[step] as number;
  };
  return {
    edge,
    temps: (step) => {
      while (steps.length <= step) {
        const [start, end] = [edge(steps.length), edge(steps.length + 1)];
        const at = (minutes: number) => filmTempC(room, pulses, fromMin + minutes);
        steps.push([at(start), at((start + end) / 2), at(end - before)]);
      }
      return steps[step] as Step;
    },
    at: (minutes) => {
      if (pulses.length === 0)
        return minutes < laterMin
          ? Math.floor(minutes / STEP_MIN.room)
          : laterMin / STEP_MIN.room + Math.floor((minutes - laterMin) / STEP_MIN.later);
      while ((edges[edges.length - 1] as number) <= minutes) edge(edges.length);
      return lastAtMost(edges, minutes);
    },
  };
}

/** Index of the last of rising numbers that is at most a value. */
function lastAtMost(rising: readonly number[], value: number): number {
  let [low, beyond] = [0, rising.length];
  while (beyond - low > 1) {
    const half = (low + beyond) >> 1;
    if ((rising[half] as number) <= value) low = half;
    else beyond = half;
  }
  return low;
}

/** Clocks of several resins in one room: its temperatures are worked out once, as far as they are asked for. */
export function clocksIn(
  room: Room,
  fromMin: number,
  pulses: readonly HeatPulse[] = [],
): (activationJPerMol: number) => CureClock {
  if (room.kind === "constant" && pulses.length === 0)
    return (activation) => steady(room.tempC, activation, fromMin);
  const steps = stepsOf(room, fromMin, pulses);
  return (activation) => varying(steps, activation, fromMin);
}

function steady(tempC: number, activationJPerMol: number, fromMin: number): CureClock {
  const speed = 60 * cureSpeed(tempC, activationJPerMol);
  return {
    thetaS: (atMin) => speed * (atMin - fromMin),
    minuteOf: (since, thetaS) => (thetaS / speed > LONGEST_MIN ? Infinity : since + thetaS / speed),
  };
}

/** Simpson's rule over each step, so that curves of a day are met to 1e-6; within a step the parabola through its ends and middle. */
function varying(steps: Steps, activationJPerMol: number, fromMin: number): CureClock {
  /** First, middle and last speed of each step, one after the other. */
  const speeds: number[] = [];
  const sums = [0];
  const grownTo = (step: number) => {
    while (sums.length <= step + 1) {
      const at = sums.length - 1;
      const temps = steps.temps(at);
      const first = cureSpeed(temps[0], activationJPerMol);
      const middle = cureSpeed(temps[1], activationJPerMol);
      const last = cureSpeed(temps[2], activationJPerMol);
      speeds.push(first, middle, last);
      sums.push((sums[at] as number) + 10 * longMin(at) * (first + 4 * middle + last));
    }
  };
  const longMin = (step: number) => steps.edge(step + 1) - steps.edge(step);
  /** θ within a step: the parabola's own integral. */
  const within = (step: number, share: number) => {
    grownTo(step);
    const first = speeds[3 * step] as number;
    const middle = speeds[3 * step + 1] as number;
    const last = speeds[3 * step + 2] as number;
    const bend = 2 * (first - 2 * middle + last);
    const rise = -3 * first + 4 * middle - last;
    return (
      (sums[step] as number) + 60 * longMin(step) * share * (first + share * (rise / 2 + (share * bend) / 3))
    );
  };
  const thetaS = (atMin: number) => {
    const minutes = Math.max(0, atMin - fromMin);
    const step = steps.at(minutes);
    return within(step, (minutes - steps.edge(step)) / longMin(step));
  };
  return {
    thetaS,
    minuteOf: (since, wanted) => {
      const target = (since === fromMin ? 0 : thetaS(since)) + wanted;
      while ((sums[sums.length - 1] as number) <= target) {
        if (steps.edge(sums.length - 1) > LONGEST_MIN) return Infinity;
        grownTo(sums.length);
      }
      const step = Math.min(sums.length - 2, lastAtMost(sums, target));
      // Newton on the step's own cubic: it hardly bends, so that four rounds are exact.
      const first = speeds[3 * step] as number;
      const middle = speeds[3 * step + 1] as number;
      const last = speeds[3 * step + 2] as number;
      const rise = -3 * first + 4 * middle - last;
      const bend = 2 * (first - 2 * middle + last);
      const wanted60 = (target - (sums[step] as number)) / (60 * longMin(step));
      let share = wanted60 / middle;
      for (let round = 0; round < 4; round += 1)
        share -=
          (share * (first + share * (rise / 2 + (share * bend) / 3)) - wanted60) /
          (first + share * (rise + share * bend));
      return fromMin + steps.edge(step) + Math.min(1, Math.max(0, share)) * longMin(step);
    },
  };
}

/** The clock of one resin in a room. */
export const cureClock = (
  room: Room,
  activationJPerMol: number,
  fromMin: number,
  pulses: readonly HeatPulse[] = [],
): CureClock => clocksIn(room, fromMin, pulses)(activationJPerMol);

/** How far the outer two of three clocks lie from the middle one, J/mol. */
const FAMILY_STEP = 12_000;

/** ln θ of three clocks at the middle and at the end of every step, six numbers a step, grown as far as they are asked for. */
function logTable(steps: Steps, activations: readonly number[]) {
  const logs: number[] = [];
  const sums = activations.map(() => 0);
  return {
    logs,
    growTo: (step: number) => {
      for (let at = logs.length / 6; at <= step; at += 1) {
        const long = steps.edge(at + 1) - steps.edge(at);
        const temps = steps.temps(at);
        const ends: number[] = [];
        activations.forEach((activation, one) => {
          const first = cureSpeed(temps[0], activation);
          const middle = cureSpeed(temps[1], activation);
          const last = cureSpeed(temps[2], activation);
          const sum = sums[one] as number;
          // The parabola through the three, over its first half and over all of it (Simpson).
          logs.push(Math.log(sum + 2.5 * long * (5 * first + 8 * middle - last)));
          const end = sum + 10 * long * (first + 4 * middle + last);
          sums[one] = end;
          ends.push(Math.log(end));
        });
        logs.push(...ends);
      }
    },
  };
}

/**
 * Clocks for many resins that differ a little in activation energy, all read from their first minute: three are summed, the others are
 * interpolated in the logarithm of θ (quadratic in the energy; within 1 % over two and a half standard deviations).
 */
export function clockFamily(
  room: Room,
  middleJPerMol: number,
  fromMin: number,
  pulses: readonly HeatPulse[] = [],
): (activationJPerMol: number) => CureClock {
  if (room.kind === "constant" && pulses.length === 0) return clocksIn(room, fromMin, pulses);
  const steps = stepsOf(room, fromMin, pulses);
  const { logs, growTo } = logTable(
    steps,
    [-1, 0, 1].map((step) => middleJPerMol + step * FAMILY_STEP),
  );
  return (activation) => {
    const x = (activation - middleJPerMol) / FAMILY_STEP;
    const low = (x * (x - 1)) / 2;
    const middle = 1 - x * x;
    const high = (x * (x + 1)) / 2;
    const logAt = (at: number) =>
      low * (logs[at] as number) + middle * (logs[at + 1] as number) + high * (logs[at + 2] as number);
    const logAtEnd = (step: number) => logAt(6 * step + 3);
    const atStart = (step: number) => (step === 0 ? 0 : Math.exp(logAtEnd(step - 1)));
    return {
      thetaS: (atMin) => {
        const minutes = Math.max(0, atMin - fromMin);
        const step = steps.at(minutes);
        growTo(step);
        const begins = steps.edge(step);
        const share = (minutes - begins) / (steps.edge(step + 1) - begins);
        const from = atStart(step);
        const half = Math.exp(logAt(6 * step));
        const to = Math.exp(logAtEnd(step));
        return from + share * (4 * half - 3 * from - to + 2 * share * (from - 2 * half + to));
      },
      minuteOf: (since, wanted) => {
        if (since !== fromMin) throw new Error(`These clocks are read from ${fromMin}, not from ${since}`);
        if (wanted <= 0) return fromMin;
        const target = Math.log(wanted);
        growTo(0);
        let last = logs.length / 6 - 1;
        while (logAtEnd(last) <= target) {
          if (steps.edge(last + 1) > LONGEST_MIN) return Infinity;
          growTo((last += 1));
        }
        // The first step that ends beyond it.
        let before = -1;
        while (last - before > 1) {
          const between = (before + last) >> 1;
          if (logAtEnd(between) <= target) before = between;
          else last = between;
        }
        const from = atStart(last);
        const half = Math.exp(logAt(6 * last));
        const to = Math.exp(logAtEnd(last));
        const rise = 4 * half - 3 * from - to;
        const bend = 2 * (from - 2 * half + to);
        const missing = wanted - from;
        const share = (2 * missing) / (rise + Math.sqrt(Math.max(0, rise * rise + 4 * bend * missing)));
        const begins = steps.edge(last);
        return fromMin + begins + Math.min(1, Math.max(0, share)) * (steps.edge(last + 1) - begins);
      },
    };
  };
}
