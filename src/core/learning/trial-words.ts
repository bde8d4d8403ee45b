import { trimmed } from "../units/format-quantity";
import { pairsNeeded, type Told, type TrialPlan, type TrialRead } from "./trial";

const TOLD: Record<Told, string> = {
  better: "Better",
  worse: "Worse",
  "not told apart": "Not told apart",
};

const pairs = (many: number) => `${many} ${many === 1 ? "pair" : "pairs"}`;

const byChance = (chance: number): string => {
  const of = Math.round(100 * chance);
  return `Chance alone parts them so far in ${of < 1 ? "fewer than 1" : of} of 100 trials.`;
};

const amount = (value: number) => trimmed(Math.abs(value), 2);
const moreOrLess = (value: number) => (value < 0 ? "less" : "more");

/** "eight in ten 1.6 to 3.8 less", "eight in ten 0.4 less to 2.1 more". */
function betweenWords({ low, high }: { low: number; high: number }): string {
  if (low === high) return "";
  if (low < 0 === high < 0) {
    const [near, far] = [low, high].sort((a, b) => Math.abs(a) - Math.abs(b)) as [number, number];
    return `, eight in ten ${amount(near)} to ${amount(far)}`;
  }
  return `, eight in ten ${amount(low)} less to ${amount(high)} more`;
}

/** What is told of what was tried. */
export const toldWords = (told: Told): string => TOLD[told];

/** How far a trial is; what it says once it is done. */
export function stateWords(plan: TrialPlan, { done, pairs: all, eye, measure }: TrialRead): string {
  if (done) return plan.measure && measure ? `${eye.told} by eye, ${measure.told} by number` : eye.told;
  const judged = all.filter(
    ({ said, difference }) => said !== null && (!plan.measure || difference !== null),
  );
  return `${judged.length} of ${pairs(all.length)} judged`;
}

/** What a trial says, by the eye and by number; null where nothing has been told yet. */
export function trialWords(
  plan: TrialPlan,
  { eye, measure }: TrialRead,
): { eye: string | null; measure: string | null } {
  const judged = eye.tried + eye.now + eye.alike;
  const few = (told: Told) => (told === "not told apart" ? "Not told apart by so few: " : "");
  return {
    eye:
      judged === 0
        ? null
        : `${few(eye.told)}${pairs(eye.tried)} for what was tried, ${eye.now} for what is done now, ${eye.alike} alike. ${byChance(eye.byChance)}`,
    measure:
      measure && plan.measure
        ? `${few(measure.told)}${[amount(measure.mean), plan.measure.unit].filter(Boolean).join(" ")} ${moreOrLess(measure.mean)} ${plan.measure.name} than what is done now${measure.between ? betweenWords(measure.between) : ""}, from ${pairs(measure.many)}. ${byChance(measure.byChance)}`
        : null,
  };
}

/** What so many pairs can tell. */
export function powerWords(many: number): string {
  const needed = pairsNeeded(many);
  if (needed === null)
    return `${pairs(many)} cannot tell two ways apart by eye, however they come out; five can, where all five go one way.`;
  return `Of ${pairs(many)}, ${needed === many ? "all" : needed} must go one way for the eye to tell them apart.`;
}
