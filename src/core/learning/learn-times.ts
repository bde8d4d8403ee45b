import { lastWord, type LearningDecision } from "./decisions";
import { learn, type Factor, type Reading } from "./fit";
import { EIGHT_TENTHS } from "../numerics/normal";
import { knownBefore, movedBy, USUAL_OF } from "./learn-volumes";
import type { PourTeaches } from "./pour-teaches";
import { logForecast, proposal, score, type NotProposed } from "./predict";
import { spreadTimes, type Times } from "./spread-times";

/** What of working time was learnt: of the shop, its people and techniques; minutes over the planned. */
export type TimeLearning = {
  /** What the usual coats take over the planned: the last ones, by the hands and ways of working that did them. */
  usual: Times & { coats: number; pours: number };
  techniques: (Times & {
    technique: string;
    coats: number;
    minPerM2: number;
    plannedMinPerM2: number;
  })[];
  /** From five pours on. */
  people: (Times & { name: string; coats: number })[];
  usualMin: number;
  movedMin: number;
  sdMin: number;
  notProposed: NotProposed | null;
};

const TIME = { shop: 0.25, person: 0.2, technique: 0.2, sigma: 0.2 };
const PEOPLE_FROM = 5;
/** A change of time is proposed from so much on. */
const TIME_MATTERS = { least: 5, share: 0.1 };

type TimeReading = Extract<Reading, { type: "log" }>;

/** Whether times were foretold better, one step ahead and all in all, by what was learnt than by the plan. */
function isAhead(factors: readonly Factor[], readings: readonly TimeReading[]): boolean {
  const before = learn(factors, []);
  return (
    readings.reduce((sum, reading) => {
      const known = learn(factors, knownBefore(readings, reading));
      const crps = ({ mean, half80 }: { mean: number; half80: number }) =>
        score(reading.y, mean, half80 / EIGHT_TENTHS).crps;
      const { coefs, sigma, kind } = reading;
      const learnt = logForecast(known, coefs, sigma, known.scale2.get(kind) ?? 1);
      return sum + crps(learnt) - crps(logForecast(before, coefs, sigma, 1));
    }, 0) < 0
  );
}

/** @param planned how many times the planned time the shop plans with now */
export function learnTimes(
  pours: readonly PourTeaches[],
  decisions: readonly LearningDecision[] = [],
  planned: number = 1,
): TimeLearning {
  const seen = pours.flatMap(({ pourId, coats }, at) =>
    coats.flatMap((coat) =>
      coat.time ? [{ ...coat, time: coat.time, pourId, age: pours.length - 1 - at }] : [],
    ),
  );
  const people = [...new Set(seen.flatMap(({ time }) => time.people))];
  const techniques = [...new Set(seen.flatMap(({ technique }) => (technique ? [technique] : [])))];
  const factors: Factor[] = [
    { id: "shop", sd: TIME.shop },
    ...people.map((name) => ({ id: `person:${name}`, sd: TIME.person })),
    ...techniques.map((id) => ({ id: `technique:${id}`, sd: TIME.technique })),
  ];
  const readings = seen.map(({ pourId, coatId, time, technique, age }): TimeReading => ({
    id: `${pourId} ${coatId} time`,
    type: "log",
    kind: "time",
    // A rate: who is quick takes fewer minutes.
    coefs: {
      shop: -1,
      ...Object.fromEntries(time.people.map((name) => [`person:${name}`, -1 / time.people.length])),
      ...(technique && { [`technique:${technique}`]: -1 }),
    },
    y: Math.log(time.tookMin / time.plannedMin),
    sigma: TIME.sigma,
    age,
  }));
  const learnt = learn(factors, readings);
  const timesOf = (id: string) => spreadTimes(learnt, id, -1);
  const last = readings.slice(-USUAL_OF).map(({ coefs }, at) => ({
    coefs,
    ml: (seen.slice(-USUAL_OF)[at]?.time.plannedMin ?? 0) / Math.min(USUAL_OF, readings.length),
  }));
  const usualMin = last.reduce((sum, { ml }) => sum + ml, 0);
  // What is planned with now slows all alike.
  const now = learnt.ids.map((id) => (id === "shop" ? -Math.log(planned) : 0));
  const { ml: movedMin, sd: sdMin } = movedBy(learnt, last, now);
  const half = EIGHT_TENTHS * sdMin;
  const times = (min: number) => (usualMin > 0 ? planned + min / usualMin : planned);
  const word = lastWord(decisions, "time");
  const withReading = new Set(seen.map(({ pourId }) => pourId)).size;
  const notProposed = (): NotProposed | null => {
    if (seen.length === 0) return "nothing to learn from";
    if (word?.kind === "refuse" && Math.abs(movedMin - word.moved) < word.sd) return "refused";
    return proposal(
      {
        movedMl: movedMin,
        sdMl: sdMin,
        mixMl: usualMin * planned,
        pours: withReading,
        ahead: isAhead(factors, readings),
      },
      TIME_MATTERS,
    );
  };
  const perM2 = (list: typeof seen, of: (one: (typeof seen)[number]) => number) => {
    const area = list.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    return area > 0 ? list.reduce((sum, one) => sum + of(one), 0) / area : 0;
  };
  return {
    usual: {
      times: times(movedMin),
      low: times(movedMin - half),
      high: times(movedMin + half),
      coats: seen.length,
      pours: withReading,
    },
    techniques: techniques.map((technique) => {
      const of = seen.filter((one) => one.technique === technique);
      return {
        technique,
        ...timesOf(`technique:${technique}`),
        coats: of.length,
        minPerM2: perM2(of, ({ time }) => time.tookMin),
        plannedMinPerM2: perM2(of, ({ time }) => time.plannedMin),
      };
    }),
    people: people.flatMap((name) => {
      const coats = seen.filter(({ time }) => time.people.includes(name));
      const pours = new Set(coats.map(({ pourId }) => pourId)).size;
      return pours >= PEOPLE_FROM ? [{ name, ...timesOf(`person:${name}`), coats: coats.length }] : [];
    }),
    usualMin,
    movedMin,
    sdMin,
    notProposed: notProposed(),
  };
}
