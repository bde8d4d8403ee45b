import { starterCards } from "../cure/starter-cards";
import { newPiece } from "../geometry/new-piece";
import { emptyJob, newCoat, withPiece, workedOn } from "./new-job";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const [card] = starterCards(newId);
const flood = newCoat("clear", "Clear", card!.id, newId);
const pieceOf = (kind: "tumbler" | "straight" | "mould" | "river") => newPiece(kind, kind, newId);

test("a tumbler knows no trowel; a flat top does, and so do both together", () => {
  const tools = (...kinds: ("tumbler" | "straight")[]) =>
    workedOn(flood, kinds.map(pieceOf), newId).passes.map(({ tool }) => tool);
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

test("what belongs to the form comes with the coat: a turner, a mould's release, a river's planer; not where forms are mixed", () => {
  const fill = newCoat("fill", "Fill", card!.id, newId);
  const kinds = (coat: typeof fill, ...forms: Parameters<typeof pieceOf>[0][]) =>
    workedOn(coat, forms.map(pieceOf), newId).passes.map(({ kind }) => kind);
  const own = fill.passes.map(({ kind }) => kind);
  expect(kinds(flood, "tumbler").at(-1)).toBe("turn");
  expect(kinds(fill, "mould")).toEqual(["release", ...own, "steam", "demould"]);
  expect(kinds(fill, "river", "river")).toEqual(["tape", ...own, "fan", "demould", "plane", "grits", "oil"]);
  expect(kinds(fill, "river", "straight")).toEqual(own);
});

test("the first piece brings its usual ground; a further one changes none", () => {
  const empty = emptyJob();
  const tumbler = withPiece(empty, pieceOf("tumbler"));
  expect([empty.ground, tumbler.ground]).toEqual(["mdf", "steel"]);
  expect(withPiece(tumbler, pieceOf("river")).ground).toBe("steel");
  expect(withPiece(empty, pieceOf("straight")).ground).toBe("mdf");
});
