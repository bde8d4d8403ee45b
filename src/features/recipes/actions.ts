import { randomUUID } from "node:crypto";
import {
  addBoard,
  addRecipeVersion,
  changeBoard,
  createRecipe,
  listRecipes,
  openRecipe,
  openRecipeVersion,
  readRecipe,
  removeRecipe,
  renameRecipe,
  startJobFromRecipe,
} from "@/contracts/recipes";
import { jobFromRecipe } from "@/core/recipe/recipe";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { notFound } from "@/server/refused";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { factorValues } from "@/core/learning/decisions";
import { learningOf } from "@/server/repositories/learning";
import { jobsOf } from "@/server/repositories/jobs";
import { recipesOf } from "@/server/repositories/recipes";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { adopt } from "./recipe-file";

export const recipeActs = [
  implement(listRecipes, (person) => recipesOf(database(), person).list()),
  implement(openRecipe, (person, { recipeId }) => recipesOf(database(), person).open(recipeId)),
  implement(openRecipeVersion, (person, { versionId }) => recipesOf(database(), person).version(versionId)),
  implement(createRecipe, (person, { name, document, change }) =>
    recipesOf(database(), person).create(name, document, change),
  ),
  implement(addRecipeVersion, (person, { parentId, document, change }) =>
    recipesOf(database(), person).addVersion(parentId, document, change),
  ),
  implement(renameRecipe, async (person, { recipeId, name }) => {
    await recipesOf(database(), person).rename(recipeId, name);
    return null;
  }),
  implement(removeRecipe, async (person, { recipeId, removed }) => {
    await recipesOf(database(), person).remove(recipeId, removed);
    return null;
  }),
  implement(addBoard, (person, { versionId, fields }) =>
    recipesOf(database(), person).addBoard(versionId, fields),
  ),
  implement(changeBoard, (person, { boardId, changedAt, fields }) =>
    recipesOf(database(), person).changeBoard(boardId, changedAt, fields),
  ),
  implement(startJobFromRecipe, async (person, { versionId, boardId, fields, size }) => {
    const recipes = recipesOf(database(), person);
    const { document, name, number } = await recipes.version(versionId);
    const board = boardId === null ? null : await recipes.board(boardId);
    if (board && board.versionId !== versionId) throw notFound("board of this version");
    const reference = {
      versionId,
      name,
      number,
      ...(board ? { board: { number: board.number, lengthMm: board.lengthMm, depthMm: board.depthMm } } : {}),
    };
    const factors = factorValues(await learningOf(database(), person).adopted());
    return {
      jobId: await jobsOf(database(), person).create(fields, {
        ...jobFromRecipe(document, reference, size, randomUUID),
        factors,
      }),
    };
  }),
  implement(readRecipe, async (person, { file }) => {
    const shelf = colourCardsOf(database(), person);
    const adopted = adopt(file, await shelf.list(), await resinCardsOf(database(), person).list());
    const added = new Map<string, string>();
    for (const [id, fields] of adopted.missingColours) added.set(id, (await shelf.add(fields)).id);
    const change = file.change || `Read from a file, version ${file.version} there.`;
    const { recipeId } = await recipesOf(database(), person).create(
      file.name,
      adopted.document(added),
      change,
    );
    return {
      recipeId,
      addedColours: adopted.missingColours.map(([, { name }]) => name),
      missingResins: adopted.missingResins,
    };
  }),
];
