import { capital } from "../units/cut-text";

/** A time as a person would say it: "40 min", "24 h". */
const timeWords = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${Math.round(minutes / 6) / 10} h`;

/** A number of a card: what it is, what the card says and what the fit says, min. */
type CardTime = { what: string; sheetMin: number; modelMin: number };
const yours = ({ what, sheetMin }: CardTime) => `your ${timeWords(sheetMin)} ${what}`;

/** What is said of a card's numbers that contradict each other. */
export const conflictWords = {
  alone: (odd: CardTime) =>
    `${capital(yours(odd))} does not belong to a resin of this kind: its other numbers go with ${timeWords(odd.modelMin)}. Check it.`,
  pair: (longer: CardTime, shorter: CardTime) =>
    `${capital(yours(longer))} and ${yours(shorter)} do not belong to one resin: check one. The fit says ${timeWords(longer.modelMin)} and ${timeWords(shorter.modelMin)}.`,
  outside: () =>
    "These numbers lie outside what a resin of this kind does. Check them against the data sheet.",
  hot: (thickestFilmMm: number) =>
    `A resin with these times would run hot in the ${Math.round(thickestFilmMm)} mm that it is rated for: check its thickest film, its pot life and its cure times.`,
};
