import type { WallClock } from "./shop";

const DAY_MS = 86_400_000;
const midnight = (of: Date) => new Date(of.getFullYear(), of.getMonth(), of.getDate()).getTime();

/**
 * A moment as minutes of this machine's wall clock from midnight of a day: what a clock on the wall shows, so that a day is always 24 hours.
 */
export function wallMinutes(at: Date, day: Date): number {
  const seconds = (at.getHours() * 60 + at.getMinutes()) * 60 + at.getSeconds() + at.getMilliseconds() / 1000;
  // A day in which the clocks are changed is an hour longer or shorter: rounded off.
  return Math.round((midnight(at) - midnight(day)) / DAY_MS) * 24 * 60 + seconds / 60;
}

/** This machine's wall clock, in minutes from midnight of today. */
export const wallClock = (now: Date): WallClock => ({
  nowMin: wallMinutes(now, now),
  minuteOf: (at) => wallMinutes(new Date(at), now),
  dayMin: (day) => {
    const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
    return wallMinutes(new Date(year, month - 1, date), now);
  },
});
