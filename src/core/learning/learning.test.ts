import fc from "fast-check";
import reference from "../reference/learning.json";
import { learn, USUAL, type Factor, type LearnBy, type Reading } from "./fit";
import {
  changed,
  chanceOfShort,
  needOf,
  proposal,
  score,
  sdOfEnds,
  readingOfUse,
  weighNext,
} from "./predict";

type Case = { id: string; of: string; input: never; expected: never; tolerance: Record<string, number> };
const all = reference.cases as unknown as Case[];
const of = <Input, Expected>(kind: string) =>
  all
    .filter((one) => one.of === kind)
    .map((one) => ({ id: one.id, input: one.input as Input, expected: one.expected as Expected }));

type PosteriorInput = { params: Factor[]; observations: Reading[] } & LearnBy;
const posteriors = of<
  PosteriorInput,
  {
    mean: Record<string, number>;
    sd: Record<string, number>;
    scale2: Record<string, number>;
    weights: number[];
  }
>("posterior");
const learntOf = (id: string) => {
  const { params, observations, ...by } = posteriors.find((one) => one.id === id)!.input;
  return learn(params, observations, by);
};

test.each(posteriors)(
  "$id: corrections, their doubt, scales and weights (reference)",
  ({ input, expected }) => {
    const { params, observations, ...by } = input;
    const { ids, mean, cov, scale2, weights } = learn(params, observations, by);
    ids.forEach((id, at) => {
      expect(Math.abs(mean[at]! - expected.mean[id]!)).toBeLessThan(2e-5);
      expect(Math.abs(Math.sqrt(cov[at]![at]!) - expected.sd[id]!)).toBeLessThan(2e-5);
    });
    for (const [kind, value] of Object.entries(expected.scale2))
      expect(Math.abs((scale2.get(kind) ?? 1) - value)).toBeLessThan(2e-5);
    weights.forEach((weight, at) => expect(Math.abs(weight - expected.weights[at]!)).toBeLessThan(5e-5));
  },
);

test.each(
  of<
    {
      ids: string[];
      mean: number[];
      cov: number[][];
      const: number;
      terms: [];
      sigma: number;
      scale2: number;
    },
    { mean: number; sdOfNeed: number; half80: number }
  >("predictSum"),
)("$id: what a pour will need (reference)", ({ input, expected }) => {
  const need = needOf(input, input.terms, input.sigma, input.scale2, input.const);
  for (const key of ["mean", "sdOfNeed", "half80"] as const)
    expect(need[key] / expected[key]).toBeCloseTo(1, 6);
});
test.each(of<{ y: number; mean: number; sd: number }, { crps: number; logScore: number }>("score"))(
  "$id (reference)",
  ({ input: { y, mean, sd }, expected }) => {
    const told = score(y, mean, sd);
    expect(told.crps / expected.crps).toBeCloseTo(1, 8);
    expect(told.logScore / expected.logScore).toBeCloseTo(1, 8);
  },
);
test.each(of<{ low: number; high: number }, { sd: number }>("spreadSd"))(
  "$id (reference)",
  ({ input, expected }) => {
    expect(sdOfEnds(input.low, input.high)).toBeCloseTo(expected.sd, 9);
  },
);
test.each(of<Parameters<typeof proposal>[0], { propose: boolean; why: string | null }>("propose"))(
  "$id (reference)",
  ({ input, expected }) => {
    expect(proposal(input)).toBe(expected.why);
    expect(proposal(input) === null).toBe(expected.propose);
  },
);
test.each(of<Parameters<typeof readingOfUse>[0], { y: number; sigma: number } | null>("useReading"))(
  "$id: what the log says of what was used (reference)",
  ({ input, expected }) => {
    const told = readingOfUse(input);
    if (expected === null) return expect(told).toBeNull();
    expect(told!.y).toBeCloseTo(expected.y, 7);
    expect(told!.sigma).toBeCloseTo(expected.sigma, 7);
  },
);
test.each(
  of<
    { posteriorOf: string; lossTerms: []; sigma: number; candidates: string[] },
    { sdNowMl: number; sdThenMl: Record<string, number>; best: string }
  >("weighNext"),
)("$id: which loss to weigh (reference)", ({ input, expected }) => {
  const told = weighNext(learntOf(input.posteriorOf), input.lossTerms, input.sigma, input.candidates);
  expect(Math.abs(told.sdNowMl / expected.sdNowMl - 1)).toBeLessThan(1e-4);
  for (const [id, sd] of Object.entries(expected.sdThenMl))
    expect(Math.abs(told.sdThenMl.get(id)! / sd - 1)).toBeLessThan(1e-4);
  expect(told.best).toBe(expected.best);
});
test.each(
  of<{ misses: number[]; readings: number; sinceLast: number }, { score: number; ask: boolean }>("changed"),
)("$id (reference)", ({ input: { misses, readings, sinceLast }, expected }) => {
  const told = changed(misses, readings, sinceLast);
  expect(told.score).toBeCloseTo(expected.score, 9);
  expect(told.ask).toBe(expected.ask);
});

