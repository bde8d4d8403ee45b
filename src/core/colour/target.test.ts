import fc from "fast-check";
import { LONGEST_NAME, WISHES, wished, type Target, type Wish } from "./target";

const tile: Target = { lab: [78, 1, 4], name: "Tile" };
const after = (...wishes: Wish[]) => wishes.reduce(wished, tile);

test("this tile, but lighter, warmer; again goes further, the other way comes back", () => {
  expect(after("lighter", "warmer")).toEqual({ lab: [82, 2, 8], name: "Tile, lighter, warmer" });
  expect(after("lighter", "lighter")).toEqual({ lab: [86, 1, 4], name: "Tile, lighter" });
  expect(after("warmer", "cooler")).toEqual(tile);
  expect(after("darker", "darker", "lighter").lab).toEqual([74, 1, 4]);
});

test("whatever is wished is a colour that a job can hold", () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...WISHES), { maxLength: 80 }), (wishes) => {
      const { lab, name } = after(...wishes);
      expect(lab[0]).toBeGreaterThanOrEqual(0);
      expect(lab[0]).toBeLessThanOrEqual(100);
      expect(Math.max(Math.abs(lab[1]), Math.abs(lab[2]))).toBeLessThanOrEqual(150);
      expect(name.length).toBeLessThanOrEqual(LONGEST_NAME);
    }),
  );
  const long = { ...tile, name: "x".repeat(LONGEST_NAME) };
  expect(wished(long, "lighter").name).toBe(long.name);
});
