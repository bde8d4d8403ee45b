import { GROUND_IDS } from "@/core/batch/grounds";
import { readFileSync } from "node:fs";
import { recipeFile, type RecipeFile } from "@/contracts/recipes";
import { mixedFrom } from "@/core/batch/coat-colour";
import { starterColours } from "@/core/colour/starter-colours";
import { derivePlan } from "@/core/plan/derive-plan";
import { recipeOf, type RecipeDocument } from "@/core/recipe/recipe";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { recipeSchema } from "../../../scripts/write-formats";
import { adopt, recipeFileOf } from "./recipe-file";
import { readRecipeFile } from "./read-recipe-file";

const uuid = () => crypto.randomUUID();
const resins = starterCards(uuid);
const shelf = starterColours(uuid);
const job = sampleJob(resins, uuid);
const plain = recipeOf(job, derivePlan(job, resins).coats);
/** The first colour of each coat mixed of two colourants of the shelf. */
const document: RecipeDocument = {
  ...plain,
  coats: plain.coats.map((coat) => ({
    ...coat,
    colours: coat.colours.map((colour, index) =>
      index > 0
        ? colour
        : mixedFrom(
            colour,
            shelf.slice(0, 2).map(({ id, name, measure }) => ({ cardId: id, name, gPer100G: 1.5, measure })),
          ),
    ),
  })),
};
const version = { number: 3, change: "8 % less copper", document };
const file = recipeFileOf("Harbour slate", version, shelf, resins);
const text = (of: unknown) => JSON.stringify(of, null, 2);

test("a version as a file holds all that it speaks of and nothing more, and is read again as it was", () => {
  expect(Object.values(file.colourants).map(({ name }) => name)).toEqual(["White paste", "Black paste"]);
  const used = new Set(document.coats.map((coat) => coat.resinCardId));
  expect(Object.keys(file.resins).sort()).toEqual([...used].sort());
  const read = readRecipeFile(`\uFEFF${text(file)}`);
  expect(read).toEqual({ ok: true, file });
});

test("in another shop: colourants and resins by name, what is missing is told and put in place", () => {
  const otherShelf = starterColours(uuid).filter(({ name }) => name !== "Black paste");
  const otherResins = starterCards(uuid);
  const adopted = adopt(file, otherShelf, otherResins.slice(1));
  expect(adopted.missingColours.map(([, { name }]) => name)).toEqual(["Black paste"]);
  expect(adopted.missingResins).toEqual(
    otherResins
      .slice(0, 1)
      .flatMap(({ name }) => (Object.values(file.resins).some((one) => one.name === name) ? [name] : [])),
  );
  const [[missingId]] = adopted.missingColours as [[string, unknown]];
  const made = adopted.document(new Map([[missingId, "made-here"]]));
  const parts = made.coats[0]!.colours[0]!.parts!;
  expect(parts.map(({ cardId }) => cardId)).toEqual([
    otherShelf.find(({ name }) => name === "White paste")!.id,
    "made-here",
  ]);
  // Doses, shares, films, passes: as they were.
  const bare = (of: RecipeDocument) =>
    of.coats.map(({ resinCardId: _resin, colours, ...coat }) => ({
      ...coat,
      colours: colours.map(({ parts: mixed, ...colour }) => ({
        ...colour,
        parts: mixed?.map(({ cardId: _card, ...part }) => part),
      })),
    }));
  expect(bare(made)).toEqual(bare(document));
  for (const coat of made.coats)
    expect([null, ...otherResins.map(({ id }) => id)]).toContain(coat.resinCardId);
});

describe("what is wrong is told by line, in words", () => {
  const lineOf = (source: string, part: string) => source.slice(0, source.indexOf(part)).split("\n").length;
  const problems = (source: string) => {
    const read = readRecipeFile(source);
    return read.ok ? [] : read.problems;
  };
  const changed = (edit: (copy: RecipeFile) => unknown) => {
    const copy = structuredClone(file);
    edit(copy);
    return text(copy);
  };

  test("a comma, a quote, a bracket", () => {
    const source = text(file);
    expect(problems(source.replace('"version": 3,', '"version": 3'))).toEqual([
      { line: lineOf(source, '"change"'), message: "A comma is missing before this." },
    ]);
    expect(problems(source.slice(0, -2)).at(-1)).toMatchObject({ message: "A } is missing." });
    expect(problems("")).toHaveLength(1);
    expect(problems(`// hello\n${source}`)[0]).toEqual({ line: 1, message: "Comments are not allowed." });
  });

  test("a share too large: its field as one would say it, at its own line", () => {
    const source = changed((copy) => (copy.recipe.coats[1]!.colours[0]!.share = 7.125));
    expect(problems(source)).toContainEqual({
      line: lineOf(source, "7.125"),
      message: "recipe, coats 2, colours 1, share: is too large; the most is 1.",
    });
  });

  test("shares that do not sum to one, at the colours of their coat", () => {
    const source = changed((copy) => (copy.recipe.coats[0]!.colours[0]!.share = 0.90625));
    const [problem] = problems(source);
    expect(problem!.message).toBe("recipe, coats 1, colours: The shares of a coat must sum to one.");
    expect(problem!.line).toBe(lineOf(source, '"colours": ['));
  });

  test("something missing, something of the wrong kind, a choice there is not", () => {
    expect(problems(changed((copy) => delete (copy as Partial<RecipeFile>).name))).toContainEqual({
      line: 1,
      message: "name: is missing.",
    });
    expect(
      problems(changed((copy) => ((copy.recipe.coats[0] as { filmMm: unknown }).filmMm = "thick"))),
    ).toContainEqual(expect.objectContaining({ message: "recipe, coats 1, filmMm: must be number." }));
    expect(
      problems(changed((copy) => ((copy.recipe as { ground: string }).ground = "lawn")))[0]!.message,
    ).toBe(`recipe, ground: must be one of ${GROUND_IDS.join(", ")}.`);
    expect(problems('{"file": "something else"}').map(({ message }) => message)).toContain(
      'file: This is no recipe: it must say "file": "gaugebeam recipe".',
    );
    expect(problems("[1, 2]")[0]!.message).toBe("must be object.");
  });
});

test("the schema in docs/formats is the one that files are read by", () => {
  expect(readFileSync("docs/formats/recipe.schema.json", "utf8")).toBe(recipeSchema());
  const schema = JSON.parse(recipeSchema()) as { required: string[]; properties: object };
  expect(Object.keys(schema.properties)).toEqual(Object.keys(file));
  expect(recipeFile.safeParse(file).success).toBe(true);
});

test("a hundred thousand brackets are told where they begin to be too many", () => {
  const read = readRecipeFile(`{\n"a": ${"[".repeat(100_000)}`);
  expect(read).toEqual({
    ok: false,
    problems: [{ line: 2, message: expect.stringContaining("deeper than in any recipe") }],
  });
  // Brackets within a text are no brackets.
  const named = readRecipeFile(text({ ...file, name: "[".repeat(70) }));
  expect(named.ok).toBe(true);
});

test("a hundred thousand mistakes are not all told", () => {
  const read = readRecipeFile(`[${"1 ".repeat(100_000)}]`);
  expect(!read.ok && read.problems.length).toBe(100);
});
