import { FACTORS, type FactorId } from "../batch/factors";
import { lastWord, type LearningDecision } from "./decisions";
import { foretold, learn, type Factor, type Learnt, type Reading, type Term } from "./fit";
import type { CoatTeaches, PourTeaches } from "./pour-teaches";
import { EIGHT_TENTHS } from "../numerics/normal";
import { changed, needOf, proposal, score, weighNext, type Need, type NotProposed } from "./predict";
import { FACTOR_OF, PARTS, volumeFactors } from "./volume-factors";

/** A reading of a pour's coat, for saying which it was. */
export type Of = { pourId: string; jobName: string; coatName: string; startedAt: string };

/** A forecast that was made from the pours before, and what came of it; ml. */
export type Forecast = Of & {
  seen: number;
  /** By what was learnt until then, and without learning. */
  need: Need;
  prior: Need;
  /** Whether it lay inside the width in which eight of ten should. */
  held: boolean;
  /** How much it counts among the others, 0 to 1.25: a pour that does not go with them counts little. */
  weight: number;
  crps: { learnt: number; prior: number };
};

/** What of the volumes of a shop its log has learnt. */
export type VolumeLearning = {
  learnt: Learnt;
  factors: Factor[];
  forecasts: Forecast[];
  /** What all of them should hold, and held; and by how much the sum of scores is ahead of no learning, as a share. */
  heldShare: number | null;
  gain: number | null;
  /** The usual pour: the mean of the last ones; by how much its need moved against the factors that are planned with now, ml. */
  usual: { mixMl: number; movedMl: number; sdMl: number; pours: number } | null;
  /** Null where it is proposed. */
  notProposed: NotProposed | null;
  values: Partial<Record<FactorId, number>>;
  weighNext: string | null;
  /** A pour since which something may have changed. */
  changedSince: Of | null;
};

/** Scales of readings by themselves (judgement, simulated). */
const DIRECT_SIGMA = 0.2;
const COMB = { each: 0.08, own: 0.05 };
/** Pours before a change that was confirmed count as if they were so many pours older. */
const CHANGED_AGE = 60;
/** Of what a usual pour is the mean. */
export const USUAL_OF = 8;
/** A reading that counts less than this does not go with the others. */
export const ODD_WEIGHT = 0.3;
/** Whether something has changed is asked of so many pours, and not again sooner. */
const ASKED_EVERY = 4;

type At = { of: Of; coat: CoatTeaches; reading: Reading };

const ofCoat = (pour: PourTeaches, coat: CoatTeaches): Of => ({
  pourId: pour.pourId,
  jobName: pour.jobName,
  coatName: coat.name,
  startedAt: pour.startedAt,
});

/** How old each pour is, in later pours; those before a confirmed change are older. */
function agesOf(pours: readonly PourTeaches[], decisions: readonly LearningDecision[]): number[] {
  const since = decisions.flatMap((one) => {
    if (one.kind !== "changed" || !one.yes) return [];
    const at = pours.findIndex(({ pourId }) => pourId === one.pourId);
    return at < 0 ? [] : [at];
  });
  return pours.map(
    (_, at) => pours.length - 1 - at + CHANGED_AGE * since.filter((change) => at < change).length,
  );
}

/** Readings of what was used. */
function usesOf(pours: readonly PourTeaches[], ages: readonly number[]): At[] {
  return pours.flatMap((pour, at) =>
    pour.coats.flatMap((coat): At[] =>
      coat.use
        ? [
            {
              of: ofCoat(pour, coat),
              coat,
              reading: {
                id: `${pour.pourId} ${coat.coatId} use`,
                type: "sum",
                kind: "use",
                terms: coat.terms,
                const: coat.fixedMl,
                y: coat.use.y,
                sigma: coat.use.sigma,
                age: ages[at] as number,
              },
            },
          ]
        : [],
    ),
  );
}

