import { newCoat } from "@/core/job/new-job";
import { newPiece } from "@/core/geometry/new-piece";
import { withTechnique } from "@/core/job/techniques";
import type { JobDocument } from "@/core/job/job";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";

let made = 0;
const id = () => `id-${(made += 1)}`;

export const cards = starterCards(id);

/** 12 pieces × 8 coats: a large kitchen. */
export const kitchen: JobDocument = {
  ...sampleJob(cards, id),
  pieces: Array.from({ length: 12 }, (_, index) =>
    newPiece(
      (["straight", "l-run", "rectangle", "round"] as const)[index % 4] ?? "straight",
      `Piece ${index + 1}`,
      id,
    ),
  ),
  coats: Array.from({ length: 8 }, (_, index) =>
    withTechnique(newCoat("colour", `Coat ${index + 1}`, cards[0]?.id ?? null, id), "palm-blend", id),
  ),
};
