import { saidIn } from "../units/said";
import { buildOf, nextLayer, piecesOf, withBuild, withBuildOf, withOwnBuild } from "../job/builds";
import { derivePlan } from "./derive-plan";
import type { JobDocument } from "../job/job";
import { newCoat } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { newPiece } from "../geometry/new-piece";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = (): JobDocument => {
  const document = sampleJob(cards, newId);
  return { ...document, pieces: [...document.pieces, newPiece("round", "Table", newId)] };
};
const mixed = (document: JobDocument, coat: number) =>
  derivePlan(document, cards).coats[coat]?.batched?.mixMl.likely ?? 0;

test("a coat that names no pieces goes on all, and on those added later", () => {
  const document = job();
  expect(piecesOf(document, document.coats[0]!)).toHaveLength(2);
  expect(buildOf(document, document.pieces[1]!.id)).toHaveLength(4);
});

test("a build of its own: shared coats leave the piece out, copies are for it alone, areas sum to what they were", () => {
  const before = job();
  const [counter, table] = before.pieces as unknown as [{ id: string }, { id: string }];
  const after = withOwnBuild(before, table.id, newId);
  expect(after.coats).toHaveLength(8);
  expect(buildOf(after, table.id).map((coat) => coat.name)).toEqual([
    "Primer, black, Table",
    "Base, black, Table",
    "Palm blend, veins late, Table",
    "Clear flood, Table",
  ]);
  expect(buildOf(after, counter.id)).toHaveLength(4);
  const area = (document: JobDocument) =>
    derivePlan(document, cards).coats.reduce((sum, coat) => sum + (coat.batched?.topAreaMm2 ?? 0), 0);
  expect(area(after)).toBeCloseTo(area(before), 3);
  const ids = after.coats.flatMap((coat) => [
    coat.id,
    ...coat.colours.map(({ id }) => id),
    ...coat.passes.map(({ id }) => id),
  ]);
  expect(new Set(ids).size).toBe(ids.length);
  // Done twice it changes nothing more.
  expect(withOwnBuild(after, table.id, newId).coats).toHaveLength(8);
});

test("where colours go stays with the piece that gets a build of its own", () => {
  const before = job();
  const [counter, table] = before.pieces;
  const [colour] = before.coats[2]!.colours;
  const weight = { id: "w", colourId: colour!.id, kind: "more" as const, xMm: 100, yMm: 100, reachMm: 50 };
  before.pieces = [counter!, { ...table!, weights: [weight] }];
  const after = withOwnBuild(before, table!.id, newId);
  const copied = buildOf(after, table!.id)[2]!.colours[0]!;
  expect(copied.name).toBe(colour!.name);
  expect(after.pieces[1]!.weights).toEqual([{ ...weight, colourId: copied.id }]);
});

test("one piece takes the build of another, films and all", () => {
  const before = job();
  const [counter, table] = before.pieces as unknown as [{ id: string }, { id: string }];
  before.coats[1] = { ...before.coats[1]!, pieceIds: [counter.id], filmByPieceMm: { [counter.id]: 0.8 } };
  const after = withBuildOf(before, counter.id, table.id);
  expect(after.coats[1]?.pieceIds).toBeUndefined();
  expect(after.coats[1]?.filmByPieceMm).toEqual({ [counter.id]: 0.8, [table.id]: 0.8 });
});

test("another job's build goes on this job's pieces, with ids of its own", () => {
  const [here, there] = [job(), job()];
  there.coats[2] = { ...there.coats[2]!, pieceIds: [there.pieces[0]!.id], filmMm: 1.4 };
  const after = withBuild(here, there.coats, newId);
  expect(piecesOf(after, after.coats[2]!)).toHaveLength(2);
  expect(after.coats.map(({ id }) => id)).not.toEqual(there.coats.map(({ id }) => id));
  expect(mixed(after, 2)).toBeGreaterThan(mixed(here, 2));
});

