import { derivePlan } from "../plan/derive-plan";
import { CARDS, colourCoat, job, newId } from "../plan/testing/sample";
import { POURED_BEFORE, pouredBefore } from "../pour/poured-before";
import { FAULTS, REPAIRS } from "./fault-table";
import { isRecoat, repairCoat } from "./repair";

const document = job();
const plan = derivePlan(document, CARDS);
const coat = colourCoat(document);
const [piece] = plan.pieces;
const pin = (sizeMm: number | null) => ({ sizeMm, place: { pieceId: piece!.id, xMm: 100, yMm: 100 } });
const repaired = (repair: string, pins = [pin(80)]) =>
  repairCoat({ repair, fault: "Bald face", coat, pins, plan, newId });

test("every repair that is a coat can be planned on the job, with a batch and windows, after what is there", () => {
  const recoats = Object.keys(REPAIRS).filter(isRecoat);
  expect(recoats.length).toBeGreaterThan(15);
  for (const repair of recoats) {
    const made = repaired(repair)!;
    const { coats } = derivePlan({ ...document, coats: [...document.coats, made] }, CARDS);
    const planned = coats.at(-1)!;
    expect([repair, planned.problem]).toEqual([repair, null]);
    expect(planned.batched!.mixMl.likely).toBeGreaterThan(0);
    const below = coats.at(-2)!.windows!;
    expect(planned.windows!.mixedAtMin).toBeGreaterThan(below.mixedAtMin);
    const ids = coats.flatMap(({ coat }) => [coat.id, ...coat.passes.map(({ id }) => id)]);
    expect(new Set(ids).size).toBe(ids.length);
  }
});

test("what is sanded is sanded first; what is fed wet is not; what is no coat is none", () => {
  expect(repaired("sandFlat")!.passes[0]!.kind).toBe("sand");
  expect(repaired("mixMore")!.startsAfter).toBe("recoat");
  expect(repaired("mixMore")!.passes.some(({ kind }) => kind === "sand")).toBe(false);
  for (const repair of ["wait", "protect", "hotOut", "constructor"]) expect(repaired(repair)).toBeNull();
  for (const { causes } of FAULTS) for (const { repair } of causes) expect(REPAIRS[repair]).toBeTruthy();
});

test("a colour that is laid once more over all keeps its fine work; a patch does not; a sunk fill gets what it sinks by", () => {
  const kinds = (repair: string) => repaired(repair)!.passes.map(({ kind }) => kind);
  expect(kinds("respray")).toContain("alcohol");
  expect(kinds("scrape")).not.toContain("alcohol");
  expect(kinds("respray").filter((kind) => kind === "sand")).toHaveLength(1);
  expect(repaired("respray")!.passes[0]!.note).toMatch(/fine mist/);
  const fill = repairCoat({
    repair: "fillUp",
    fault: "Fill has sunk",
    coat: { ...coat, kind: "fill" },
    pins: [pin(80)],
    plan,
    newId,
  })!;
  // The usual high end of what a fill sinks by, 6 % (factors).
  expect(fill.coverShare).toBeCloseTo(0.06, 9);
});

test("a patch is as large as the fault, on the piece of its pin: by hand, 2.5 times 80 mm across", () => {
  const patch = repaired("scrape")!;
  const area = piece!.topAreaMm2;
  expect(patch.coverShare).toBeCloseTo(Math.max(0.01, (2.5 * Math.PI * 1600) / area), 9);
  expect(patch.pieceIds).toEqual([piece!.id]);
  expect(repaired("scrape", [pin(160)])!.coverShare).toBeGreaterThanOrEqual(patch.coverShare);
  expect(repaired("clear")!.coverShare).toBe(1);
});

test("coats that lie there already: those of which something was done, of pours that were not called off", () => {
  const at = "2026-05-04T09:00:00.000Z";
  const tick = { id: "1", at, kind: "tick" as const, stepId: `${coat.id}:1:weigh` };
  expect(pouredBefore([{ events: [tick] }])).toEqual(new Set([coat.id]));
  expect(pouredBefore([{ events: [tick, { id: "2", at, kind: "untick", stepId: tick.stepId }] }]).size).toBe(
    0,
  );
  expect(pouredBefore([{ events: [tick, { id: "3", at, kind: "call-off", why: "" }] }]).size).toBe(0);
  expect(POURED_BEFORE).toBeTruthy();
});
