import type { Room } from "../cure/room";
import { DAY_MIN } from "../schedule/hours";

/** One reading of a logger's file that cannot be used, by its line. */
export type LoggerProblem = { line: number; message: string };

/**
 * A logger's file: a time and a temperature to the line, with comma, semicolon or tab. Times as year-month-day and hour, of which the first
 * day stands for the first day of the job; or plain minutes. Temperatures in °C, or °F where the head says so.
 */
export function readLogger(text: string): {
  room: Extract<Room, { kind: "logger" }> | null;
  problems: LoggerProblem[];
} {
  const problems: LoggerProblem[] = [];
  const read: [atMin: number, tempC: number][] = [];
  const lines = text.replace(/^\uFEFF/, "").split(/\r?\n/);
  const fahrenheit = /°\s*F\b|fahrenheit|\(F\)/i.test(lines[0] ?? "");
  lines.forEach((content, index) => {
    if (content.trim() === "") return;
    const [when = "", temp = ""] = content
      .split(content.includes("\t") ? "\t" : content.includes(";") ? ";" : ",")
      .map((cell) => cell.trim().replace(/^"|"$/g, ""));
    const at = minutesOf(when);
    const value = Number(temp.replace(",", "."));
    const line = index + 1;
    if (at === null || temp === "" || !Number.isFinite(value)) {
      // The first line may name the columns.
      if (index > 0)
        problems.push({
          line,
          message: `A time and a temperature are wanted, not “${content.trim().slice(0, 40)}”.`,
        });
      return;
    }
    const tempC = fahrenheit ? (value - 32) / 1.8 : value;
    if (tempC < -40 || tempC > 60) problems.push({ line, message: `${value} is no temperature of a room.` });
    else read.push([at, tempC]);
  });
  read.sort(([one], [other]) => one - other);
  const first = read[0]?.[0] ?? 0;
  const midnight = first > LONGEST_COUNT ? Math.floor(first / DAY_MIN) * DAY_MIN : 0;
  // Kept no finer than every ten minutes: rooms change slowly, and the document stays small.
  const kept = read
    .map(([at, tempC]): [number, number] => [at - midnight, tempC])
    .filter(([at], index, all) => index === 0 || slot(at) !== slot((all[index - 1] as [number, number])[0]));
  if (kept.length === 0 && problems.length === 0)
    problems.push({ line: 1, message: "There is no reading in it." });
  return {
    room: kept.length > 0 ? { kind: "logger", readings: kept.slice(0, MOST_READINGS) } : null,
    problems,
  };
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
