import type { JobDocument } from "./job";
import { describeChanges, wordsOfPath } from "./describe-changes";
import { newCutOut, newPiece } from "../geometry/new-piece";
import { sampleJob } from "./sample-job";
import { starterCards } from "../cure/starter-cards";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const base = sampleJob(cards, newId);
const changed = (change: (draft: JobDocument) => void) => {
  const draft = structuredClone(base);
  change(draft);
  return describeChanges(base, draft).map(({ where, before, after }) => `${where}: ${before} → ${after}`);
};

test.each<[string, (draft: JobDocument) => void, string[]]>([
  ["nothing", () => {}, []],
  [
    "a size",
    (draft) => void (draft.pieces[0]!.shape = { kind: "straight", lengthMm: 2500, depthMm: 635 }),
    ["Counter · length: 2\u2009400 mm → 2\u2009500 mm"],
  ],
  ["a count", (draft) => void (draft.pieces[0]!.count = 2), ["Counter · count: 1 → 2"]],
  [
    "an edge",
    (draft) => void (draft.pieces[0]!.edges.front = { treatment: "dam", heightMm: 20, roundingMm: 0 }),
    ["Counter · front: none → set"],
  ],
  [
    "a film",
    (draft) => void (draft.coats[2]!.filmMm = 1.25),
    ["Palm blend, veins late · film: 1.00 mm → 1.25 mm"],
  ],
  [
    "a dose",
    (draft) => void (draft.coats[2]!.colours[1]!.gPer100G = 2),
    ["Palm blend, veins late · Pewter · dose per 100 g: 1.6 → 2"],
  ],
  [
    "a mix that is given",
    (draft) => void (draft.coats[2]!.given = { by: "mixed", ml: 3000 }),
    ["Palm blend, veins late · amount given: the film → 3\u2009000 ml mixed"],
  ],
  [
    "kits, a vessel, an area, cups",
    (draft) => {
      draft.coats[0]!.given = { by: "kits", kitMl: 4000, count: 2 };
      draft.coats[1]!.given = { by: "vessel", vesselMl: 1900, count: 1 };
      draft.coats[2]!.given = { by: "coverage", ml: 5678, areaMm2: 4.6e6 };
      draft.coats[3]!.given = { by: "cups" };
    },
    [
      "Primer, black · amount given: the film → 2 × kit of 4\u2009000 ml",
      "Base, black · amount given: the film → what fits 1\u2009900 ml",
      "Palm blend, veins late · amount given: the film → 5\u2009678 ml for 4.60 m²",
      "Clear flood · amount given: the film → the cups",
    ],
  ],
  [
    "how a colour is measured, and the size of its drop",
    (draft) => {
      draft.coats[2]!.colours[1]!.measure = { unit: "spoon", gramsPerSpoon: 0.3 };
      draft.coats[2]!.colours.find(({ name }) => name === "Ink black")!.measure = {
        unit: "drop",
        dropMl: 0.04,
        densityGPerMl: 1.2,
      };
    },
    [
      "Palm blend, veins late · Pewter · measured: by the gram → by the level spoon",
      "Palm blend, veins late · Ink black · measured · a drop: 0.05 → 0.04",
    ],
  ],
  [
    "a start",
    (draft) => void (draft.coats[1]!.startsAfter = "recoat"),
    ["Base, black · start: tacky → recoat"],
  ],
  ["the room", (draft) => void (draft.work.tempC = 25), ["temperature: 21 °C → 25 °C"]],
  ["a factor", (draft) => void (draft.factors.stickMl = 3), ["losses · left on a stick: none → 3 ml"]],
  [
    "a coat more",
    (draft) => void draft.coats.push({ ...draft.coats[3]!, id: "new", name: "Second clear" }),
    ["job: none → Second clear"],
  ],
  ["a coat less", (draft) => void draft.coats.splice(0, 1), ["job: Primer, black → none"]],
  ["the order", (draft) => void draft.coats.reverse(), ["order: as it was → changed"]],
  ["notes", (draft) => void (draft.notes = "x".repeat(90)), [`notes: empty → ${"x".repeat(57)}…`]],
])("%s", (_, change, words) => expect(changed(change)).toEqual(words));

test("a cut-out put in, changed and taken out", () => {
  const with1 = structuredClone(base);
  with1.pieces[0]!.cutOuts.push(newCutOut("Basin", with1.pieces[0]!, newId));
  expect(describeChanges(base, with1)).toEqual([{ where: "Counter", before: "none", after: "Basin" }]);
  const moved = structuredClone(with1);
  moved.pieces[0]!.cutOuts[0]!.fromLeftMm += 50;
  expect(describeChanges(with1, moved)[0]).toMatchObject({ where: "Counter · Basin · from the left" });
  expect(describeChanges(with1, base)).toEqual([{ where: "Counter", before: "Basin", after: "none" }]);
});

test("a renamed piece is one change, not a piece gone and one come", () => {
  expect(changed((draft) => void (draft.pieces[0]!.name = "Bar"))).toEqual(["Bar · name: Counter → Bar"]);
});

test("another shape names what it gains and loses", () => {
  const words = changed(
    (draft) => void (draft.pieces[0] = { ...newPiece("round", "Counter", newId), id: draft.pieces[0]!.id }),
  );
  expect(words).toEqual(
    expect.arrayContaining([
      "Counter · kind: straight → round",
      "Counter · diameter: none → 800 mm",
      "Counter · length: 2\u2009400 mm → none",
    ]),
  );
});

test("numbers are told in the person's own units", () => {
  const after = structuredClone(base);
  after.work.tempC = 25;
  after.coats[2]!.coverShare = 0.5;
  after.work.startMin = 570;
  expect(describeChanges(base, after, "us")).toEqual([
    { where: "temperature", before: "70 °F", after: "77 °F" },
    { where: "start of the day", before: "09:00", after: "09:30" },
    { where: "Palm blend, veins late · share of the area", before: "100 %", after: "50 %" },
  ]);
});

test("a refused field is named by where it stands", () => {
  const alcohol = base.coats[2]!.passes.findIndex(({ kind }) => kind === "alcohol");
  expect(wordsOfPath(base, ["coats", "2", "passes", String(alcohol), "work", "many"])).toBe(
    "Palm blend, veins late · Alcohol, small drops · how many",
  );
  expect(wordsOfPath(base, ["work", "tempC"])).toBe("temperature");
});
