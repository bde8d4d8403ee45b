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

const STEP_MIN = 10;
/** Longer than this nobody waits. */
const LONGEST_STEPS = (100 * 24 * 60) / STEP_MIN;

/** Simpson's rule over each step, so that curves of a day are met to 1e-6; θ is made as far as it is asked for. */
export function cureClock(
  room: Room,
  activationJPerMol: number,
  fromMin: number,
  pulses: readonly HeatPulse[] = [],
): CureClock {
  if (room.kind === "constant" && pulses.length === 0) {
    const speed = 60 * cureSpeed(room.tempC, activationJPerMol);
    const most = LONGEST_STEPS * STEP_MIN;
    return {
      thetaS: (atMin) => speed * (atMin - fromMin),
      minuteOf: (since, thetaS) => (thetaS / speed > most ? Infinity : since + thetaS / speed),
    };
  }
  const speedAt = (atMin: number) => cureSpeed(filmTempC(room, pulses, atMin), activationJPerMol);
  const sums = [0];
  let edge = speedAt(fromMin);
  const grow = () => {
    const start = fromMin + (sums.length - 1) * STEP_MIN;
    const end = speedAt(start + STEP_MIN);
    const mean = (edge + 4 * speedAt(start + STEP_MIN / 2) + end) / 6;
    sums.push((sums[sums.length - 1] as number) + 60 * STEP_MIN * mean);
    edge = end;
  };
  /** Within a step, by the parabola through its ends and middle: Simpson's own. */
  const within = (step: number, share: number) => {
    const start = fromMin + step * STEP_MIN;
    const width = share * STEP_MIN;
    const mean = (speedAt(start) + 4 * speedAt(start + width / 2) + speedAt(start + width)) / 6;
    return (sums[step] as number) + 60 * width * mean;
  };
  const thetaS = (atMin: number) => {
    const steps = Math.max(0, (atMin - fromMin) / STEP_MIN);
    const step = Math.floor(steps);
    while (sums.length <= step) grow();
    return within(step, steps - step);
  };
  return {
    thetaS,
    minuteOf: (since, wanted) => {
      const target = thetaS(since) + wanted;
      while ((sums[sums.length - 1] as number) < target) {
        if (sums.length > LONGEST_STEPS) return Infinity;
        grow();
      }
      let [low, high] = [0, sums.length - 1];
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((sums[middle] as number) <= target) low = middle;
        else high = middle;
      }
      let [from, to] = [0, 1];
      for (let halving = 0; halving < 30; halving += 1) {
        const middle = (from + to) / 2;
        if (within(low, middle) <= target) from = middle;
        else to = middle;
      }
      return fromMin + (low + (from + to) / 2) * STEP_MIN;
    },
  };
}
