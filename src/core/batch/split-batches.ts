import type { FittedResin } from "../cure/fitted-resin";
import { potLifeMin } from "../cure/pot";
import { within, type Spread } from "../numerics/spread";
import { mixesEachCup, type CoatRequest } from "./coat-request";
import type { CoatNeed } from "./coat-need";
import type { Divided } from "./divide";
import { mixDensityGPerMl } from "./parts";
import { dealShares } from "./sections";
import { FULLEST } from "./vessel";

/** What made more than one batch necessary. */
export type BatchLimit = "pot life" | "largest mix" | "largest vessel" | "kit";

/** A coat in batches: each one's share, whether they end where pieces do, what asked for the last one more. */
export type Split = {
  batches: number;
  shares: number[];
  atEnds: boolean;
  limit: BatchLimit | null;
  /** Even the smallest batches do not live as long as the work takes, or do not fit. */
  tooSlow: boolean;
};

export const MOST_BATCHES = 24;
/** Minutes from the first drop of B to the first pour (common practice, no source): small by hand, more by drill. */
const MIXING_MIN = { small: 3, pail: 4, large: 5 };

/** @param mixMl one mix, ml */
export function mixingMinutes(mixMl: number): number {
  if (mixMl < 1000) return MIXING_MIN.small;
  return mixMl < 5000 ? MIXING_MIN.pail : MIXING_MIN.large;
}

/**
 * Pot life of a mass with its spread: ±25 %, or ±50 % when the card gives no pot life (docs/models/cure.md).
 * What a coating that is no epoxy does with its heat is not modelled: its spread is doubled downwards.
 */
export function potLifeSpread(
  massG: number,
  tempC: number,
  { fit, kind }: Pick<FittedResin, "fit" | "kind">,
): Spread {
  const doubt = fit.used.pot ? 0.25 : 0.5;
  const life = potLifeMin(massG, tempC, tempC, fit.parameters);
  return within(life, kind === "hybrid" ? Math.min(0.7, 2 * doubt) : doubt, doubt);
}

/** Mass that lives together in one vessel, g, for a share of the whole: one cup where each is mixed by itself. */
export function massTogetherG(
  { coloursMl, clearMl, sumMl }: Divided,
  share: number,
  request: CoatRequest,
): number {
  const ml = mixesEachCup(request) ? Math.max(...coloursMl, clearMl) : sumMl;
  return mixDensityGPerMl(request.resin) * ml * share;
}

/** What is wrong with batches of these shares; null when nothing is. */
function limitOf(
  shares: readonly number[],
  divided: Divided,
  { workMin }: CoatNeed,
  request: CoatRequest,
): BatchLimit | null {
  const { resin, vesselsMl, largestBatchMl, tempC } = request;
  const largest = Math.max(...shares);
  const massG = massTogetherG(divided, largest, request);
  const mixMl = massG / mixDensityGPerMl(resin);
  const ml = mixMl * (1 - 1e-9);
  if (vesselsMl.length > 0 && ml > Math.max(...vesselsMl) * FULLEST) return "largest vessel";
  if (largestBatchMl !== null && ml > largestBatchMl) return "kit";
  if (resin.kind === "paint") return null;
  if (resin.largestMixG !== null && massG > resin.largestMixG) return "largest mix";
  const life = potLifeSpread(massG, tempC, resin).low;
  return mixingMinutes(mixMl) + workMin.likely * largest <= life ? null : "pot life";
}

/**
 * As few batches as will do, and no fewer than there were: with cuts at the ends of pieces where these allow it, else with even ones. They will
 * do when mixing and work end within the low end of the pot life and no mix is above the card's largest, the largest vessel or the kit.
 */
export function splitBatches(
  before: Pick<Split, "batches" | "limit">,
  divided: Divided,
  need: CoatNeed,
  request: CoatRequest,
): Split {
  if (request.batches !== null) return exactlySplit(request.batches, divided, need, request);
  let { limit } = before;
  for (let { batches } = before; ; batches += 1) {
    let reason: BatchLimit | null = null;
    for (const atEnds of [true, false]) {
      const shares = dealShares(need.coverable, batches, atEnds);
      reason = limitOf(shares, divided, need, request);
      const tooSlow = reason !== null && batches === MOST_BATCHES && !atEnds;
      if (reason === null || tooSlow) return { batches, shares, atEnds, limit, tooSlow };
    }
    limit = reason;
  }
}

/** So many batches as were asked for; `limit` says what speaks against them. */
function exactlySplit(batches: number, divided: Divided, need: CoatNeed, request: CoatRequest): Split {
  const split = (atEnds: boolean): Split => {
    const shares = dealShares(need.coverable, batches, atEnds);
    const limit = limitOf(shares, divided, need, request);
    return { batches, shares, atEnds, limit, tooSlow: limit !== null };
  };
  const atEnds = split(true);
  return atEnds.limit === null ? atEnds : split(false);
}
