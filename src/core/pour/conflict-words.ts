import { trimmed } from "../units/format-quantity";
import type { Conflict, PourEvent } from "./pour-events";
import type { RunStep } from "./run-sheet";

/** One of two entries that stand against each other: what it says, who recorded it, and when. */
export type Side = { event: PourEvent; says: string; by: string; at: string };

/** Two entries of two screens, neither of which knew of the other, in words: what they are on, and both sides. */
export function conflictWords(
  { first, second }: Conflict,
  steps: readonly RunStep[],
): { on: string; sides: [Side, Side] } {
  const coatId = [first, second].flatMap((event) => ("coatId" in event ? [event.coatId] : []))[0];
  if (coatId !== undefined) {
    const on = steps.find((step) => step.coatId === coatId)?.coatName ?? "a coat";
    return { on, sides: [sideOf(first, steps), sideOf(second, steps)] };
  }
  const stepId = "stepId" in second ? second.stepId : null;
  const step = steps.find(({ id }) => id === stepId);
  const line =
    second.kind === "weighed" ? step?.weigh.find((one) => one.line === second.line)?.label : undefined;
  return {
    on: [line, step?.title ?? "an act"].filter(Boolean).join(", "),
    sides: [sideOf(first), sideOf(second)],
  };
}

/** @param of the acts to name one by, where the two are not on the same one */
const sideOf = (event: PourEvent, of: readonly RunStep[] = []): Side => ({
  event,
  says: [of.find((step) => "stepId" in event && step.id === event.stepId)?.title, says(event)]
    .filter(Boolean)
    .join(": "),
  by: event.by ?? "this screen",
  at: event.at,
});

function says(event: PourEvent): string {
  switch (event.kind) {
    case "weighed":
      return `${trimmed(event.grams, 1)} g`;
    case "tick":
      return "done";
    case "skip":
    case "drop-coat":
      return "left out";
    case "bring-coat":
      return "poured";
    default:
      return "not done";
  }
}
