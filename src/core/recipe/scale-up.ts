import type { Advice } from "../advice/advice";
import { dosesFor } from "../batch/coat-colour";
import { gramsPerCount, type DoseMeasure } from "../batch/dose";
import type { ResinCard } from "../cure/resin-card";
import type { Spread } from "../numerics/spread";
import { PASS, type PassFacts } from "../passes/facts";
import { wetEdge } from "../schedule/wet-edge";
import type { UnitSystem } from "../units/dimension";
import { decimal, quantityText, runText, trimmed } from "../units/format-quantity";
import { derivePlan, type Plan } from "../plan/derive-plan";
import { type PlannedCoat } from "../plan/timed";
import type { JobDocument } from "../job/job";
import { USUAL_SCALE_G } from "../batch/at-hand";
import { jobFromRecipe, recipeOf } from "./recipe";

/** A dose that may be off by less than this on the board is told to nobody. */
const DOSE_DOUBT = 0.1;
/** Growth of a length below which a pattern is judged as on the board. */
const ALIKE = 1.5;

const minutes = ({ low, likely, high }: Spread) => {
  const [from, to] = [decimal(low, 0), decimal(high, 0)];
  return from === to ? `${decimal(likely, 0)} min` : `${decimal(likely, 0)} min (${from} to ${to})`;
};
const times = (factor: number) => `${trimmed(factor, factor < 10 ? 1 : 0)} times`;
const note = (rest: Omit<Advice, "at"> & { at?: string | null }): Advice => ({ at: null, ...rest });

/** The coat that carries the pattern: the first colour coat, or the first with colours at all. */
const patternCoat = (plan: Plan): PlannedCoat | null =>
  plan.coats.find(({ coat }) => coat.kind === "colour") ??
  plan.coats.find(({ coat }) => coat.colours.length > 1) ??
  plan.coats[0] ??
  null;

const longestMm = (plan: Plan) =>
  Math.max(0, ...plan.pieces.map((piece) => Math.max(piece.outline.widthMm, piece.outline.heightMm)));

type Pair = { board: PlannedCoat; here: PlannedCoat };

/** Area grows, the resin's life does not. */
function freshEdge({ board, here }: Pair, people: number): Advice[] {
  const [small, large] = [board.batched, here.batched];
  const heavy = here.life.find((start) => start.state === "heavy")?.fromMin;
  if (!small || !large || !heavy || large.workMin.likely <= 1.2 * small.workMin.likely) return [];
  const edge = wetEdge(large, here.life, people);
  const late = edge ? !edge.safe : large.mixingMin + large.workMin.high > heavy.low;
  return [
    note({
      rule: "scale-fresh-edge",
      coatId: here.coat.id,
      what: `The board is worked in ${minutes(small.workMin)}, this in ${minutes(large.workMin)}; the film is heavy after ${minutes(heavy)}.`,
      soWhat: late
        ? "Edges may set before the next section meets them: more hands, smaller sections, or a slower resin."
        : "Work it in the order of its sections, so that each edge is met while it flows.",
      kind: "physics",
      why: "The time to work grows with the area, the life of the film does not. What was one fresh surface on the board is a row of edges here, each of which must be met before it is heavy.",
    }),
  ];
}

/** Cells, bands and veins keep their size. */
function patternSize(plan: Plan, { here }: Pair, growth: number, areaGrowth: number): Advice[] {
  if (growth < ALIKE) return [];
  const has = (marks: PassFacts["marks"]) =>
    plan.coats.some(({ coat }) => coat.passes.some((pass) => PASS[pass.kind].marks === marks));
  return [
    ...(has("cells")
      ? [
          note({
            rule: "scale-cells",
            coatId: here.coat.id,
            what: `Cells and drops stay as large as on the board; the top is ${times(growth)} as long.`,
            soWhat:
              "Beside it they look that much finer: judge the board from as far as the client will stand.",
            kind: "common practice",
            why: "The size of a cell comes from the drop, the film and the minute, none of which grows with the piece.",
          }),
        ]
      : []),
    ...(has("bands")
      ? [
          note({
            rule: "scale-bands",
            coatId: here.coat.id,
            what: `Bands as wide as on the board make about ${decimal(areaGrowth, 0)} times as many.`,
            soWhat:
              "Many small pours get busy: widen them along the whole length, by eye, on the first section.",
            kind: "common practice",
            why: "Bands poured large stay calm. A board shows a few of them; a large top shows them all at once, so the same width looks busier.",
          }),
        ]
      : []),
    ...(has("lines")
      ? [
          note({
            rule: "scale-veins",
            coatId: here.coat.id,
            what: "Veins keep their width, not their number.",
            soWhat:
              "Draw them across all pieces as one stone; a length that crossed the board is a short one here.",
            kind: "common practice",
            why: "A vein spreads by film and minute, as it did on the board. How many there are, and how far apart, is a matter of the whole picture.",
          }),
        ]
      : []),
  ];
}

/** A larger mass lives shorter in its pot. */
function potMass({ board, here }: Pair): Advice[] {
  const [small, large] = [board.batched, here.batched];
  if (!small?.potLifeMin || !large?.potLifeMin || large.potLifeMin.likely > 0.9 * small.potLifeMin.likely)
    return [];
  return [
    note({
      rule: "scale-pot",
      coatId: here.coat.id,
      what: `The board's mix lives ${minutes(small.potLifeMin)} in its pot, a batch here ${minutes(large.potLifeMin)}.`,
      soWhat: "Pour it out at once; the ease of the small cup is not to be had.",
      kind: "physics",
      why: "In a pot the resin heats itself, the more of it the faster. The film, once poured, lives as long as on the board.",
    }),
  ];
}

