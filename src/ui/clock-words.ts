import { addDays, format, parseISO } from "date-fns";
import { clockText, patternIn, type ClockStyle } from "@/core/units/clock";
import { DAY_MIN, minuteOfDay } from "@/core/schedule/hours";

/** A minute of the plan as day and hour: with the weekday where the first day has a date, else counted from 1. */
export function momentText(atMin: number, startOn: string | undefined, style: ClockStyle = "24h"): string {
  if (!Number.isFinite(atMin)) return "never";
  const day = dayText(Math.floor(atMin / DAY_MIN), startOn, style);
  // "Dec 1 9 am" would run together.
  return `${day}${style === "12h" ? "," : ""} ${hourText(atMin, style)}`;
}

/** The hour of a minute of the plan. */
export const hourText = (atMin: number, style: ClockStyle = "24h"): string =>
  clockText(minuteOfDay(Math.round(atMin)), style);

/** The same, shorter: "Thu 14:10". */
export const shortMoment = (atMin: number, startOn: string | undefined, style: ClockStyle = "24h"): string =>
  `${startOn ? format(addDays(parseISO(startOn), Math.floor(atMin / DAY_MIN)), "EEE") : `day ${Math.floor(atMin / DAY_MIN) + 1}`} ${hourText(atMin, style)}`;

/** How long after mixing, or that it was before: "minute 45", from two hours on "4 h 10 min in", from two days on "3 days in". */
export function sinceMixText(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 0) return "before mixing";
  if (whole < 120) return `minute ${whole}`;
  if (whole < 48 * 60) {
    const rest = whole % 60;
    return `${Math.floor(whole / 60)} h${rest > 0 ? ` ${rest} min` : ""} in`;
  }
  return `${Math.round(whole / DAY_MIN)} days in`;
}

/** A day of the plan: "Thu 14 May" or "Thu May 14", or "day 2" where no date is set. */
export const dayText = (day: number, startOn: string | undefined, style: ClockStyle = "24h"): string =>
  startOn ? format(addDays(parseISO(startOn), day), patternIn("EEE d MMM", style)) : `day ${day + 1}`;
