import type { Person } from "@/contracts/people";
import { itemsStand, paidPerMl } from "@/core/shelf/item-stands";
import type { Database } from "./database";
import { resinCardsOf } from "./repositories/resin-cards";
import { shelfOf } from "./repositories/shelf";
import { todayOf } from "./shop-day";

/** What a millilitre of each resin's mix was paid for, by resin card, where lots with a price stand on the shelf. */
export async function paidForResins(db: Database, person: Person): Promise<Record<string, number>> {
  const shelf = shelfOf(db, person);
  const [items, lots, cards] = await Promise.all([
    shelf.items(),
    shelf.lots(),
    resinCardsOf(db, person).list(),
  ]);
  return paidPerMl(itemsStand(items, lots, [], cards, todayOf(person)));
}
