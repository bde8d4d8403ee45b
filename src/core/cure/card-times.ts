import { conversionAtThickening, freshViscosityPaS, type CureParameters } from "./kinetics";
import { GUMMY_PA_S } from "./film-states";
import { potLifeMin, runPot } from "./pot";
import type { BenchTest, ResinCard } from "./resin-card";

/** Conversions at which a film may be coated again, is gelled, and is tack-free (docs/models/cure.md). */
export const RECOAT = 0.5;
export const GEL = 0.58;
export const TACK_FREE = 0.68;

/** Where the words of a time lie, against what is usually meant by them. */
export type Meaning = { lnWorkTimes: number; recoat: number; tackFree: number; lnGummy: number };
export const USUAL_MEANING: Meaning = { lnWorkTimes: 0, recoat: 0, tackFree: 0, lnGummy: 0 };
/** How far they may lie off, as standard deviations (judgement, from memory). */
export const MEANING_SPREAD: Meaning = { lnWorkTimes: 0.35, recoat: 0.04, tackFree: 0.04, lnGummy: 0.5 };
/** The same of the conversion at gel. */
const GEL_SPREAD = 0.02;

export type TimeName =
  | "working time"
  | "recoat time"
  | "gel time"
  | "second gel time"
  | "tack-free time"
  | "pot life"
  | "cup test"
  | "string test"
  | "gummy test";

/** One time of a film: at which conversion it is, and by what it scatters, as a standard deviation of ln t. */
export type FilmTime = {
  what: TimeName;
  minutes: number;
  tempC: number;
  scatter: number;
  alphaOf: (p: CureParameters, meaning: Meaning) => number;
  /** Least and greatest conversion that its words may mean. */
  alphaSpread: (p: CureParameters) => [number, number];
};

/** One time of a pot. */
export type PotTime = {
  what: TimeName;
  minutes: number;
  scatter: number;
  minutesOf: (p: CureParameters) => number;
};

/** A sheet's own scatter; of a time that is rounded to days; of what a finisher timed; of a pot life's definition. */
const SCATTER = { sheet: 0.2, dayRounded: 0.35, gel: 0.1, own: 0.1, pot: Math.hypot(0.2, 0.2) };
const DAY_ROUNDED_FROM_H = 12;

const meant = (key: keyof Meaning, by: number): Meaning => ({ ...USUAL_MEANING, [key]: by });

/** A film time whose words have a spread of their own. */
function filmTime(
  what: TimeName,
  minutes: number,
  tempC: number,
  scatter: number,
  alphaOf: FilmTime["alphaOf"],
  word: keyof Meaning | null,
): FilmTime {
  const alphaSpread: FilmTime["alphaSpread"] =
    word === null
      ? (p) => [alphaOf(p, USUAL_MEANING) - GEL_SPREAD, alphaOf(p, USUAL_MEANING) + GEL_SPREAD]
      : (p) => [
          alphaOf(p, meant(word, -MEANING_SPREAD[word])),
          alphaOf(p, meant(word, MEANING_SPREAD[word])),
        ];
  return { what, minutes, tempC, scatter, alphaOf, alphaSpread };
}

const gelAlpha = (p: CureParameters) => p.gelConversion;
const gummyAlpha = (tempC: number) => (p: CureParameters, meaning: Meaning) =>
  conversionAtThickening(
    Math.max(1.2, (GUMMY_PA_S * Math.exp(meaning.lnGummy)) / freshViscosityPaS(tempC, p)),
    p,
  );

/** All that a card says of its films, its finisher's own tests among it. */
export function filmTimesOf(card: ResinCard): FilmTime[] {
  const { filmTempC, workMin, recoatFromH, gelH, gel2H, gel2TempC, tackFreeH, benchTests } = card;
  const times: FilmTime[] = [];
  if (workMin !== null)
    times.push(
      filmTime(
        "working time",
        workMin,
        filmTempC,
        SCATTER.sheet,
        (p, { lnWorkTimes }) => conversionAtThickening(2 * Math.exp(lnWorkTimes), p),
        "lnWorkTimes",
      ),
    );
  if (recoatFromH !== null && recoatFromH > 0)
    times.push(
      filmTime(
        "recoat time",
        recoatFromH * 60,
        filmTempC,
        recoatFromH >= DAY_ROUNDED_FROM_H ? SCATTER.dayRounded : SCATTER.sheet,
        (_p, { recoat }) => RECOAT + recoat,
        "recoat",
      ),
    );
  if (gelH !== null) times.push(filmTime("gel time", gelH * 60, filmTempC, SCATTER.gel, gelAlpha, null));
  if (gel2H !== null)
    times.push(filmTime("second gel time", gel2H * 60, gel2TempC, SCATTER.gel, gelAlpha, null));
  if (tackFreeH !== null)
    times.push(
      filmTime(
        "tack-free time",
        tackFreeH * 60,
        filmTempC,
        SCATTER.sheet,
        (_p, { tackFree }) => TACK_FREE + tackFree,
        "tackFree",
      ),
    );
  for (const { kind, minutes, tempC } of benchTests) {
    if (kind === "string") times.push(filmTime("string test", minutes, tempC, SCATTER.own, gelAlpha, null));
    if (kind === "gummy")
      times.push(filmTime("gummy test", minutes, tempC, SCATTER.own, gummyAlpha(tempC), "lnGummy"));
  }
  return times;
}

/** Minutes until a cup of a mass has gelled. */
const cupGelMin = ({ massG, tempC }: BenchTest, p: CureParameters): number =>
  runPot(massG ?? 0, tempC, tempC, p, ({ alpha }) => alpha >= p.gelConversion).timeS / 60;

/** All that a card says of its pots. */
export function potTimesOf(card: ResinCard): PotTime[] {
  if (card.kind === "paint") return [];
  const { potLifeMin: minutes, potMassG, potTempC, benchTests } = card;
  const times: PotTime[] = [];
  if (minutes !== null)
    times.push({
      what: "pot life",
      minutes,
      scatter: SCATTER.pot,
      minutesOf: (p) => potLifeMin(potMassG, potTempC, potTempC, p),
    });
  for (const test of benchTests)
    if (test.kind === "cup" && test.massG !== null)
      times.push({
        what: "cup test",
        minutes: test.minutes,
        scatter: SCATTER.own,
        minutesOf: (p) => cupGelMin(test, p),
      });
  return times;
}
