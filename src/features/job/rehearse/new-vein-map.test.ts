import { derivePlan } from "@/core/plan/derive-plan";
import { newPiece } from "@/core/geometry/new-piece";
import type { JobDocument } from "@/core/job/job";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { standing } from "@/core/veins/standing";
import { jobDocumentSchema } from "@/contracts/job-document";
import { newVeinMap, veinColours } from "./new-vein-map";

const newId = () => crypto.randomUUID();
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const piecesOf = (document: JobDocument) => standing(derivePlan(document, cards).pieces);
const without = (kind: string): JobDocument => ({
  ...job,
  coats: job.coats.filter((coat) => coat.kind !== kind),
});

test("a vein coat's colours are those of its veins; without one, the little colours of a coat with a vein pass", () => {
  const vein = job.coats.find(({ kind }) => kind === "vein");
  const colour = job.coats.find(({ kind }) => kind === "colour")!;
  if (vein) expect(veinColours(job.coats).every(({ coat }) => coat.kind === "vein")).toBe(true);
  const passes = [
    {
      id: "v",
      kind: "veins" as const,
      tool: "brush" as const,
      note: "",
      rounds: 1,
      mlPerM2: null,
      fromMin: null,
      stopHere: null,
    },
  ];
  const colours = [
    { ...colour.colours[0]!, id: "much", share: 0.95 },
    { ...colour.colours[0]!, id: "little", share: 0.05 },
  ];
  const own = [{ ...colour, colours, passes: passes as unknown as typeof colour.passes }];
  expect(veinColours(own).map(({ colourId }) => colourId)).toEqual(["little"]);
  // None is little: the last one is taken.
  const even = [{ ...own[0]!, colours: colours.map((colour) => ({ ...colour, share: 0.5 })) }];
  expect(veinColours(even).map(({ colourId }) => colourId)).toEqual(["little"]);
  expect(veinColours([{ ...own[0]!, passes: [] }])).toEqual([]);
});

test("nothing to draw with, or on: no map", () => {
  const bare = { ...without("vein"), coats: without("vein").coats.map((coat) => ({ ...coat, passes: [] })) };
  expect(newVeinMap(bare, piecesOf(bare))).toBeNull();
  expect(newVeinMap(job, [])).toBeNull();
});

test.each(["straight", "round", "tumbler", "mould", "floor", "sample"] as const)(
  "a first map of a %s can be kept, its veins as thick as suits the piece",
  (kind) => {
    const piece = { ...newPiece(kind, "Piece", newId), count: kind === "tumbler" ? 30 : 2 };
    const document = { ...job, pieces: [piece] };
    const pieces = piecesOf(document);
    const map = newVeinMap(document, pieces);
    if (!map) throw new Error("no map");
    expect(Object.keys(map.places).length).toBe(pieces.length);
    expect(jobDocumentSchema.safeParse({ ...document, veinMap: map }).error?.issues ?? []).toEqual([]);
    const [thick, ...thin] = map.sets;
    for (const set of thin) expect(set.thickMm).toBeLessThan(thick!.thickMm);
    const across = Math.sqrt(pieces[0]!.outline.areaMm2);
    expect(thick!.thickMm).toBeLessThan(0.05 * across);
  },
);
