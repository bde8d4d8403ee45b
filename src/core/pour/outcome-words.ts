import type { UnitSystem } from "../units/dimension";
import { quantityText, trimmed } from "../units/format-quantity";
import type { CoatOutcome } from "./outcome";

/** What a pour taught of a coat, in sentences. */
export function outcomeWords(
  outcome: Omit<CoatOutcome, "words">,
  tolerance: number,
  system: UnitSystem,
): string[] {
  const volume = (ml: number) => quantityText(ml, "volume", system);
  const words: string[] = [];
  const share = (part: number, whole: number) => `${trimmed((Math.abs(part) / whole) * 100, 0)} %`;
  const difference = outcome.mixedMl - outcome.plannedMl;
  if (Math.abs(difference) > 0.01 * outcome.plannedMl) {
    words.push(
      `${volume(Math.abs(difference))} ${difference > 0 ? "more" : "less"} was mixed than planned (${share(difference, outcome.plannedMl)}).`,
    );
  }
  if (outcome.shortMl !== null)
    words.push(
      `It ran short by about ${volume(outcome.shortMl)}: plan ${share(outcome.shortMl, outcome.mixedMl)} more next time.`,
    );
  else if (outcome.leftMl !== null && outcome.leftMl > 0.15 * outcome.mixedMl)
    words.push(
      `${volume(outcome.leftMl)} was left over, ${share(outcome.leftMl, outcome.mixedMl)} of the mix: the plan was generous.`,
    );
  else if (outcome.leftMl !== null) words.push(`${volume(outcome.leftMl)} was left: the plan fitted.`);
  else words.push("What was left was not entered, so the real rate is not known.");
  if (outcome.ratioOff !== null && Math.abs(outcome.ratioOff.off) > tolerance)
    words.push(
      `B was ${share(outcome.ratioOff.off, 1)} ${outcome.ratioOff.off > 0 ? "too much" : "too little"} for its A${outcome.ratioOff.name ? ` in ${outcome.ratioOff.name}` : ""}, outside the card's tolerance: watch for soft spots.`,
    );
  if (!outcome.weighed) words.push("Not all of A and B was weighed; the plan's figures stand in.");
  return words;
}
