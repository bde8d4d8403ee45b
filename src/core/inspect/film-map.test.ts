import fc from "fast-check";
import reference from "../reference/inspect.json";
import { siteMoments } from "./comb-site";
import { USUAL_SCALE, type Cells, type CombReading } from "./film-kernel";
import { filmMap } from "./film-map";
import { logEvidence, scaleOf } from "./film-scale";
import { deficitUm, topUp } from "./top-up";

type Case = { id: string; of: string; input: never; expected: never };
const of = <Input, Expected>(kind: string) =>
  (reference.cases as unknown as Case[])
    .filter((one) => one.of === kind)
    .map((one) => ({ id: one.id, input: one.input as Input, expected: one.expected as Expected }));
const near = (told: number, wanted: number, rel: number, abs = 0) =>
  expect(Math.abs(told - wanted)).toBeLessThanOrEqual(rel * Math.abs(wanted) + abs);

/** A plate in cells, the first row at its back. */
function plate(nx: number, ny: number, sideMm: number): Cells {
  const [wide, high] = [nx * sideMm, ny * sideMm];
  const edgeMm = (x: number, y: number) => Math.min(x, wide - x, y, high - y);
  return {
    sideMm,
    places: Array.from({ length: nx * ny }, (_, n) => {
      const [column, row] = [n % nx, Math.floor(n / nx)];
      const [x, y] = [(column + 0.5) * sideMm, (row + 0.5) * sideMm];
      return { x, y, edgeMm: edgeMm(x, y), column, row };
    }),
  };
}
type Typed = { x: number; y: number; lo: number | null; hi: number | null };
type Plate = { nx: number; ny: number; cellMm: number; meanUm: number; readings: Typed[] };
const placed = ({ nx, ny, cellMm, readings }: Plate): CombReading[] =>
  readings.map((reading) => ({
    ...reading,
    edgeMm: Math.min(reading.x, nx * cellMm - reading.x, reading.y, ny * cellMm - reading.y),
  }));
const stepOf = (readings: readonly Typed[]) => {
  const finite = readings.flatMap(({ lo, hi }) => (lo !== null && hi !== null ? [hi - lo] : []));
  return finite.length > 0 ? Math.min(...finite) : 50;
};

type Moments = { probability: number; mean: number; variance: number };
test.each(
  of<{ mean: number; variance: number; lo: number | null; hi: number | null; nugget: number }, Moments>(
    "site",
  ),
)("$id: a comb's step (reference, by quadrature)", ({ input, expected }) => {
  const told = siteMoments(input.mean, input.variance, input.lo, input.hi, input.nugget);
  for (const key of ["probability", "mean", "variance"] as const) near(told[key], expected[key], 2e-5, 1e-8);
});
test.each(of<{ meanUm: number; sdUm: number; minUm: number }, { um: number }>("deficit"))(
  "$id (reference, by quadrature)",
  ({ input, expected }) => near(deficitUm(input.meanUm, input.sdUm, input.minUm), expected.um, 1e-6, 1e-9),
);
test.each(
  of<{ meanUm: number[]; covUm2: number[][]; minUm: number; cellMm2: number }, { ml: number; sdMl: number }>(
    "topUp",
  ),
)("$id: what brings it up (reference, by quadrature)", ({ input, expected }) => {
  const told = topUp(input.meanUm, input.covUm2, input.minUm, input.cellMm2);
  near(told.ml, expected.ml, 1e-6);
  near(told.sdMl, expected.sdMl, 0.05);
});

type MapInput = Plate & {
  volumeMl: number | null;
  volumeSdMl: number | null;
  sfRel: number;
  ellRel: number;
  minUm: number;
};
type MapExpected = {
  cells: number[];
  meanUm: number[];
  sdUm: number[];
  meanOfAllUm?: number;
  belowMl?: number;
  areaBelowShare?: number;
  nextCell?: number;
};
const mapOf = (input: MapInput) =>
  filmMap({
    cells: plate(input.nx, input.ny, input.cellMm),
    meanUm: input.meanUm,
    readings: placed(input),
    volume: input.volumeMl === null ? null : { ml: input.volumeMl, sdMl: input.volumeSdMl ?? 0 },
    scale: { sf: input.sfRel, ell: input.ellRel },
    minUm: input.minUm,
    stepUm: stepOf(input.readings),
  });
