import { addDays, parseISO } from "date-fns";
import { createEvents, type DateArray, type EventAttributes } from "ics";
import { actsOf } from "@/core/schedule/acts";
import type { DayPlan } from "@/core/schedule/plan-days";

/** Minutes before an act at which the calendar rings: while hands are on the coat, and for acts hours later. */
const RING_MIN = { soon: 5, later: 15 };

const DAY_MIN = 24 * 60;

/**
 * A minute of the plan on the shop's wall clock, as calendars take it without a zone: nine o'clock is nine o'clock wherever the file is
 * read, and on the morning after the clocks were changed.
 */
function clockOf(atMin: number, startOn: string): DateArray {
  const whole = Math.round(atMin);
  const day = Math.floor(whole / DAY_MIN);
  const date = addDays(parseISO(startOn), day);
  const inDay = whole - day * DAY_MIN;
  return [date.getFullYear(), date.getMonth() + 1, date.getDate(), Math.floor(inDay / 60), inDay % 60];
}

/**
 * The days as a calendar: an entry for each mix and for each pass, with an alarm before it.
 * @param startOn the first day, year-month-day
 * @throws what the writer of calendars finds wrong.
 */
export function calendarOf(jobName: string, days: DayPlan, startOn: string): string {
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
    start: clockOf(atMin, startOn),
    startInputType: "local",
    startOutputType: "local",
    duration: { minutes: Math.max(5, Math.round(minutes)) },
    alarms: [{ action: "display", description: title, trigger: { minutes: ringMin, before: true } }],
  });
  const batchesOf = (coatId: string) =>
    days.coats.find((coat) => coat.coatId === coatId)?.batches.length ?? 0;
  const entries = actsOf(days.coats).map(
    ({ coatId, coatName, words, batch, turn, pass, atMin, untilMin, mixedAtMin }) =>
      pass
        ? entry(
            turn === null ? `${coatId}-${pass.id}` : `${coatId}-${pass.id}-${turn}`,
            `${jobName}: ${words}`,
            atMin,
            untilMin - atMin,
            `${coatName}. ${pass.note}`.trim(),
            atMin - mixedAtMin > 90 ? RING_MIN.later : RING_MIN.soon,
          )
        : entry(
            `${coatId}-mix-${batch}`,
            batchesOf(coatId) > 1
              ? `${jobName}: ${words.toLowerCase()}, ${coatName}`
              : `${jobName}: mix ${coatName}`,
            atMin,
            untilMin - atMin,
            "Gloves, sleeves, eye protection. The product's data sheet comes first.",
            RING_MIN.later,
          ),
  );
  const { error, value } = createEvents(entries);
  if (error || !value) throw error ?? new Error("No calendar was written");
  return value;
}
