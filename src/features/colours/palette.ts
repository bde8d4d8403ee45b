import Papa from "papaparse";
import { COLOUR_KIND_WORDS, opticsOf, type ColourCard } from "@/core/colour/colour-card";
import { channelsOfHex, hexOfLab, labOfHex, type Lab } from "@/core/colour/spaces";
import { labEndless } from "@/core/colour/hiding";
import { asFilm, hasMasstone, WHITE } from "./card-look";

/** The colour that stands for a card: its full strength; flakes at 45° and dyes over white in a film of 1 mm. */
export function standingColour(card: ColourCard): { lab: Lab; hex: string } {
  const optics = opticsOf(card);
  if (!optics) {
    const hex = card.appearance.by === "unknown" ? card.appearance.hex.toUpperCase() : "#808080";
    return { lab: labOfHex(hex), hex };
  }
  const lab = hasMasstone(optics) ? labEndless(optics.matter) : asFilm(card.kind, optics, WHITE).lab;
  return { lab, hex: hexOfLab(lab) };
}

const oneLine = (text: string) => text.replace(/[\u0000-\u001f\u007f]+/g, " ").trim();

/** The shelf as a GIMP palette (.gpl): a line each of red, green, blue and name. */
export function shelfPalette(shop: string, cards: readonly ColourCard[]): string {
  const lines = cards.map((card) => {
    const channels = channelsOfHex(standingColour(card).hex).map((channel) => String(channel).padStart(3));
    return `${channels.join(" ")}\t${oneLine(card.name)}`;
  });
  return ["GIMP Palette", `Name: ${oneLine(shop)}`, "Columns: 6", "#", ...lines, ""].join("\n");
}

const places = (value: number) => Number(value.toFixed(2));

/**
 * The shelf as CSV: names, limits, prices, and the colour that stands for each; `look` and `dose` are the card's own, as JSON,
 * so that nothing is lost when it is read again. Formulas in names are disarmed. See docs/formats/shelf.md.
 */
export function shelfCsv(cards: readonly ColourCard[]): string {
  const rows = cards.map((card) => {
    const { lab, hex } = standingColour(card);
    return {
      name: card.name,
      pigment: card.index,
      kind: COLOUR_KIND_WORDS[card.kind],
      hex,
      L: places(lab[0]),
      a: places(lab[1]),
      b: places(lab[2]),
      most_g_per_100g: card.mostPer100G ?? "",
      density_g_per_ml: card.densityGPerMl,
      price_per_kg: card.pricePerKg ?? "",
      dose: JSON.stringify(card.measure),
      look: JSON.stringify(card.appearance),
    };
  });
  return Papa.unparse(rows, { escapeFormulae: true, newline: "\r\n" });
}

/** The files as which a shelf goes out, by their names. */
const SHELF_FILES = {
  "shelf.csv": shelfCsv,
  "shelf.gpl": (cards: readonly ColourCard[]) => shelfPalette("Shelf", cards),
};
export type ShelfFile = keyof typeof SHELF_FILES;

export const shelfFile = ({ file, cards }: { file: ShelfFile; cards: readonly ColourCard[] }): string =>
  SHELF_FILES[file](cards);
