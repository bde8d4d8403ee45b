import type { BatchLimit } from "../batch/split-batches";
import { FULLEST } from "../batch/vessel";
import { DAMP_PCT, DEW_MARGIN_K, dewPointC, ROOM_C } from "../cure/dew-point";
import { limitsOf, roomFaults } from "../cure/room-limits";
import type { Advice, Rule } from "./advice";

const minutes = (value: number) => `${Math.round(value)} min`;

/** What asks for more than one batch when it is not the pot life. */
const OTHER_LIMITS: Record<
  Exclude<BatchLimit, "pot life">,
  { what: string; soWhat: string; kind: Advice["kind"]; why: string }
> = {
  "largest vessel": {
    what: "the largest vessel at hand holds no more.",
    soWhat: "A larger bucket would save mixes, as far as the pot life goes.",
    kind: "common practice",
    why: `A vessel is filled to ${Math.round(FULLEST * 100)} % at most, so that it can be stirred without spilling.`,
  },
  "largest mix": {
    what: "the card allows no larger mix.",
    soWhat: "Mix them one after another and pour each at once.",
    kind: "data sheet",
    why: "In a pot the resin heats itself; makers name the mass above which it may boil, crack or smoke.",
  },
  kit: {
    what: "each is one kit at most.",
    soWhat: "A whole kit mixed at once is in ratio without a scale.",
    kind: "common practice",
    why: "This coat is set to be mixed by kits, in Build.",
  },
};

/** Says why a coat is mixed in several batches, and when even that does not help. */
export const batchesNeeded: Rule = ({ coats }) =>
  coats.flatMap(({ coat, batched }): Advice[] => {
    if (!batched) return [];
    const many = batched.batches.length;
    if (batched.tooSlow) {
      const other =
        batched.limit !== null && batched.limit !== "pot life" ? OTHER_LIMITS[batched.limit] : null;
      return [
        {
          rule: "too-slow",
          coatId: coat.id,
          at: "rate",
          what: other
            ? `Even ${many} batches are too large: ${other.what}`
            : `Even ${many} batches do not live as long as the work takes.`,
          soWhat: other
            ? "Lay the coat on fewer pieces at a time, or with larger vessels."
            : "Work faster, with more hands, cooler, or with a slower resin.",
          kind: other?.kind ?? "physics",
          why:
            other?.why ??
            `A batch must be out of its pot within ${minutes(batched.potLifeMin?.low ?? 0)} (the low end of its pot life); mixing and your rate need longer.`,
        },
      ];
    }
    if (many < 2) return [];
    if (batched.limit !== null && batched.limit !== "pot life") {
      const { what, ...rest } = OTHER_LIMITS[batched.limit];
      return [{ rule: "batches", coatId: coat.id, at: "batches", what: `${many} batches: ${what}`, ...rest }];
    }
    if (!batched.potLifeMin || !batched.potLifeAtOnceMin) return [];
    return [
      {
        rule: "batches",
        coatId: coat.id,
        at: "batches",
        what: `${many} batches. All at once would live ${minutes(batched.potLifeAtOnceMin.likely)} in the pot; the work takes you ${minutes(batched.workMin.likely)}.`,
        soWhat: `One batch lives ${minutes(batched.potLifeMin.likely)} (${Math.round(batched.potLifeMin.low)} to ${Math.round(batched.potLifeMin.high)}).`,
        kind: "physics",
        why: "In a pot the resin heats itself: the more there is, the sooner it thickens. Pot life is computed for this mass and temperature from the card's own pot life; its low end decides.",
      },
    ];
  });

export const cardConflicts: Rule = ({ coats }) => {
  const seen = new Set<string>();
  return coats.flatMap(({ coat, resin }) => {
    if (!resin || seen.has(resin.id)) return [];
    seen.add(resin.id);
    return resin.fit.conflicts.map((conflict): Advice => ({
      rule: "card-conflict",
      coatId: coat.id,
      at: "resin",
      what: `${resin.name}: ${conflict}`,
      soWhat: "Times from this card are less sure.",
      kind: "data sheet",
      why: "The card's working time, gel, tack-free time and pot life are fitted by one curve. A number that lies far off it was measured otherwise, or mistyped.",
    }));
  });
};