/** Losses weighed by themselves, and films by comb. */
function directsOf(pours: readonly PourTeaches[], ages: readonly number[]): Reading[] {
  return pours.flatMap((pour, at) =>
    pour.coats.flatMap(({ coatId, kind, direct, comb }): Reading[] => {
      const age = ages[at] as number;
      const weighed = direct.map(({ part, y }, n): Reading => ({
        id: `${pour.pourId} ${coatId} ${part} ${n}`,
        type: "log",
        kind: "direct",
        coefs: { lam: 1, [part]: 1 },
        y,
        sigma: DIRECT_SIGMA,
        age,
      }));
      const film = comb && {
        id: `${pour.pourId} ${coatId} comb`,
        type: "log" as const,
        kind: "comb",
        coefs: { film: 1, [`kind:${kind}`]: 1 },
        y: comb.y,
        sigma: Math.sqrt(COMB.own ** 2 + COMB.each ** 2 / comb.many),
        age,
      };
      return film ? [...weighed, film] : weighed;
    }),
  );
}

/** The mean of what the last pours took, term by term. */
function usualTerms(
  uses: readonly At[],
): { terms: Term[]; lossTerms: Term[]; mixMl: number; pours: number } | null {
  const ids = [...new Set(uses.map(({ of }) => of.pourId))].slice(-USUAL_OF);
  const last = uses.filter(({ of }) => ids.includes(of.pourId));
  if (last.length === 0) return null;
  const each = (terms: readonly Term[]) => terms.map(({ ml, coefs }) => ({ ml: ml / ids.length, coefs }));
  return {
    terms: last.flatMap(({ coat }) => each(coat.terms)),
    lossTerms: last.flatMap(({ coat }) => each(coat.lossTerms)),
    mixMl: last.reduce((sum, { coat }) => sum + coat.mixMl, 0) / ids.length,
    pours: ids.length,
  };
}

/** The factors as they are planned with, by the likely corrections. */
export function valuesOf({ ids, mean }: Pick<Learnt, "ids" | "mean">): Partial<Record<FactorId, number>> {
  const at = (id: string) => mean[ids.indexOf(id)] ?? 0;
  const values: Partial<Record<FactorId, number>> = {};
  const put = (id: FactorId, times: number) => {
    values[id] = FACTORS[id].usual.likely * times;
  };
  for (const part of PARTS) put(FACTOR_OF[part], Math.exp(at("lam") + at(part)));
  put("faceFilmShare", Math.exp(at("faceFilm")));
  put("filmLaidTimes", Math.exp(at("film")));
  return values;
}

/** Corrections that stand for factors which a shop plans with already. */
function plannedWith(ids: readonly string[], values: Partial<Record<FactorId, number>>): number[] {
  const of = (id: FactorId) => Math.log((values[id] ?? FACTORS[id].usual.likely) / FACTORS[id].usual.likely);
  return ids.map((id) => {
    const part = PARTS.find((one) => one === id);
    if (part) return of(FACTOR_OF[part]);
    if (id === "faceFilm") return of("faceFilmShare");
    return id === "film" ? of("filmLaidTimes") : 0;
  });
}

/**
 * What the log of a shop has learnt of its volumes: one step ahead over all pours, so that each forecast knows only those before it.
 * @param pours the oldest first @param planned factors that the shop plans with now
 */
