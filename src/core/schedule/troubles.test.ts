import { exactly } from "../numerics/spread";
import { usualPass } from "./pass";
import type { CoatWindows, PassWindow } from "./coat-windows";
import { USUAL_HOURS } from "./hours";
import { passTroubles } from "./troubles";

const TEN = 10 * 60;
const window = (changes: Partial<PassWindow>): PassWindow => ({
  pass: usualPass("p", "veins"),
  words: "Veins",
  from: exactly(TEN - 30),
  to: { low: TEN + 20, likely: TEN + 40, high: TEN + 60 },
  atMin: TEN,
  untilMin: TEN + 5,
  done: false,
  waitsFor: null,
  turns: [],
  turnOf: null,
  ...changes,
});
const told = (changes: Partial<PassWindow>) =>
  passTroubles(
    { coatId: "c", windows: [window(changes)] } as Partial<CoatWindows> as CoatWindows,
    USUAL_HOURS,
  ).map(({ kind }) => kind);

test("in its window nothing is told; near its unsure end it may be late, past the likely end it is", () => {
  expect(told({})).toEqual([]);
  expect(told({ untilMin: TEN + 30 })).toEqual(["may be late"]);
  expect(told({ untilMin: TEN + 50 })).toEqual(["late"]);
  expect(told({ to: null, untilMin: TEN + 50 })).toEqual([]);
});

test("what was done is over, whenever that was; what never comes is told", () => {
  expect(told({ done: true, untilMin: TEN + 50 })).toEqual([]);
  expect(told({ atMin: Infinity, untilMin: Infinity })).toEqual(["never"]);
});

test("late for want of hands is told as that, and only where it is late", () => {
  expect(told({ waitsFor: "Oak table", untilMin: TEN + 50 })).toEqual(["hands"]);
  expect(told({ waitsFor: "Oak table" })).toEqual([]);
});

test("hands after hours are told, a turner by itself is not", () => {
  const late = USUAL_HOURS.closeMin + 30;
  const evening = { atMin: late, untilMin: late + 5, to: null };
  expect(told(evening)).toEqual(["after hours"]);
  expect(told({ ...evening, pass: usualPass("p", "turn") })).toEqual([]);
});
