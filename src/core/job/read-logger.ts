import type { Room } from "../cure/room";
import { DAY_MIN } from "../schedule/hours";

/** A reading of a logger: minutes, counted from anywhere or by the calendar, and °C. */
export type LoggerReading = [atMin: number, tempC: number];

/** Whether a column's head says °F. */
export const saysFahrenheit = (head: string): boolean => /°\s*F\b|fahrenheit|\(F\)|\bF$/i.test(head);

/**
 * One line of a logger's file: a time as year-month-day and hour, or plain minutes, and a temperature.
 * @returns the reading, or what is wrong in words
 */
export function loggerReading(
  when: string,
  temp: string,
  fahrenheit: boolean,
): { value: LoggerReading } | { problem: string } {
  const at = minutesOf(when);
  const read = Number(temp.replace(",", "."));
  if (at === null || temp === "" || !Number.isFinite(read))
    return { problem: `A time and a temperature are wanted, not “${`${when}, ${temp}`.slice(0, 40)}”.` };
  const tempC = fahrenheit ? (read - 32) / 1.8 : read;
  if (tempC < -40 || tempC > 60) return { problem: `${temp} is no temperature of a room.` };
  return { value: [at, tempC] };
}

/** The room of a logger's readings, in any order; by the calendar, its first day stands for the first day of the job. */
export function roomOfReadings(readings: readonly LoggerReading[]): Extract<Room, { kind: "logger" }> | null {
  const inOrder = [...readings].sort(([one], [other]) => one - other);
  const first = inOrder[0]?.[0] ?? 0;
  const midnight = first > LONGEST_COUNT ? Math.floor(first / DAY_MIN) * DAY_MIN : 0;
  // Kept no finer than every ten minutes: rooms change slowly, and the document stays small.
  const kept = inOrder
    .map(([at, tempC]): LoggerReading => [at - midnight, tempC])
    .filter(([at], index, all) => index === 0 || slot(at) !== slot((all[index - 1] as LoggerReading)[0]));
  return kept.length > 0 ? { kind: "logger", readings: kept.slice(0, MOST_READINGS) } : null;
}

const MOST_READINGS = 5000;
/** More minutes than this are a date. */
const LONGEST_COUNT = 1_000_000;
const slot = (atMin: number) => Math.floor(atMin / 10);

/** A wall clock's time as minutes, without a zone; plain minutes as they are; null for anything else. */
function minutesOf(text: string): number | null {
  if (/^\d+(\.\d+)?$/.test(text)) return Number(text) <= LONGEST_COUNT ? Number(text) : null;
  const found = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d))?/.exec(text);
  if (!found) return null;
  const [year, month, day, hour, minute, second] = found.slice(1).map((part) => Number(part ?? 0));
  const at = Date.UTC(year ?? 0, (month ?? 1) - 1, day, hour, minute, second) / 60_000;
  return Number.isFinite(at) ? at : null;
}