export function learnVolumes(
  pours: readonly PourTeaches[],
  decisions: readonly LearningDecision[] = [],
  planned: Partial<Record<FactorId, number>> = {},
): VolumeLearning {
  const ages = agesOf(pours, decisions);
  const uses = usesOf(pours, ages);
  const directs = directsOf(pours, ages);
  const factors = volumeFactors(uses.flatMap(({ coat }) => coat.terms));
  const learnt = learn(factors, [...uses.map(({ reading }) => reading), ...directs]);
  const before = learn(factors, []);
  const scaleOf = (known: Learnt) => known.scale2.get("use") ?? 1;
  const forecasts = uses.map(({ of, reading, coat }, at): Forecast => {
    if (reading.type !== "sum") throw new Error("A use is a sum");
    const known = learn(factors, knownBefore([...uses.map((use) => use.reading), ...directs], reading));
    const need = needOf(known, coat.terms, reading.sigma, scaleOf(known), coat.fixedMl);
    const prior = needOf(before, coat.terms, reading.sigma, 1, coat.fixedMl);
    const crps = ({ mean, half80 }: Need) => score(reading.y, mean, half80 / EIGHT_TENTHS).crps / mean;
    return {
      ...of,
      seen: reading.y,
      need,
      prior,
      held: Math.abs(reading.y - need.mean) <= need.half80,
      weight: learnt.weights[at] ?? 1,
      crps: { learnt: crps(need), prior: crps(prior) },
    };
  });
  const sum = (of: (one: Forecast) => number) => forecasts.reduce((all, one) => all + of(one), 0);
  const [ahead, behind] = [sum(({ crps }) => crps.learnt), sum(({ crps }) => crps.prior)];
  const usual = usualTerms(uses);
  const moved = usual && movedBy(learnt, usual.terms, plannedWith(learnt.ids, planned));
  const withReading = new Set(uses.map(({ of }) => of.pourId)).size;
  const word = lastWord(decisions, "volume");
  const refused = word?.kind === "refuse" && moved !== null && Math.abs(moved.ml - word.moved) < word.sd;
  const lossTerms = usual?.lossTerms ?? [];
  return {
    learnt,
    factors,
    forecasts,
    heldShare: forecasts.length > 0 ? sum(({ held }) => (held ? 1 : 0)) / forecasts.length : null,
    gain: behind > 0 ? 1 - ahead / behind : null,
    usual: usual && moved && { mixMl: usual.mixMl, movedMl: moved.ml, sdMl: moved.sd, pours: withReading },
    notProposed:
      usual === null || moved === null
        ? "nothing to learn from"
        : refused
          ? "refused"
          : proposal({
              movedMl: moved.ml,
              sdMl: moved.sd,
              mixMl: usual.mixMl,
              pours: withReading,
              ahead: ahead < behind,
            }),
    values: valuesOf(learnt),
    weighNext:
      lossTerms.length > 0
        ? weighNext(
            learnt,
            lossTerms,
            DIRECT_SIGMA,
            PARTS.filter((part) => lossTerms.some(({ coefs }) => coefs[part] !== undefined)),
          ).best
        : null,
    changedSince: changeAsked(uses, forecasts, decisions),
  };
}

/** The readings of the pours before one, as old as they were then. */
export const knownBefore = (readings: readonly Reading[], { age }: Reading): Reading[] =>
  readings.filter((one) => one.age > age).map((one) => ({ ...one, age: one.age - age - 1 }));

/** By how much a usual sum moves from what is planned now to what was learnt, with its doubt: ml of a need, or minutes. */
export function movedBy(
  learnt: Learnt,
  terms: readonly Term[],
  now: readonly number[],
): { ml: number; sd: number } {
  const at = (theta: readonly number[]) => foretold({ type: "sum", terms }, learnt.ids, theta).h;
  return { ml: at(learnt.mean) - at(now), sd: needOf(learnt, terms, 0, 1).sdOfNeed };
}

/** The pour since which something may have changed, by the misses of the last ones. */
function changeAsked(
  uses: readonly At[],
  forecasts: readonly Forecast[],
  decisions: readonly LearningDecision[],
): Of | null {
  const misses = forecasts.map(({ seen, need }) => (seen - need.mean) / (need.half80 / EIGHT_TENTHS));
  const askedAt = decisions.flatMap((one) =>
    one.kind === "changed" ? [uses.findLastIndex(({ of }) => of.pourId === one.pourId)] : [],
  );
  const since = uses.length - 1 - Math.max(-1, ...askedAt);
  if (!changed(misses, uses.length, askedAt.length > 0 ? since : ASKED_EVERY).ask) return null;
  return uses[Math.max(0, uses.length - ASKED_EVERY)]?.of ?? null;
}
