import { renderToStaticMarkup } from "react-dom/server";
import type { DrawnPath } from "@/core/drawing-files/drawing";
import { newPiece } from "@/core/geometry/new-piece";
import type { Piece } from "@/core/geometry/piece";
import { Outcome } from "./import-outcome";

const host: Piece = {
  ...newPiece("rectangle", "Island", () => "id"),
  shape: { kind: "rectangle", lengthMm: 1800, depthMm: 900 },
};
const box = (x: number, y: number, width: number, height: number): DrawnPath => ({
  layer: "0",
  closed: true,
  points: [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ],
});
/** The island's outline, and tiles of 90 × 90 mm in it; tiles that touch cannot be holes. */
const map = (tiles: number, apart: number): DrawnPath[] => [
  box(0, 0, 1800, 900),
  ...Array.from({ length: tiles }, (_, index) =>
    box(50 + (index % 15) * apart, 50 + Math.floor(index / 15) * apart, 90, 90),
  ),
];
const outcome = (paths: DrawnPath[], within: Piece | null) =>
  renderToStaticMarkup(
    <Outcome
      paths={paths}
      mmPerUnit={1}
      name="Map"
      leftOut={[]}
      host={within}
      onPiece={() => {}}
      onCutOut={() => {}}
      onZones={() => {}}
      system="metric"
    />,
  );

test("tiles that touch, within a line as large as the piece, are its zones first", () => {
  const markup = outcome(map(6, 90), host);
  expect(markup).toContain("As 6 zones of Island");
  expect(markup).not.toContain('role="alert"');
});
test("a plate with holes stays a plate, as large as the piece or not", () => {
  const markup = outcome(map(6, 110), host);
  expect(markup).toContain("6 holes");
  expect(markup).toContain("As 6 zones of Island");
});
test("a map of more zones than a piece has holes is taken as zones, and as nothing else", () => {
  const markup = outcome(map(45, 100), host);
  expect(markup).toContain("As 45 zones of Island");
  expect(markup).not.toContain("Take it as a piece");
  expect(markup).not.toContain('role="alert"');
});
test("without a piece to divide, more holes than a piece can have are an error", () => {
  const markup = outcome(map(45, 100), null);
  expect(markup).toContain('role="alert"');
  expect(markup).toContain("more than 40 holes");
});
