import { differenceBetween, MOST_PAIRS, signFlipTest, signTest } from "./paired";

/** Two ways, one thing changed: what is done now, and what is tried. */
export type Way = "now" | "tried";
export type Side = "left" | "right";

/** A pair of boards, poured one after the other: on which the tried way goes, and which is poured first; both drawn. */
export type BoardPair = { triedOn: Side; first: Side };

/** A trial as it was begun; never changed. */
export type TrialPlan = {
  name: string;
  now: string;
  tried: string;
  /** What the eye is asked: "which has the cleaner cells". */
  asks: string;
  /** What is measured on each board; null where only the eye judges. */
  measure: { name: string; unit: string; better: "more" | "less" } | null;
  pairs: BoardPair[];
};

/** What is told of a trial: append-only, the last one counts. */
export type TrialEntry = { id: string; at: string; by: string } & (
  | { kind: "eye"; pair: number; better: Side | "alike" }
  | { kind: "measured"; pair: number; left: number; right: number }
  /** Put away, or brought back. */
  | { kind: "away"; away: boolean }
);

export type Trial = { id: string; plan: TrialPlan; by: string; at: string; entries: TrialEntry[] };

export const FEWEST_PAIRS = 3;
export { MOST_PAIRS };
/** Two ways are told apart where chance alone does as much in fewer than one of ten trials. */
export const BY_CHANCE = 0.1;
const OFTEN = 0.8;

const other = (side: Side): Side => (side === "left" ? "right" : "left");

/** Draws what goes where; each pair by itself. */
export function drawPairs(many: number, uniform: () => number): BoardPair[] {
  const side = (): Side => (uniform() < 0.5 ? "left" : "right");
  return Array.from({ length: many }, () => ({ triedOn: side(), first: side() }));
}

/** Of so many pairs, how many must come out for one way to be told apart, where none are alike; null where all are too few. */
export function pairsNeeded(many: number): number | null {
  for (let wins = Math.ceil(many / 2); wins <= many; wins += 1)
    if (signTest(wins, many - wins) <= BY_CHANCE) return wins;
  return null;
}

export type Told = "better" | "worse" | "not told apart";

/** What a trial says so far of the way that was tried. */
export type TrialRead = {
  pairs: (BoardPair & {
    /** By the eye; null while it has not judged. */
    better: Way | "alike" | null;
    /** Tried less now, in the measure's unit. */
    difference: number | null;
    left: number | null;
    right: number | null;
    /** The judged side, as it was entered. */
    said: Side | "alike" | null;
  })[];
  /** All that is asked has been answered: then the sides are named. */
  done: boolean;
  eye: { told: Told; tried: number; now: number; alike: number; byChance: number };
  measure: {
    told: Told;
    mean: number;
    between: { low: number; high: number } | null;
    many: number;
    byChance: number;
  } | null;
  away: boolean;
};

const toldBy = (byChance: number, forTried: boolean): Told =>
  byChance > BY_CHANCE ? "not told apart" : forTried ? "better" : "worse";

/**
 * @param entries in the order told: those that the server has, as it has them, then those on their way. Their minutes
 * say nothing of it: a device's clock is not the server's.
 */
export function readTrial(plan: TrialPlan, entries: readonly TrialEntry[]): TrialRead {
  const last = <Kind extends TrialEntry["kind"]>(kind: Kind, pair: number | null) =>
    entries.findLast(
      (entry): entry is Extract<TrialEntry, { kind: Kind }> =>
        entry.kind === kind && (pair === null || ("pair" in entry && entry.pair === pair)),
    );
  const pairs = plan.pairs.map((drawn, n): TrialRead["pairs"][number] => {
    const said = last("eye", n)?.better ?? null;
    const numbers = plan.measure ? last("measured", n) : undefined;
    return {
      ...drawn,
      said,
      better: said === null || said === "alike" ? said : said === drawn.triedOn ? "tried" : "now",
      left: numbers?.left ?? null,
      right: numbers?.right ?? null,
      difference: numbers ? numbers[drawn.triedOn] - numbers[other(drawn.triedOn)] : null,
    };
  });
  const count = (which: Way | "alike") => pairs.filter(({ better }) => better === which).length;
  const [tried, now] = [count("tried"), count("now")];
  const byEye = signTest(tried, now);
  const differences = pairs.flatMap(({ difference }) => (difference === null ? [] : [difference]));
  const mean = differences.reduce((sum, d) => sum + d, 0) / Math.max(1, differences.length);
  const byNumber = signFlipTest(differences);
  return {
    pairs,
    done: pairs.every(({ said, difference }) => said !== null && (!plan.measure || difference !== null)),
    eye: { told: toldBy(byEye, tried > now), tried, now, alike: count("alike"), byChance: byEye },
    measure:
      plan.measure && differences.length > 0
        ? {
            told: toldBy(byNumber, mean > 0 === (plan.measure.better === "more")),
            mean,
            between: differenceBetween(differences, OFTEN),
            many: differences.length,
            byChance: byNumber,
          }
        : null,
    away: last("away", null)?.away ?? false,
  };
}
