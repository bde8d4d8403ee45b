import { colourantNamed, colourFrom } from "../colour/starter-colours";
import { compile } from "../pattern/passes/compile";
import { usualPass } from "../schedule/pass";
import { derivePlan } from "../plan/derive-plan";
import type { JobDocument } from "../job/job";
import { newCoat } from "../job/new-job";
import { newPiece } from "../geometry/new-piece";
import { differenceIn, rehearsalOf } from "./rehearse";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { TECHNIQUE_IDS, TECHNIQUES } from "../job/technique-list";
import { withTechnique } from "../job/techniques";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const of = (document: JobDocument) => {
  const plan = derivePlan(document, cards);
  return rehearsalOf(plan, document, plan.pieces[0]!);
};

test("colours come from the coats with what was poured of each; passes in their order at their minutes", () => {
  const found = of(job)!;
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const names = found.palette.map(({ name }) => name);
  for (const { name } of colour.colours) expect(names).toContain(name);
  expect(found.palette.reduce((sum, { poured }) => sum + poured, 0)).toBeCloseTo(1, 9);
  expect(found.palette[found.rehearsal.base]!.poured).toBe(0);
  const minutes = found.passes.map(({ minute }) => minute);
  expect(minutes.length).toBeGreaterThan(1);
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  const flows = found.rehearsal.coats[0]!.passes.map(({ flowLeft }) => flowLeft);
  expect(flows).toEqual([...flows].sort((a, b) => b - a));
  expect(found.palette.every(({ rgb }) => rgb.every((channel) => channel >= 0 && channel <= 1))).toBe(true);
});

test("a warmer room leaves less flow at the same pass, so that it moves less", () => {
  const flow = (tempC: number) =>
    of({ ...job, work: { ...job.work, tempC } })!.rehearsal.coats[0]!.passes.at(-1)!.flowLeft;
  expect(flow(30)).toBeLessThan(flow(18));
});

test("the sister and the direction are the job's; the usual ones where it says nothing", () => {
  expect(of(job)!.rehearsal.seed).toBe(1);
  const other = of({ ...job, rehearsal: { seed: 7, angleDeg: 90 } })!;
  expect([other.rehearsal.seed, other.rehearsal.angle]).toEqual([7, Math.PI / 2]);
});

test("nothing coloured, nothing to rehearse", () => {
  expect(
    of({ ...job, coats: job.coats.filter(({ kind }) => kind !== "colour" && kind !== "vein") }),
  ).toBeNull();
});

test("faces are seen folded out around the top; a tumbler's wall once around its middle and up its slant", () => {
  const counter = of({ ...job, pieces: [newPiece("straight", "Counter", newId)] })!.rehearsal;
  expect(counter.aroundMm).toBeNull();
  expect(counter.box.minX).toBeLessThan(0);
  expect(counter.box.minY).toBe(0);
  const tumbler = newPiece("tumbler", "Tumbler", newId);
  const { shape } = tumbler;
  if (shape.kind !== "tumbler") throw new Error("no tumbler");
  const wall = of({ ...job, pieces: [tumbler] })!.rehearsal;
  expect(wall.aroundMm).toBeCloseTo((Math.PI * (shape.topDiameterMm + shape.bottomDiameterMm)) / 2, 9);
  expect(wall.box.maxX).toBe(wall.aroundMm);
  expect(wall.box.maxY).toBeGreaterThanOrEqual(shape.heightMm);
});

describe("a floor that takes several batches", () => {
  const hall = (lengthMm: number): JobDocument => {
    const piece = newPiece("floor", "Hall", newId);
    piece.shape = {
      kind: "floor",
      points: [
        [0, 0],
        [lengthMm, 0],
        [lengthMm, 1500],
        [0, 1500],
      ],
      starts: [0, 1, 2, 3],
    };
    return { ...job, pieces: [piece] };
  };
  test("is poured strip by strip, in the order of its batches, and the strips are the floor", () => {
    const long = hall(9000);
    const { strips, rehearsal } = of(long)!;
    const batches = derivePlan(long, cards).coats.find(({ coat }) => coat.kind === "colour")!.batched!
      .batches;
    expect(strips.length).toBe(batches.length);
    expect(strips.length).toBeGreaterThan(1);
    expect(strips[0]!.minX).toBe(0);
    expect(strips.at(-1)!.maxX).toBeCloseTo(9000, 1);
    strips.slice(1).forEach(({ minX, minY, maxY }, n) => {
      expect(minX).toBeCloseTo(strips[n]!.maxX, 6);
      expect(maxY - minY).toBeCloseTo(1500, 6);
    });
    expect(rehearsal.coats.find(({ vein }) => !vein)!.strips).toEqual(strips);
  });
  test("very many of them are taken together; a small floor and a counter are poured as one", () => {
    const { strips } = of(hall(120_000))!;
    expect(strips.length).toBeGreaterThan(3);
    expect(strips.length).toBeLessThanOrEqual(6);
    expect(strips.at(-1)!.maxX).toBeCloseTo(120_000, 0);
    expect(of(hall(700))!.strips).toEqual([]);
    expect(of(job)!.strips).toEqual([]);
  });
});

