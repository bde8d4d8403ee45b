import { starterCards } from "../cure/starter-cards";
import { newPiece } from "../geometry/new-piece";
import { newCoat, workedOn } from "./new-job";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const [card] = starterCards(newId);
const flood = newCoat("clear", "Clear", card!.id, newId);
const pieceOf = (kind: "tumbler" | "straight") => newPiece(kind, kind, newId);

test("a tumbler knows no trowel; a flat top does, and so do both together", () => {
  const tools = (...kinds: ("tumbler" | "straight")[]) =>
    workedOn(flood, kinds.map(pieceOf)).passes.map(({ tool }) => tool);
  expect(flood.passes.map(({ tool }) => tool)).toContain("trowel");
  expect(tools("tumbler")).not.toContain("trowel");
  expect(tools("tumbler")).toContain("hand");
  expect(tools("tumbler", "straight")).toContain("trowel");
  expect(tools()).toContain("trowel");
  // What is no tool for flat tops stays as it is.
  expect(tools("tumbler").filter((tool) => tool === "torch")).toHaveLength(
    flood.passes.filter(({ tool }) => tool === "torch").length,
  );
});
