import { evaluate } from "../engine/evaluate";
import type { Sheet } from "../engine/sheet";
import { onTop } from "../engine/measures";
import { growVeins, USUAL_MANNER, veinOps, veinWays, type Vein } from "./vein";

const box = { minX: 0, minY: 0, maxX: 1600, maxY: 600 };
const straight: Vein = {
  seed: 4,
  thickMm: 8,
  points: [
    { x: -100, y: 300 },
    { x: 700, y: 280 },
    { x: 1700, y: 320 },
  ],
};

test("a vein goes through its points, with branches that begin on it and hairs that are thin", () => {
  const ways = veinWays(straight, USUAL_MANNER);
  const [main] = ways;
  for (const point of straight.points)
    expect(Math.min(...main!.points.map(({ x, y }) => Math.hypot(x - point.x, y - point.y)))).toBeLessThan(
      4.5,
    );
  const branches = ways.filter(({ kind }) => kind === "branch");
  expect(branches.length).toBeGreaterThan(0);
  for (const { points } of branches)
    expect(
      Math.min(...main!.points.map(({ x, y }) => Math.hypot(x - points[0]!.x, y - points[0]!.y))),
    ).toBeLessThan(1e-6);
  for (const { points } of ways.filter(({ kind }) => kind === "hair"))
    for (const { halfMm } of points) expect(2 * halfMm).toBeLessThan(1.5);
});

test("the same seed draws the same vein; without wander it stays by its points, with all of it further off", () => {
  expect(veinWays(straight, USUAL_MANNER)).toEqual(veinWays(straight, USUAL_MANNER));
  const off = (wander: number) => {
    const [main] = veinWays(
      { ...straight, points: [straight.points[0]!, straight.points[2]!] },
      { ...USUAL_MANNER, wander },
    );
    return Math.max(...main!.points.map(({ x, y }) => Math.abs(y - 300 - ((x + 100) / 1800) * 20)));
  };
  expect(off(0)).toBeLessThan(off(1));
});

test("thick and thin: more contrast makes the thick parts thicker and the thin ones thinner", () => {
  const widths = (contrast: number) => {
    const [main] = veinWays(straight, { ...USUAL_MANNER, contrast });
    const own = main!.points.slice(30, -40).map(({ halfMm }) => 2 * halfMm);
    return { least: Math.min(...own), most: Math.max(...own) };
  };
  expect(widths(1).most).toBeGreaterThan(widths(0.2).most);
  expect(widths(1).least).toBeLessThan(widths(0.2).least);
});

test("veins of a set: about the metres asked for, about their direction", () => {
  const grown = (metresPerM2: number) =>
    growVeins(box, { angle: 0.5, metresPerM2, thickMm: 6, manner: USUAL_MANNER, seed: 3 });
  const metres = (veins: Vein[]) =>
    veins.reduce(
      (sum, { points }) =>
        sum +
        points.slice(1).reduce((own, at, n) => own + Math.hypot(at.x - points[n]!.x, at.y - points[n]!.y), 0),
      0,
    ) / 1000;
  expect(metres(grown(8))).toBeGreaterThan(1.5 * metres(grown(3)));
  for (const { points } of grown(8)) {
    const [from, to] = [points[0]!, points.at(-1)!];
    const turn = Math.atan2(to.y - from.y, to.x - from.x) - 0.5;
    expect(Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)))).toBeLessThan(0.8);
  }
});

test("laid early it is wider than laid late (common practice, no source)", () => {
  const sheet: Sheet = {
    widthPx: 400,
    heightPx: 150,
    pixelMm: 4,
    fromX: 0,
    fromY: 0,
    base: 0,
    colours: 2,
  };
  const share = (wider: number) =>
    onTop(evaluate(veinOps(straight, { ...USUAL_MANNER, hazeMm: 0 }, 1, { wider }), sheet))[1]!;
  expect(share(1.8)).toBeGreaterThan(1.3 * share(1));
});
