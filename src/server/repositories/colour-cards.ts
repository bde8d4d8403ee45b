import { randomUUID } from "node:crypto";
import { asColourCard, colourCardFields, type ColourCardFields } from "@/contracts/colour-card";
import type { Removed } from "@/core/shop/removed";
import type { Person } from "@/contracts/people";
import type { ColourCard } from "@/core/colour/colour-card";
import { jsonOf, type Database } from "../database";
import type { ColourCardRow } from "../models/colour-card";
import { asRemoved, removedLately } from "../removed";
import { notFound } from "../refused";

const cardOf = (row: ColourCardRow): ColourCard =>
  asColourCard(row.id, colourCardFields.parse(jsonOf(row.fields)));

/** The colourants of the signed-in person's shop. */
export function colourCardsOf(db: Database, me: Person) {
  const rowOf = async (cardId: string) => {
    const row = await db.ColourCard.findOne({ where: { id: cardId, shopId: me.shopId } });
    if (!row) throw notFound("colour card");
    return row;
  };
  const list = async (): Promise<ColourCard[]> => {
    const rows = await db.ColourCard.findAll({
      where: { shopId: me.shopId, removedAt: null },
      order: [["name", "ASC"]],
    });
    return rows.map(cardOf);
  };
  const add = async (fields: ColourCardFields): Promise<ColourCard> =>
    cardOf(await db.ColourCard.create({ id: randomUUID(), shopId: me.shopId, name: fields.name, fields }));
  return {
    /** Colours in use, by name. A removed one stays in the table: jobs were mixed with it. */
    list,
    async find(cardId: string): Promise<ColourCard> {
      return cardOf(await rowOf(cardId));
    },
    add,
    async change(cardId: string, fields: ColourCardFields): Promise<ColourCard> {
      const row = await rowOf(cardId);
      await row.update({ name: fields.name, fields });
      return cardOf(row);
    },
    async remove(cardId: string, removed = true): Promise<void> {
      await (await rowOf(cardId)).update({ removedAt: removed ? new Date() : null });
    },
    /** Colours that were taken off the shelf lately, the last one first. */
    async removed(): Promise<Removed[]> {
      return asRemoved(
        await db.ColourCard.findAll({
          where: { shopId: me.shopId, ...removedLately() },
          order: [["removedAt", "DESC"]],
        }),
      );
    },
    /** Adds those whose names are not on the shelf yet; tells how many. */
    async addMissing(colours: readonly ColourCardFields[]): Promise<number> {
      const names = new Set((await list()).map((card) => card.name.toLowerCase()));
      const missing = colours.filter(({ name }) => !names.has(name.toLowerCase()));
      await db.ColourCard.bulkCreate(
        missing.map((fields) => ({ id: randomUUID(), shopId: me.shopId, name: fields.name, fields })),
      );
      return missing.length;
    },
  };
}
