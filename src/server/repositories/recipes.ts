import { randomUUID } from "node:crypto";
import type { Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import {
  boardFields,
  recipeDocument,
  type BoardFields,
  type OpenRecipe,
  type RecipeSummary,
  type RecipeVersion,
  type SampleBoard,
} from "@/contracts/recipes";
import type { Removed } from "@/core/shop/removed";
import type { RecipeDocument } from "@/core/recipe/recipe";
import { jsonOf, type Database } from "../database";
import type { RecipeVersionRow, SampleBoardRow } from "../models/recipe";
import { notFound, Refused } from "../refused";
import { asRemoved, removedLately } from "../removed";
import { inTransaction } from "../transaction";

const versionOf = (row: RecipeVersionRow): RecipeVersion => ({
  id: row.id,
  recipeId: row.recipeId,
  number: row.number,
  parentId: row.parentId,
  document: recipeDocument.parse(jsonOf(row.document)),
  change: row.changeNote,
  madeBy: row.madeBy,
  madeAt: row.createdAt.toISOString(),
});

const boardOf = (row: SampleBoardRow): SampleBoard => ({
  id: row.id,
  versionId: row.versionId,
  number: row.number,
  changedAt: row.updatedAt.toISOString(),
  ...boardFields.parse({
    pouredOn: row.pouredOn,
    lengthMm: row.lengthMm,
    depthMm: row.depthMm,
    pictureId: row.pictureId,
    measured: row.measured === null ? null : jsonOf(row.measured),
    result: row.result,
    clientWord: row.clientWord,
    decision: row.decision,
  }),
});

const grouped = <Item, Key>(items: readonly Item[], keyOf: (item: Item) => Key): Map<Key, Item[]> => {
  const groups = new Map<Key, Item[]>();
  for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item]);
  return groups;
};