describe("whatever is read", () => {
  const factors: Factor[] = [
    { id: "lam", sd: 0.2 },
    { id: "cup", sd: 0.22 },
    { id: "film", sd: 0.06 },
  ];
  const use = fc.record({
    film: fc.double({ min: 300, max: 4000, noNaN: true }),
    cup: fc.double({ min: 5, max: 200, noNaN: true }),
    off: fc.double({ min: 0.8, max: 1.3, noNaN: true }),
    age: fc.integer({ min: 0, max: 40 }),
  });
  type Use = { film: number; cup: number; off: number; age: number };
  const reading = ({ film, cup, off, age }: Use, perMl = 1): Reading => ({
    type: "sum",
    kind: "use",
    terms: [
      { ml: film * perMl, coefs: { film: 1 } },
      { ml: cup * perMl, coefs: { lam: 1, cup: 1 } },
    ],
    y: (film + cup) * off * perMl,
    sigma: 0.04 * (film + cup) * perMl,
    age,
  });
  const near = (a: readonly number[], b: readonly number[]) =>
    a.forEach((value, at) => expect(Math.abs(value - b[at]!)).toBeLessThan(1e-6));

  test("the order does not matter, nor the unit, nor the same sent twice; and doubt only falls", () => {
    fc.assert(
      fc.property(fc.array(use, { minLength: 1, maxLength: 6 }), (uses) => {
        const readings = uses.map((one, at) => ({ ...reading(one), id: `r${at}` }));
        const { mean, cov } = learn(factors, readings);
        near(learn(factors, [...readings].reverse()).mean, mean);
        near(learn(factors, [...readings, ...readings]).mean, mean);
        near(
          learn(
            factors,
            uses.map((one) => reading(one, 1 / 29.5735)),
          ).mean,
          mean,
        );
        cov.forEach((row, at) => expect(row[at]!).toBeLessThanOrEqual(factors[at]!.sd ** 2 + 1e-12));
      }),
      { numRuns: 40 },
    );
  });
  test("as planned moves nothing; no pours, and the forecast is that of the usual values", () => {
    const none = learn(factors, []);
    expect(none.mean).toEqual([0, 0, 0]);
    near(learn(factors, [reading({ film: 1500, cup: 80, off: 1, age: 0 })]).mean, [0, 0, 0]);
    const terms = [{ ml: 1000, coefs: { film: 1 } }];
    expect(needOf(none, terms, 50, 1).mean).toBeCloseTo(1000 * Math.exp(0.06 ** 2 / 2), 9);
  });
  test("the larger an error the less it counts: a spill moves the rest hardly", () => {
    const usual = Array.from({ length: 6 }, (_, age) => reading({ film: 1500, cup: 80, off: 1.02, age }));
    const weightOf = (off: number) =>
      learn(factors, [...usual, reading({ film: 1500, cup: 80, off, age: 0 })]).weights.at(-1)!;
    expect(weightOf(1.2)).toBeGreaterThan(weightOf(1.5));
    expect(weightOf(1.5)).toBeGreaterThan(weightOf(3));
    expect(weightOf(10)).toBeLessThan(0.01);
  });
  test("a mix that is what is needed is short as often as not; a larger one less", () => {
    const need = { mean: 1000, sdOfNeed: 40, half80: 60 };
    expect(chanceOfShort(need, 1000)).toBeCloseTo(0.5, 12);
    expect(chanceOfShort(need, 1060)).toBeCloseTo(0.1, 6);
    expect(USUAL.nu).toBe(4);
  });
});
