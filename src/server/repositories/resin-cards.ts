import { randomUUID } from "node:crypto";
import type { Person } from "@/contracts/people";
import type { ResinCardFields } from "@/contracts/resin-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { Database } from "../database";
import type { ResinCardRow } from "../models/resin-card";
import { notFound } from "../refused";

/** A row as the card that it is. */
export function cardOf(row: ResinCardRow): ResinCard {
  const {
    shopId: _shop,
    removedAt: _removed,
    createdAt: _created,
    updatedAt: _updated,
    pricePerLitre,
    ...rest
  } = row.get({ plain: true });
  return {
    ...rest,
    forCounters: Boolean(rest.forCounters),
    kits: rest.kits ?? [],
    benchTests: rest.benchTests ?? [],
    pricePerLitre: pricePerLitre === null ? null : Number(pricePerLitre),
  };
}

/** A card's fields as they are stored. */
export const rowOf = (fields: ResinCardFields) => ({
  ...fields,
  pricePerLitre: fields.pricePerLitre === null ? null : fields.pricePerLitre.toFixed(2),
});

/** The resin cards of the signed-in person's shop. */
export function resinCardsOf(db: Database, me: Person) {
  const findOwn = async (cardId: string) => {
    const row = await db.ResinCard.findOne({ where: { id: cardId, shopId: me.shopId } });
    if (!row) throw notFound("resin card");
    return row;
  };
  return {
    /** Cards in use, by name. A removed card stays in the table: pours were made with it. */
    async list(): Promise<ResinCard[]> {
      const rows = await db.ResinCard.findAll({
        where: { shopId: me.shopId, removedAt: null },
        order: [["name", "ASC"]],
      });
      return rows.map(cardOf);
    },
    async find(cardId: string): Promise<ResinCard> {
      return cardOf(await findOwn(cardId));
    },
    async add(fields: ResinCardFields): Promise<ResinCard> {
      return cardOf(await db.ResinCard.create({ id: randomUUID(), shopId: me.shopId, ...rowOf(fields) }));
    },
    async change(cardId: string, fields: ResinCardFields): Promise<ResinCard> {
      const row = await findOwn(cardId);
      await row.update(rowOf(fields));
      return cardOf(row);
    },
    async remove(cardId: string): Promise<void> {
      await (await findOwn(cardId)).update({ removedAt: new Date() });
    },
  };
}
