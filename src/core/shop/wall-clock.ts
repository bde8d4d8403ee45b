import { TZDate } from "@date-fns/tz";
import type { WallClock } from "./shop";

/** A shop's time zone, by its IANA name; null where none is set: then the machine's own counts. */
export type Zone = string | null;

const DAY_MS = 86_400_000;
/** A moment on the wall of a shop. */
export const onTheWall = (at: Date, zone: Zone): Date => (zone === null ? at : new TZDate(at, zone));
const dayMs = (of: Date) => Date.UTC(of.getFullYear(), of.getMonth(), of.getDate());

/**
 * A moment as minutes of a shop's wall clock from midnight of a day: what a clock on the wall shows, so that a day is always 24 hours.
 */
export function wallMinutes(at: Date, day: Date, zone: Zone): number {
  const [here, from] = [onTheWall(at, zone), onTheWall(day, zone)];
  const seconds =
    (here.getHours() * 60 + here.getMinutes()) * 60 + here.getSeconds() + here.getMilliseconds() / 1000;
  return ((dayMs(here) - dayMs(from)) / DAY_MS) * 24 * 60 + seconds / 60;
}

/** A shop's wall clock, in minutes from midnight of today. */
export const wallClock = (now: Date, zone: Zone): WallClock => ({
  nowMin: wallMinutes(now, now, zone),
  minuteOf: (at) => wallMinutes(new Date(at), now, zone),
  dayMin: (day) => {
    const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
    return ((Date.UTC(year, month - 1, date) - dayMs(onTheWall(now, zone))) / DAY_MS) * 24 * 60;
  },
});
