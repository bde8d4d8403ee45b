import type { Advice, Rule } from "./advice";

const minutes = (value: number) => `${Math.round(value)} min`;

/** Says why a coat is mixed in several batches, and when even that does not help. */
export const batchesForPotLife: Rule = ({ coats }) =>
  coats.flatMap(({ coat, batched }): Advice[] => {
    if (!batched?.potLifeMin) return [];
    const work = minutes(batched.workMin.likely);
    if (batched.tooSlow) {
      return [
        {
          rule: "too-slow",
          coatId: coat.id,
          at: "rate",
          what: `Even ${batched.batches.length} batches do not live as long as the work takes.`,
          soWhat: "Work faster, with more hands, cooler, or with a slower resin.",
          kind: "physics",
          why: `A batch must be out of its pot within ${minutes(batched.potLifeMin.low)} (the low end of its pot life); mixing and your rate need longer.`,
        },
      ];
    }
    if (batched.batches.length < 2 || !batched.potLifeAtOnceMin) return [];
    return [
      {
        rule: "batches",
        coatId: coat.id,
        at: "batches",
        what: `${batched.batches.length} batches. All at once would live ${minutes(batched.potLifeAtOnceMin.likely)} in the pot; the work takes you ${work}.`,
        soWhat: `One batch lives ${minutes(batched.potLifeMin.likely)} (${Math.round(batched.potLifeMin.low)} to ${Math.round(batched.potLifeMin.high)}).`,
        kind: "physics",
        why: "In a pot the resin heats itself: the more there is, the sooner it thickens. Pot life is computed for this mass and temperature from the card's own pot life; its low end decides.",
      },
    ];
  });

export const cardConflicts: Rule = ({ coats }) => {
  const seen = new Set<string>();
  return coats.flatMap(({ coat, card, calibration }) => {
    if (!card || !calibration || seen.has(card.id)) return [];
    seen.add(card.id);
    return calibration.conflicts.map((conflict): Advice => ({
      rule: "card-conflict",
      coatId: coat.id,
      at: "resin",
      what: `${card.name}: ${conflict}`,
      soWhat: "Times from this card are less sure.",
      kind: "data sheet",
      why: "The card's working time, gel, tack-free time and pot life are fitted by one curve. A number that lies far off it was measured otherwise, or mistyped.",
    }));
  });
};

/** 18–27 °C room (common practice, no source). */
export const roomTemperature: Rule = ({ tempC }) => {
  if (tempC >= 18 && tempC <= 27) return [];
  const cold = tempC < 18;
  return [
    {
      rule: "room-temperature",
      coatId: null,
      at: "temperature",
      what: cold
        ? "Below 18 °C (64 °F) resin is thick, traps bubbles and may stay under-cured."
        : "Above 27 °C (81 °F) resin runs thin and sets early.",
      soWhat: cold
        ? "Warm the room and the ground; part A in a water bath."
        : "Work in the cool of the morning, or in smaller batches.",
      kind: "common practice",
      why: "Cure about doubles in speed for each 10 °C. Below about 18 °C it still hardens but its glass transition stays low.",
    },
  ];
};
