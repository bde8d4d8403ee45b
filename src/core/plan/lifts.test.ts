import { starterCards } from "../cure/starter-cards";
import { boardWidthMm } from "../geometry/board";
import { newPiece } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import { inLifts } from "../job/builds";
import { emptyJob, newCoat, withPiece, workedOn } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { derivePlan } from "./derive-plan";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
/** Cast deep: the one that is made for depth. */
const deep = cards.reduce((a, b) => ((b.thickestFilmMm ?? 0) > (a.thickestFilmMm ?? 0) ? b : a));
const cooled = { card: deep, afterMin: 600 };
const channel = newPiece("river", "River", newId);
const withShape = (sizes: { depthMm?: number; boardMm?: number }): Piece => ({
  ...channel,
  shape: { ...channel.shape, ...sizes } as Piece["shape"],
});
const river = withShape({ depthMm: 40 });
const fill = workedOn(newCoat("fill", "Fill", deep.id, newId), [river], newId);
const planOf = (coats: Coat[]) => derivePlan({ ...withPiece(emptyJob(), river), coats }, cards, []);
const poured = (coats: Coat[]) =>
  planOf(coats).coats.reduce((sum, { batched }) => sum + (batched?.onTopMl.likely ?? 0), 0);
const kinds = ({ passes }: Coat) => passes.map(({ kind }) => kind);

test("lifts hold together what the whole fill holds, each as deep as the others", () => {
  const lifts = inLifts(fill, 3, cooled, newId);
  expect(poured(lifts) / poured([fill])).toBeCloseTo(1, 6);
  const depths = planOf(lifts).coats.map(({ pourDepthMm }) => pourDepthMm ?? 0);
  for (const depth of depths) expect(depth).toBeCloseTo((planOf([fill]).coats[0]!.pourDepthMm ?? 0) / 3, 6);
  expect(
    new Set(
      lifts.flatMap(({ id, passes, colours }) => [
        id,
        ...passes.map((p) => p.id),
        ...colours.map((c) => c.id),
      ]),
    ).size,
  ).toBe(lifts.reduce((sum, { passes, colours }) => sum + 1 + passes.length + colours.length, 0));
});

test("taping is done once before the first, fan, planer, grits and oil after the last", () => {
  const [first, middle, last] = inLifts(fill, 3, cooled, newId).map(kinds);
  expect(first).toContain("tape");
  expect(middle).not.toContain("tape");
  expect(last).toEqual(expect.arrayContaining(["demould", "plane", "grits", "oil"]));
  expect(middle).not.toContain("plane");
  expect(first).not.toContain("oil");
  for (const lift of [first, middle, last]) expect(lift).toContain("lay");
});

test("a gelled lift waits as long as it is told; two wet halves react as one", () => {
  const gelled = planOf(inLifts(fill, 2, cooled, newId));
  const mixes = gelled.coats.map(({ windows }) => windows!.batches[0]!.mixAtMin);
  const lastOfFirst = gelled.coats[0]!.windows!.batches.at(-1)!.mixAtMin;
  expect(mixes[1]! - lastOfFirst).toBeGreaterThanOrEqual(600);
  expect(gelled.coats[1]!.reactingMm).toBeCloseTo(gelled.coats[1]!.pourDepthMm ?? 0, 6);
  const wet = planOf(inLifts(fill, 2, "wet", newId));
  const whole = planOf([fill]).coats[0]!.pourDepthMm ?? 0;
  expect(wet.coats[1]!.reactingMm).toBeCloseTo(whole, 6);
});

test("veins laid into a wet film add nothing to its depth; a second film does", () => {
  const counter = newPiece("straight", "Counter", newId);
  const thin = { ...newCoat("colour", "Colour", cards[0]!.id, newId), filmMm: 1 };
  const on = (kind: "vein" | "colour", filmMm: number): Coat => ({
    ...newCoat(kind, "Over", cards[0]!.id, newId),
    filmMm,
    startsAfter: "wet",
  });
  const reacting = (...coats: Coat[]) =>
    derivePlan({ ...withPiece(emptyJob(), counter), coats }, cards, []).coats[0]!.reactingMm;
  expect(reacting(thin, on("vein", 2))).toBeCloseTo(1, 9);
  expect(reacting(thin, on("colour", 2))).toBeCloseTo(3, 9);
});

test("a river's board is as wide as it is told, a casting as its shorter side; a counter is not planed", () => {
  expect(boardWidthMm(withShape({ boardMm: 820 }))).toBe(820);
  expect(boardWidthMm(river)).toBeNull();
  const mould = newPiece("mould", "Mould", newId);
  expect(boardWidthMm(mould)).toBe(260);
  expect(boardWidthMm(newPiece("straight", "Counter", newId))).toBeNull();
});
