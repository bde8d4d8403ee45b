import { newPiece } from "../geometry/new-piece";
import { ellipse } from "../geometry/curves";
import { derivePlan } from "../plan/derive-plan";
import { CARDS, colourCoat, job } from "../plan/testing/sample";
import type { JobDocument } from "../job/job";
import { FAULTS } from "./fault-table";
import { cornersOf, walkOf } from "./walk";

let made = 0;
const newId = () => `w${(made += 1)}`;
const walk = (change: (draft: JobDocument) => void, when: "wet" | "cured" = "wet") => {
  const document = job(change);
  const plan = derivePlan(document, CARDS);
  return walkOf(plan, new Set(plan.coats.map(({ coat }) => coat.id)), when, document.target);
};
const of = (items: readonly { id: string }[]) => items.map(({ id }) => id.split(":").at(-1));

test("corners by hand: an L has five outside and one inside, a rectangle four, a round none, whichever way it runs", () => {
  const L = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 4 },
    { x: 4, y: 4 },
    { x: 4, y: 10 },
    { x: 0, y: 10 },
  ];
  for (const ring of [L, [...L].reverse()]) {
    const { outer, inner } = cornersOf(ring);
    expect(outer).toHaveLength(5);
    expect(inner).toEqual([{ x: 4, y: 4 }]);
  }
  const rectangle = cornersOf([
    { x: 0, y: 0 },
    { x: 3, y: 0 },
    { x: 3, y: 2 },
    { x: 0, y: 2 },
  ]);
  expect([rectangle.outer.length, rectangle.inner.length]).toEqual([4, 0]);
  expect(cornersOf(ellipse(100, 60).points)).toEqual({ outer: [], inner: [] });
});

test("the list is made for the piece: faces and a sink where it has them, the corners first", () => {
  const plain = walk((draft) => {
    draft.pieces[0]!.edges = {};
  });
  const sink = walk((draft) => {
    draft.pieces[0]!.edges = { front: { treatment: "face", heightMm: 38, roundingMm: 3 } };
    draft.pieces[0]!.cutOuts = [
      {
        id: "sink",
        shape: { kind: "round", diameterMm: 300 },
        fromLeftMm: 800,
        fromFrontMm: 300,
      } as JobDocument["pieces"][number]["cutOuts"][number],
    ];
  });
  expect(of(sink).slice(0, 2)).toEqual(["outer", "cut-out-sink"]);
  expect(of(sink)).toEqual(expect.arrayContaining(["faces", "under"]));
  expect(of(plain)).not.toContain("cut-out-sink");
});

test("wet it asks whether it still moves, cured whether it is firm and how it looks beside the tile", () => {
  const target = (draft: JobDocument) => {
    draft.target = { lab: [70, 0, 5], name: "Tile" };
  };
  const [wet, cured] = [of(walk(target, "wet")), of(walk(target, "cured"))];
  expect(wet).toContain("moving");
  expect(wet).not.toContain("tile");
  expect(cured).toEqual(expect.arrayContaining(["firm", "gloss", "tile"]));
  expect(cured).not.toContain("moving");
  expect(of(walk(() => {}, "cured"))).not.toContain("tile");
});

test("one colour has no balance to be out of; only what was poured is looked at; every fault named is in the table", () => {
  const one = walk((draft) => {
    draft.coats = [{ ...colourCoat(draft), colours: colourCoat(draft).colours.slice(0, 1) }];
  });
  expect(of(one)).not.toContain("balance");
  const document = job();
  const plan = derivePlan(document, CARDS);
  expect(walkOf(plan, new Set(), "wet")).toEqual([]);
  const known = new Set(FAULTS.map(({ id }) => id));
  const kinds = ["straight", "l-run", "river", "mould", "tumbler", "floor"] as const;
  for (const kind of kinds)
    for (const item of walk((draft) => {
      draft.pieces = [newPiece(kind, "It", newId)];
    }))
      for (const fault of item.faults) expect(known).toContain(fault);
});
