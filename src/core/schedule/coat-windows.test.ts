import { exactly, type Spread } from "../numerics/spread";
import { isSure, type PassWindow } from "./coat-windows";
import { usualPass } from "./pass";

const window = (changes: Partial<PassWindow> = {}): PassWindow => ({
  pass: usualPass("d", "drip-scrape"),
  words: "Scrape the drips",
  from: { low: 20, likely: 30, high: 40 },
  to: { low: 90, likely: 110, high: 130 },
  atMin: 45,
  untilMin: 60,
  done: false,
  waitsFor: null,
  turns: [],
  turnOf: null,
  ...changes,
});
const late: Spread = exactly(55);

describe("a pass is planned where its window is surely open", () => {
  test("from the last minute at which it may open to the first at which it may close, within a minute", () => {
    expect(isSure(window())).toBe(true);
    expect(isSure(window({ atMin: 39 }))).toBe(true);
    expect(isSure(window({ atMin: 38.9 }))).toBe(false);
    expect(isSure(window({ untilMin: 91 }))).toBe(true);
    expect(isSure(window({ untilMin: 91.1 }))).toBe(false);
    expect(isSure(window({ to: late }))).toBe(false);
  });
  test("a window that does not close is sure once it is open", () => {
    expect(isSure(window({ to: null, untilMin: 9999 }))).toBe(true);
    expect(isSure(window({ to: null, atMin: 20 }))).toBe(false);
  });
  test("what is laid is laid runny: it is right from the first minute", () =>
    expect(isSure(window({ pass: usualPass("l", "lay"), atMin: 0 }))).toBe(true));
});
