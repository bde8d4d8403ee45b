import { starterCards } from "../cure/starter-cards";
import type { Room } from "../cure/room";
import { sampleJob } from "../job/sample-job";
import { usualPass } from "../schedule/pass";
import { adviceKey } from "../advice/advice";
import { derivePlan } from "./derive-plan";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const inRoom = (room: Room | undefined, humidityPct: number) =>
  derivePlan({ ...job, work: { ...job.work, tempC: 21, humidityPct, ...(room ? { room } : {}) } }, cards)
    .advice;
const sweats = (room: Room | undefined) => inRoom(room, 60).some(({ rule }) => rule === "dew-point");

describe("the coldest hour decides whether a surface sweats (60 % at 21 °C: dew point 13 °C, Magnus)", () => {
  test("a steady room does not", () => {
    expect(sweats(undefined)).toBe(false);
    expect(sweats({ kind: "constant", tempC: 21 })).toBe(false);
  });
  test("a night that goes down to 15 °C does, one that stays at 19 °C does not", () => {
    const day = (coldC: number): Room => ({ kind: "day", coldC, coldAtMin: 300, warmC: 24, warmAtMin: 900 });
    expect(sweats(day(15))).toBe(true);
    expect(sweats(day(19))).toBe(false);
  });
  test("one cold reading of a logger is enough, wherever it stands", () => {
    const read = (...tempsC: number[]): Room => ({
      kind: "logger",
      readings: tempsC.map((tempC, index) => [index * 60, tempC] as [number, number]),
    });
    expect(sweats(read(21, 14, 22))).toBe(true);
    expect(sweats(read(21, 20, 22))).toBe(false);
  });
});

test("advice that was set aside stands apart with its reason; what harms people cannot be", () => {
  const risky = structuredClone(job);
  const colour = risky.coats.find(({ kind }) => kind === "colour")!;
  colour.passes = [
    usualPass("p", "palm"),
    usualPass("a", "alcohol", { fromMin: 10 }),
    usualPass("f", "flame", { fromMin: 11 }),
  ];
  colour.filmMm = 0.5;
  const plain = derivePlan(risky, cards);
  const thin = plain.advice.find(({ rule }) => rule === "film-too-thin")!;
  const fire = plain.advice.find(({ rule }) => rule === "flame-after-vapour")!;
  const setAside = { [adviceKey(thin)]: "as the client wants it", [adviceKey(fire)]: "no" };
  const plan = derivePlan({ ...risky, setAside }, cards);
  expect(plan.setAside).toEqual([{ advice: thin, note: "as the client wants it" }]);
  expect(plan.advice.map(({ rule }) => rule)).toContain("flame-after-vapour");
  expect(plan.advice.map(({ rule }) => rule)).not.toContain("film-too-thin");
  expect(plan.advice.length + plan.setAside.length).toBe(plain.advice.length);
});
