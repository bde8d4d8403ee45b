import { lastWord, type LearningDecision } from "./decisions";
import { learn, type Factor, type Reading } from "./fit";
import { USUAL_OF, type NotProposed } from "./learn-volumes";
import type { PourTeaches } from "./pour-teaches";
import { EIGHT_TENTHS } from "./predict";
import { spreadTimes, type Times } from "./spread-times";

/** What of working time was learnt: of the shop, its people and techniques; minutes over the planned. */
export type TimeLearning = {
  shop: Times & { readings: number };
  techniques: {
    technique: string;
    times: number;
    low: number;
    high: number;
    coats: number;
    minPerM2: number;
    plannedMinPerM2: number;
  }[];
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
const TIME_MATTERS = { min: 5, share: 0.1 };

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
  const readings = seen.map(({ pourId, coatId, time, technique, age }): Reading => ({
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
  const shop = timesOf("shop");
  const sdOfShop = Math.log(shop.high / shop.times) / EIGHT_TENTHS;
  const last = seen.slice(-USUAL_OF);
  const usualMin =
    last.length > 0 ? last.reduce((sum, { time }) => sum + time.plannedMin, 0) / last.length : 0;
  const movedMin = usualMin * (shop.times - planned);
  const sdMin = usualMin * shop.times * sdOfShop;
  const word = lastWord(decisions, "time");
  const withReading = new Set(seen.map(({ pourId }) => pourId)).size;
  const notProposed = (): TimeLearning["notProposed"] => {
    if (seen.length === 0) return "nothing to learn from";
    if (word?.kind === "refuse" && Math.abs(movedMin - word.moved) < word.sd) return "refused";
    if (withReading < 4) return "too few pours";
    if (Math.abs(movedMin) < 2 * sdMin) return "inside its spread";
    return Math.abs(movedMin) < TIME_MATTERS.min ||
      Math.abs(movedMin) < TIME_MATTERS.share * usualMin * planned
      ? "too small"
      : null;
  };
  const perM2 = (list: typeof seen, of: (one: (typeof seen)[number]) => number) => {
    const area = list.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    return area > 0 ? list.reduce((sum, one) => sum + of(one), 0) / area : 0;
  };
  return {
    shop: { ...shop, readings: seen.length },
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
