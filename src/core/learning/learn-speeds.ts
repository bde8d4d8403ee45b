import { fittedResin } from "../cure/fitted-resin";
import { hasFilmTest, stringMin } from "../cure/own-tests";
import type { ResinCard } from "../cure/resin-card";
import { EIGHT_TENTHS } from "../numerics/normal";
import { learn, type Factor } from "./fit";
import type { PourTeaches } from "./pour-teaches";
import { spreadTimes, type Times } from "./spread-times";

/** How fast each resin was here over its data sheet, with its doubt. */
export type SpeedOf = Times & { resin: string; name: string; readings: number };

const SPEED = {
  resin: 0.15,
  lot: 0.08,
  word: { string: 0.05, gummy: 0.2, dam: 0.25 },
  sigma: { string: 0.1, gummy: 0.2, dam: 0.25 },
};

/** The shop's resins against their data sheets, by when their films were seen to be so. */
export function learnSpeeds(pours: readonly PourTeaches[]): SpeedOf[] {
  const seen = pours.flatMap(({ pourId, coats }, at) =>
    coats.flatMap(({ coatId, speed, resinName }) =>
      speed.map((one, n) => ({
        ...one,
        resinName,
        id: `${pourId} ${coatId} ${n}`,
        age: pours.length - 1 - at,
      })),
    ),
  );
  const resins = new Map(seen.map(({ resin, resinName }) => [resin, resinName]));
  const lots = new Set(seen.flatMap(({ resin, lot }) => (lot === null ? [] : [`lot:${resin} ${lot}`])));
  const words = [...new Set(seen.map(({ word }) => word))];
  const factors: Factor[] = [
    ...[...resins.keys()].map((resin) => ({ id: `resin:${resin}`, sd: SPEED.resin })),
    ...[...lots].map((id) => ({ id, sd: SPEED.lot })),
    ...words.map((word) => ({ id: `word:${word}`, sd: SPEED.word[word] })),
  ];
  const learnt = learn(
    factors,
    seen.map(({ id, word, y, resin, lot, age }) => ({
      id,
      type: "log" as const,
      kind: word,
      coefs: {
        [`resin:${resin}`]: -1,
        ...(lot !== null && { [`lot:${resin} ${lot}`]: -1 }),
        [`word:${word}`]: 1,
      },
      y,
      sigma: SPEED.sigma[word],
      age,
    })),
  );
  return [...resins].map(([resin, name]) => {
    const readings = seen.filter((one) => one.resin === resin).length;
    return { resin, name, readings, ...spreadTimes(learnt, `resin:${resin}`) };
  });
}

/** From so many readings on, and so far off, a test is proposed to a card. */
const PROPOSED = { readings: 4, sds: 2, share: 0.1 };

/** A test that brings a card to what the log has seen; minutes at a temperature, before and after. */
export type SpeedProposal = { beforeMin: number; afterMin: number; tempC: number };

/**
 * What a resin's readings propose to its card; null where they go together, or are few. A card that has a film's test of the shop's own already goes
 * by that: the sheet is weighed against it, so a second one would be proposed over and over.
 */
export function speedProposal(speed: SpeedOf, card: ResinCard): SpeedProposal | null {
  if (hasFilmTest(card) || speed.readings < PROPOSED.readings || card.kind === "paint") return null;
  const beforeMin = stringMin(fittedResin(card));
  const afterMin = beforeMin / speed.times;
  const off = Math.abs(Math.log(afterMin / beforeMin));
  const sd = Math.log(speed.high / speed.low) / (2 * EIGHT_TENTHS);
  if (off < PROPOSED.sds * sd || off < Math.log(1 + PROPOSED.share)) return null;
  return { beforeMin, afterMin, tempC: card.filmTempC };
}
