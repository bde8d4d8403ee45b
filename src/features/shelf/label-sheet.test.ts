import jsQR from "jsqr";
import { itemOf } from "@/core/shelf/testing/items";
import { lotOf } from "@/core/shelf/testing/lots";
import { labelsOf, qrPath, qrSquare } from "./label-sheet";

/** Squares as a camera sees them: pixels on white. */
function seen(square: boolean[][], px: number): { data: Uint8ClampedArray; side: number } {
  const side = square.length * px;
  const data = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1)
      if (square[Math.floor(y / px)]?.[Math.floor(x / px)]) data.set([0, 0, 0, 255], (y * side + x) * 4);
  return { data, side };
}

test.each(["L1", "L42-A", "L999999999-C"])(
  "%s is read by another program (jsQR), as it was drawn",
  (text) => {
    const square = qrSquare(text);
    const { data, side } = seen(square, 5);
    expect(jsQR(data, side, side)?.data).toBe(text);
    // The path that is printed covers the same squares.
    const drawn = square.map((row) => row.map(() => false));
    for (const [, x, y] of qrPath(square).matchAll(/M(\d+) (\d+)h1v1h-1z/g))
      drawn[Number(y)]![Number(x)] = true;
    expect(drawn).toEqual(square);
  },
);
test("a wet thumb over a corner of its middle does not hide it", () => {
  const square = qrSquare("L42-A").map((row) => [...row]);
  const from = square.length - 9;
  for (let y = from; y < from + 4; y += 1) for (let x = from; x < from + 4; x += 1) square[y]![x] = true;
  const { data, side } = seen(square, 5);
  expect(jsQR(data, side, side)?.data).toBe("L42-A");
});
test("each half of a pair has a label of its own, with what the shop typed", () => {
  const item = itemOf("i", { name: "Slow coating", hazards: "May sensitise skin." });
  const lot = lotOf(7, "i", { A: 10, B: 8 }, { facts: { number: "SC 1", bestBefore: "2027-01-31" } });
  expect(labelsOf([item], [lot, lotOf(8, "gone", { whole: 1 })])).toMatchObject([
    { code: "L7-A", part: "A", name: "Slow coating", number: "SC 1", bestBefore: "2027-01-31" },
    { code: "L7-B", part: "B", hazards: "May sensitise skin." },
  ]);
});
