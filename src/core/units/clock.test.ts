import { format } from "date-fns";
import { clockText, patternIn } from "./clock";

test("hours by both clocks; noon and midnight are 12", () => {
  const both = (minutes: number) => [clockText(minutes), clockText(minutes, "12h")];
  expect(both(9 * 60 + 5)).toEqual(["09:05", "9:05 am"]);
  expect(both(14 * 60)).toEqual(["14:00", "2 pm"]);
  expect(both(0)).toEqual(["00:00", "12 am"]);
  expect(both(12 * 60)).toEqual(["12:00", "12 pm"]);
  expect(both(26 * 60 + 30)).toEqual(["02:30 +1 d", "2:30 am +1 d"]);
});

test("every minute of a day reads as Intl's twelve-hour clock does", () => {
  const reference = new Intl.DateTimeFormat("en-US", { hour: "numeric", minute: "2-digit", timeZone: "UTC" });
  for (let minute = 0; minute < 1440; minute += 1) {
    const expected = reference
      .format(new Date(minute * 60_000))
      .replace(/\s/, " ")
      .replace(":00 ", " ")
      .toLowerCase();
    expect(clockText(minute, "12h")).toBe(expected);
  }
});

test("dates with the month first go with the twelve-hour clock; what is sorted by stays", () => {
  const at = new Date(2026, 4, 14, 14, 5);
  const said = (pattern: string) => format(at, patternIn(pattern, "12h"));
  expect(said("EEEE d MMMM yyyy, HH:mm")).toBe("Thursday May 14, 2026, 2:05 pm");
  expect(said("HH:mm, d MMM")).toBe("2:05 pm, May 14");
  expect(said("EEE d MMM")).toBe("Thu May 14");
  expect(said("yyyy-MM-dd")).toBe("2026-05-14");
  expect(format(at, patternIn("d MMM yyyy", "24h"))).toBe("14 May 2026");
});
