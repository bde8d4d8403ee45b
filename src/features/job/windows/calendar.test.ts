import ICAL from "ical.js";
import { USUAL_HOURS } from "@/core/schedule/hours";
import { actsOf } from "@/core/schedule/acts";
import { planDays } from "@/core/schedule/plan-days";
import { derivePlan } from "@/core/plan/derive-plan";
import { windowCoatsOf } from "@/core/plan/timed";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { calendarOf } from "./calendar";
import { dayText, hourText, momentText, shortMoment, sinceMixText } from "@/ui/clock-words";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const coats = windowCoatsOf(derivePlan(sampleJob(cards, newId), cards));
const days = planDays(coats, 9 * 60 + 30, {
  room: { kind: "constant", tempC: 21 },
  hours: USUAL_HOURS,
  people: 1,
  nowMin: null,
});

/** As another program reads it (ical.js). */
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents("vevent").map((component) => ({
    event: new ICAL.Event(component),
    alarms: component.getAllSubcomponents("valarm"),
  }));

describe("a calendar", () => {
  test("has an entry for each mixing and each pass, each with one alarm before it, ids of their own", () => {
    const events = read(calendarOf("Bakery", days, "2026-05-14"));
    // Every mix, not only the first of a coat.
    expect(events).toHaveLength(actsOf(days.coats).length);
    expect(new Set(events.map(({ event }) => event.uid)).size).toBe(events.length);
    for (const { alarms } of events) {
      expect(alarms).toHaveLength(1);
      expect(String(alarms[0]!.getFirstPropertyValue("trigger"))).toMatch(/^-PT(5|15)M$/);
    }
  });

  test.each(["2026-05-14", "2026-03-28", "2026-10-24", "2026-12-31", "2028-02-28"])(
    "from %s the shop's own hours stand in it: over the change of the clock, the month and the year",
    (startOn) => {
      const events = read(calendarOf("Bakery", days, startOn));
      for (const coat of days.coats) {
        const { event } = events.find(
          ({ event: event }) =>
            event.summary === `Bakery: mix ${coat.name}` ||
            (/^Bakery: mix batch 1 of \d, /.test(event.summary) && event.summary.endsWith(`, ${coat.name}`)),
        )!;
        const at = Math.round(coat.mixedAtMin);
        expect([event.startDate.hour, event.startDate.minute]).toEqual([
          Math.floor((at % 1440) / 60),
          at % 60,
        ]);
        const day = new Date(`${startOn}T12:00:00Z`);
        day.setUTCDate(day.getUTCDate() + Math.floor(at / 1440));
        expect([event.startDate.year, event.startDate.month, event.startDate.day]).toEqual([
          day.getUTCFullYear(),
          day.getUTCMonth() + 1,
          day.getUTCDate(),
        ]);
      }
    },
  );

  test("names with commas, semicolons and line breaks come back letter by letter", () => {
    const name = "Top; left, \\ right\nand “half”";
    expect(read(calendarOf(name, days, "2026-05-14"))[0]!.event.summary).toContain("Top; left, \\ right");
  });
});

test("a minute of the plan as day and hour, with a date and without", () => {
  expect(momentText(9 * 60, "2026-05-14")).toBe("Thu 14 May 09:00");
  expect(momentText(1440 + 75, "2026-05-14")).toBe("Fri 15 May 01:15");
  expect(momentText(1440 + 75, undefined)).toBe("day 2 01:15");
  expect(shortMoment(1440 + 75, "2026-05-14")).toBe("Fri 01:15");
  expect(momentText(Infinity, "2026-05-14")).toBe("never");
  expect([dayText(3, undefined), hourText(-30), hourText(2 * 1440 + 59.6)]).toEqual([
    "day 4",
    "23:30",
    "01:00",
  ]);
});

test.each([
  [-9, "before mixing"],
  [45.2, "minute 45"],
  [180, "3 h in"],
  [1656, "27 h 36 min in"],
  [3 * 1440 + 20, "3 days in"],
])("%d minutes after mixing is %s", (minutes, words) => expect(sinceMixText(minutes)).toBe(words));
