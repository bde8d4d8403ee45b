import { timeAxis } from "./time-axis";

const axis = (changes: Partial<Parameters<typeof timeAxis>[0]> = {}) =>
  timeAxis({ fromMin: 500, untilMin: 1100, leftPx: 100, rightPx: 700, ...changes });

test("minutes lie evenly between its ends, and what lies outside is at an end", () => {
  const { x, minutesIn, pixelsPerMin } = axis();
  expect([x(500), x(800), x(1100)]).toEqual([100, 400, 700]);
  expect([x(0), x(5000)]).toEqual([100, 700]);
  expect([pixelsPerMin, minutesIn(60)]).toEqual([1, 60]);
});
test("lines are at whole hours within it, as close as their figures allow", () => {
  const { ticks } = axis();
  expect(ticks(60)).toEqual([540, 600, 660, 720, 780, 840, 900, 960, 1020, 1080]);
  expect(ticks(61)).toEqual([600, 720, 840, 960, 1080]);
  expect(ticks(9999)).toEqual([720]);
  expect(ticks(200, [60, 240])).toEqual([720, 960]);
});
test("without room it is still an axis", () => {
  const { x, ticks } = axis({ rightPx: 0 });
  expect(x(800)).toBeGreaterThan(100);
  expect(ticks(50)).toEqual([720]);
});
