import { starterCards } from "../cure/starter-cards";
import { cutAtShare } from "../geometry/lanes";
import { newPiece } from "../geometry/new-piece";
import { newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import type { Coat } from "../schedule/coat";
import { usualPass } from "../schedule/pass";
import { actPicture, picturedAround, type ActPicture } from "./act-picture";
import { foldPour, type PourEvent } from "./pour-events";
import { quantityText } from "../units/format-quantity";
import { runSheet, type RunStep } from "./run-sheet";
import { seamWords } from "./seams";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const moment = (minute: number) => new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString();

/** The pictures of a job's acts, after some events. */
function sheetOf(job: JobDocument, events: (steps: readonly RunStep[]) => PourEvent[] = () => []) {
  const plan = derivePlan(job, cards);
  const steps = runSheet(plan, "metric");
  const state = foldPour(events(steps));
  return { plan, steps, of: (step: RunStep) => actPicture(plan, job, step, steps, state) };
}
const onPieces = (picture: ActPicture | null) => {
  if (picture?.kind !== "pieces") throw new Error("No pieces.");
  return picture.pieces;
};
const titled = (steps: readonly RunStep[], title: string) =>
  steps.filter((step) => step.title.startsWith(title));

describe("at the scale", () => {
  const job = sampleJob(cards, newId);
  const first = (steps: readonly RunStep[]) =>
    steps.find(({ kind, weigh }) => kind === "weigh" && weigh.some(({ line }) => line === "B"))!;

  test("A and B rise to their marks in the pot, and together to what the batch holds", () => {
    const { plan, steps, of } = sheetOf(job);
    const step = first(steps);
    const picture = of(step);
    if (picture?.kind !== "weigh") throw new Error("No vessel.");
    const [vessel] = picture.vessels;
    const batch = plan.coats.find(({ coat }) => coat.id === step.coatId)!.batched!.batches[0]!;
    expect(vessel!.marks.map(({ label }) => label[0])).toEqual(["A", "B"]);
    expect(vessel!.marks[0]!.toMl).toBeCloseTo(batch.parts.aMl, 6);
    expect(vessel!.marks[1]!.toMl).toBeCloseTo(batch.parts.mixMl, 6);
    expect(vessel!.filledMl).toBe(0);
  });
  test("what was weighed stands in it: half of A is half of its way", () => {
    const half = (steps: readonly RunStep[]): PourEvent[] => {
      const step = first(steps);
      const a = step.weigh.find(({ line }) => line === "A")!;
      return [{ id: "e", at: moment(0), kind: "weighed", stepId: step.id, line: "A", grams: a.grams / 2 }];
    };
    const { steps } = sheetOf(job);
    const { of } = sheetOf(job, half);
    const picture = of(first(steps));
    if (picture?.kind !== "weigh") throw new Error("No vessel.");
    const [{ marks, filledMl }] = picture.vessels as [(typeof picture.vessels)[number]];
    expect(marks.map(({ isIn }) => isIn)).toEqual([true, false]);
    expect(filledMl).toBeGreaterThan(0.4 * marks[0]!.toMl);
    expect(filledMl).toBeLessThan(marks[0]!.toMl);
  });
  test("what lies on the scale and is not taken yet rises in it, beside what was taken", () => {
    const { plan, steps } = sheetOf(job);
    const step = first(steps);
    const a = step.weigh.find(({ line }) => line === "A")!;
    const state = foldPour([]);
    const picture = actPicture(plan, job, step, steps, state, { line: "A", grams: a.grams / 4 });
    if (picture?.kind !== "weigh") throw new Error("No vessel.");
    const [{ marks, filledMl }] = picture.vessels as [(typeof picture.vessels)[number]];
    expect(filledMl).toBeCloseTo(marks[0]!.toMl / 4, 6);
    expect(marks[0]!.isIn).toBe(false);
  });
  test("a pot that is split shows each cup; together they are what is in the pot", () => {
    const { steps, of } = sheetOf(job);
    const picture = of(steps.find(({ kind }) => kind === "split")!);
    if (picture?.kind !== "cups") throw new Error("No cups.");
    expect(picture.cups.length).toBeGreaterThan(1);
    expect(picture.cups.reduce((sum, { ml }) => sum + ml, 0)).toBeCloseTo(picture.potMl, 6);
  });
});

describe("on the pieces", () => {
  test("a floor in batches: each covers its stretch, those laid are done, together they are the floor", () => {
    const job = sampleJob(cards, newId);
    job.coats[2]!.rateM2PerH = 1.6;
    const laidFirst = (steps: readonly RunStep[]): PourEvent[] => [
      { id: "e", at: moment(0), kind: "tick", stepId: titled(steps, "Lay the colours")[0]!.id },
    ];
    const { steps, of } = sheetOf(job, laidFirst);
    const second = titled(steps, "Lay the colours")[1]!;
    const cut = onPieces(of(second)).find(({ stretches }) => stretches.length > 1)!;
    expect(cut.stretches.map(({ state }) => state)).toEqual(
      cut.stretches.map(({ number }) => (number === 1 ? "done" : number === 2 ? "now" : "later")),
    );
    expect(cut.stretches[0]!.fromShare).toBe(0);
    expect(cut.stretches.at(-1)!.toShare).toBeCloseTo(1, 9);
    cut.stretches.slice(1).forEach(({ fromShare }, n) => {
      expect(fromShare).toBeCloseTo(cut.stretches[n]!.toShare, 9);
    });
  });
  test("a pass by sections is drawn in as many parts of the top", () => {
    const job = sampleJob(cards, newId);
    const coat = job.coats[2]!;
    const pass = { ...usualPass(newId(), "accents"), sections: 3 };
    job.coats[2] = { ...coat, passes: [...coat.passes, pass] };
    const { steps, of } = sheetOf(job);
    const turns = steps.filter(({ passId }) => passId === pass.id);
    expect(turns).toHaveLength(3);
    const [piece] = onPieces(of(turns[1]!));
    expect(piece!.stretches.map(({ number, state }) => [number, state])).toEqual([
      [1, "later"],
      [2, "now"],
      [3, "later"],
    ]);
    expect(piece!.stretches[1]!.fromShare).toBeCloseTo(1 / 3, 9);
  });
  test("faces are the edges that have one, as a hand goes around; a dam is only what is dammed", () => {
    const job = sampleJob(cards, newId);
    const piece = newPiece("rectangle", "Slab", newId);
    piece.edges = {
      front: { treatment: "face", heightMm: 38, roundingMm: 3 },
      right: { treatment: "dam", heightMm: 20, roundingMm: 3 },
      back: { treatment: "wall", heightMm: 0, roundingMm: 0 },
      left: { treatment: "open", heightMm: 0, roundingMm: 0 },
    };
    job.pieces = [piece];
    const coat = job.coats[2]!;
    const { pieceIds: _all, ...rest } = coat;
    job.coats = [
      {
        ...rest,
        passes: (["faces", "dam-pull", "drip-scrape"] as const).map((kind) => usualPass(newId(), kind)),
      },
    ];
    const { steps, of } = sheetOf(job);
    const edges = (title: string) => onPieces(of(titled(steps, title)[0]!))[0]!.edges;
    expect([...edges("Wet the faces")].sort()).toEqual(["front", "right"]);
    expect(edges("Pull the dam")).toEqual(["right"]);
    expect([...edges("Scrape the drips")].sort()).toEqual(["front", "left", "right"]);
  });
  test("veins are told on each piece that they run over, in their coat's colour; those of another coat are not", () => {
    const job = sampleJob(cards, newId);
    const colours = [{ ...job.coats[2]!.colours[0]!, id: "brass", name: "Brass", hex: "#b08d3c" }];
    const coat = { ...newCoat("vein", "Veins", cards[0]!.id, newId), colours };
    job.coats = [...job.coats, coat];
    const set = {
      id: "set",
      name: "Brass",
      colourId: "brass",
      angleDeg: 20,
      metresPerM2: 2,
      thickMm: 4,
      manner: { wander: 0.5, branching: 0, hairs: 0 } as never,
      seed: 1,
    };
    const vein = {
      id: "vein",
      seed: 2,
      thickMm: 4,
      points: [
        [-50, 200],
        [300, 260],
        [5000, 320],
      ] as [number, number][],
    };
    job.veinMap = {
      places: {},
      sets: [
        { ...set, coatId: coat.id, veins: [vein] },
        { ...set, id: "other", coatId: job.coats[2]!.id, veins: [{ ...vein, id: "other" }] },
      ],
    };
    const { steps, of } = sheetOf(job);
    const step = steps.find(({ coatId, title }) => coatId === coat.id && title.startsWith("Veins"))!;
    const pieces = onPieces(of(step));
    expect(pieces.length).toBeGreaterThan(0);
    for (const { veins } of pieces) {
      expect(veins.map(({ veinId }) => veinId)).toEqual(["vein"]);
      expect(veins[0]!.hex).toBe("#b08d3c");
    }
  });
});

describe("the picture around an act", () => {
  const passes = [
    { coatId: "c", passId: "lay" },
    { coatId: "c", passId: "palm" },
    { coatId: "c", passId: "veins" },
  ];
  const step = (passId: string | null, n: number) => ({ id: `s${n}`, coatId: "c", passId }) as RunStep;
  const steps = [null, "lay", "lay", "palm", "flame", "veins", "faces"].map(step);
  test.each([
    ["before the first pass nothing is there", 0, 0, 0],
    ["the first batch that is laid begins the first pass", 1, 0, 1],
    ["with the second nothing is added", 2, 1, 1],
    ["a pass goes from the one before it to itself", 3, 1, 2],
    ["what does nothing to the picture leaves it", 4, 2, 2],
    ["the last pass ends it", 5, 2, 3],
    ["and it stays", 6, 3, 3],
  ])("%s", (_, at, before, after) => {
    expect(picturedAround(passes, steps, steps[at]!)).toEqual({ before, after });
  });
});

describe("seams", () => {
  const job = sampleJob(cards, newId);
  test("sanding and the clear go over the seams of the coat below; the colour itself looks for none", () => {
    const colour = job.coats[2]!;
    const spread = { ...usualPass(newId(), "spread"), sections: 3 };
    const sand = usualPass(newId(), "sand");
    const lay = usualPass(newId(), "lay");
    const clear: Coat = {
      ...newCoat("clear", "Clear", colour.resinCardId, newId),
      startsAfter: "next-day",
      passes: [sand, lay],
    };
    const { steps, of } = sheetOf({ ...job, coats: [{ ...colour, passes: [spread] }, clear] });
    const seamsOf = (passId: string) => onPieces(of(steps.find((step) => step.passId === passId)!))[0]!.seams;
    expect(seamsOf(spread.id)).toBeNull();
    const seams = seamsOf(sand.id)!;
    for (const share of [1 / 3, 2 / 3])
      expect(seams.some((seam) => Math.abs(seam - share) < 1e-9)).toBe(true);
    expect(seamsOf(lay.id)).toEqual(seams);
  });
  test("a seam is told by how far along it is; where there is none, nothing is said", () => {
    const { plan } = sheetOf(job);
    const piece = plan.pieces[0]!;
    const alongMm = piece.outline.widthMm / 2;
    expect(cutAtShare(piece.piece, 0.5).alongMm).toBeCloseTo(alongMm, 0);
    expect(seamWords([0.5], piece, "metric")).toBe(
      `A seam ${quantityText(cutAtShare(piece.piece, 0.5).alongMm, "length", "metric")} along: no step may be felt there.`,
    );
    expect(seamWords([], piece, "metric")).toBeNull();
    expect(seamWords(null, piece, "metric")).toBeNull();
  });
});
