import type { ColourCard } from "../colour/colour-card";
import type { ResinCard } from "../cure/resin-card";
import type { JobDocument } from "./job";

/** The cards of a shop that a job is poured from: the resins of its coats, the colourants of its colours. */
export function usedCards(
  { coats }: Pick<JobDocument, "coats">,
  resins: readonly ResinCard[],
  colourants: readonly ColourCard[],
): { cards: ResinCard[]; colours: ColourCard[] } {
  const used = new Set(
    coats.flatMap(({ resinCardId, colours }) => [
      resinCardId,
      ...colours.flatMap(({ parts = [] }) => parts.map(({ cardId }) => cardId)),
    ]),
  );
  return {
    cards: resins.filter(({ id }) => used.has(id)),
    colours: colourants.filter(({ id }) => used.has(id)),
  };
}
