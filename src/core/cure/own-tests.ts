import { byIdentity } from "../numerics/by-identity";
import { fittedResin } from "./fitted-resin";
import { timeToConversion } from "./kinetics";
import type { ResinCard } from "./resin-card";

/** A card as its data sheet alone has its films; tests of cups stay. */
export const bySheet = byIdentity((card: ResinCard): ResinCard => ({
  ...card,
  benchTests: card.benchTests.filter(({ kind }) => kind === "cup"),
}));

/** Minutes until a film draws no more string, at the card's film temperature. */
export function stringMin(card: ResinCard): number {
  const { parameters } = fittedResin(card).fit;
  return timeToConversion(parameters.gelConversion, card.filmTempC, parameters) / 60;
}

/** How many times as long a film takes by the finisher's own tests as by the sheet. */
export const overSheet = (card: ResinCard): number => stringMin(card) / stringMin(bySheet(card));
