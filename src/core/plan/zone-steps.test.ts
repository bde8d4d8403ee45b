import { levellingExponent } from "../film/flow";
import { newPiece } from "../geometry/new-piece";
import type { Barrier, Zone } from "../geometry/zones/division";
import { emptyJob, newCoat } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { usualPass } from "../schedule/pass";
import { derivePlan } from "./derive-plan";
import { CARDS, newId } from "./testing/sample";
import { zoneSteps } from "./zone-steps";

const RESIN = CARDS[0]!.id;
const rest: Zone = { id: "rest", name: "Field" };
const piece = (leaf: Partial<Zone> = {}, barrier?: Barrier) => ({
  ...newPiece("rectangle", "Panel", newId),
  id: "panel",
  shape: { kind: "rectangle" as const, lengthMm: 1000, depthMm: 600 },
  division: {
    rest,
    dividers: [
      {
        id: "d",
        drawn: {
          kind: "shape" as const,
          shape: { kind: "round" as const, xMm: 500, yMm: 300, diameterMm: 240 },
        },
        zones: [{ id: "leaf", name: "Leaf", ...leaf }],
        ...(barrier && { barrier }),
      },
    ],
  },
});
const coat = (
  kind: Coat["kind"],
  name: string,
  filmMm: number,
  zones?: string[],
  more: Partial<Coat> = {},
): Coat => ({
  ...newCoat(kind, name, RESIN, newId),
  name,
  filmMm,
  coverShare: 1,
  ...(zones && { zonesByPiece: { panel: zones } }),
  ...more,
});
const planOf = (coats: Coat[], on = piece()) => derivePlan({ ...emptyJob(), pieces: [on], coats }, CARDS);
const stepsOf = (coats: Coat[], on = piece()) => {
  const plan = planOf(coats, on);
  return zoneSteps(plan.pieces, plan.coats, 21);
};
const ruleOf = (coats: Coat[], rule: string, on = piece()) =>
  planOf(coats, on).advice.filter((advice) => advice.rule === rule);

describe("heights of neighbouring zones, by hand: films and pools added up", () => {
  test("the same films on both: no step", () => {
    expect(stepsOf([coat("colour", "Leaf", 1.4, ["leaf"]), coat("colour", "Rest", 1.4, ["rest"])])).toEqual(
      [],
    );
  });
  test("1.4 mm in the leaf and 1 mm beside it: 0.4 mm under the clear, told of it", () => {
    const [step, ...others] = stepsOf([
      coat("colour", "Leaf", 1.4, ["leaf"]),
      coat("colour", "Rest", 1, ["rest"]),
      coat("clear", "Clear", 1.6),
    ]);
    expect(others).toEqual([]);
    expect(step).toMatchObject({ lowId: "rest", highId: "leaf", coat: "Clear", filmMm: 1.6 });
    expect(step!.stepMm).toBeCloseTo(0.4, 9);
  });
  test("a pool of 3 mm that nothing fills stays 3 mm lower; filled it is level, filled by two thirds 1 mm", () => {
    const pool = piece({ poolMm: 3 });
    const clear = coat("clear", "Clear", 1.6);
    expect(stepsOf([coat("colour", "All", 1), clear], pool)[0]).toMatchObject({ lowId: "leaf", stepMm: 3 });
    expect(stepsOf([coat("fill", "Fill", 1, ["leaf"]), clear], pool)).toEqual([]);
    const [step] = stepsOf([coat("fill", "Fill", 1, ["leaf"], { coverShare: 2 / 3 }), clear], pool);
    expect(step!.stepMm).toBeCloseTo(1, 9);
  });
  test("what is poured on one alone after the last coat over both is levelled by nothing", () => {
    const [step] = stepsOf([coat("clear", "Clear", 1.6), coat("colour", "Leaf", 0.5, ["leaf"])]);
    expect(step).toMatchObject({ coatId: null, coat: null, stepMm: 0.5 });
    expect(step!.leavesMm).toEqual({ low: 0.5, likely: 0.5, high: 0.5 });
  });
});

describe("what the clear leaves of a step", () => {
  const leaves = (filmMm: number, diameterMm = 240) => {
    const on = piece();
    on.division.dividers[0]!.drawn.shape.diameterMm = diameterMm;
    const [step] = stepsOf(
      [
        coat("colour", "Leaf", 1.2, ["leaf"]),
        coat("colour", "Rest", 1, ["rest"]),
        coat("clear", "Clear", filmMm),
      ],
      on,
    );
    return step!.leavesMm;
  };
  test("never more than there was, less under a thicker film and across a narrower zone, its spread in order", () => {
    const { low, likely, high } = leaves(1.6);
    expect(low).toBeLessThanOrEqual(likely);
    expect(likely).toBeLessThanOrEqual(high);
    expect(high).toBeLessThanOrEqual(0.2 + 1e-9);
    expect(leaves(3).likely).toBeLessThan(likely);
    expect(leaves(1.6, 20).likely).toBeLessThan(likely);
  });
  test("a wave twice as long as the zone is wide falls by Orchard's exponent (Orchard 1962, in film/flow)", () => {
    // For one flow the ratio of two films' logarithms is that of their exponents, whatever the resin.
    const fall = (filmMm: number) => -Math.log(leaves(filmMm).likely / 0.2);
    const wanted = levellingExponent(480, 2, 1) / levellingExponent(480, 1, 1);
    expect(fall(2) / fall(1)).toBeCloseTo(wanted, 2);
  });
});

describe("advice on it (common practice, no source)", () => {
  const leaf = coat("colour", "Leaf", 1.4, ["leaf"], { passes: [usualPass("t", "tape-pull")] });
  const field = coat("colour", "Field", 1.4, ["rest"]);
  const clear = coat("clear", "Clear", 1.6);
  test("a step that the clear cannot take up wants filling or sanding; one coat over both alike says nothing", () => {
    const [told] = ruleOf([clear], "zones-apart", piece({ poolMm: 3 }));
    expect(told?.what).toContain("Field lies");
    expect(told?.soWhat).toMatch(/fill Leaf first, or sand it flush/);
    expect(ruleOf([coat("colour", "All", 1), clear], "zones-apart")).toEqual([]);
  });
  test("what was finished on the day before is masked, with or without tape on its border", () => {
    const [bare] = ruleOf([leaf, field, clear], "finished-beside");
    expect(bare).toMatchObject({ coatId: field.id });
    expect(bare?.soWhat).toContain("Leaf has no barrier");
    const [taped] = ruleOf([leaf, field, clear], "finished-beside", piece({}, { kind: "tape", widthMm: 25 }));
    expect(taped?.soWhat).not.toContain("no barrier");
    expect(ruleOf([field, clear], "finished-beside")).toEqual([]);
  });
  test("where it is sprayed beside it all of it is covered", () => {
    const sprayed = { ...field, passes: [usualPass("a", "alcohol", { fromMin: 20 })] };
    expect(ruleOf([leaf, sprayed], "finished-beside")[0]?.soWhat).toMatch(/drift/);
    expect(ruleOf([leaf, field], "finished-beside")[0]?.soWhat).not.toMatch(/drift/);
  });
});
