import fc from "fast-check";
import type { CoatColour } from "../batch/coat-colour";
import type { Divider, Zone } from "../geometry/zones/division";
import { newPiece } from "../geometry/new-piece";
import { colourantNamed, colourFrom } from "../colour/starter-colours";
import type { ResinCard } from "../cure/resin-card";
import { emptyJob, newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import { placeless, type Coat } from "../schedule/coat";
import { derivePlan } from "./derive-plan";
import { CARDS, newId } from "./testing/sample";
import type { PlannedCoat } from "./timed";

const TABLE_RESIN = CARDS[0] as ResinCard;
const colour = (name: string, share: number, more: Partial<CoatColour> = {}): CoatColour => ({
  ...colourFrom(colourantNamed(name), name.toLowerCase().replace(/\W/g, "-"), share),
  reserve: 0,
  ...more,
});
const NAMES = ["Flat white", "Ink black"];
const inlay: Zone = { id: "inlay", name: "Inlay" };
const divider = (more: Partial<Divider> = {}): Divider => ({
  id: "d",
  drawn: { kind: "shape", shape: { kind: "rectangle", xMm: 500, yMm: 300, lengthMm: 400, depthMm: 250 } },
  zones: [inlay],
  ...more,
});
const island = (dividers = [divider()], count = 1) => ({
  ...newPiece("rectangle", "Island", newId),
  id: "island",
  count,
  shape: { kind: "rectangle" as const, lengthMm: 1000, depthMm: 600 },
  division: { rest: { id: "rest", name: "Rest" }, dividers },
});
const coat = (more: Partial<Coat> = {}): Coat => ({
  ...newCoat("colour", "Colour", TABLE_RESIN.id, newId),
  id: "colour",
  filmMm: 2,
  coversFaces: false,
  clearReserve: 0,
  passes: [],
  colours: [colour("Flat white", 0.5), colour("Ink black", 0.5)],
  ...more,
});
const planOf = (coats: Coat[], pieces: JobDocument["pieces"] = [island()]) =>
  derivePlan({ ...emptyJob(), pieces, coats }, CARDS);
const first = (coats: Coat[], pieces?: JobDocument["pieces"]): PlannedCoat => {
  const [planned] = planOf(coats, pieces).coats;
  if (!planned) throw new Error("no coat");
  return planned;
};
const cupsOf = ({ batched }: PlannedCoat) => (batched?.batches ?? []).flatMap(({ cups }) => cups);
const mlOf = (planned: PlannedCoat, name: string) =>
  cupsOf(planned)
    .filter((cup) => cup.name === name)
    .reduce((sum, { ml }) => sum + ml, 0);
const INLAY_M2 = 0.1;
const ISLAND_M2 = 0.6;

describe("a coat by zone", () => {
  test("behind tape some of it goes off with the tape: its border by its film, more for its area the smaller the zone", () => {
    const tape = { barrier: { kind: "tape", widthMm: 25 } } as const;
    const on = { zonesByPiece: { island: ["inlay"] } };
    const lossOf = (planned: PlannedCoat) => planned.batched!.losses.find(({ id }) => id === "tape");
    // 2 · (400 + 250) mm of border, a film of 2 mm, 4 mm over it.
    expect(lossOf(first([coat(on)], [island([divider(tape)])]))?.ml.likely).toBeCloseTo(1.3 * 2 * 4, 6);
    expect(lossOf(first([coat(on)], [island([divider()])]))).toBeUndefined();
    // Laid alike over all of it there is no tape any more.
    expect(lossOf(first([coat()], [island([divider(tape)])]))).toBeUndefined();
    const small = divider({
      ...tape,
      drawn: { kind: "shape", shape: { kind: "rectangle", xMm: 500, yMm: 300, lengthMm: 100, depthMm: 60 } },
    });
    const share = (planned: PlannedCoat) => lossOf(planned)!.ml.likely / planned.batched!.onTopMl.likely;
    expect(share(first([coat(on)], [island([small])]))).toBeGreaterThan(
      3 * share(first([coat(on)], [island([divider(tape)])])),
    );
  });
  test("of one zone it covers that zone's area alone", () => {
    const planned = first([coat({ zonesByPiece: { island: ["inlay"] } })]);
    expect(planned.coveredM2).toBeCloseTo(INLAY_M2, 9);
    expect(planned.batched?.onTopMl.likely).toBeCloseTo(INLAY_M2 * 2000, 6);
    expect(planned.batched?.batches[0]?.sections).toMatchObject([
      { pieceId: "island", zoneId: "inlay", pieceName: "Island, Inlay", whole: true },
    ]);
  });

  test("of all zones alike it is a coat of the whole piece", () => {
    const whole = first([coat()]);
    const named = first([coat({ zonesByPiece: { island: ["inlay", "rest"] } })]);
    expect(named.batched?.batches[0]?.sections).toMatchObject([{ zoneId: null, pieceName: "Island" }]);
    expect(named.batched?.mixMl.likely).toBeCloseTo(whole.batched?.mixMl.likely ?? NaN, 6);
  });

  test("films differ by zone, and one mix serves both", () => {
    const planned = first([coat({ filmByPieceMm: { inlay: 5 } })]);
    expect(planned.batched?.onTopMl.likely).toBeCloseTo(INLAY_M2 * 5000 + (ISLAND_M2 - INLAY_M2) * 2000, 6);
  });

  test("a pool is filled to its depth by a fill, and nothing else of the piece", () => {
    const pool = divider({ zones: [{ ...inlay, poolMm: 6 }] });
    const planned = first([{ ...coat({ coverShare: 1 }), kind: "fill" }], [island([pool])]);
    expect(planned.batched?.onTopMl.likely).toBeCloseTo(INLAY_M2 * 6000, 6);
    expect(planned.pourDepthMm).toBe(6);
  });

  test("the ground drinks once in each zone", () => {
    const seal = coat({ id: "seal", zonesByPiece: { island: ["inlay"] } });
    const plan = planOf([seal, coat({ id: "over" })]);
    const soaks = plan.coats.map(({ batched }) => batched?.losses.some(({ id }) => id === "ground") ?? false);
    const places = plan.coats[1]?.batched?.batches[0]?.sections.map(({ zoneId }) => zoneId);
    expect(soaks).toEqual([true, true]);
    expect(places?.sort()).toEqual(["inlay", "rest"]);
  });
});

describe("colours that go on some zones", () => {
  test("each zone shares its volume among the colours that go on it", () => {
    const planned = first([
      coat({
        colours: [
          colour("Flat white", 0.5, { placeIds: ["rest"] }),
          colour("Ink black", 0.5, { placeIds: ["inlay"] }),
        ],
      }),
    ]);
    const [white, black] = NAMES.map((name) => mlOf(planned, name)) as [number, number];
    expect(black / (white + black)).toBeCloseTo(INLAY_M2 / ISLAND_M2, 6);
    expect(cupsOf(planned).map(({ places }) => places)).toEqual([["Island, Rest"], ["Island, Inlay"]]);
  });

  test("one that goes everywhere keeps its part of each zone", () => {
    const planned = first([
      coat({ colours: [colour("Flat white", 0.5), colour("Ink black", 0.5, { placeIds: ["inlay"] })] }),
    ]);
    const black = mlOf(planned, "Ink black");
    expect(black / (black + mlOf(planned, "Flat white"))).toBeCloseTo((0.5 * INLAY_M2) / ISLAND_M2, 6);
  });

  test("a zone that no colour goes on is told by name", () => {
    const planned = first([coat({ colours: [colour("Flat white", 1, { placeIds: ["rest"] })] })]);
    expect(planned.problem).toBe("No colour of this coat goes on Island, Inlay. Say which one does.");
  });

  test("over several batches each cup is mixed for the zones that its batch covers", () => {
    const planned = first(
      [
        coat({
          filmMm: 8,
          batches: 6,
          colours: [
            colour("Flat white", 0.5, { placeIds: ["rest"] }),
            colour("Ink black", 0.5, { placeIds: ["inlay"] }),
          ],
        }),
      ],
      [island(undefined, 4)],
    );
    for (const { cups, sections, parts } of planned.batched?.batches ?? []) {
      const zones = new Set(sections.map(({ zoneId }) => zoneId));
      expect(cups.some(({ name }) => name === "Flat white")).toBe(zones.has("rest"));
      expect(cups.some(({ name }) => name === "Ink black")).toBe(zones.has("inlay"));
      expect(parts.mixMl).toBeCloseTo(
        cups.reduce((sum, { ml }) => sum + ml, 0),
        6,
      );
    }
    const inMix = cupsOf(planned).reduce((sum, { ml }) => sum + ml, 0);
    expect(inMix).toBeCloseTo(planned.batched?.mixMl.likely ?? NaN, 6);
  });

  test("whatever goes where, cups hold what is mixed and zones take what they are", () => {
    const places = fc.subarray(["rest", "inlay"], { minLength: 1 });
    fc.assert(
      fc.property(
        fc.tuple(places, places),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 3 }),
        ([one, other], share, batches, count) => {
          const planned = first(
            [
              coat({
                filmMm: 6,
                batches,
                colours: [
                  colour("Flat white", share, { placeIds: one }),
                  colour("Ink black", 1 - share, { placeIds: other }),
                ],
              }),
            ],
            [island(undefined, count)],
          );
          if (planned.problem) {
            expect(new Set([...one, ...other]).size).toBe(1);
            return;
          }
          const { batched } = planned;
          const cups = cupsOf(planned).reduce((sum, { ml }) => sum + ml, 0);
          expect(cups / (batched?.mixMl.likely ?? NaN)).toBeCloseTo(1, 9);
          expect((batched?.colours ?? []).reduce((sum, colour) => sum + colour.share, 0)).toBeCloseTo(1, 9);
          expect(batched?.onTopMl.likely).toBeCloseTo(count * ISLAND_M2 * 6000, 4);
          expect((batched?.batches ?? []).reduce((sum, batch) => sum + batch.share, 0)).toBeCloseTo(1, 9);
        },
      ),
      { numRuns: 60 },
    );
  });
});

test("without its places a coat and its colours name no piece and no zone of this job", () => {
  const left = placeless(
    coat({
      pieceIds: ["island"],
      zonesByPiece: { island: ["inlay"] },
      filmByPieceMm: { inlay: 3 },
      colours: [colour("Flat white", 1, { placeIds: ["inlay"] })],
    }),
  );
  expect(JSON.stringify(left)).not.toMatch(/inlay|island/);
  expect(left.colours[0]).toMatchObject({ name: "Flat white", share: 1 });
});
