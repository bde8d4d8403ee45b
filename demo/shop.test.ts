import { randomUUID } from "node:crypto";
import { jobDocumentSchema } from "@/contracts/job-document";
import { comparePour } from "@/core/pour/compare-pour";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour, mixedAt } from "@/core/pour/pour-events";
import { nextStep } from "@/core/pour/sheet-now";
import { runSheet } from "@/core/pour/run-sheet";
import { starterColours } from "@/core/colour/starter-colours";
import { recipeOf, type RecipeDocument } from "@/core/recipe/recipe";
import { recipeChanges } from "@/core/recipe/recipe-changes";
import { starterCards } from "@/core/cure/starter-cards";
import { recipeDocument } from "@/contracts/recipes";
import { demoPour } from "./pours";
import { DEMO_RECIPES } from "./recipes";
import { demoJobs } from "./shop";

const cards = starterCards(randomUUID);
const jobs = demoJobs(cards, starterColours(randomUUID));
const now = new Date("2026-05-14T15:18:00.000Z");
const poured = (kind: "wet" | "left-over" | "ran-short") => {
  const job = jobs.find((demo) => demo.pour === kind)!;
  const plan = derivePlan(job.document, cards);
  const steps = runSheet(plan, "us");
  const pour = demoPour(kind, job.document, cards, now);
  return { plan, steps, pour, state: foldPour(pour.events) };
};

test("at least four jobs at different stages, each a valid document that can be planned without a fault", () => {
  expect(jobs.length).toBeGreaterThanOrEqual(4);
  expect(new Set(jobs.map((job) => job.fields.status)).size).toBe(5);
  for (const { document, fields } of jobs) {
    expect(jobDocumentSchema.parse(document)).toEqual(document);
    const plan = derivePlan(document, cards);
    expect([fields.name, plan.faults, plan.coats.map((coat) => coat.problem)]).toEqual([
      fields.name,
      [],
      plan.coats.map(() => null),
    ]);
    expect(plan.advice.filter((advice) => advice.kind === "safety")).toEqual([]);
  }
});

test("recipes: every version is one that the app takes, and differs from the one it was made from", () => {
  for (const { job, versions } of DEMO_RECIPES) {
    const { document } = jobs.find(({ fields }) => fields.name === job)!;
    const made: RecipeDocument[] = [];
    for (const { from, edit } of versions) {
      const parent = from === null ? null : made[from - 1]!;
      const recipe = edit(parent ?? recipeOf(document, derivePlan(document, cards).coats));
      expect(recipeDocument.parse(recipe)).toEqual(recipe);
      if (parent) expect(recipeChanges(parent, recipe, "us").length).toBeGreaterThan(0);
      made.push(recipe);
    }
  }
  expect(
    DEMO_RECIPES.flatMap(({ versions }) => versions.flatMap(({ boards }) => boards)).length,
  ).toBeGreaterThan(3);
});

test("one pour is wet now: its colour coat was mixed about 38 minutes ago, the next act is known, nothing lies in the future", () => {
  const { plan, steps, pour, state } = poured("wet");
  const colour = plan.coats.find((coat) => coat.coat.kind === "colour")!;
  const ago = (now.getTime() - Date.parse(mixedAt(steps, state, colour.coat.id) ?? "")) / 60000;
  expect(ago).toBeGreaterThan(35);
  expect(ago).toBeLessThan(41);
  expect(nextStep(steps, state)?.title).toMatch(/^Veins/);
  for (const event of pour.events) expect(Date.parse(event.at)).toBeLessThanOrEqual(now.getTime());
  expect(state.finishedAt).toBeNull();
});

test("at no hour of a day does what was poured before come between the pour that is wet and its next act", () => {
  const job = jobs.find((demo) => demo.pour === "ran-short")!;
  const plan = derivePlan(job.document, cards);
  const steps = runSheet(plan, "us");
  const last = plan.coats.at(-1)!;
  const sandableMin = last.windows!.life.find(({ state }) => state === "sandable")!.fromMin.likely;
  for (let hour = 0; hour < 24; hour += 1) {
    const at = new Date(Date.UTC(2026, 4, 14, hour, 18));
    const { events } = demoPour("ran-short", job.document, cards, at);
    const mixed = Date.parse(mixedAt(steps, foldPour(events), last.coat.id)!);
    expect([hour, mixed + sandableMin * 60_000 < at.getTime()]).toEqual([hour, true]);
  }
});

test("two pours are finished, with honest deviations: one ran short, one had a quarter left", () => {
  for (const kind of ["ran-short", "left-over"] as const) {
    const { plan, steps, state } = poured(kind);
    expect(state.finishedAt).not.toBeNull();
    expect(nextStep(steps, state)).toBeNull();
    const words = comparePour(plan, steps, state, "us")
      .flatMap((outcome) => outcome.words)
      .join(" ");
    expect(words).toMatch(kind === "ran-short" ? /ran short/ : /left over.*generous/);
    expect(state.notes.length).toBeGreaterThan(0);
  }
});
