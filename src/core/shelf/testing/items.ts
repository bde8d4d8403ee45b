import type { ShelfItem } from "../item";

/** A resin of the shelf that goes by no card, changed as a test needs it. */
export const itemOf = (id: string, more: Partial<ShelfItem> = {}): ShelfItem => ({
  id,
  kind: "resin",
  name: id,
  cardId: null,
  use: null,
  cupMl: null,
  keepAtLeast: null,
  hazards: "",
  ...more,
});
