import fc from "fast-check";
import type { Embed } from "../batch/embeds";
import { derivePlan } from "../plan/derive-plan";
import type { JobDocument, RecipeReference } from "../job/job";
import { jobFromRecipe, recipeOf, withRecipe, type RecipeDocument } from "./recipe";
import { orderWords, recipeChanges } from "./recipe-changes";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { planOnBoard, scaleUp } from "./scale-up";
import { layOutVersions } from "./version-tree";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const reference: RecipeReference = { versionId: "v-3", name: "Harbour slate", number: 3 };
const recipe = () => recipeOf(job, derivePlan(job, cards).coats);
const colourCoat = (document: RecipeDocument) => document.coats.find((coat) => coat.kind === "colour")!;

/** A job with glitter in its colour coat. */
function withGlitter(massG: number): JobDocument {
  const glitter: Embed = {
    id: "glitter",
    name: "Glitter",
    kind: "glitter",
    massG,
    densityGPerMl: 1.4,
    lockedShare: 1,
  };
  return {
    ...job,
    coats: job.coats.map((coat) => (coat.kind === "colour" ? { ...coat, embeds: [glitter] } : coat)),
  };
}

describe("a recipe", () => {
  test("is a build without a size: no piece in it, and the same on any job", () => {
    const taken = recipe();
    expect(JSON.stringify(taken)).not.toContain(job.pieces[0]!.id);
    const doubled = { ...job, pieces: job.pieces.map((piece) => ({ ...piece, count: 2 * piece.count })) };
    expect(recipeOf(doubled, derivePlan(doubled, cards).coats)).toEqual(taken);
  });

  test("laid on the job it came from changes no cup", () => {
    const back = withRecipe(job, recipe(), reference, newId);
    const [before, after] = [derivePlan(job, cards), derivePlan(back, cards)];
    expect(after.coats.map(({ batched }) => batched)).toEqual(before.coats.map(({ batched }) => batched));
    expect(back.recipe).toEqual(reference);
  });

  test("takes the film and the ground of the piece it is asked for", () => {
    const [piece] = job.pieces;
    const document: JobDocument = {
      ...job,
      groundByPiece: { [piece!.id]: "concrete" },
      coats: job.coats.map((coat) => ({ ...coat, filmByPieceMm: { [piece!.id]: 2.25 } })),
    };
    const taken = recipeOf(document, derivePlan(document, cards).coats, piece!.id);
    expect(taken.ground).toBe("concrete");
    expect(taken.coats.map((coat) => coat.filmMm)).toEqual(job.coats.map(() => 2.25));
  });

  test("kept of one piece of several, it is compared with that piece; a job's notes are no part of it", () => {
    const [first] = job.pieces;
    const second = { ...first!, id: "second", name: "Island" };
    const several: JobDocument = {
      ...job,
      notes: "ring before noon",
      pieces: [first!, second],
      coats: job.coats.map((coat) =>
        coat.kind === "colour" ? { ...coat, pieceIds: ["second"], filmByPieceMm: { second: 1.75 } } : coat,
      ),
    };
    const planned = derivePlan(several, cards).coats;
    const kept = recipeOf(several, planned, "second");
    const marked = { ...several, recipe: { ...reference, pieceId: "second" } };
    expect(recipeChanges(kept, recipeOf(marked, planned), "metric")).toEqual([]);
    expect(recipeChanges(kept, recipeOf(several, planned), "metric")).not.toEqual([]);
    expect(kept.notes).toBe("");
  });

  test("what is embedded follows the area: grams to the square metre are the same on every size", () => {
    const glittering = withGlitter(120);
    const taken = recipeOf(glittering, derivePlan(glittering, cards).coats);
    const perM2 = colourCoat(taken).embeds![0]!.gPerM2!;
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 6000, noNaN: true }),
        fc.double({ min: 100, max: 2000, noNaN: true }),
        (lengthMm, depthMm) => {
          const size = { kind: "straight" as const, lengthMm, depthMm };
          const plan = derivePlan(jobFromRecipe(taken, reference, size, newId), cards);
          const coat = plan.coats.find((planned) => planned.coat.kind === "colour")!;
          expect(coat.embeds[0]!.massG / (lengthMm * depthMm)).toBeCloseTo(perM2 / 1e6, 12);
        },
      ),
    );
    // On the job it came from, the mass typed there.
    const back = derivePlan(withRecipe(glittering, taken, reference, newId), cards);
    expect(back.coats.find((planned) => planned.coat.kind === "colour")!.embeds[0]!.massG).toBeCloseTo(
      120,
      9,
    );
  });

  test("shares of the cups are those of the recipe at any size", () => {
    const shares = colourCoat(recipe()).colours.map((colour) => colour.share);
    fc.assert(
      fc.property(fc.double({ min: 200, max: 5000, noNaN: true }), (lengthMm) => {
        const made = jobFromRecipe(
          recipe(),
          reference,
          { kind: "straight", lengthMm, depthMm: 600 },
          () => "run",
        );
        const colours = derivePlan(made, cards).coats.find((planned) => planned.coat.kind === "colour")!
          .batched!.coloursMl;
        expect(made.coats.find((coat) => coat.kind === "colour")!.colours.map(({ share }) => share)).toEqual(
          shares,
        );
        // More is held back of some colours than of others, so cups keep the order of their shares.
        expect(colours.every((colour) => colour.ml > 0)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe("what changed between two versions", () => {
  const before = recipe();
  const edit = (change: (coat: ReturnType<typeof colourCoat>) => void) => {
    const after = structuredClone(before);
    change(colourCoat(after));
    return recipeChanges(before, after, "metric");
  };

  test("nothing: said by nothing", () => {
    expect(recipeChanges(before, structuredClone(before), "metric")).toEqual([]);
  });

  test("shares and orders in words of the bench", () => {
    const [first, second] = colourCoat(before).colours;
    const words = edit((coat) => {
      coat.colours[0]!.share -= 0.08;
      coat.colours[1]!.share += 0.08;
      coat.colours.push(coat.colours.shift()!);
    });
    const name = colourCoat(before).name;
    expect(words).toContain(
      `${name}: 8 points less ${first!.name} (${first!.share * 100} to ${Math.round(100 * first!.share - 8)} %)`,
    );
    expect(words.some((line) => line.startsWith(`${name}: 8 points more ${second!.name}`))).toBe(true);
    expect(words).toContain(`${name}: ${first!.name} last`);
    expect(words).toHaveLength(3);
  });

  test("films, doses, passes, coats that come and go, notes", () => {
    const film = edit((coat) => {
      coat.filmMm = 1.4;
    });
    expect(film).toEqual([expect.stringMatching(/film .* mm to 1\.40 mm$/)]);
    expect(
      edit((coat) => {
        coat.colours[0]!.gPer100G += 1;
      }),
    ).toEqual([expect.stringMatching(/ g per 100 g$/)]);
    expect(
      edit((coat) => {
        coat.passes.pop();
      }),
    ).toEqual([expect.stringMatching(/ left out$/)]);
    const fewer = structuredClone(before);
    const [gone] = fewer.coats.splice(0, 1);
    expect(recipeChanges(before, fewer, "metric")).toEqual([`${gone!.name} left out`]);
    expect(recipeChanges(fewer, before, "metric")).toEqual([`${gone!.name} added`]);
    expect(recipeChanges(before, { ...before, notes: "less" }, "metric")).toHaveLength(1);
  });

  test("an order is told by the fewest names, and told names put it right", () => {
    const names = ["a", "b", "c", "d", "e", "f"].map((id) => ({ id, name: id }));
    fc.assert(
      fc.property(fc.shuffledSubarray(names, { minLength: 6, maxLength: 6 }), (after) => {
        const words = orderWords(names, after);
        const moved = words.map((word) => word[0]);
        const rest = (list: typeof names) => list.map(({ id }) => id).filter((id) => !moved.includes(id));
        expect(rest(after)).toEqual(rest(names));
        expect(new Set(moved).size).toBe(words.length);
      }),
    );
    const [a, b, c] = names as [(typeof names)[0], (typeof names)[0], (typeof names)[0]];
    expect(orderWords([a, b, c], [b, c, a])).toEqual(["a last"]);
    expect(orderWords([a, b, c], [c, a, b])).toEqual(["c first"]);
    expect(orderWords([a, b, c], [b, c])).toEqual([]);
  });
});

describe("the tree of versions", () => {
  const version = (number: number, parent: number | null) => ({
    id: `v${number}`,
    number,
    parentId: parent === null ? null : `v${parent}`,
  });

  test("a line of work stays in its lane; another one made from an older version branches off", () => {
    const placed = layOutVersions([version(1, null), version(2, 1), version(3, 2), version(4, 2)]);
    expect(placed.map(({ version: { number }, row, lane }) => [number, row, lane])).toEqual([
      [4, 0, 1],
      [3, 1, 0],
      [2, 2, 0],
      [1, 3, 0],
    ]);
  });

  test("any tree: every version in a row of its own below those made from it, and no line through another version", () => {
    const trees = fc
      .array(fc.nat(), { minLength: 0, maxLength: 30 })
      .map((parents) => [
        version(1, null),
        ...parents.map((parent, index) => version(index + 2, 1 + (parent % (index + 1)))),
      ]);
    fc.assert(
      fc.property(trees, (versions) => {
        const placed = layOutVersions(versions);
        expect(placed.map(({ row }) => row)).toEqual(versions.map((_, row) => row));
        for (const one of placed) {
          if (!one.parent) continue;
          const own = placed.find(({ version: { id } }) => id === one.version.parentId)!;
          expect(one.parent).toEqual({ row: own.row, lane: own.lane });
          expect(own.row).toBeGreaterThan(one.row);
          const through = placed.filter(
            ({ row, lane }) => lane === one.lane && row > one.row && row < own.row,
          );
          expect(through).toEqual([]);
        }
      }),
    );
  });

  test("a version whose parent is gone stands for itself", () => {
    expect(layOutVersions([version(2, 7), version(3, 2)]).map(({ parent }) => parent)).toEqual([
      { row: 1, lane: 0 },
      null,
    ]);
  });
});

describe("from a board to a kitchen", () => {
  const words = (lengthMm: number, depthMm: number, people = 1) => {
    const size = { kind: "straight" as const, lengthMm, depthMm };
    const made = jobFromRecipe(recipe(), reference, size, newId);
    const here = { ...made, work: { ...made.work, people } };
    const plan = derivePlan(here, cards);
    const board = planOnBoard(here, plan, { lengthMm: 300, depthMm: 300 }, cards);
    return scaleUp(board, plan, here.work, "metric");
  };
  const rules = (...size: Parameters<typeof words>) => words(...size).map(({ rule }) => rule);

  test("on the size of the board there is nothing to say of size", () => {
    expect(rules(300, 300).filter((rule) => !["scale-faces", "scale-losses"].includes(rule))).toEqual([]);
  });

  test("a long run: the fresh edge, cells, bands, pot, doses and losses, each with its numbers", () => {
    const notes = words(3600, 640);
    expect(notes.map(({ rule }) => rule)).toEqual(
      expect.arrayContaining(["scale-fresh-edge", "scale-cells", "scale-bands", "scale-pot", "scale-losses"]),
    );
    for (const { what } of notes.filter(({ rule }) => !["scale-veins"].includes(rule)))
      expect(what).toMatch(/\d/);
    expect(notes.find(({ rule }) => rule === "scale-cells")!.what).toContain("12 times as long");
    // 2.304 m² to 0.09 m².
    expect(notes.find(({ rule }) => rule === "scale-bands")!.what).toContain("26 times");
  });

  test("the kitchen's coats need not be the board's any more: what was taken out is not spoken of", () => {
    const made = jobFromRecipe(
      recipe(),
      reference,
      { kind: "straight", lengthMm: 3000, depthMm: 600 },
      newId,
    );
    const plan = derivePlan({ ...made, coats: [] }, cards);
    expect(
      scaleUp(
        planOnBoard({ ...made, coats: [] }, plan, { lengthMm: 300, depthMm: 300 }, cards),
        plan,
        made.work,
        "us",
      ),
    ).toEqual([]);
  });
});

test("a recipe keeps the film and the shares that followed, and no amount of one size", () => {
  const given: JobDocument = {
    ...job,
    coats: job.coats.map((coat) =>
      coat.kind === "colour"
        ? {
            ...coat,
            given: { by: "mixed", ml: 4000 },
            batches: 3,
            colours: coat.colours.map((colour, at) =>
              at === 0 ? { ...colour, givenMl: 700, cupDose: 2 } : colour,
            ),
          }
        : coat,
    ),
  };
  const { coats } = derivePlan(given, cards);
  const kept = colourCoat(recipeOf(given, coats));
  const out = coats.find(({ coat }) => coat.kind === "colour")!.coat;
  expect(kept.filmMm).toBe(out.filmMm);
  expect(kept.filmMm).not.toBeCloseTo(colourCoat(recipe()).filmMm, 2);
  expect(kept.colours.map(({ share }) => share)).toEqual(out.colours.map(({ share }) => share));
  expect(kept.colours[0]?.gPer100G).toBe(out.colours[0]?.gPer100G);
  expect(JSON.stringify(kept)).not.toMatch(/given|cupDose|batches/);
});
