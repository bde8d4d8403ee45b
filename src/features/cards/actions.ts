import { removeResinCard, saveResinCard } from "@/contracts/resin-card";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { resinCardsOf } from "@/server/repositories/resin-cards";

export const cardActs = [
  implement(saveResinCard, (person, { cardId, fields }) => {
    const cards = resinCardsOf(database(), person);
    return cardId === null ? cards.add(fields) : cards.change(cardId, fields);
  }),
  implement(removeResinCard, async (person, { cardId }) => {
    await resinCardsOf(database(), person).remove(cardId);
    return null;
  }),
];
