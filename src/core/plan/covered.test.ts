import { measurePiece, type Measured } from "../geometry/measure";
import { newPiece } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import { emptyJob, newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import type { CoatKind } from "../schedule/coat";
import { coveredBy, coveredM2, pourDepthMm } from "./covered";

const FRESH = new Set<string>();

let made = 0;
const newId = () => `id-${(made += 1)}`;
const measured = (piece: Piece): Measured => {
  const measurement = measurePiece(piece);
  if (!measurement.ok) throw new Error("not measured");
  return measurement.measured;
};
const edge = (treatment: "open" | "dam" | "face") => ({ treatment, heightMm: 40, roundingMm: 0 });
const top = measured({
  ...newPiece("rectangle", "Top", newId),
  id: "top",
  shape: { kind: "rectangle", lengthMm: 1000, depthMm: 500 },
  edges: { front: edge("face"), right: edge("open"), back: edge("dam"), left: edge("face") },
});
const river = measured({ ...newPiece("river", "River", newId), id: "river" });
const job: JobDocument = { ...emptyJob(), ground: "wood", groundByPiece: { river: "concrete" } };
const coat = (kind: CoatKind) => newCoat(kind, kind, "r", newId);

describe("what a coat covers of a piece", () => {
  test("a coat on top: the top, its faces, its edges by what is done with them; the ground only under the first", () => {
    expect(coveredBy(coat("colour"), top, job, FRESH)).toMatchObject([
      {
        topAreaMm2: 500_000,
        faceAreaMm2: top.faceAreaMm2,
        openLengthMm: 500,
        faceLengthMm: 1500,
        damLengthMm: 1000,
        ground: "wood",
        fillMl: null,
      },
    ]);
    expect(coveredBy(coat("colour"), top, job, new Set(["top"]))[0]?.ground).toBeNull();
    expect(coveredBy(coat("colour"), river, job, FRESH)[0]?.ground).toBe("concrete");
  });
  test("without faces it leaves the faces and what runs down them", () => {
    expect(coveredBy({ ...coat("colour"), coversFaces: false }, top, job, FRESH)).toMatchObject([
      {
        faceAreaMm2: 0,
        faceLengthMm: 0,
        openLengthMm: 500,
      },
    ]);
  });
  test("an edge seal covers what it seals and nothing runs off", () => {
    expect(coveredBy(coat("edge-seal"), top, job, FRESH)).toMatchObject([
      {
        topAreaMm2: top.sealAreaMm2,
        faceAreaMm2: 0,
        openLengthMm: 0,
        faceLengthMm: 0,
        damLengthMm: 0,
      },
    ]);
  });
  test("a fill takes the volume of the channel, drinks nothing, and goes on nothing without depth", () => {
    const filled = coveredBy(coat("fill"), river, job, FRESH)[0]!;
    expect(filled).toMatchObject({ ground: null, openLengthMm: 0, damLengthMm: 0, faceAreaMm2: 0 });
    expect(filled.fillMl).toEqual(river.fillMl);
    expect(coveredBy(coat("fill"), top, job, FRESH)).toEqual([]);
    expect(coveredBy(coat("prefill"), top, job, FRESH)).toEqual([]);
  });
  test("it does not go on pieces that it does not name", () =>
    expect(coveredBy({ ...coat("colour"), pieceIds: ["other"] }, top, job, FRESH)).toEqual([]));
});

test("the area covered counts copies and its share; a fill is laid out at its film", () => {
  const two = { ...coveredBy(coat("colour"), top, job, FRESH)[0]!, count: 2 };
  expect(coveredM2({ ...coat("colour"), coverShare: 0.5 }, [two])).toBeCloseTo(0.5, 9);
  const filled = coveredBy(coat("fill"), river, job, FRESH)[0]!;
  const fill = { ...coat("fill"), filmMm: 10, coverShare: 1 };
  expect(coveredM2(fill, [filled])).toBeCloseTo(river.fillMl!.likely / 1000 / 10, 9);
});

test("a pour is as deep as its deepest channel, by its share; a void by itself; on a top it has no depth", () => {
  expect(pourDepthMm(coat("colour"), [top, river])).toBeNull();
  expect(pourDepthMm({ ...coat("fill"), coverShare: 0.5 }, [top, river])).toBeCloseTo(
    0.5 * river.fillDepthMm,
    9,
  );
  expect(pourDepthMm({ ...coat("fill"), pieceIds: ["top"] }, [top, river])).toBe(0);
  const knots = [
    { id: "a", name: "Knot", count: 1, lengthMm: 40, widthMm: 20, depthMm: 12 },
    { id: "b", name: "Crack", count: 3, lengthMm: 90, widthMm: 4, depthMm: 18 },
  ] as unknown as NonNullable<Piece["voids"]>;
  expect(pourDepthMm(coat("prefill"), [{ ...top, piece: { ...top.piece, voids: knots } }])).toBe(18);
});
