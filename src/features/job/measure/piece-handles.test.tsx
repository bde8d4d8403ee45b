import { renderToStaticMarkup } from "react-dom/server";
import { outlineOf } from "@/core/geometry/outline";
import type { Shape } from "@/core/geometry/piece";
import { newPiece } from "@/core/geometry/new-piece";
import { frameOf } from "@/ui/piece-drawing";
import { PieceHandles } from "./piece-handles";

const nothing = () => {};
const labels = (kind: Shape["kind"]) => {
  const piece = newPiece(kind, "Piece", () => "id");
  const markup = renderToStaticMarkup(
    <svg>
      <PieceHandles
        piece={piece}
        outline={outlineOf(piece)}
        frame={frameOf(piece, 800, 500)}
        selected={null}
        onSelect={nothing}
        onPullStart={nothing}
        onPull={nothing}
        onPullEnd={nothing}
        onNudge={nothing}
        onRemoveCorner={nothing}
      />
    </svg>,
  );
  return [...markup.matchAll(/aria-label="([^"]*)"/g)].map((match) => match[1]);
};

test("every edge of an L can be taken hold of and says what it is", () =>
  expect(labels("l-run")).toEqual([
    "back of the long leg: wall",
    "end of the long leg: face",
    "front of the long leg: face",
    "front of the return: face",
    "end of the return: face",
    "back of the return: wall",
  ]));
test("a round top has one rim, a tumbler and a mould no edge", () => {
  expect(labels("round")).toEqual(["rim: face"]);
  expect(labels("tumbler")).toEqual([]);
  expect(labels("mould")).toEqual([]);
});
test("a free outline has its corners as well", () => {
  expect(labels("free").filter((label) => label?.startsWith("Corner"))).toHaveLength(5);
  expect(labels("floor")).toContain("side 1: wall");
});
