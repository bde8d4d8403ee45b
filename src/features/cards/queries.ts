import type { Person } from "@/contracts/people";
import type { ResinCard } from "@/core/cure/resin-card";
import { database } from "@/server/database";
import { resinCardsOf } from "@/server/repositories/resin-cards";

export const listCards = (person: Person): Promise<ResinCard[]> => resinCardsOf(database(), person).list();
export const openCard = (person: Person, cardId: string): Promise<ResinCard> =>
  resinCardsOf(database(), person).find(cardId);