/** The recipes of the signed-in person's shop, their versions and sample boards. */
export function recipesOf(db: Database, me: Person) {
  const shop = { shopId: me.shopId };
  const rowOf = async (recipeId: string, transaction?: Transaction) => {
    const row = await db.Recipe.findOne({
      where: { id: recipeId, ...shop },
      ...(transaction ? { transaction, lock: true } : {}),
    });
    if (!row) throw notFound("recipe");
    return row;
  };
  const ownVersion = async (versionId: string) => {
    const row = await db.RecipeVersion.findOne({ where: { id: versionId, ...shop } });
    if (!row) throw notFound("version");
    return row;
  };
  const ownBoard = async (boardId: string, transaction?: Transaction) => {
    const row = await db.SampleBoard.findOne({
      where: { id: boardId, ...shop },
      ...(transaction ? { transaction, lock: true } : {}),
    });
    if (!row) throw notFound("sample board");
    return row;
  };
  const ownPicture = async (pictureId: string | null) => {
    if (pictureId !== null && (await db.Picture.count({ where: { id: pictureId, ...shop } })) === 0)
      throw notFound("picture");
  };

  /** Adds the next version of a recipe, in a transaction that holds its row. */
  const append = (
    recipeId: string,
    made: { parentId: string | null; document: RecipeDocument; change: string },
    transaction: Transaction,
    number: number,
  ) =>
    db.RecipeVersion.create(
      {
        id: randomUUID(),
        ...shop,
        recipeId,
        number,
        parentId: made.parentId,
        document: made.document as unknown as Record<string, unknown>,
        changeNote: made.change,
        madeBy: me.name,
      },
      { transaction },
    );

  /** Which jobs were made from which version, by their current documents. */
  const jobsByVersion = async (): Promise<{ jobId: string; name: string; versionId: string }[]> => {
    const [rows] = await db.sequelize.query(
      "SELECT id AS jobId, name, recipe_version_id AS versionId FROM jobs WHERE shop_id = ? AND removed_at IS NULL AND recipe_version_id IS NOT NULL ORDER BY updated_at DESC",
      { replacements: [me.shopId] },
    );
    return rows as { jobId: string; name: string; versionId: string }[];
  };

  return {
    async list(): Promise<RecipeSummary[]> {
      const [recipes, versions, boards, jobs] = await Promise.all([
        db.Recipe.findAll({ where: { ...shop, removedAt: null }, order: [["name", "ASC"]] }),
        db.RecipeVersion.findAll({
          where: shop,
          attributes: ["id", "recipeId", "number"],
          order: [["number", "ASC"]],
        }),
        db.SampleBoard.findAll({ where: shop, order: [["number", "ASC"]] }),
        jobsByVersion(),
      ]);
      const versionsOf = grouped(versions, (row) => row.recipeId);
      // Documents of the newest versions alone: the others are not shown here.
      const newest = recipes.flatMap((row) => versionsOf.get(row.id)?.at(-1)?.id ?? []);
      const documents = new Map(
        (await db.RecipeVersion.findAll({ where: { id: newest } })).map((row) => [row.recipeId, row]),
      );
      return recipes.flatMap((recipe): RecipeSummary[] => {
        const rows = versionsOf.get(recipe.id) ?? [];
        const numbers = new Map(rows.map((row) => [row.id, row.number]));
        const latest = documents.get(recipe.id);
        if (!latest) return [];
        const poured = boards.filter((board) => numbers.has(board.versionId));
        const approved = poured.filter((board) => board.decision === "approved").at(-1);
        return [
          {
            id: recipe.id,
            name: recipe.name,
            versions: rows.length,
            latest: versionOf(latest),
            boards: poured.length,
            approved: approved
              ? {
                  number: approved.number,
                  versionNumber: numbers.get(approved.versionId) ?? 0,
                  pictureId: approved.pictureId,
                }
              : null,
            jobs: jobs.filter((job) => numbers.has(job.versionId)).length,
            changedAt: latest.createdAt.toISOString(),
          },
        ];
      });
    },
    async open(recipeId: string): Promise<OpenRecipe> {
      const recipe = await rowOf(recipeId);
      const versions = await db.RecipeVersion.findAll({
        where: { recipeId, ...shop },
        order: [["number", "ASC"]],
      });
      const ids = versions.map((row) => row.id);
      const [boards, jobs] = await Promise.all([
        db.SampleBoard.findAll({ where: { versionId: ids, ...shop }, order: [["number", "DESC"]] }),
        jobsByVersion(),
      ]);
      return {
        id: recipe.id,
        name: recipe.name,
        versions: versions.map(versionOf),
        boards: boards.map(boardOf),
        jobs: jobs.filter((job) => ids.includes(job.versionId)),
      };
    },
    /** A version with the name of its recipe. */
    async version(versionId: string): Promise<RecipeVersion & { name: string }> {
      const row = await ownVersion(versionId);
      return { ...versionOf(row), name: (await rowOf(row.recipeId)).name };
    },
    async board(boardId: string): Promise<SampleBoard> {
      return boardOf(await ownBoard(boardId));
    },
    create(
      name: string,
      document: RecipeDocument,
      change: string,
    ): Promise<{ recipeId: string; versionId: string }> {
      return inTransaction(db, async (transaction) => {
        const recipe = await db.Recipe.create({ id: randomUUID(), ...shop, name }, { transaction });
        const version = await append(recipe.id, { parentId: null, document, change }, transaction, 1);
        return { recipeId: recipe.id, versionId: version.id };
      });
    },
    async addVersion(parentId: string, document: RecipeDocument, change: string): Promise<RecipeVersion> {
      const { recipeId } = await ownVersion(parentId);
      return inTransaction(db, async (transaction) => {
        // Its row is held, so that two versions never get one number.
        await rowOf(recipeId, transaction);
        const last = (await db.RecipeVersion.max("number", { where: { recipeId }, transaction })) as number;
        return versionOf(await append(recipeId, { parentId, document, change }, transaction, last + 1));
      });
    },
    async rename(recipeId: string, name: string): Promise<void> {
      await (await rowOf(recipeId)).update({ name });
    },
    async remove(recipeId: string, removed = true): Promise<void> {
      await (await rowOf(recipeId)).update({ removedAt: removed ? new Date() : null });
    },
    /** Recipes that were taken off the list lately, the last one first. */
    async removed(): Promise<Removed[]> {
      return asRemoved(
        await db.Recipe.findAll({ where: { ...shop, ...removedLately() }, order: [["removedAt", "DESC"]] }),
      );
    },
    async addBoard(versionId: string, fields: BoardFields): Promise<SampleBoard> {
      await ownVersion(versionId);
      await ownPicture(fields.pictureId);
      return inTransaction(db, async (transaction) => {
        // The shop's row is held, so that two boards never get one number.
        await db.Shop.findByPk(me.shopId, { transaction, lock: true });
        const last = (await db.SampleBoard.max("number", { where: shop, transaction })) as number | null;
        return boardOf(
          await db.SampleBoard.create(
            { id: randomUUID(), ...shop, versionId, number: (last ?? 0) + 1, ...fields },
            { transaction },
          ),
        );
      });
    },
    async changeBoard(boardId: string, changedAt: string, fields: BoardFields): Promise<SampleBoard> {
      await ownPicture(fields.pictureId);
      return inTransaction(db, async (transaction) => {
        const row = await ownBoard(boardId, transaction);
        const now = boardOf(row);
        if (now.changedAt !== changedAt)
          throw new Refused({
            code: "conflict",
            message: `Board ${now.number} was saved by somebody else meanwhile.`,
            data: now,
          });
        await row.update(fields, { transaction });
        return boardOf(row);
      });
    },
  };
}
