/** How a person reads times and dates: "14:05, 14 May", or "2:05 pm, May 14". */
export type ClockStyle = "24h" | "12h";

const two = (figure: number) => String(figure).padStart(2, "0");

/** "09:40" or "9:40 am", whole hours "9 am", with "+1 d" for later days. */
export function clockText(minutes: number, style: ClockStyle = "24h"): string {
  const whole = Math.round(minutes);
  const day = Math.floor(whole / 1440);
  const inDay = whole - day * 1440;
  const [hour, minute] = [Math.floor(inDay / 60), inDay % 60];
  const time =
    style === "24h"
      ? `${two(hour)}:${two(minute)}`
      : `${hour % 12 === 0 ? 12 : hour % 12}${minute > 0 ? `:${two(minute)}` : ""} ${hour < 12 ? "am" : "pm"}`;
  return day > 0 ? `${time} +${day} d` : time;
}

/** Patterns of date-fns for days and hours, as people with the twelve-hour clock write them. */
const MONTH_FIRST: readonly [RegExp, string][] = [
  [/d MMMM yyyy/, "MMMM d, yyyy"],
  [/d MMM yyyy/, "MMM d, yyyy"],
  [/d MMM/, "MMM d"],
  [/HH:mm/, "h:mm aaa"],
];

/** A pattern of date-fns, written with the day first and 24 hours, in a person's style. */
export const patternIn = (pattern: string, style: ClockStyle): string =>
  style === "24h" ? pattern : MONTH_FIRST.reduce((text, [from, to]) => text.replace(from, to), pattern);
