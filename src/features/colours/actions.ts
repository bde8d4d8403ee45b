import { addColours, addStarterColours, removeColourCard, saveColourCard } from "@/contracts/colour-card";
import { STARTER_COLOURS } from "@/core/colour/starter-colours";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { colourCardsOf } from "@/server/repositories/colour-cards";

export const colourActs = [
  implement(saveColourCard, (person, { cardId, fields }) => {
    const cards = colourCardsOf(database(), person);
    return cardId === null ? cards.add(fields) : cards.change(cardId, fields);
  }),
  implement(removeColourCard, async (person, { cardId, removed }) => {
    await colourCardsOf(database(), person).remove(cardId, removed);
    return null;
  }),
  implement(addStarterColours, async (person) => ({
    added: await colourCardsOf(database(), person).addMissing(STARTER_COLOURS),
  })),
  implement(addColours, async (person, { colours }) => ({
    added: await colourCardsOf(database(), person).addMissing(colours),
  })),
];