test("a channel's fill is its picture, and what is thinly tinted is seen through", () => {
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const fill = { ...withTechnique(colour, "channel", newId), kind: "fill" as const, coverShare: 1 };
  const found = of({ ...job, pieces: [newPiece("river", "Channel", newId)], coats: [fill] })!;
  const [tint, , , deep] = found.rehearsal.coats[0]!.colours;
  expect(tint!.hides).toBeGreaterThan(0);
  expect(tint!.hides).toBeLessThan(1);
  expect(deep!.hides).toBe(1);
});

test("knots that are filled black before a river leave it the colour that it is filled with", () => {
  const [fill, knots] = (["fill", "prefill"] as const).map((kind) =>
    newCoat(kind, kind, cards[2]!.id, newId),
  );
  const river = {
    ...newPiece("river", "River", newId),
    voids: [{ id: newId(), name: "Knot", lengthMm: 40, widthMm: 20, depthMm: 15, count: 3 }],
  };
  const document = { ...job, pieces: [river], coats: [knots!, fill!] };
  const plan = derivePlan(document, cards);
  const found = rehearsalOf(plan, document, plan.pieces[0]!)!;
  expect(found.rehearsal.coats.map(({ id }) => id)).toEqual([fill!.id]);
});

test("a coat that another one covers is not told to be swallowed: nothing of it is meant to lie on top", () => {
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const again = {
    ...colour,
    id: newId(),
    name: "Again",
    colours: colour.colours.map((colour) => ({ ...colour, id: newId() })),
  };
  const twice = of({
    ...job,
    coats: job.coats.flatMap((coat) => (coat.id === colour.id ? [coat, again] : [coat])),
  })!;
  const first = twice.rehearsal.coats[0]!.colours.map(({ at }) => twice.palette[at]!.poured);
  const last = twice.rehearsal.coats[1]!.colours.map(({ at }) => twice.palette[at]!.poured);
  expect(first.every((share) => share === 0)).toBe(true);
  expect(last.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
});

test("what is fogged is dark over a light coat and light over a dark one, where nothing else is said", () => {
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const paintOver = (name: string, hex?: string) => {
    const coat = {
      ...colour,
      colours: [colourFrom(colourantNamed(name), newId(), 1)],
      passes: [usualPass(newId(), "lay"), usualPass(newId(), "fog", hex ? { work: { hex } } : {})],
    };
    const { rehearsal, palette } = of({ ...job, coats: [coat] })!;
    return palette[rehearsal.coats[0]!.passes[1]!.paint!]!;
  };
  expect(paintOver("Flat white").lab[0]).toBeLessThan(30);
  expect(paintOver("Ink black").lab[0]).toBeGreaterThan(80);
  expect(paintOver("Ink black", "#aa2211").hex.toLowerCase()).toBe("#aa2211");
});

test.each(TECHNIQUE_IDS)("%s can be rehearsed on what it is for", (id) => {
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const technique = TECHNIQUES[id];
  const shape = { top: "straight", tumbler: "tumbler", channel: "river" } as const;
  const kind = technique.for === "channel" ? "fill" : "colour";
  const coat = { ...withTechnique(colour, id, newId), kind, coverShare: 1 } as const;
  const found = of({ ...job, pieces: [newPiece(shape[technique.for], "Piece", newId)], coats: [coat] })!;
  const { ops, steps } = compile(found.rehearsal);
  expect(steps.length).toBe(found.passes.length);
  expect(ops.length).toBeLessThan(300);
  expect(found.passes.some(({ stopHere }) => stopHere !== null) || id === "palm-blend").toBe(true);
  expect(technique.colours.reduce((sum, [, share]) => sum + share, 0)).toBeCloseTo(1, 9);
});

test("the vein map's veins go around a tumbler: its picture has those of its own place on the map", () => {
  const tumbler = newPiece("tumbler", "Tumbler", newId);
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  const vein = (x: number) => ({
    id: newId(),
    seed: 3,
    thickMm: 4,
    points: [
      [x, 60],
      [x + 200, 90],
    ] as [number, number][],
  });
  const document: JobDocument = {
    ...job,
    pieces: [{ ...tumbler, count: 2 }],
    coats: [{ ...colour, passes: [...colour.passes, usualPass(newId(), "veins")] }],
    veinMap: {
      places: {
        [tumbler.id]: { xMm: 1000, yMm: 0, turnDeg: 0 },
        [`${tumbler.id}.2`]: { xMm: -30, yMm: 20, turnDeg: 0 },
      },
      sets: [
        {
          id: "set",
          name: "Ink",
          coatId: colour.id,
          colourId: colour.colours[0]!.id,
          angleDeg: 0,
          metresPerM2: 3,
          thickMm: 4,
          manner: { wander: 0, contrast: 0, branching: 0, hairs: 0, hazeMm: 0 },
          seed: 1,
          // One over the first tumbler, one far to the left of it.
          veins: [vein(1020), vein(0)],
        },
      ],
    },
  };
  const [planned] = of(document)!.rehearsal.coats.at(-1)!.veins!;
  expect(planned!.veins.map(({ points }) => points[0])).toEqual([{ x: 20, y: 60 }]);
  // The second of the two lies over the other vein.
  const plan = derivePlan(document, cards);
  const second = rehearsalOf(plan, document, plan.pieces[0]!, `${tumbler.id}.2`)!;
  expect(second.rehearsal.coats.at(-1)!.veins![0]!.veins.map(({ points }) => points[0])).toEqual([
    { x: 30, y: 40 },
  ]);
});

test("differences in a palette are those of its colours", () => {
  const { palette } = of(job)!;
  const difference = differenceIn(palette);
  expect(difference(0, 0)).toBe(0);
  expect(difference(0, 1)).toBe(difference(1, 0));
  expect(difference(0, 99)).toBe(0);
});

/** The counter with a round leaf in it. */
function withLeaf(): JobDocument {
  const document = structuredClone(job);
  const [piece] = document.pieces;
  piece!.division = {
    rest: { id: "rest", name: "Field" },
    dividers: [
      {
        id: "d",
        drawn: { kind: "shape", shape: { kind: "round", xMm: 300, yMm: 300, diameterMm: 250 } },
        zones: [{ id: "leaf", name: "Leaf" }],
      },
    ],
  };
  return document;
}

test("a pass that is done in some zones only is done there in the picture, and the coat lies in zones for it", () => {
  const document = withLeaf();
  const colour = document.coats.find(({ kind }) => kind === "colour")!;
  colour.passes = [usualPass("lay", "lay"), usualPass("a", "alcohol", { fromMin: 20, zoneIds: ["leaf"] })];
  const { rehearsal } = of(document)!;
  const passes = rehearsal.coats.flatMap((rehearsed) => rehearsed.passes);
  expect(passes.find(({ id }) => id === "a")!.zones).toEqual([1]);
  expect(passes.find(({ id }) => id === "lay")!.zones).toBeUndefined();
  expect(rehearsal.coats.some(({ zones }) => zones?.length === 2)).toBe(true);
});

test("on a divided piece each zone counts with the colours of its own uppermost coat", () => {
  const document = withLeaf();
  const lay = [usualPass("lay", "lay")];
  const [base] = document.coats;
  const coat = (name: string, colour: string, zone: string) => ({
    ...newCoat("colour", name, base!.resinCardId, newId),
    zonesByPiece: { [document.pieces[0]!.id]: [zone] },
    passes: lay.map((pass) => ({ ...pass, id: `${pass.id}-${zone}` })),
    colours: [colourFrom(colourantNamed(colour), newId(), 1)],
  });
  document.coats = [base!, coat("Leaf", "Copper", "leaf"), coat("Field", "Graphite", "rest")];
  const plan = derivePlan(document, cards);
  const measured = plan.pieces[0]!;
  const { palette } = rehearsalOf(plan, document, measured)!;
  for (const [name, zone] of [
    ["Copper", "leaf"],
    ["Graphite", "rest"],
  ])
    expect(palette.find((colour) => colour.name === name)!.poured).toBeCloseTo(
      measured.zones.find(({ id }) => id === zone)!.share,
      9,
    );
});
