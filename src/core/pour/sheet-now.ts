import type { PourState } from "./pour-events";
import type { RunStep } from "./run-sheet";

/** The two things that hands do at once: at the scale and the pots, and at the piece. */
export type Lane = "mixing" | "piece";

export const laneOf = ({ kind }: Pick<RunStep, "kind">): Lane => (kind === "pass" ? "piece" : "mixing");

/** An act that was done or is to come is done once more: a copy of it, right after what was done last when it was asked for. */
function withAdded(steps: readonly RunStep[], added: PourState["added"]): RunStep[] {
  let sheet = [...steps];
  for (const { id, of, afterId } of added) {
    const step = sheet.find((one) => one.id === of);
    if (!step || sheet.some((one) => one.id === id)) continue;
    const copy: RunStep = { ...step, id, title: `${step.title}, once more`, stopHere: null };
    const after = sheet.findIndex((one) => one.id === afterId);
    sheet = [...sheet.slice(0, after + 1), copy, ...sheet.slice(after + 1)];
  }
  return sheet;
}

/** Acts that were taken first stand before all that is still to do, the one that was asked for last at their head. */
function inOrder(steps: readonly RunStep[], { first, doneAt, skipped }: PourState): RunStep[] {
  const isOpen = ({ id }: RunStep) => !doneAt.has(id) && !skipped.has(id);
  const moved = [...new Set([...first].reverse())].flatMap(
    (id) => steps.find((step) => step.id === id) ?? [],
  );
  const open = moved.filter(isOpen);
  if (open.length === 0) return [...steps];
  const rest = steps.filter((step) => !open.includes(step));
  const at = rest.findIndex(isOpen);
  return at < 0 ? [...rest, ...open] : [...rest.slice(0, at), ...open, ...rest.slice(at)];
}

/** The run sheet as it stands now: with what was added, in the order that was chosen. A sheet that is so already stays so. */
export function sheetNow(steps: readonly RunStep[], state: PourState): readonly RunStep[] {
  if (state.added.length === 0 && state.first.length === 0) return steps;
  return inOrder(withAdded(steps, state.added), state);
}

/**
 * What a pair of hands does next: at the pots the first act there; at the piece the first pass whose batch is ready, or the first of all where it
 * belongs to none. Null where there is none.
 */
export function nextInLane(steps: readonly RunStep[], state: PourState, lane: Lane): RunStep | null {
  const open = steps.filter(({ id }) => !state.doneAt.has(id) && !state.skipped.has(id));
  const next = open.find((step) => laneOf(step) === lane) ?? null;
  if (lane === "mixing" || !next) return next;
  // Nothing is laid before it is mixed.
  const mixing = open.find(
    (step) =>
      laneOf(step) === "mixing" &&
      step.coatId === next.coatId &&
      (next.batch === null || (step.batch ?? 0) <= next.batch) &&
      steps.indexOf(step) < steps.indexOf(next),
  );
  return mixing ? null : next;
}

/** Whether an act can be taken first: what is laid must have been mixed, and a pot must have been weighed. */
export function canBeFirst(step: RunStep, steps: readonly RunStep[], state: PourState): boolean {
  if (state.doneAt.has(step.id) || state.skipped.has(step.id)) return false;
  if (step.kind === "weigh") return true;
  const before = steps.slice(0, steps.indexOf(step));
  return !before.some(
    ({ id, coatId, batch, kind }) =>
      kind !== "pass" &&
      coatId === step.coatId &&
      (step.batch === null || batch === step.batch) &&
      !state.doneAt.has(id) &&
      !state.skipped.has(id),
  );
}

/** The steps that are still asked for, in the order in which they stand now: those that are done or skipped, and those to come; rounds after the last one, and what is left of a coat that is left out, are not. */
export function stepsAsked(planned: readonly RunStep[], state: PourState): RunStep[] {
  const steps = sheetNow(planned, state);
  if (state.lastRounds.size === 0 && state.droppedCoats.size === 0) return [...steps];
  const over = new Set(
    steps.flatMap(({ id, coatId, passId }) => (state.lastRounds.has(id) ? [`${coatId}:${passId}`] : [])),
  );
  return steps.filter(
    ({ id, coatId, passId }) =>
      state.doneAt.has(id) || !(state.droppedCoats.has(coatId) || over.has(`${coatId}:${passId}`)),
  );
}

/** The first step that is neither done nor left out, or null when there is none. */
export function nextStep(steps: readonly RunStep[], state: PourState): RunStep | null {
  return stepsAsked(steps, state).find(({ id }) => !state.doneAt.has(id) && !state.skipped.has(id)) ?? null;
}
