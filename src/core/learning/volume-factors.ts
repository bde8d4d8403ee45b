import { factorSpread, FACTORS, type FactorId } from "../batch/factors";
import { GROUNDS, type Ground } from "../batch/grounds";
import type { BatchedCoat } from "../batch/batch-coat";
import type { Measured } from "../geometry/measure";
import type { LossPart } from "../pour/inspect-events";
import type { Factor, Term } from "./fit";
import { sdOfEnds } from "./predict";

/** Standard deviations of log corrections before anything is seen (judgement, simulated; docs/models/learning.md). */
const ALL_LOSSES_SD = 0.2;
const LEAST_OWN_SD = 0.1;
const FILM_SD = 0.06;
const KIND_SD = 0.05;

/** What of a shop's planning factors can be learnt loss by loss, by the part that is weighed. */
export const FACTOR_OF: Record<LossPart, FactorId> = {
  cup: "cupFilmMm",
  bucket: "bucketFilmMm",
  stick: "stickMl",
  tool: "toolMl",
  open: "runOffOpenMlPerM",
  drip: "runOffFaceMlPerM",
};
export const PARTS = Object.keys(FACTOR_OF) as LossPart[];

/** What is left of a loss's spread when the part that all losses share is taken off. */
const ownSd = (low: number, high: number): number =>
  Math.sqrt(Math.max(LEAST_OWN_SD ** 2, sdOfEnds(low, high) ** 2 - ALL_LOSSES_SD ** 2));
const sdOf = (id: FactorId): number => sdOfEnds(FACTORS[id].usual.low, FACTORS[id].usual.high);

/** What kind of work a piece is: shops lay films on counters as they do on no floor. */
export type WorkKind = "counter" | "floor" | "table" | "tumbler" | "panel" | "casting";

export function workKindOf(pieces: readonly Measured[]): WorkKind {
  const largest = pieces.reduce<Measured | null>(
    (most, piece) =>
      most === null || piece.topAreaMm2 * piece.count > most.topAreaMm2 * most.count ? piece : most,
    null,
  );
  switch (largest?.piece.shape.kind) {
    case "straight":
    case "l-run":
    case "u-run":
      return "counter";
    case "floor":
      return "floor";
    case "tumbler":
      return "tumbler";
    case "mould":
    case "river":
      return "casting";
    case "round":
    case "oval":
    case "racetrack":
      return "table";
    default:
      return "panel";
  }
}

/** The factors that these terms go by, each with what is likely of it before anything is seen. */
export function volumeFactors(terms: readonly Term[]): Factor[] {
  const ids = new Set(terms.flatMap(({ coefs }) => Object.keys(coefs)));
  const all: Factor[] = [
    { id: "lam", sd: ALL_LOSSES_SD },
    ...PARTS.map((part): Factor => {
      const { low, high } = FACTORS[FACTOR_OF[part]].usual;
      return { id: part, sd: ownSd(low, high) };
    }),
    { id: "faceFilm", sd: sdOf("faceFilmShare") },
    { id: "film", sd: FILM_SD },
  ];
  const others = [...ids]
    .filter((id) => !all.some((factor) => factor.id === id))
    .sort()
    .map((id): Factor => ({
      id,
      sd: id.startsWith("ground:") ? groundSd(id.slice("ground:".length) as Ground) : KIND_SD,
    }));
  return [...all, ...others];
}

/** A ground that may drink nothing has no lowest logarithm: a fifth of what it likely drinks stands for it. */
function groundSd(ground: Ground): number {
  const { low, likely, high } = GROUNDS[ground].mlPerM2;
  return likely > 0 ? sdOfEnds(Math.max(low, likely / 5), high) : KIND_SD;
}

/**
 * What a coat takes, term by term at the usual values whatever a shop planned it with, ml. Losses that nothing is learnt of (tape, shrinking) are not
 * among them: they are told as `fixedMl`.
 */
export function termsOf(
  batched: BatchedCoat,
  kind: WorkKind,
  factors: Partial<Record<FactorId, number>>,
): { terms: Term[]; lossTerms: Term[]; fixedMl: number } {
  /** How many times the usual a shop planned a factor. */
  const own = (id: FactorId): number => {
    const usual = FACTORS[id].usual.likely;
    return usual > 0 ? factorSpread(id, factors).likely / usual : 1;
  };
  const of = (part: LossPart, ml: number): Term => ({
    ml: ml / own(FACTOR_OF[part]),
    coefs: { lam: 1, [part]: 1 },
  });
  const laid = batched.fills ? 1 : own("filmLaidTimes");
  const onFilm = { film: 1, [`kind:${kind}`]: 1 };
  const film: Term[] = batched.fills
    ? []
    : [
        { ml: batched.onTopMl.likely / laid, coefs: onFilm },
        { ml: batched.onFacesMl.likely / (laid * own("faceFilmShare")), coefs: { ...onFilm, faceFilm: 1 } },
      ];
  const lossTerms: Term[] = [];
  let fixedMl = batched.fills ? batched.onTopMl.likely + batched.onFacesMl.likely : 0;
  for (const loss of batched.losses) {
    switch (loss.id) {
      case "cups":
        lossTerms.push(of("cup", loss.ml.likely));
        break;
      case "buckets":
        lossTerms.push(of("bucket", loss.ml.likely));
        break;
      case "sticks":
        lossTerms.push(of("stick", loss.ml.likely));
        break;
      case "tools":
        lossTerms.push(of("tool", loss.ml.likely));
        break;
      case "run-off": {
        const open = loss.openLengthMm * loss.openMlPerM;
        const face = loss.faceLengthMm * loss.faceMlPerM;
        const all = open + face;
        if (!(all > 0)) break;
        lossTerms.push(of("open", (loss.ml.likely * open) / all), of("drip", (loss.ml.likely * face) / all));
        break;
      }
      case "ground":
        for (const { ground, areaMm2, mlPerM2 } of loss.grounds)
          lossTerms.push({ ml: (mlPerM2 * areaMm2) / 1e6, coefs: { [`ground:${ground}`]: 1 } });
        break;
      case "tape":
      case "shrink":
        fixedMl += loss.ml.likely;
        break;
    }
  }
  const there = ({ ml }: Term) => ml > 0;
  return { terms: [...film, ...lossTerms].filter(there), lossTerms: lossTerms.filter(there), fixedMl };
}
