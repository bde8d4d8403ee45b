import { learn, type Factor } from "./fit";
import type { CoatTeaches, Over, PourTeaches } from "./pour-teaches";
import { spreadTimes, type Times } from "./spread-times";

/** Standard deviations of what is likely before anything is seen; `sigma` of one reading. */
type Doubts = { shop: number; person: number; technique: number | null; sigma: number };

const learnOver =
  (kind: string, doubts: Doubts, of: (coat: CoatTeaches) => Over | null) =>
  /** How much this shop takes, times the usual; null where nobody has read it. */
  (pours: readonly PourTeaches[]): (Times & { coats: number }) | null => {
    const seen = pours.flatMap(({ pourId, coats }, at) =>
      coats.flatMap((coat) => {
        const over = of(coat);
        const technique = doubts.technique === null ? null : coat.technique;
        const id = `${pourId} ${coat.coatId}`;
        return over ? [{ ...over, technique, id, age: pours.length - 1 - at }] : [];
      }),
    );
    if (seen.length === 0) return null;
    const ids = (prefix: string, names: readonly (string | null)[], sd: number) =>
      [...new Set(names)].flatMap((name): Factor[] =>
        name === null ? [] : [{ id: `${prefix}:${name}`, sd }],
      );
    const factors: Factor[] = [
      { id: "shop", sd: doubts.shop },
      ...ids(
        "person",
        seen.flatMap(({ people }) => people),
        doubts.person,
      ),
      ...ids(
        "technique",
        seen.map(({ technique }) => technique),
        doubts.technique ?? 0,
      ),
    ];
    const learnt = learn(
      factors,
      seen.map(({ id, y, people, technique, age }) => ({
        id,
        type: "log" as const,
        kind,
        coefs: {
          shop: 1,
          ...Object.fromEntries(people.map((name) => [`person:${name}`, 1 / people.length])),
          ...(technique && { [`technique:${technique}`]: 1 }),
        },
        y,
        sigma: doubts.sigma,
        age,
      })),
    );
    return { ...spreadTimes(learnt, "shop"), coats: seen.length };
  };

/** Alcohol over what was planned for a coat's passes. */
export const learnAlcohol = learnOver(
  "alcohol",
  { shop: 0.3, person: 0.25, technique: 0.2, sigma: 0.25 },
  ({ alcohol }) => alcohol,
);

/** Minutes from one weighed line to the next, over {@link USUAL_WEIGHING_MIN}. */
export const learnWeighing = learnOver(
  "weighing",
  { shop: 0.35, person: 0.2, technique: null, sigma: 0.25 },
  ({ weighing }) => weighing,
);