describe("what a coat covers", () => {
  test("a film of its own on one piece, and a ground that drinks more there", () => {
    const document = job();
    const [counter, table] = document.pieces as unknown as [{ id: string }, { id: string }];
    const plain = mixed(document, 2);
    document.coats[2] = { ...document.coats[2]!, filmByPieceMm: { [table.id]: 2 } };
    expect(mixed(document, 2)).toBeGreaterThan(plain);
    const drunk = () =>
      derivePlan(document, cards).coats[0]?.batched?.losses.find((loss) => loss.id === "ground")?.ml.likely ??
      0;
    const mdf = drunk();
    document.groundByPiece = { [counter.id]: "concrete" };
    expect(drunk()).toBeGreaterThan(mdf);
  });
  test("only the first coat on each piece is drunk: a coat for one piece is the first there", () => {
    const document = job();
    const [counter, table] = document.pieces as unknown as [{ id: string }, { id: string }];
    document.coats[0] = { ...document.coats[0]!, pieceIds: [counter.id] };
    const grounds = derivePlan(document, cards).coats.map((coat) =>
      coat.batched?.losses.some((loss) => loss.id === "ground"),
    );
    expect(grounds.slice(0, 3)).toEqual([true, true, false]);
    document.coats[1] = { ...document.coats[1]!, pieceIds: [table.id] };
    expect(derivePlan(document, cards).coats[1]?.batched?.topAreaMm2).toBeCloseTo(Math.PI * 400 ** 2, 3);
  });
  test("a fill takes the channel, a pre-fill the voids, an edge seal the banks; other coats the top", () => {
    const river = newPiece("river", "River", newId);
    river.voids = [{ id: "v", name: "Knot", lengthMm: 40, widthMm: 30, depthMm: 20, count: 2 }];
    const document: JobDocument = {
      ...job(),
      pieces: [river],
      coats: (["prefill", "edge-seal", "fill", "clear"] as const).map((kind) =>
        newCoat(kind, kind, cards[2]!.id, newId),
      ),
    };
    const plan = derivePlan(document, cards);
    const [prefill, seal, fill, clear] = plan.coats.map((coat) => coat.batched!);
    expect(prefill!.onTopMl.likely).toBeCloseTo(48, 9);
    expect(fill!.onTopMl.likely).toBeCloseTo(plan.pieces[0]!.fillMl!.likely, 9);
    expect(seal!.topAreaMm2).toBeCloseTo(plan.pieces[0]!.sealAreaMm2, 9);
    expect(clear!.topAreaMm2).toBeCloseTo(plan.pieces[0]!.topAreaMm2, 9);
    expect(fill!.losses.map((loss) => loss.id)).toContain("shrink");
  });
  test("what cannot be is said in words", () => {
    const document = job();
    document.coats = [
      newCoat("fill", "Fill", cards[2]!.id, newId),
      { ...newCoat("clear", "Clear", cards[0]!.id, newId), pieceIds: [] },
    ];
    expect(derivePlan(document, cards).coats.map((coat) => coat.problem)).toEqual([
      "No piece of this coat has a depth to fill.",
      "This coat goes on no piece. Choose one.",
    ]);
  });
});

describe("fills in layers", () => {
  const casting = cards.find(({ kind }) => kind === "casting")!;
  const mould = (...starts: Coat["startsAfter"][]) => {
    const document = sampleJob(cards, newId);
    document.pieces = [newPiece("mould", "Geode", newId)];
    const share = 1 / starts.length;
    document.coats = starts.map((startsAfter, index) => ({
      ...newCoat("fill", `Layer ${index + 1}`, casting.id, newId),
      startsAfter,
      coverShare: share,
    }));
    return derivePlan(document, cards);
  };
  test("wet halves heat as one pour of both; a half that waits for the other's gel heats alone", () => {
    const [planned] = mould("next-day").coats;
    const wet = mould("next-day", "wet").coats;
    for (const { reactingMm } of wet) expect(reactingMm).toBeCloseTo(planned!.pourDepthMm!, 6);
    expect(wet[1]!.pourDepthMm).toBeCloseTo(planned!.pourDepthMm! / 2, 6);
    for (const { reactingMm, pourDepthMm } of mould("next-day", "next-day").coats)
      expect(reactingMm).toBeCloseTo(pourDepthMm!, 6);
  });
  test("too deep together is said, though each alone is not", () => {
    const document = sampleJob(cards, newId);
    const deep = newPiece("mould", "Geode", newId);
    document.pieces = [
      deep.shape.kind === "mould" ? { ...deep, shape: { ...deep.shape, depthMm: 80 } } : deep,
    ];
    document.coats = [0, 1].map((index) => ({
      ...newCoat("fill", `Half ${index + 1}`, casting.id, newId),
      startsAfter: index === 0 ? "next-day" : "wet",
      coverShare: 0.5,
    }));
    const said = derivePlan(document, cards).advice.filter(({ rule }) => rule === "film-too-thick");
    expect(said.map(({ what }) => saidIn(what, "metric")).join(" ")).toMatch(/80 mm react together/);
  });
  test("a copied layer waits for the one below, inside its recoat window or the next day; a thin copy begins as before", () => {
    const fill = { ...newCoat("fill", "Layer", casting.id, newId), startsAfter: "wet" as const };
    expect(nextLayer(fill, { ...casting, recoatFromH: 12 }, [], newId)).toMatchObject({
      startsAfter: "recoat",
    });
    expect(nextLayer(fill, { ...casting, recoatFromH: null }, [], newId)).toMatchObject({
      startsAfter: "next-day",
    });
    expect(nextLayer(newCoat("colour", "Thin", null, newId), null, [], newId).startsAfter).toBe("wet");
  });
});
