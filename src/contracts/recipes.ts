import { z } from "zod";
import { colourCardFields, labSchema } from "./colour-card";
import { coatsOf, ground, recipeCoat } from "./coat";
import { target } from "./job-document";
import { division, weights } from "./piece";
import { jobFields } from "./jobs";
import { act } from "./act";
import { freeText, nameText, rowId } from "./text";
import { LARGEST_MM } from "@/core/geometry/piece";
import type { RecipeDocument } from "@/core/recipe/recipe";

/** A recipe as stored and sent: see `src/core/recipe/recipe.ts` for what each field means. */
export const recipeDocument: z.ZodType<RecipeDocument> = z.object({
  format: z.literal(1),
  ground,
  coats: coatsOf(recipeCoat).min(1, "A recipe has one coat at least."),
  target: target.optional(),
  layout: z
    .object({
      lengthMm: z.number().min(1).max(LARGEST_MM),
      depthMm: z.number().min(1).max(LARGEST_MM),
      division: division.optional(),
      weights: weights.optional(),
    })
    .optional(),
  notes: freeText(4000),
});

const changeText = freeText(400).transform((text) => text.trim());
const recipeName = nameText("a name for the recipe");

/** One version: never changed, never removed. */
export type RecipeVersion = {
  id: string;
  recipeId: string;
  number: number;
  /** The version that it was made from; null for the first. */
  parentId: string | null;
  document: RecipeDocument;
  /** What was changed and why, in the words of who changed it. */
  change: string;
  madeBy: string;
  madeAt: string;
};

export const BOARD_DECISIONS = ["open", "approved", "refused"] as const;
export type BoardDecision = (typeof BOARD_DECISIONS)[number];
export const DECISION_WORDS: Record<BoardDecision, string> = {
  open: "not decided",
  approved: "approved",
  refused: "not this one",
};

/** How a colour on a board was come by. */
export const MEASURED_BY = ["instrument", "photo-daylight", "photo-indoors", "eye"] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];
export const MEASURED_WORDS: Record<MeasuredBy, string> = {
  instrument: "measured with an instrument",
  "photo-daylight": "from a photo in daylight with a grey card",
  "photo-indoors": "from a photo indoors with a grey card",
  eye: "matched by eye",
};

export const boardFields = z.object({
  pouredOn: z.iso.date("Write the date as year-month-day."),
  lengthMm: z
    .number("Type the length of the board.")
    .min(10, "Too small for a board.")
    .max(10_000, "Too large for a board."),
  depthMm: z
    .number("Type the depth of the board.")
    .min(10, "Too small for a board.")
    .max(10_000, "Too large for a board."),
  pictureId: rowId.nullable(),
  measured: z.object({ lab: labSchema, by: z.enum(MEASURED_BY) }).nullable(),
  /** What came of it, and what to change. */
  result: freeText(1000),
  clientWord: freeText(400),
  decision: z.enum(BOARD_DECISIONS),
});
export type BoardFields = z.infer<typeof boardFields>;

/** A small pour of a version. Its number is the shop's own, from 1. */
export type SampleBoard = BoardFields & {
  id: string;
  versionId: string;
  number: number;
  /** When it was last saved: a change made on an older one is not saved over it unasked. */
  changedAt: string;
};

/** A recipe in the list. */
export type RecipeSummary = {
  id: string;
  name: string;
  versions: number;
  latest: RecipeVersion;
  boards: number;
  /** The approved board made last. */
  approved: { number: number; versionNumber: number; pictureId: string | null } | null;
  jobs: number;
  changedAt: string;
};

export type OpenRecipe = {
  id: string;
  name: string;
  versions: RecipeVersion[];
  boards: SampleBoard[];
  /** Jobs made from a version of it. */
  jobs: { jobId: string; name: string; versionId: string }[];
};

export const createRecipe = act<{ recipeId: string; versionId: string }>()(
  "recipe.create",
  "person",
  z.object({ name: recipeName, document: recipeDocument, change: changeText }),
);
export const addRecipeVersion = act<RecipeVersion>()(
  "recipe.add-version",
  "person",
  z.object({ parentId: rowId, document: recipeDocument, change: changeText }),
);
export const renameRecipe = act<null>()(
  "recipe.rename",
  "person",
  z.object({ recipeId: rowId, name: recipeName }),
);
/** Takes a recipe off the list, or brings it back. */
export const removeRecipe = act<null>()(
  "recipe.remove",
  "owner",
  z.object({ recipeId: rowId, removed: z.boolean().default(true) }),
);
/** The shop's recipes with their newest version. */
export const listRecipes = act<RecipeSummary[]>()("recipe.list", "person", z.strictObject({}), {
  reads: true,
});
export const openRecipe = act<OpenRecipe>()("recipe.open", "person", z.object({ recipeId: rowId }), {
  reads: true,
});
export const openRecipeVersion = act<RecipeVersion & { name: string }>()(
  "recipe.version",
  "person",
  z.object({ versionId: rowId }),
  { reads: true },
);
/** A job that is a version, on a first piece of a size, or on none yet; from a board when it is that board that was approved. */
export const startJobFromRecipe = act<{ jobId: string }>()(
  "recipe.start-job",
  "person",
  z.object({
    versionId: rowId,
    boardId: rowId.nullable(),
    fields: jobFields,
    size: z
      .object({
        kind: z.enum(["straight", "sample"]),
        lengthMm: z.number().min(10, "Too short for a piece.").max(100_000, "Too long for a piece."),
        depthMm: z.number().min(10, "Too short for a piece.").max(100_000, "Too long for a piece."),
      })
      .nullable(),
  }),
);
export const addBoard = act<SampleBoard>()(
  "board.add",
  "person",
  z.object({ versionId: rowId, fields: boardFields }),
);
/** Refused as a conflict, with the board as it is now, when somebody saved it since `changedAt`. */
export const changeBoard = act<SampleBoard>()(
  "board.change",
  "person",
  z.object({ boardId: rowId, changedAt: z.iso.datetime(), fields: boardFields }),
);

/** What a recipe file says that it is. */
export const RECIPE_FILE = "gaugebeam recipe";

/**
 * A recipe as a file: one version, with the colourants and the names of the resins that it speaks of,
 * so that another shop can read it. `docs/formats/recipe.schema.json` is made from this.
 */
export const recipeFile = z.object({
  file: z.literal(RECIPE_FILE, `This is no recipe: it must say "file": "${RECIPE_FILE}".`),
  name: recipeName,
  version: z.number().int().min(1).max(100_000),
  change: freeText(400),
  recipe: recipeDocument,
  /** Colour cards by the `cardId` under which the recipe names them. */
  colourants: z.record(z.uuid(), colourCardFields),
  /** Names of resin cards by the `resinCardId` under which the recipe names them. */
  resins: z.record(z.uuid(), z.object({ name: nameText("the name of a resin") })),
});
export type RecipeFile = z.infer<typeof recipeFile>;

/** Reads a recipe file into the shop: colourants and resins are found by name; colourants that are missing are added to the shelf. */
export const readRecipe = act<{ recipeId: string; addedColours: string[]; missingResins: string[] }>()(
  "recipe.read",
  "person",
  z.object({ file: recipeFile }),
);
