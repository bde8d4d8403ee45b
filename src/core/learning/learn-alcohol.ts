import { learn, type Factor } from "./fit";
import type { PourTeaches } from "./pour-teaches";
import { spreadTimes, type Times } from "./spread-times";

const ALCOHOL = { shop: 0.3, person: 0.25, technique: 0.2, sigma: 0.25 };

/** How much alcohol goes on over what was planned, in this shop; null where nobody has weighed the bottle. */
export function learnAlcohol(pours: readonly PourTeaches[]): (Times & { coats: number }) | null {
  const seen = pours.flatMap(({ pourId, coats }, at) =>
    coats.flatMap(({ coatId, technique, alcohol }) =>
      alcohol ? [{ ...alcohol, technique, id: `${pourId} ${coatId}`, age: pours.length - 1 - at }] : [],
    ),
  );
  if (seen.length === 0) return null;
  const ids = (prefix: string, names: readonly (string | null)[]) =>
    [...new Set(names)].flatMap((name) => (name === null ? [] : [`${prefix}:${name}`]));
  const factors: Factor[] = [
    { id: "shop", sd: ALCOHOL.shop },
    ...ids(
      "person",
      seen.flatMap(({ people }) => people),
    ).map((id) => ({ id, sd: ALCOHOL.person })),
    ...ids(
      "technique",
      seen.map(({ technique }) => technique),
    ).map((id) => ({ id, sd: ALCOHOL.technique })),
  ];
  const learnt = learn(
    factors,
    seen.map(({ id, y, people, technique, age }) => ({
      id,
      type: "log" as const,
      kind: "alcohol",
      coefs: {
        shop: 1,
        ...Object.fromEntries(people.map((name) => [`person:${name}`, 1 / people.length])),
        ...(technique && { [`technique:${technique}`]: 1 }),
      },
      y,
      sigma: ALCOHOL.sigma,
      age,
    })),
  );
  return { ...spreadTimes(learnt, "shop"), coats: seen.length };
}