test.each(of<MapInput, MapExpected>("filmMap"))(
  "$id: a film map (reference, by sequential message passing)",
  ({ input, expected }) => {
    const map = mapOf(input);
    expected.cells.forEach((cell, at) => {
      near(map.meanUm[cell]!, expected.meanUm[at]!, 2e-4, 0.02);
      near(map.sdUm[cell]!, expected.sdUm[at]!, 2e-4, 0.02);
    });
    if (expected.meanOfAllUm !== undefined) near(map.meanOfAllUm, expected.meanOfAllUm, 2e-4, 0.02);
    if (expected.belowMl !== undefined) near(map.belowMl, expected.belowMl, 2e-4, 0.02);
    if (expected.areaBelowShare !== undefined) near(map.areaBelowShare, expected.areaBelowShare, 2e-4, 0.02);
    if (expected.nextCell !== undefined) expect(map.nextCell).toBe(expected.nextCell);
  },
);
test.each(of<Plate, { logEvidencePlusPrior: Record<string, number>; best: string }>("filmScale"))(
  "$id: how the film varies (reference)",
  ({ input, expected }) => {
    const cells = plate(input.nx, input.ny, input.cellMm);
    for (const [key, log] of Object.entries(expected.logEvidencePlusPrior)) {
      const [sf = 0, ell = 0] = key.split("/").map(Number);
      expect(logEvidence(cells, input.meanUm, placed(input), { sf, ell })).toBeCloseTo(log, 6);
    }
    const { sf, ell } = scaleOf(cells, input.meanUm, placed(input));
    expect(`${sf}/${ell}`).toBe(expected.best);
  },
);

describe("whatever is read", () => {
  const read = fc.record({
    x: fc.integer({ min: 20, max: 480 }),
    y: fc.integer({ min: 20, max: 280 }),
    step: fc.integer({ min: 12, max: 24 }),
  });
  const base = { nx: 10, ny: 6, cellMm: 50, meanUm: 900, sfRel: 0.15, ellRel: 0.25, minUm: 765 };
  const typed = (list: readonly { x: number; y: number; step: number }[], mirrored = false): Typed[] =>
    list.map(({ x, y, step }) => ({ x: mirrored ? 500 - x : x, y, lo: 50 * step, hi: 50 * (step + 1) }));
  test("a mirrored piece has the mirrored map", () => {
    fc.assert(
      fc.property(fc.array(read, { minLength: 1, maxLength: 6 }), (list) => {
        const one = mapOf({ ...base, readings: typed(list), volumeMl: 130, volumeSdMl: 7 });
        const other = mapOf({ ...base, readings: typed(list, true), volumeMl: 130, volumeSdMl: 7 });
        for (let row = 0; row < 6; row += 1)
          for (let column = 0; column < 10; column += 1)
            near(one.meanUm[row * 10 + column]!, other.meanUm[row * 10 + 9 - column]!, 1e-6);
      }),
      { numRuns: 25 },
    );
  });
  test("a sure volume fixes the mean; more of it raises the map; what lies below rises with the smallest film", () => {
    fc.assert(
      fc.property(fc.array(read, { maxLength: 5 }), fc.integer({ min: 110, max: 160 }), (list, ml) => {
        const map = (volumeMl: number, minUm = 765) =>
          mapOf({ ...base, minUm, readings: typed(list), volumeMl, volumeSdMl: 0.01 });
        near(map(ml).meanOfAllUm, (ml * 1e6) / 150_000, 1e-3);
        expect(map(ml + 5).meanOfAllUm).toBeGreaterThan(map(ml).meanOfAllUm);
        const [less, more] = [map(ml, 700).belowMl, map(ml, 800).belowMl];
        expect(less).toBeGreaterThanOrEqual(0);
        expect(more).toBeGreaterThanOrEqual(less);
      }),
      { numRuns: 25 },
    );
  });
  test("a reading lessens the doubt where it was taken; without any there is what was planned", () => {
    const none = mapOf({ ...base, readings: [], volumeMl: null, volumeSdMl: null });
    expect([...none.meanUm]).toEqual(Array.from({ length: 60 }, () => 900));
    const one = mapOf({
      ...base,
      readings: typed([{ x: 225, y: 125, step: 18 }]),
      volumeMl: null,
      volumeSdMl: null,
    });
    expect(one.sdUm[24]!).toBeLessThan(0.6 * none.sdUm[24]!);
    expect(scaleOf(plate(10, 6, 50), 900, [])).toEqual(USUAL_SCALE);
  });
});

test("so far out that no share is left, the film lies at the step's near end, without a jump (Mills' ratio)", () => {
  for (const t of [12, 20, 30, 35, 35.7, 35.8, 36, 40, 80, 1000])
    for (const side of [1, -1]) {
      const [lo, hi] = side > 0 ? [t, null] : [null, -t];
      const { mean, variance } = siteMoments(0, 1, lo, hi, 0);
      expect((side * mean - t) * t).toBeCloseTo(1 - 2 / t ** 2, 3);
      expect(variance * t * t).toBeGreaterThan(0.9);
      expect(variance * t * t).toBeLessThan(1.05);
    }
});
