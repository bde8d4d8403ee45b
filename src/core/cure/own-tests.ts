import { fittedResin, type FittedResin } from "./fitted-resin";
import { timeToConversion } from "./kinetics";
import type { ResinCard } from "./resin-card";

/** Whether a card goes by a film that the finisher has timed. */
export const hasFilmTest = ({ benchTests }: ResinCard): boolean =>
  benchTests.some(({ kind }) => kind !== "cup");

/** Minutes until a film draws no more string, at the card's film temperature. */
export function stringMin({ filmTempC, fit: { parameters } }: FittedResin): number {
  return timeToConversion(parameters.gelConversion, filmTempC, parameters) / 60;
}

/** How many times as long a film takes by the finisher's own tests as by the data sheet; tests of cups count in both. */
export function overSheet(resin: FittedResin): number {
  if (!hasFilmTest(resin)) return 1;
  const { fit: _fit, ...card } = resin;
  const benchTests = card.benchTests.filter(({ kind }) => kind === "cup");
  return stringMin(resin) / stringMin(fittedResin({ ...card, benchTests }));
}
