import type { BottlePart } from "../pour/lot-code";

/** What stands on a shelf. Colours and resins go by their cards. */
export type ItemKind = "resin" | "colour" | "spray" | "alcohol" | "embed" | "consumable";

export const ITEM_KINDS: readonly ItemKind[] = ["resin", "colour", "spray", "alcohol", "embed", "consumable"];

/** What a kind is counted in. */
export type ItemUnit = "g" | "ml" | "piece";
export const UNIT_OF_KIND: Record<ItemKind, ItemUnit> = {
  resin: "g",
  colour: "g",
  spray: "piece",
  alcohol: "ml",
  embed: "g",
  consumable: "piece",
};

/** What a consumable is for, where a plan can count it. */
export type ConsumableUse = "cup" | "stick" | "gloves" | "roller" | "tape" | "strip" | "sandpaper" | "other";

export type Part = BottlePart;

export type ShelfItem = {
  id: string;
  kind: ItemKind;
  /** As it stands on its card, where it has one. */
  name: string;
  /** The resin or colour card that it is. */
  cardId: string | null;
  use: ConsumableUse | null;
  /** Size of a cup, ml. */
  cupMl: number | null;
  /** Fewer than this is few, in its unit; null where nobody asks. */
  keepAtLeast: number | null;
  /** As the shop typed them off the label or the safety sheet; printed on its labels. */
  hazards: string;
};

/** Density of alcohol, g/ml: isopropanol 0.785, ethanol 0.789 at 20 °C (CRC Handbook, from memory). */
export const ALCOHOL_G_PER_ML = 0.787;

/** What a bottle holds in the unit of its kind, of what it weighs net, g; null for what is counted in pieces. */
export function amountOfGrams(kind: ItemKind, grams: number): number | null {
  if (UNIT_OF_KIND[kind] === "g") return grams;
  return UNIT_OF_KIND[kind] === "ml" ? grams / ALCOHOL_G_PER_ML : null;
}
