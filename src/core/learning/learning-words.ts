import { FACTORS, type FactorId } from "../batch/factors";
import type { LossPart } from "../pour/inspect-events";
import { rangeText, quantityText, trimmed } from "../units/format-quantity";
import { durationWords } from "../units/duration";
import type { UnitSystem } from "../units/dimension";
import type { NotProposed } from "./predict";
import { EIGHT_TENTHS } from "../numerics/normal";

/** What is weighed, as it is said. */
export const PART_WORDS: Record<LossPart, string> = {
  cup: "one empty cup",
  bucket: "one empty bucket",
  stick: "one stick",
  tool: "one tool",
  open: "what ran over the open edges",
  drip: "what dripped off the faces",
};

const ends = (moved: number, sd: number) => ({
  low: Math.max(0, Math.abs(moved) - EIGHT_TENTHS * sd),
  high: Math.abs(moved) + EIGHT_TENTHS * sd,
});

/** "Your last 9 pours took 120 ml more than planned each, most likely 80 to 160 ml. Which loss it is, the log cannot tell." */
export function volumeProposalWords(
  { movedMl, sdMl, pours }: { movedMl: number; sdMl: number; pours: number },
  system: UnitSystem,
): string {
  const volume = quantityText(Math.abs(movedMl), "volume", system);
  return `Your last ${pours} pours took ${volume} ${movedMl > 0 ? "more" : "less"} than planned each, most likely ${rangeText(ends(movedMl, sdMl), "volume", system)}. Which loss it is, what was left over cannot tell.`;
}

/** "Mixing and laying took 12 min longer than planned each time, most likely 8 to 16 min." */
export function timeProposalWords({ movedMin, sdMin }: { movedMin: number; sdMin: number }): string {
  const { low, high } = ends(movedMin, sdMin);
  const minutes = (min: number) => durationWords(Math.round(min));
  return `Mixing and laying took ${minutes(Math.abs(movedMin))} ${movedMin > 0 ? "longer" : "less"} than planned each time, most likely ${minutes(low)} to ${minutes(high)}.`;
}

export const weighNextWords = (part: LossPart): string =>
  `Weigh ${PART_WORDS[part]} after the next pour: that tells most.`;

/** Why nothing is proposed, as it is said. */
export function notProposedWords(why: NotProposed): string {
  switch (why) {
    case "nothing to learn from":
      return "No pour says yet what was used: enter what was left, or what was missing, when one ends. Nothing left and nothing missing says nothing.";
    case "too few pours":
      return "Four pours that say what was left are needed before anything is proposed.";
    case "inside its spread":
      return "What your pours took lies inside what is not known of it: the plan stands.";
    case "too small":
      return "Your pours differ from the plan by too little to matter: the plan stands.";
    case "behind the prior":
      return "What was learnt has not foretold your pours better than the usual values: the plan stands.";
    case "refused":
      return "You kept the plan as it is. It is proposed again when it moves further.";
  }
}

/** Where a factor comes from: "the shop's own, from 9 pours, taken over 12 Nov by Ines Calder". */
export const adoptedWords = (of: { pours: number; by: string }, on: string): string =>
  `the shop's own, from ${of.pours} ${of.pours === 1 ? "pour" : "pours"}, taken over ${on} by ${of.by}`;

/** A factor's value with its unit. */
export function factorText(id: FactorId, value: number): string {
  const { unit } = FACTORS[id];
  return unit === "×" ? `× ${trimmed(value, 2)}` : `${trimmed(value, 2)} ${unit}`;
}
