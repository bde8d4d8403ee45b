import { newPiece } from "./new-piece";
import { developedFaceHeightMm, measurePiece, type Measured } from "./measure";
import type { Piece } from "./piece";
import { ringAreaMm2 } from "./ring";
import { unfoldedBox, unfoldedFaces } from "./unfold";

let counter = 0;
const newId = () => `id-${++counter}`;
const measured = (piece: Piece): Measured => {
  const found = measurePiece(piece);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.measured;
};
const faceAreaMm2 = (piece: Measured) =>
  unfoldedFaces(piece).reduce((sum, { ring }) => sum + Math.abs(ringAreaMm2(ring)), 0);

test("folded out, the faces of straight edges have the area that is measured of them", () => {
  for (const kind of ["straight", "rectangle", "l-run", "u-run", "sample"] as const) {
    const piece = measured(newPiece(kind, kind, newId));
    expect(faceAreaMm2(piece) / piece.faceAreaMm2).toBeCloseTo(1, 9);
  }
});

test("around a curve they are longer outside: within twice their height over the radius", () => {
  const piece = measured(newPiece("round", "table", newId));
  const high = developedFaceHeightMm(38, 3);
  const over = faceAreaMm2(piece) / piece.faceAreaMm2 - 1;
  // A ring of height h around a radius r: π((r + h)² − r²) against 2πrh, h/2r more.
  const radius = piece.outline.widthMm / 2;
  expect(over).toBeCloseTo(high / (2 * radius), 2);
});

test("a counter's wall edge folds nothing out; its front and ends do", () => {
  const piece = measured(newPiece("straight", "counter", newId));
  expect(unfoldedFaces(piece).map(({ name }) => name)).toEqual(["right", "front", "left"]);
  const box = unfoldedBox(piece);
  const high = developedFaceHeightMm(38, 3);
  expect(box.minY).toBeCloseTo(0, 9);
  expect(box.maxY).toBeCloseTo(piece.outline.heightMm + high, 6);
  expect(box.minX).toBeCloseTo(-high, 6);
});

test("the inner face of a cut-out folds into its opening", () => {
  const piece = newPiece("straight", "counter", newId);
  piece.cutOuts = [
    {
      id: newId(),
      name: "basin",
      shape: { kind: "rectangle", lengthMm: 500, depthMm: 380 },
      fromLeftMm: 900,
      fromFrontMm: 300,
      innerFace: { heightMm: 30, roundingMm: 0 },
    },
  ];
  const face = unfoldedFaces(measured(piece)).find(({ name }) => name === "basin")!;
  // Between 500 × 380 and 440 × 320.
  expect(Math.abs(ringAreaMm2(face.ring))).toBeCloseTo(500 * 380 - 440 * 320, 3);
});
