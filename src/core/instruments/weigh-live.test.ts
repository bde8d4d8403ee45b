import { liveLine, steadyGrams, type Weighing } from "./weigh-live";

/** Ten readings a second of what is on the scale. */
const readings = (grams: readonly number[], stable: boolean | null = null): Weighing[] =>
  grams.map((one, n) => ({ grams: one, stable, atMs: 100 * n }));
const held = (grams: number, many: number) => Array.from({ length: many }, () => grams);

describe("at rest", () => {
  test("a scale that says so is believed after half a second, one that does not after more", () => {
    expect(steadyGrams(readings(held(201, 5), true), 0.1)).toBeNull();
    expect(steadyGrams(readings(held(201, 6), true), 0.1)).toBe(201);
    expect(steadyGrams(readings(held(201, 12)), 0.1)).toBeNull();
    expect(steadyGrams(readings(held(201, 13)), 0.1)).toBe(201);
  });
  test("a dribble, a lean on the bench and a scale that says that it moves keep it waiting", () => {
    const dribble = Array.from({ length: 40 }, (_, n) => 190 + 0.3 * n);
    expect(steadyGrams(readings(dribble), 0.1)).toBeNull();
    expect(steadyGrams(readings([...held(201, 20), 260, 201]), 0.1)).toBeNull();
    expect(steadyGrams(readings(held(201, 30), false), 0.1)).toBeNull();
  });
  test("noise of a step is rest", () => {
    const noise = Array.from({ length: 20 }, (_, n) => 201 + 0.1 * (n % 2));
    expect(steadyGrams(readings(noise), 0.1)).toBeCloseTo(201.1, 9);
  });
  test("nothing is no rest", () => expect(steadyGrams([], 0.1)).toBeNull());
});

describe("a line that is weighed", () => {
  const line = { baseG: 0, targetG: 201, toleranceG: 2, stepG: 0.1 };
  test("counts what came on since it began, in a vessel that holds what was weighed before", () => {
    expect(liveLine(readings(held(300, 2)), { ...line, baseG: 201 })).toEqual({
      kind: "pouring",
      grams: 99,
      toGoG: 102,
    });
  });
  test("is taken at rest within its tolerance, and above", () => {
    expect(liveLine(readings(held(199.2, 20)), line)).toEqual({ kind: "take", grams: 199.2 });
    expect(liveLine(readings(held(214, 20)), line)).toEqual({ kind: "take", grams: 214 });
  });
  test("is not taken short of it, nor while it still moves", () => {
    expect(liveLine(readings(held(198, 20)), line)).toMatchObject({ kind: "pouring", toGoG: 3 });
    expect(liveLine(readings([...held(180, 20), 201]), line)).toMatchObject({ kind: "pouring" });
  });
  test("a vessel that was tared counts from nothing; one that is lifted is no weighing", () => {
    expect(liveLine(readings(held(0, 20)), { ...line, baseG: 201 })).toEqual({ kind: "tared" });
    expect(liveLine(readings(held(-80, 20)), line)).toEqual({ kind: "lifted" });
    expect(liveLine(readings(held(120, 3)), { ...line, baseG: 201 })).toEqual({ kind: "lifted" });
  });
  test("an empty scale takes nothing, however small the line", () => {
    expect(liveLine(readings(held(0, 20)), { ...line, targetG: 0.3 })).toMatchObject({ kind: "pouring" });
    expect(liveLine([], line)).toBeNull();
  });
});
