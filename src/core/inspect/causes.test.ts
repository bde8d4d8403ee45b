import fc from "fast-check";
import reference from "../reference/inspect.json";
import { causesOf, type Known } from "./causes";
import { EVIDENCE, FAULTS, presence, REPAIRS, type Fault } from "./fault-table";

type Case = {
  id: string;
  of: string;
  input: { fault: string; evidence: Record<string, number> };
  expected: {
    posterior: Record<string, number>;
    best: string;
    ask: string | null;
    bits: Record<string, number>;
  };
};
const cases = (reference.cases as unknown as Case[]).filter(({ of }) => of === "causes");
const faultOf = (id: string): Fault => {
  const fault = FAULTS.find((one) => one.id === id);
  if (!fault) throw new Error(`No fault ${id}`);
  return fault;
};
const shareOf = (fault: Fault, known: Known, cause: string) =>
  causesOf(fault, known).causes.find(({ id }) => id === cause)!.probability;

test.each(cases)(
  "$id: causes, what each question tells, and which is asked (reference, by brute force)",
  (one) => {
    const { causes, ask, bits } = causesOf(
      faultOf(one.input.fault),
      new Map(Object.entries(one.input.evidence)),
    );
    for (const [id, share] of Object.entries(one.expected.posterior))
      expect(causes.find((cause) => cause.id === id)!.probability).toBeCloseTo(share, 8);
    expect(causes.find(({ cause }) => cause !== null)!.id).toBe(one.expected.best);
    for (const [id, tell] of Object.entries(one.expected.bits ?? {}))
      expect(bits.get(id)).toBeCloseTo(tell, 8);
    expect(ask?.id ?? null).toBe(one.expected.ask ?? null);
  },
);

test("each fault's priors are shares of one, and all that it names is there", () => {
  expect(FAULTS).toHaveLength(25);
  for (const { causes, otherPrior } of FAULTS) {
    expect(causes.reduce((sum, { prior }) => sum + prior, otherPrior)).toBeCloseTo(1, 6);
    for (const { repair, evidence } of causes) {
      expect(REPAIRS[repair]).toBeDefined();
      for (const { id } of evidence) expect(EVIDENCE.has(id)).toBe(true);
    }
  }
});

test("what is measured counts from where it is surely absent to where it is surely there, up or down", () => {
  const cold = EVIDENCE.get("coldRoom")!;
  expect([20, 18, 16, 14, 10].map((tempC) => presence(cold, tempC))).toEqual([0, 0, 0.5, 1, 1]);
  expect(presence(EVIDENCE.get("lotOld")!, 1.3)).toBe(1);
  expect(() => presence(EVIDENCE.get("local")!, 1)).toThrow("not measured");
});

describe("whatever is known", () => {
  const known = fc.constantFrom(...FAULTS).chain((fault) => {
    const ids = [...new Set(fault.causes.flatMap(({ evidence }) => evidence.map(({ id }) => id)))];
    return fc.record({
      fault: fc.constant(fault),
      known: fc
        .array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(0, 0.25, 0.5, 1)), { maxLength: 8 })
        .map((list): Known => new Map(list)),
    });
  });
  test("shares sum to one, none is lost, and no cause moves further than all items together may", () => {
    fc.assert(
      fc.property(known, ({ fault, known }) => {
        const { causes } = causesOf(fault, known);
        expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 12);
        const other = causes.find(({ cause }) => cause === null)!.probability;
        for (const { cause, probability } of causes) {
          expect(probability).toBeGreaterThan(0);
          const odds = (probability / (cause?.prior ?? fault.otherPrior)) * (fault.otherPrior / other);
          expect(odds).toBeLessThanOrEqual(50 + 1e-9);
          expect(odds).toBeGreaterThanOrEqual(1 / 50 - 1e-9);
        }
      }),
    );
  });
  test("what is half known says nothing of a thing that is as often so as not, and unknown is as if it were not there", () => {
    const fault = faultOf("soft");
    expect(shareOf(fault, new Map([["local", 0.5]]), "unmixed")).toBeCloseTo(
      shareOf(fault, new Map(), "unmixed"),
      12,
    );
  });
  test("what speaks for a cause raises it, and is told", () => {
    const fault = faultOf("soft");
    const found = causesOf(fault, new Map([["ratioOff", 1]])).causes.find(({ id }) => id === "ratio")!;
    expect(found.probability).toBeGreaterThan(0.225);
    expect([found.speaksFor, found.speaksAgainst]).toEqual([["ratioOff"], []]);
    const against = causesOf(fault, new Map([["ratioOff", 0]])).causes.find(({ id }) => id === "ratio")!;
    expect(against.speaksAgainst).toEqual(["ratioOff"]);
  });
});
