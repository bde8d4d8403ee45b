import type { Person } from "@/contracts/people";
import type { ColourCard } from "@/core/colour/colour-card";
import type { Removed } from "@/core/shop/removed";
import { database } from "@/server/database";
import { colourCardsOf } from "@/server/repositories/colour-cards";

export const listColours = (person: Person): Promise<ColourCard[]> =>
  colourCardsOf(database(), person).list();
export const openColour = (person: Person, cardId: string): Promise<ColourCard> =>
  colourCardsOf(database(), person).find(cardId);
export const removedColours = (person: Person): Promise<Removed[]> =>
  colourCardsOf(database(), person).removed();
