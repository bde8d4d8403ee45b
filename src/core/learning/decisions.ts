import type { FactorId } from "../batch/factors";

/** What a shop's owner said to what was learnt. Append-only; the later one counts. */
export type LearningDecision = { id: string; at: string; by: string } & (
  | {
      kind: "adopt";
      of: "volume" | "time";
      /** The factors as they are planned with from then on. */
      factors: Partial<Record<FactorId, number>>;
      /** Pours behind it, and by how much the usual pour moves: ml or minutes. */
      pours: number;
      moved: number;
    }
  /** Not asked again until it has moved by another standard deviation. */
  | { kind: "refuse"; of: "volume" | "time"; moved: number; sd: number }
  /** The factors of this kind are the usual ones again. */
  | { kind: "take-back"; of: "volume" | "time" }
  /** Whether something has changed since a pour: then those before it count less. */
  | { kind: "changed"; pourId: string; yes: boolean }
);

/** Factors that a shop has adopted, each with where it comes from. */
export type AdoptedFactors = Partial<
  Record<FactorId, { value: number; pours: number; at: string; by: string }>
>;

const VOLUME: ReadonlySet<FactorId> = new Set<FactorId>([
  "cupFilmMm",
  "bucketFilmMm",
  "stickMl",
  "toolMl",
  "runOffOpenMlPerM",
  "runOffFaceMlPerM",
  "faceFilmShare",
  "filmLaidTimes",
]);
const isOf = (id: FactorId, of: "volume" | "time"): boolean => VOLUME.has(id) === (of === "volume");

const inOrder = (decisions: readonly LearningDecision[]): LearningDecision[] =>
  [...decisions].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** The factors that are in force. */
export function adoptedFactors(decisions: readonly LearningDecision[]): AdoptedFactors {
  let adopted: AdoptedFactors = {};
  for (const decision of inOrder(decisions)) {
    if (decision.kind !== "adopt" && decision.kind !== "take-back") continue;
    const kept = Object.entries(adopted).filter(([id]) => !isOf(id as FactorId, decision.of));
    const { pours, at, by } = { pours: 0, ...decision };
    const taken =
      decision.kind === "adopt"
        ? Object.entries(decision.factors).map(([id, value]) => [id, { value, pours, at, by }])
        : [];
    adopted = Object.fromEntries([...kept, ...taken]) as AdoptedFactors;
  }
  return adopted;
}

/** As a job plans with them. */
export const factorValues = (adopted: AdoptedFactors): Partial<Record<FactorId, number>> =>
  Object.fromEntries(Object.entries(adopted).map(([id, { value }]) => [id, value]));

/** What was said last to a proposal of this kind; null where nothing was. */
export const lastWord = (
  decisions: readonly LearningDecision[],
  of: "volume" | "time",
): Extract<LearningDecision, { kind: "adopt" | "refuse" | "take-back" }> | null =>
  inOrder(decisions)
    .filter((one) => one.kind !== "changed")
    .findLast((one) => one.of === of) ?? null;
