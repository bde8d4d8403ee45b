import type { ResinCard } from "../cure/resin-card";
import type { JobDocument } from "./job";
import { newCoat, newPiece, withTechnique, type NewId } from "./new-job";

/** Starting cards of a shop: invented resins within the usual range, no maker's. */
export function starterCards(newId: NewId): ResinCard[] {
  const base = { viscosityTempC: 25, gelH: null, thickestFilmMm: null, largestMixG: null, recoatFromH: null, recoatUntilH: null, pricePerLitre: null };
  return [
    { ...base, id: newId(), name: "Slow coating 1:1", kind: "coating", ratioBy: "volume", ratioA: 1, ratioB: 1, ratioTolerancePct: 3, densityAGPerMl: 1.15, densityBGPerMl: 0.98, viscosityPaS: 1.1, potLifeMin: 40, potMassG: 150, potTempC: 24, filmTempC: 24, workMin: 60, tackFreeH: 7, recoatFromH: 4, recoatUntilH: 24, sandH: 22, hardH: 168, thickestFilmMm: 3, largestMixG: 6000, pricePerLitre: 24, forCounters: true },
    { ...base, id: newId(), name: "Art resin 2:1, fast", kind: "art", ratioBy: "volume", ratioA: 2, ratioB: 1, ratioTolerancePct: 3, densityAGPerMl: 1.16, densityBGPerMl: 1.0, viscosityPaS: 2.0, potLifeMin: 25, potMassG: 100, potTempC: 25, filmTempC: 25, workMin: 40, tackFreeH: 5, sandH: 18, hardH: 120, thickestFilmMm: 5, largestMixG: 2000, pricePerLitre: 30, forCounters: false },
    { ...base, id: newId(), name: "Deep casting 3:1", kind: "casting", ratioBy: "volume", ratioA: 3, ratioB: 1, ratioTolerancePct: 3, densityAGPerMl: 1.14, densityBGPerMl: 0.97, viscosityPaS: 0.3, potLifeMin: 300, potMassG: 1100, potTempC: 25, filmTempC: 25, workMin: 270, tackFreeH: 27, sandH: 100, hardH: 240, thickestFilmMm: 50, largestMixG: 15000, pricePerLitre: 28, forCounters: true },
    { ...base, id: newId(), name: "Rolled primer paint", kind: "paint", ratioBy: "volume", ratioA: 1, ratioB: 0, ratioTolerancePct: 100, densityAGPerMl: 1.3, densityBGPerMl: 1, viscosityPaS: null, potLifeMin: null, potMassG: 100, potTempC: 23, filmTempC: 23, workMin: 15, tackFreeH: 0.9, sandH: 12, hardH: 72, thickestFilmMm: 0.3, pricePerLitre: 16, forCounters: false },
  ];
}

/** A straight counter with primer, base, colour and clear, as a new job of this shop might be. */
export function sampleJob(cards: readonly ResinCard[], newId: NewId): JobDocument {
  const [coating, , , paint] = cards;
  return {
    format: 1,
    ground: "mdf",
    work: { people: 1, tempC: 21, startMin: 540 },
    factors: {},
    notes: "",
    pieces: [newPiece("straight", "Counter", newId)],
    coats: [
      newCoat("primer", "Primer, black", paint?.id ?? null, newId),
      newCoat("base", "Base, black", coating?.id ?? null, newId),
      withTechnique(newCoat("colour", "Colour", coating?.id ?? null, newId), "palm-blend", newId),
      newCoat("clear", "Clear flood", coating?.id ?? null, newId),
    ],
  };
}
