import { hoursOf, roomOf, settingsOf } from "./job-settings";
import { readLogger } from "./read-logger";
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
  test("dates: its first day stands for the first day; commas for points; °F by the head", () => {
    const { room, problems } = readLogger(
      "time;°F\n2026-03-02 22:00;68\n2026-03-02T23:30:00;66,2\n2026-03-03 06:00;59\n",
    );
    expect(problems).toEqual([]);
    expect(room?.readings.map(([at]) => at)).toEqual([1320, 1410, 1440 + 360]);
    room?.readings.forEach(([, tempC], index) => expect(tempC).toBeCloseTo([20, 19, 15][index]!, 9));
  });
  test("plain minutes, out of order, finer than ten minutes", () => {
    const { room } = readLogger("minute,celsius\n30,19\n0,21\n4,21.1\n12,20.5");
    expect(room?.readings).toEqual([
      [0, 21],
      [12, 20.5],
      [30, 19],
    ]);
  });
  test("lines that cannot be read are told by number, the others are read", () => {
    const { room, problems } = readLogger("t,c\n0,20\nnoon,21\n20,hot\n30,900\n40,22\n");
    expect(room?.readings).toHaveLength(2);
    expect(problems.map(({ line }) => line)).toEqual([3, 4, 5]);
    expect(problems[2]!.message).toBe("900 is no temperature of a room.");
  });
  test("nothing in it is said", () => {
    expect(readLogger("time,temp\n")).toEqual({
      room: null,
      problems: [{ line: 1, message: "There is no reading in it." }],
    });
  });
});
