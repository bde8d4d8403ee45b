import { derivePlan } from "./derive-plan";
import type { JobDocument } from "./job";
import { newPiece } from "./new-piece";
import { differenceIn, rehearsalOf } from "./rehearse";
import { sampleJob, starterCards } from "./sample-job";

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

test("what has no flat top, or nothing coloured, is not rehearsed", () => {
  expect(of({ ...job, pieces: [newPiece("tumbler", "Tumbler", newId)] })).toBeNull();
  expect(
    of({ ...job, coats: job.coats.filter(({ kind }) => kind !== "colour" && kind !== "vein") }),
  ).toBeNull();
});

test("differences in a palette are those of its colours", () => {
  const { palette } = of(job)!;
  const difference = differenceIn(palette);
  expect(difference(0, 0)).toBe(0);
  expect(difference(0, 1)).toBe(difference(1, 0));
  expect(difference(0, 99)).toBe(0);
});
