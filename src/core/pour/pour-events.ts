import type { RunStep } from "./run-sheet";
import { weighKey } from "./weigh-lines";

/**
 * Something that happened at the bench. Append-only; `id` is made by the client, so that sending twice does no harm. `by` is who recorded it,
 * told by the server; not known yet of what has not reached it.
 */
export type PourEvent = { id: string; at: string; by?: string } &
  /** `last`: no further round of its pass is needed. */
  (
    | { kind: "tick"; stepId: string; last?: boolean }
    | { kind: "untick"; stepId: string }
    /** An act, or a whole coat as far as it is not begun, is left out: with a word why. */
    | { kind: "skip"; stepId: string; why: string }
    | { kind: "drop-coat"; coatId: string; why: string }
    | { kind: "weighed"; stepId: string; line: string; grams: number }
    | { kind: "left"; coatId: string; ml: number }
    | { kind: "short"; coatId: string; ml: number }
    | { kind: "note"; stepId: string | null; text: string }
    | { kind: "finish" }
    /** The pour ends here and is kept as it is: with a word why. */
    | { kind: "call-off"; why: string }
  );

/** Entries with those of a second list that are not among them. */
export function withNew(events: readonly PourEvent[], more: readonly PourEvent[]): PourEvent[] {
  const known = new Set(events.map(({ id }) => id));
  return [...events, ...more.filter(({ id }) => !known.has(id))];
}

/** Where a pour stands, folded from its events in the order of their times. */
export type PourState = {
  doneAt: Map<string, string>;
  /** Steps that were the last round of their pass. */
  lastRounds: Set<string>;
  /** Acts that were left out, and coats, by their ids. */
  skipped: Set<string>;
  droppedCoats: Set<string>;
  /** Last weighing of each line, by step and line. */
  weighed: Map<string, number>;
  leftMl: Map<string, number>;
  shortMl: Map<string, number>;
  /** Each at an act, of a coat, or of the whole pour. */
  notes: { at: string; stepId: string | null; coatId?: string; text: string }[];
  finishedAt: string | null;
  /** Why it was called off; null for one that was not. */
  calledOff: string | null;
};

const leftOut = (why: string) => (why ? `Left out: ${why}` : "Left out.");

/** Folds events into the state of the pour. The later time wins; of equal times what stands later in the list, which is the server's sequence. */
export function foldPour(events: readonly PourEvent[]): PourState {
  const state: PourState = {
    doneAt: new Map(),
    lastRounds: new Set(),
    skipped: new Set(),
    droppedCoats: new Set(),
    weighed: new Map(),
    leftMl: new Map(),
    shortMl: new Map(),
    notes: [],
    finishedAt: null,
    calledOff: null,
  };
  const ordered = [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  for (const event of ordered) {
    switch (event.kind) {
      case "tick":
        state.doneAt.set(event.stepId, event.at);
        state.skipped.delete(event.stepId);
        if (event.last) state.lastRounds.add(event.stepId);
        else state.lastRounds.delete(event.stepId);
        break;
      case "untick":
        state.doneAt.delete(event.stepId);
        state.lastRounds.delete(event.stepId);
        state.skipped.delete(event.stepId);
        break;
      case "skip":
        state.skipped.add(event.stepId);
        state.notes.push({ at: event.at, stepId: event.stepId, text: leftOut(event.why) });
        break;
      case "drop-coat":
        state.droppedCoats.add(event.coatId);
        state.notes.push({
          at: event.at,
          stepId: null,
          coatId: event.coatId,
          text: leftOut(event.why),
        });
        break;
      case "weighed":
        state.weighed.set(weighKey(event.stepId, event.line), event.grams);
        break;
      case "left":
        state.leftMl.set(event.coatId, event.ml);
        state.shortMl.delete(event.coatId);
        break;
      case "short":
        state.shortMl.set(event.coatId, event.ml);
        state.leftMl.delete(event.coatId);
        break;
      case "note":
        state.notes.push({ at: event.at, stepId: event.stepId, text: event.text });
        break;
      case "finish":
        state.finishedAt = event.at;
        break;
      case "call-off":
        state.finishedAt = event.at;
        state.calledOff = event.why;
        break;
    }
  }
  return state;
}

/** The steps that are still asked for: those that are done or skipped, and those to come; rounds after the last one, and what is left of a coat that is left out, are not. */
export function stepsAsked(steps: readonly RunStep[], state: PourState): RunStep[] {
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

/** Passes of which no turn is done and each is left out: the plan goes on without them. By coat and pass. */
export function passesLeftOut(steps: readonly RunStep[], state: PourState): Set<string> {
  const out = new Map<string, boolean>();
  for (const { id, coatId, passId } of steps) {
    if (passId === null) continue;
    const key = `${coatId}:${passId}`;
    out.set(key, (out.get(key) ?? true) && state.skipped.has(id));
  }
  return new Set([...out].flatMap(([key, all]) => (all ? [key] : [])));
}

/** When A met B for a coat: its first mixing done; null before that. */
export function mixedAt(steps: readonly RunStep[], state: PourState, coatId: string): string | null {
  const times = steps
    .filter((step) => step.coatId === coatId && step.kind === "weigh")
    .flatMap((step) => state.doneAt.get(step.id) ?? []);
  return times.length > 0 ? (times.sort()[0] ?? null) : null;
}
