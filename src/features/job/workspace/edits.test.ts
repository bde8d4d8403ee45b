import { newCoat } from "@/core/job/new-job";
import { newPiece } from "@/core/geometry/new-piece";
import { emptyJob } from "@/core/job/new-job";
import { editColour, editCutOut, editEdge, editPass, editPiece, moved } from "./edits";

let made = 0;
const id = () => `id-${(made += 1)}`;
const job = () => ({
  ...emptyJob(),
  pieces: [newPiece("straight", "a", id), newPiece("round", "b", id)],
  coats: [newCoat("colour", "c", null, id)],
});

test("an edit changes one thing and leaves the rest the same objects", () => {
  const before = job();
  const after = editPiece(before.pieces[0]!.id, (piece) => ({ ...piece, name: "new" }))(before);
  expect(after.pieces[0]?.name).toBe("new");
  expect(after.pieces[1]).toBe(before.pieces[1]);
  expect(after.coats).toBe(before.coats);
  expect(before.pieces[0]?.name).toBe("a");
});
test("an edge not yet planned starts from the usual one of its place", () => {
  const before = job();
  const after = editEdge(before.pieces[0]!.id, "back", { treatment: "open" })(before);
  expect(after.pieces[0]?.edges.back).toEqual({ treatment: "open", heightMm: 0, roundingMm: 0 });
  const front = editEdge(before.pieces[0]!.id, "front", { heightMm: 50 })(before);
  expect(front.pieces[0]?.edges.front).toEqual({ treatment: "face", heightMm: 50, roundingMm: 3 });
});
test("colours, passes and cut-outs by id; an id that is gone changes nothing", () => {
  const before = job();
  const coat = before.coats[0]!;
  expect(
    editColour(coat.id, coat.colours[1]!.id, { gPer100G: 9 })(before).coats[0]?.colours.map(
      (colour) => colour.gPer100G === 9,
    ),
  ).toEqual([false, true, false]);
  expect(editPass(coat.id, coat.passes[0]!.id, { rounds: 3 })(before).coats[0]?.passes[0]?.rounds).toBe(3);
  expect(editCutOut(before.pieces[0]!.id, "gone", (cutOut) => ({ ...cutOut, name: "x" }))(before)).toEqual(
    before,
  );
});
test.each([
  ["a", 1, "bac"],
  ["c", -1, "acb"],
  ["a", -1, "abc"],
  ["c", 1, "abc"],
  ["gone", 1, "abc"],
] as const)("%s moved by %d gives %s", (which, by, order) => {
  const list = [..."abc"].map((letter) => ({ id: letter }));
  expect(
    moved(list, which, by)
      .map((item) => item.id)
      .join(""),
  ).toBe(order);
});
