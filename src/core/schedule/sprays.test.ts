import { usualPass } from "./pass";
import { spraysOf, USUAL_POWDER_G_PER_100_ML } from "./sprays";

const AREA_MM2 = 5e6;
const LANDS = { sprayOnPiece: 50 };

describe("what is sprayed", () => {
  test("what leaves the nozzle is what lands over its share, for each round", () => {
    const pass = usualPass("p", "fog", { tool: "spray-bottle", mlPerM2: 20, rounds: 2 });
    const [need] = spraysOf([pass], AREA_MM2, LANDS);
    expect(need!.ml.likely).toBeCloseTo((5 * 20 * 2) / 0.5, 9);
    expect(need!.ml.low).toBeLessThan(need!.ml.likely);
    expect(need!.ml.high).toBeGreaterThan(need!.ml.likely);
  });
  test("half of a can is propellant (from memory, no source); a bottle is full", () => {
    const of = (tool: "spray-can" | "spray-bottle", mlPerM2: number) =>
      spraysOf([usualPass("p", "fog", { tool, mlPerM2 })], AREA_MM2, { sprayOnPiece: 100 })[0]!;
    // 195 ml on the piece: one can of 400 ml holds 200 ml of paint.
    expect(of("spray-can", 39)).toMatchObject({ container: "can", containerMl: 400 });
    const [low, high] = [of("spray-can", 20), of("spray-can", 60)];
    expect(low.containers).toBe(Math.ceil(low.ml.high / 200));
    expect(high.containers).toBe(Math.ceil(high.ml.high / 200));
    expect(high.containers).toBeGreaterThan(low.containers);
    const bottle = of("spray-bottle", 60);
    expect(bottle.containers).toBe(Math.ceil(bottle.ml.high / 500));
  });
  test("powder is shaken in by the pass's own share, into flicked mica by the usual one, else none", () => {
    const powderOf = (kind: "fog" | "mica-alcohol", gPer100Ml?: number) => {
      const pass = usualPass("p", kind, {
        tool: "spray-bottle",
        mlPerM2: 10,
        ...(gPer100Ml ? { gPer100Ml } : {}),
      });
      const [need] = spraysOf([pass], AREA_MM2, LANDS);
      return need!.powderG && need!.powderG.likely / need!.ml.likely;
    };
    expect(powderOf("fog")).toBeNull();
    expect(powderOf("fog", 7)).toBeCloseTo(0.07, 9);
    expect(powderOf("mica-alcohol")).toBeCloseTo(USUAL_POWDER_G_PER_100_ML / 100, 9);
  });
  test("what is brushed or has no amount needs no can", () => {
    expect(spraysOf([usualPass("p", "fog", { tool: "brush" as never })], AREA_MM2, {})).toEqual([]);
    expect(spraysOf([usualPass("p", "fog", { mlPerM2: null })], AREA_MM2, {})).toEqual([]);
  });
});
