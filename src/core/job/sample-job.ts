import type { ResinCard } from "../cure/resin-card";
import type { JobDocument } from "./job";
import { newCoat } from "./new-job";
import { newPiece, type NewId } from "../geometry/new-piece";
import { withTechnique } from "./techniques";

/** A straight counter with primer, base, colour and clear, as a new job of this shop might be. */
export function sampleJob(cards: readonly ResinCard[], newId: NewId): JobDocument {
  const [coating, , , paint] = cards;
  return {
    format: 1,
    ground: "mdf",
    work: { people: 1, tempC: 21, startMin: 540 },
    factors: {},
    notes: "",
    pieces: [newPiece("straight", "Counter", newId)],
    coats: [
      newCoat("primer", "Primer, black", paint?.id ?? null, newId),
      newCoat("base", "Base, black", coating?.id ?? null, newId),
      withTechnique(newCoat("colour", "Colour", coating?.id ?? null, newId), "palm-blend", newId),
      newCoat("clear", "Clear flood", coating?.id ?? null, newId),
    ],
  };
}
