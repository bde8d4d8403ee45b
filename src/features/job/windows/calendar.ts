import { addMinutes, parseISO } from "date-fns";
import { createEvents, type DateArray, type EventAttributes } from "ics";
import type { DayPlan } from "@/core/schedule/windows";

/** Minutes before an act at which the calendar rings: while hands are on the coat, and for acts hours later. */
const RING_MIN = { soon: 5, later: 15 };

/** A wall clock's time, as calendars take it without a zone: nine o'clock in the shop is nine o'clock wherever the file is read. */
const clockOf = (date: Date): DateArray => [
  date.getFullYear(),
  date.getMonth() + 1,
  date.getDate(),
  date.getHours(),
  date.getMinutes(),
];

/**
 * The days as a calendar: an entry for each coat's mixing and for each pass, with an alarm before it.
 * @param startOn the first day, year-month-day
 * @throws what the writer of calendars finds wrong.
 */
export function calendarOf(jobName: string, days: DayPlan, startOn: string): string {
  const midnight = parseISO(startOn);
  const entry = (
    uid: string,
    title: string,
    atMin: number,
    minutes: number,
    description: string,
    ringMin: number,
  ): EventAttributes => ({
    uid: `${uid}@gaugebeam`,
    productId: "gaugebeam/days",
    title,
    description,
    start: clockOf(addMinutes(midnight, Math.round(atMin))),
    startInputType: "local",
    startOutputType: "local",
    duration: { minutes: Math.max(5, Math.round(minutes)) },
    alarms: [{ action: "display", description: title, trigger: { minutes: ringMin, before: true } }],
  });
  const entries = days.coats.flatMap((coat) => [
    entry(
      `${coat.coatId}-mix`,
      `${jobName}: mix ${coat.name}`,
      coat.mixedAtMin,
      coat.lastMixedAtMin - coat.mixedAtMin + 10,
      "Gloves, sleeves, eye protection. The product's data sheet comes first.",
      RING_MIN.later,
    ),
    ...coat.windows
      .filter(({ atMin }) => Number.isFinite(atMin))
      .map(({ pass, words, atMin, untilMin }) =>
        entry(
          `${coat.coatId}-${pass.id}`,
          `${jobName}: ${words}`,
          atMin,
          untilMin - atMin,
          `${coat.name}. ${pass.note}`.trim(),
          atMin - coat.mixedAtMin > 90 ? RING_MIN.later : RING_MIN.soon,
        ),
      ),
  ]);
  const { error, value } = createEvents(entries);
  if (error || !value) throw error ?? new Error("No calendar was written");
  return value;
}
