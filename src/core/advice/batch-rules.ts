import { DAMP_PCT, DEW_MARGIN_K, dewPointC, ROOM_C } from "../cure/dew-point";
import { limitsOf, roomFaults } from "../cure/room-limits";
import type { Advice, Rule } from "./advice";
import {
  batchesBy,
  batchesToo,
  cardConflict,
  dampRoom as damp,
  nearDewPoint,
  outsideSheet,
  roomToo,
} from "./words";

/** Says why a coat is mixed in several batches, and when even that does not help. */
export const batchesNeeded: Rule = ({ coats }) =>
  coats.flatMap(({ coat, batched }): Advice[] => {
    if (!batched) return [];
    const { limit, potLifeMin, potLifeAtOnceMin, workMin } = batched;
    const many = batched.batches.length;
    const otherLimit = limit === "pot life" ? null : limit;
    if (batched.tooSlow) {
      const said = otherLimit
        ? batchesToo.large(many, otherLimit)
        : batchesToo.slow(many, potLifeMin?.low ?? 0);
      return [{ rule: "too-slow", coatId: coat.id, at: "rate", ...said }];
    }
    if (many < 2) return [];
    const at = { rule: "batches", coatId: coat.id, at: "batches" };
    if (otherLimit) return [{ ...at, ...batchesBy.limit(many, otherLimit) }];
    if (!potLifeMin || !potLifeAtOnceMin) return [];
    return [{ ...at, ...batchesBy.potLife(many, potLifeAtOnceMin, potLifeMin, workMin) }];
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
      ...cardConflict(resin.name, conflict),
    }));
  });
};

/** 18–27 °C room (common practice, no source), where no card says otherwise. */
export const roomTemperature: Rule = ({ tempC, coats }) => {
  if (tempC >= ROOM_C.low && tempC <= ROOM_C.high) return [];
  if (coats.length > 0 && coats.every(({ resin }) => resin && limitsOf(resin).ofSheet)) return [];
  const said = tempC < ROOM_C.low ? roomToo.cold() : roomToo.warm();
  return [{ rule: "room-temperature", coatId: null, at: "temperature", ...said }];
};

/** A room outside of what a coat's own sheet asks for. */
export const cardLimits: Rule = ({ tempC, humidityPct, coats }) =>
  coats.flatMap(({ coat, resin }): Advice[] => {
    if (!resin) return [];
    const { fromC, toC, humidityMaxPct, ofSheet } = limitsOf(resin);
    if (!ofSheet) return [];
    const at = { rule: "card-limits", coatId: coat.id, at: "resin" };
    return roomFaults(resin, tempC, humidityPct).flatMap((fault): Advice[] => {
      switch (fault) {
        case "damp":
          return resin.humidityMaxPct === null
            ? []
            : [{ ...at, ...outsideSheet.damp(resin.name, humidityMaxPct, humidityPct ?? 0) }];
        case "cold":
          return [{ ...at, ...outsideSheet.cold(resin.name, fromC) }];
        case "warm":
          return [{ ...at, ...outsideSheet.warm(resin.name, toC) }];
        default:
          return [];
      }
    });
  });

/** A surface near the dew point sweats, and a damp room blushes (ISO 8502-4 has the margin; the rest common practice, no source). */
export const dampRoom: Rule = ({ tempC, coldestC, humidityPct }) => {
  if (humidityPct === null) return [];
  const at = { coatId: null, at: "temperature" };
  const dew = dewPointC(tempC, humidityPct);
  if (coldestC - dew < DEW_MARGIN_K) return [{ rule: "dew-point", ...at, ...nearDewPoint(dew, coldestC) }];
  return humidityPct <= DAMP_PCT ? [] : [{ rule: "damp-room", ...at, ...damp(humidityPct) }];
};
