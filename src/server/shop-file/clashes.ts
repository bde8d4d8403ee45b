import type { Model, ModelStatic } from "sequelize";
import type { NameClash, NamedKind } from "@/contracts/shop-file";
import type { Database } from "../database";
import type { Checked } from "./check";

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** The shop's own things by their names. */
export async function ownNames(
  db: Database,
  shopId: string,
): Promise<Record<NamedKind, { id: string; name: string }[]>> {
  const where = { shopId, removedAt: null };
  const attributes = ["id", "name"];
  const named = (rows: { id: string; name: string }[]) => rows.map(({ id, name }) => ({ id, name }));
  return {
    resin: named(await db.ResinCard.findAll({ where, attributes })),
    colour: named(await db.ColourCard.findAll({ where, attributes })),
    recipe: named(await db.Recipe.findAll({ where, attributes })),
    job: named(await db.Job.findAll({ where, attributes })),
    "shelf item": named(await db.ShelfItem.findAll({ where, attributes })),
  };
}

/** A shop with nothing of its own yet: no more than the cards it began with. */
export async function hasNothing(db: Database, shopId: string): Promise<boolean> {
  const where = { shopId };
  for (const model of [db.Job, db.Recipe, db.Pour, db.ShelfItem, db.Trial] as ModelStatic<Model>[])
    if ((await model.count({ where })) > 0) return false;
  return true;
}

/** What the file has by a name that the shop has already. */
export async function clashesOf(db: Database, shopId: string, { named }: Checked): Promise<NameClash[]> {
  const own = await ownNames(db, shopId);
  return named.flatMap(({ kind, id, name, removed }) => {
    const ours = own[kind].find((other) => sameName(other.name, name));
    return ours && !removed ? [{ kind, id, name, ours: ours.id }] : [];
  });
}
