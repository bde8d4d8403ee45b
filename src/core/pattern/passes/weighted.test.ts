import type { SoftPlace } from "../../geometry/weights";
import { evaluate } from "../engine/evaluate";
import { compile } from "./compile";
import type { Rehearsal } from "./rehearsal";
import type { PourStyle } from "./work";

const LEFT: SoftPlace = { kind: "more", xMm: 450, yMm: 350, reachMm: 400 };
const NOT_LEFT: SoftPlace = { kind: "none", xMm: 450, yMm: 350, reachMm: 400 };
const FADE: SoftPlace = { kind: "fade", xMm: 600, yMm: 350, reachMm: 900, angleDeg: 0 };

const rehearsal = (pour: PourStyle, seed: number, soft?: SoftPlace, ground?: SoftPlace): Rehearsal => ({
  box: { minX: 0, minY: 0, maxX: 2000, maxY: 700 },
  topMm: { wide: 2000, high: 700 },
  aroundMm: null,
  base: 0,
  angle: 0.2,
  seed,
  coats: [
    {
      id: "c",
      vein: false,
      filmMm: 2,
      veins: null,
      colours: [
        { at: 1, share: 0.6, hides: 1, ...(ground && { soft: [ground] }) },
        { at: 2, share: 0.25, hides: 1, ...(soft && { soft: [soft] }) },
        { at: 3, share: 0.15, hides: 1 },
      ],
      passes: [
        {
          id: "lay",
          kind: "lay",
          tool: "hand",
          rounds: 1,
          mlPerM2: null,
          flowLeft: 1,
          paint: null,
          work: { pour },
        },
      ],
    },
  ],
});

/** Share of a colour on the left half, on the right half, and over all, the mean of a few sisters. */
function halves(pour: PourStyle, at: number, soft?: SoftPlace, ground?: SoftPlace) {
  const sheet = { widthPx: 100, heightPx: 35, pixelMm: 20, fromX: 0, fromY: 0, base: 0, colours: 4 };
  const sums = [0, 0];
  const seeds = [1, 2, 3, 4, 5, 6];
  for (const seed of seeds) {
    const { weight } = evaluate(compile(rehearsal(pour, seed, soft, ground)).ops, sheet);
    for (let n = 0; n < 3500; n += 1) {
      const half = n % 100 < 50 ? 0 : 1;
      sums[half] = (sums[half] ?? 0) + (weight[at * 3500 + n] ?? NaN) / (1750 * seeds.length);
    }
  }
  const [left = NaN, right = NaN] = sums;
  return { left, right, whole: (left + right) / 2 };
}

const STYLES: readonly PourStyle[] = ["puddles", "bands", "spots", "nests", "clouds"];

describe.each(STYLES)("weights of a colour that is poured as %s", (pour) => {
  const evenly = halves(pour, 2);
  // Sisters are not even of themselves: halves are told against those without a weight.
  const usual = evenly.left / evenly.right;
  test("more on the left: there is more of it there than on the right", () => {
    const { left, right } = halves(pour, 2, LEFT);
    expect(left / right).toBeGreaterThan(1.25 * usual);
    expect(left).toBeGreaterThan(evenly.left);
  });
  test("none on the left: there is less of it there, and more on the right", () => {
    const { left, right } = halves(pour, 2, NOT_LEFT);
    expect(right).toBeGreaterThan(1.35 * left);
  });
  test("faded to the right, and the other way round when the ground fades", () => {
    const { left, right } = halves(pour, 2, FADE);
    expect(left).toBeGreaterThan(1.35 * right);
    const grounded = halves(pour, 2, undefined, FADE);
    expect(grounded.right).toBeGreaterThan(1.2 * grounded.left);
  });
  test("the share of the whole stays what it is, to a quarter of it", () => {
    for (const soft of [LEFT, NOT_LEFT, FADE])
      expect(Math.abs(halves(pour, 2, soft).whole - evenly.whole)).toBeLessThan(0.25 * evenly.whole);
  });
});

test("fields follow each other by where their colours shall be", () => {
  const right: SoftPlace = { ...LEFT, xMm: 1700 };
  expect(halves("fields", 1).left).toBeGreaterThan(halves("fields", 1).right);
  const turned = halves("fields", 1, LEFT, right);
  expect(turned.right).toBeGreaterThan(turned.left);
});
