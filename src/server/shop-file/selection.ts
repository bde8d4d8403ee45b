import type { Transaction } from "sequelize";
import type { Holds } from "@/contracts/shop-file";
import { jsonOf, type Database } from "../database";
import { notFound } from "../refused";

/** What a file shall hold: the whole shop, or one thing with what it is made of. */
export type Wanted = { holds: "shop" } | { holds: Exclude<Holds, "shop">; id: string };

/** Ids of what goes into a file; null for all there are. */
export type Selection = Record<"jobs" | "recipes" | "resins" | "colours" | "pictures", string[]> | null;

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
export const idsIn = (text: string): string[] => [...new Set(text.match(UUID) ?? [])];

/** A text with its ids exchanged; those that are not in the map stay. */
export const withIds = (text: string, map: ReadonlyMap<string, string>): string =>
  map.size === 0 ? text : text.replace(UUID, (id) => map.get(id) ?? id);

type In = { db: Database; shopId: string; transaction: Transaction };

async function recipeWith({ db, shopId, transaction }: In, recipeId: string): Promise<string> {
  const versions = await db.RecipeVersion.findAll({ where: { shopId, recipeId }, transaction });
  const boards = await db.SampleBoard.findAll({
    where: { shopId, versionId: versions.map(({ id }) => id) },
    transaction,
  });
  return JSON.stringify([
    ...versions.map(({ document }) => jsonOf(document)),
    ...boards.map(({ pictureId }) => pictureId),
  ]);
}

/** Finds what a thing is made of: the cards, pictures and recipe that its documents name. */
export async function selectionOf(within: In, wanted: Wanted): Promise<Selection> {
  if (wanted.holds === "shop") return null;
  const { db, shopId, transaction } = within;
  const jobs: string[] = [];
  const recipes: string[] = [];
  let text = wanted.id;
  if (wanted.holds === "job") {
    const job = await db.Job.findOne({ where: { id: wanted.id, shopId, removedAt: null }, transaction });
    if (!job) throw notFound("job");
    const now = await db.JobRevision.findOne({
      where: { jobId: job.id, revision: job.revision },
      transaction,
    });
    jobs.push(job.id);
    text += JSON.stringify(now && jsonOf(now.document));
    const version =
      job.recipeVersionId &&
      (await db.RecipeVersion.findOne({ where: { id: job.recipeVersionId, shopId }, transaction }));
    if (version) recipes.push(version.recipeId);
  }
  if (wanted.holds === "recipe") {
    if ((await db.Recipe.count({ where: { id: wanted.id, shopId, removedAt: null }, transaction })) === 0)
      throw notFound("recipe");
    recipes.push(wanted.id);
  }
  for (const recipeId of recipes) text += await recipeWith(within, recipeId);
  const where = { shopId, id: idsIn(text) };
  const only = { where, attributes: ["id"], transaction };
  const resins = (await db.ResinCard.findAll(only)).map(({ id }) => id);
  const colours = (await db.ColourCard.findAll(only)).map(({ id }) => id);
  const pictures = (await db.Picture.findAll(only)).map(({ id }) => id);
  if (wanted.holds === "resin" && !resins.includes(wanted.id)) throw notFound("resin card");
  if (wanted.holds === "colour" && !colours.includes(wanted.id)) throw notFound("colour card");
  return { jobs, recipes, resins, colours, pictures };
}
