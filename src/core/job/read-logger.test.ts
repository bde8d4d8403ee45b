import { hoursOf, roomOf, settingsOf } from "./job-settings";
import { loggerReading, roomOfReadings, saysFahrenheit } from "./read-logger";
import { sampleJob } from "./sample-job";
import { starterCards } from "../cure/starter-cards";
import { USUAL_HOURS } from "../schedule/hours";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);

test("a job that says nothing of its room has its temperature all along, and the usual hours", () => {
  expect(roomOf(job)).toEqual({ kind: "constant", tempC: job.work.tempC });
  expect(hoursOf(job)).toEqual(USUAL_HOURS);
  expect(settingsOf(job, null)).toMatchObject({ people: job.work.people, nowMin: null });
});

describe("a logger's file", () => {
  const readings = (lines: readonly (readonly [string, string])[], fahrenheit = false) =>
    lines.flatMap(([when, temp]) => {
      const read = loggerReading(when, temp, fahrenheit);
      return "value" in read ? [read.value] : [];
    });
  const problem = (when: string, temp: string) => {
    const read = loggerReading(when, temp, false);
    return "problem" in read ? read.problem : null;
  };
  test("dates: its first day stands for the first day; commas for points; °F by the head", () => {
    const room = roomOfReadings(
      readings(
        [
          ["2026-03-02 22:00", "68"],
          ["2026-03-02T23:30:00", "66,2"],
          ["2026-03-03 06:00", "59"],
        ],
        true,
      ),
    );
    expect(room?.readings.map(([at]) => at)).toEqual([1320, 1410, 1440 + 360]);
    room?.readings.forEach(([, tempC], index) => expect(tempC).toBeCloseTo([20, 19, 15][index]!, 9));
    expect(["temp °F", "Temperature (F)", "Fahrenheit", "temp F"].every(saysFahrenheit)).toBe(true);
    expect(["°C", "temperature", "Celsius", "offset"].some(saysFahrenheit)).toBe(false);
  });
  test("plain minutes, out of order, finer than ten minutes", () => {
    const room = roomOfReadings(
      readings([
        ["30", "19"],
        ["0", "21"],
        ["4", "21.1"],
        ["12", "20.5"],
      ]),
    );
    expect(room?.readings).toEqual([
      [0, 21],
      [12, 20.5],
      [30, 19],
    ]);
  });
  test("what cannot be read is told in words; nothing is no room", () => {
    expect(problem("noon", "21")).toBe("A time and a temperature are wanted, not “noon, 21”.");
    expect(problem("20", "hot")).toBe("A time and a temperature are wanted, not “20, hot”.");
    expect(problem("20", "")).toMatch(/^A time and a temperature/);
    expect(problem("30", "900")).toBe("900 is no temperature of a room.");
    expect(problem("40", "22")).toBeNull();
    expect(roomOfReadings([])).toBeNull();
  });
});