/** 18–27 °C room (common practice, no source), where no card says otherwise. */
export const roomTemperature: Rule = ({ tempC, coats }) => {
  if (tempC >= ROOM_C.low && tempC <= ROOM_C.high) return [];
  if (coats.length > 0 && coats.every(({ resin }) => resin && limitsOf(resin).ofSheet)) return [];
  const cold = tempC < ROOM_C.low;
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

const FAULTS = {
  cold: { is: "colder", soWhat: "Warm the room and the ground, or wait." },
  warm: { is: "warmer", soWhat: "Work in the cool of the day, or wait." },
} as const;

/** A room outside of what a coat's own sheet asks for. */
export const cardLimits: Rule = ({ tempC, humidityPct, coats }) =>
  coats.flatMap(({ coat, resin }): Advice[] => {
    if (!resin) return [];
    const { fromC, toC, humidityMaxPct, ofSheet } = limitsOf(resin);
    if (!ofSheet) return [];
    const sheet = {
      rule: "card-limits",
      coatId: coat.id,
      at: "resin",
      kind: "data sheet" as const,
      why: "The limits stand on the resin's card, from its sheet. Outside of them its maker promises nothing: it may stay soft, blush, or set too fast to be worked.",
    };
    return roomFaults(resin, tempC, humidityPct).flatMap((fault): Advice[] => {
      if (fault === "damp" && resin.humidityMaxPct !== null)
        return [
          {
            ...sheet,
            what: `${resin.name} wants ${Math.round(humidityMaxPct)} % humidity at most; the room has ${Math.round(humidityPct ?? 0)} %.`,
            soWhat: "Run a dehumidifier until the coat has set.",
          },
        ];
      if (fault !== "cold" && fault !== "warm") return [];
      const { is, soWhat } = FAULTS[fault];
      return [
        {
          ...sheet,
          what: `The room is ${is} than ${resin.name} allows: ${celsius(fault === "cold" ? fromC : toC)}.`,
          soWhat,
        },
      ];
    });
  });

const celsius = (tempC: number) => `${Math.round(tempC)} °C (${Math.round(tempC * 1.8 + 32)} °F)`;

/** A surface near the dew point sweats, and a damp room blushes (ISO 8502-4 has the margin; the rest common practice, no source). */
export const dampRoom: Rule = ({ tempC, coldestC, humidityPct }) => {
  if (humidityPct === null) return [];
  const dew = dewPointC(tempC, humidityPct);
  if (coldestC - dew < DEW_MARGIN_K)
    return [
      {
        rule: "dew-point",
        coatId: null,
        at: "temperature",
        what: `The surface is to stay ${DEW_MARGIN_K} °C (5 °F) above the dew point, which is ${celsius(dew)}; it gets as cold as ${celsius(coldestC)}.`,
        soWhat: "Warm the piece and the room, or dry the air, before the coat and until it has set.",
        kind: "physics",
        why: "Water that condenses on a surface, or on the wet film, keeps the next coat from holding and makes the film blush. The dew point goes by temperature and humidity of the room; a piece that stood in the cold sweats first.",
      },
    ];
  if (humidityPct <= DAMP_PCT) return [];
  return [
    {
      rule: "damp-room",
      coatId: null,
      at: "temperature",
      what: `${Math.round(humidityPct)} % humidity: the film may blush and haze.`,
      soWhat: "Run a dehumidifier, and wash off the blush before a further coat.",
      kind: "common practice",
      why: "The hardener takes up water and carbon dioxide from damp air before it has reacted; what forms lies on the film as a greasy haze.",
    },
  ];
};