/** Half a step of what a dose is counted in, as a share of it. */
const doubtOf = (grams: number, measure: DoseMeasure, stepG: number) =>
  (measure.unit === "gram" ? stepG : gramsPerCount(measure)) / 2 / grams;

/** What was a drop on the board cannot have been exact. */
function doseSteps({ board, here }: Pair, stepG: number): Advice[] {
  const doses = ({ coat, batched }: PlannedCoat) =>
    coat.colours.flatMap((colour) => {
      const cup = batched?.batches[0]?.cups.find((filled) => filled.colourId === colour.id);
      const measures = colour.parts?.map((part) => part.measure) ?? [colour.measure];
      return cup
        ? dosesFor(cup.g, colour).map((dose, index) => ({
            id: dose.id,
            name: dose.name,
            grams: dose.grams,
            doubt: doubtOf(dose.grams, measures[index] ?? { unit: "gram" }, stepG),
          }))
        : [];
    });
  const large = new Map(doses(here).map((dose) => [dose.id, dose]));
  const worst = doses(board)
    .filter((dose) => dose.doubt > DOSE_DOUBT && (large.get(dose.id)?.doubt ?? 1) < dose.doubt / 2)
    .sort((a, b) => b.doubt - a.doubt)[0];
  if (!worst) return [];
  const percent = (share: number) => `${decimal(Math.min(1, share) * 100, 0)} %`;
  return [
    note({
      rule: "scale-doses",
      coatId: here.coat.id,
      what:
        worst.doubt >= 1
          ? `${worst.name} was ${trimmed(worst.grams, 2)} g on the board: less than half a step of what it is measured in.`
          : `${worst.name} was ${trimmed(worst.grams, 2)} g on the board: half a step is ${percent(worst.doubt)} of it, here ${percent(large.get(worst.id)?.doubt ?? 0)}.`,
      soWhat: "Mix a cup by these doses first and hold it to the board; you can add, you cannot take out.",
      kind: "physics",
      why: "A small cup is dosed in few drops or steps of the scale. Its colour may stand for a dose that was never quite the one written down.",
    }),
  ];
}

/** Cups and tools keep as much of a small mix as of a large one. */
function kept({ board, here }: Pair, system: UnitSystem): Advice[] {
  const [small, large] = [board.batched, here.batched];
  if (!small || !large || small.fills || small.mixedFilmMm < 1.1 * large.mixedFilmMm) return [];
  return [
    note({
      rule: "scale-losses",
      coatId: here.coat.id,
      what: `The board takes ${quantityText(small.mixedFilmMm, "film", system)} mixed, this ${quantityText(large.mixedFilmMm, "film", system)}, for the same film.`,
      soWhat: "Do not multiply the board's cups by the area; the cups here are worked out anew.",
      kind: "physics",
      why: "What stays on cups, sticks and gloves goes by their number and size, not by the area.",
    }),
  ];
}

function faces(board: Plan, here: Plan, { here: coat }: Pair, system: UnitSystem): Advice[] {
  if (!coat.coat.coversFaces || here.totals.faceLengthMm < 1 || board.totals.faceLengthMm > 0) return [];
  return [
    note({
      rule: "scale-faces",
      coatId: coat.coat.id,
      what: `The board had no faces; here ${runText(here.totals.faceLengthMm, system)} of them drain.`,
      soWhat:
        "How the pattern runs over the edge was not on the board: brush them wet first, and again in time.",
      kind: "common practice",
      why: "Resin flows only over wet faces, and a film on an upright face thins as long as it flows.",
    }),
  ];
}

/** What does not grow with the size, from a board to a job. @param people at work on the job */
export function scaleUp(board: Plan, here: Plan, work: JobDocument["work"], system: UnitSystem): Advice[] {
  const large = patternCoat(here);
  const small = large && board.coats.find(({ coat }) => coat.id === large.coat.id);
  if (!large || !small || board.totals.topAreaMm2 <= 0 || here.totals.topAreaMm2 <= 0) return [];
  const pair: Pair = { board: small, here: large };
  const growth = longestMm(here) / longestMm(board);
  const areaGrowth = here.totals.topAreaMm2 / board.totals.topAreaMm2;
  return [
    ...freshEdge(pair, work.people),
    ...patternSize(here, pair, growth, areaGrowth),
    ...potMass(pair),
    ...doseSteps(pair, work.scaleStepG ?? USUAL_SCALE_G),
    ...kept(pair, system),
    ...faces(board, here, pair, system),
  ];
}

/** The same job on a sample board of a size, by one person, with the job's own coats. */
export function planOnBoard(
  job: JobDocument,
  plan: Plan,
  board: { lengthMm: number; depthMm: number },
  cards: readonly ResinCard[],
): Plan {
  const recipe = recipeOf(job, plan.coats);
  const reference = job.recipe ?? { versionId: "", name: "", number: 0 };
  let made = 0;
  const onBoard = jobFromRecipe(
    recipe,
    reference,
    { kind: "sample", ...board },
    () => `board-${(made += 1)}`,
  );
  return derivePlan({ ...onBoard, factors: job.factors, work: { ...job.work, people: 1 } }, cards);
}
