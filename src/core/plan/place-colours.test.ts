import { ciede2000 } from "../colour/ciede2000";
import { colourantNamed, colourFrom, starterColours } from "../colour/starter-colours";
import { newPiece } from "../geometry/new-piece";
import { emptyJob, newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import type { Coat } from "../schedule/coat";
import { colourPlan } from "./colour-plan";
import { derivePlan } from "./derive-plan";
import { CARDS, newId } from "./testing/sample";

const RESIN = CARDS[0]!.id;
const SHELF = starterColours(newId);
const colour = (name: string, share = 1, placeIds?: string[]) => ({
  ...colourFrom(colourantNamed(name), `${name}-${share}`, share),
  ...(placeIds && { placeIds }),
});
/** A tint that shows what lies under it: a colourant of the shelf, thin. */
const tint = () => {
  const card = SHELF.find(({ name }) => name === "Phthalo blue paste")!;
  return {
    ...colour("Clear"),
    id: "tint",
    name: "Blue tint",
    look: "tint" as const,
    parts: [{ cardId: card.id, name: card.name, gPer100G: 0.02, measure: card.measure }],
    gPer100G: 0.02,
  };
};
const piece = () => ({
  ...newPiece("rectangle", "Panel", newId),
  id: "panel",
  shape: { kind: "rectangle" as const, lengthMm: 1000, depthMm: 600 },
  division: {
    rest: { id: "rest", name: "Field" },
    dividers: [
      {
        id: "d",
        drawn: {
          kind: "shape" as const,
          shape: { kind: "rectangle" as const, xMm: 250, yMm: 300, lengthMm: 500, depthMm: 600 },
        },
        zones: [{ id: "left", name: "Left" }],
      },
    ],
  },
});
const coat = (kind: Coat["kind"], colours: Coat["colours"], zones?: string[]): Coat => ({
  ...newCoat(kind, kind, RESIN, newId),
  filmMm: 1,
  coverShare: 1,
  colours,
  ...(zones && { zonesByPiece: { panel: zones } }),
});
const planOf = (coats: Coat[]) => {
  const job: JobDocument = { ...emptyJob(), ground: "primed", pieces: [piece()], coats };
  return { job, plan: derivePlan(job, CARDS, SHELF) };
};

test("where every coat lies alike on all zones it is the plan of an undivided piece, each zone like the other", () => {
  const { job, plan } = planOf([coat("base", [colour("Ink black")]), coat("colour", [tint()])]);
  const whole = colourPlan({ ...job, coats: plan.coats.map((planned) => planned.coat) }, SHELF);
  plan.looks.coats.forEach((looks, n) => {
    expect(looks.average.hex).toBe(whole.coats[n]!.average.hex);
    expect(looks.under.hex).toBe(whole.coats[n]!.under.hex);
  });
  expect(ciede2000(plan.looks.finished.lab, whole.finished.lab)).toBeLessThan(1e-6);
  for (const { finished } of plan.places) expect(finished.hex).toBe(whole.finished.hex);
});

test("a tint over black on the left and white on the right is two colours, and its own ground is that of where it lies", () => {
  const { plan } = planOf([
    coat("base", [colour("Ink black", 0.5, ["left"]), colour("Flat white", 0.5, ["rest"])]),
    coat("colour", [tint()], ["rest"]),
  ]);
  const [left, right] = ["left", "rest"].map((id) => plan.places.find(({ zoneId }) => zoneId === id)!);
  expect(left!.finished.lab[0]).toBeLessThan(25);
  expect(right!.finished.lab[0]).toBeGreaterThan(60);
  // Blue shows on the white half alone.
  expect(right!.finished.lab[2]).toBeLessThan(-5);
  expect(Math.abs(left!.finished.lab[2])).toBeLessThan(5);
  const [, over] = plan.looks.coats;
  expect(over!.under.hex).toBe(plan.looks.coats[0]!.colours[1]!.hex);
  expect(left!.after.get(over!.coat.id)).toMatchObject({ here: false });
  expect(right!.after.get(over!.coat.id)).toMatchObject({ here: true });
});

test("the finished top is the zones by their areas", () => {
  const { plan } = planOf([
    coat("colour", [colour("Ink black", 0.5, ["left"]), colour("Flat white", 0.5, ["rest"])]),
  ]);
  const mean = plan.places.reduce((sum, { finished, areaMm2 }) => sum + finished.xyz[1] * areaMm2, 0);
  const area = plan.places.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
  expect(area).toBeCloseTo(600_000, 3);
  expect(plan.looks.finished.xyz[1]).toBeCloseTo(mean / area, 9);
});
