import { differenceInCalendarDays, startOfDay } from "date-fns";

/** A moment as minutes of this machine's wall clock from midnight of a day. */
export function wallMinutes(at: Date, day: Date): number {
  const seconds = (at.getHours() * 60 + at.getMinutes()) * 60 + at.getSeconds() + at.getMilliseconds() / 1000;
  return differenceInCalendarDays(at, startOfDay(day)) * 24 * 60 + seconds / 60;
}
