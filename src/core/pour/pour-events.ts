import type { InspectAct } from "./inspect-events";
import { coatOfStep, type RunStep } from "./run-sheet";
import { weighKey } from "./weigh-lines";

/**
 * What the screen knew that recorded it: the entry on the same act or line that stood until then, null where there was none. `settles`: it was recorded
 * to settle which of two counts. Absent in entries of earlier versions.
 */
type Knowing = { over?: string | null; settles?: true };

/**
 * Something that happened at the bench. Append-only; `id` is made by the client, so that sending twice does no harm. `by` is who recorded it,
 * told by the server; not known yet of what has not reached it.
 */
export type PourEvent = { id: string; at: string; by?: string } &
  /** `last`: no further round of its pass is needed. */
  (
    | ({ kind: "tick"; stepId: string; last?: boolean } & Knowing)
    | ({ kind: "untick"; stepId: string } & Knowing)
    /** An act, or a whole coat as far as it is not begun, is left out: with a word why. */
    | ({ kind: "skip"; stepId: string; why: string } & Knowing)
    | ({ kind: "drop-coat"; coatId: string; why: string } & Knowing)
    /** A coat that was left out is poured after all. */
    | ({ kind: "bring-coat"; coatId: string } & Knowing)
    /** `raw`: the line that a scale printed, where one was read. */
    | ({ kind: "weighed"; stepId: string; line: string; grams: number; raw?: string } & Knowing)
    /** What stands on the bottle that a line was weighed from. */
    | { kind: "lot"; stepId: string; line: string; lot: string }
    /** An act is done once more, after another one; taken before all that is to come; or is somebody's. */
    | { kind: "again"; stepId: string; afterId: string | null }
    | { kind: "first"; stepId: string }
    | { kind: "give"; stepId: string; to: string | null }
    /** What a thermometer of the room said. */
    | { kind: "room"; tempC: number; humidityPct: number | null; surfaceC?: number | null }
    | { kind: "left"; coatId: string; ml: number }
    | { kind: "short"; coatId: string; ml: number }
    /** Said of an act or of a place on a piece, mm; with a photo where one was taken; of a pin, by the id of its entry. */
    | { kind: "note"; stepId: string | null; text: string; pictureId?: string; place?: Place; pinId?: string }
    | InspectAct
    | { kind: "finish" }
    /** The pour ends here and is kept as it is: with a word why. */
    | { kind: "call-off"; why: string }
  );

/** Entries with those of a second list that are not among them. */
export function withNew(events: readonly PourEvent[], more: readonly PourEvent[]): PourEvent[] {
  const known = new Set(events.map(({ id }) => id));
  return [...events, ...more.filter(({ id }) => !known.has(id))];
}

/** A place on a piece, mm from the corner of its outline's box. */
export type Place = { pieceId: string; xMm: number; yMm: number };
export type PourNote = {
  at: string;
  by?: string;
  stepId: string | null;
  coatId?: string;
  text: string;
  pictureId?: string;
  place?: Place;
};

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
  /** The lot that stands on a bottle, by step and line. */
  lots: Map<string, string>;
  leftMl: Map<string, number>;
  shortMl: Map<string, number>;
  /** The room as it was read, in the order of time. */
  room: RoomRead[];
  /** By what an entry is on ({@link subjectOf}): the one that counts. */
  inForce: Map<string, PourEvent>;
  /** What two screens recorded differently, neither knowing of the other, and nobody has settled yet. */
  conflicts: Conflict[];
  /** Each at an act, of a coat, or of the whole pour. */
  notes: PourNote[];
  /** Acts that are done once more, those that were taken first in the order in which they were, and whose each is. */
  added: { id: string; of: string; afterId: string | null }[];
  first: string[];
  givenTo: Map<string, string>;
  finishedAt: string | null;
  /** Why it was called off; null for one that was not. */
  calledOff: string | null;
};

export type RoomRead = { at: string; tempC: number; humidityPct: number | null; surfaceC: number | null };

/** Two entries on the same thing; the second counts until it is settled. */
export type Conflict = { subject: string; first: PourEvent; second: PourEvent };

const coatSubject = (coatId: string) => `coat ${coatId}`;

/** What an entry is on that another one can speak against: a line that is weighed, whether an act is done, or a coat poured; null for all else. */
export function subjectOf(event: {
  kind: string;
  stepId?: string | null;
  line?: string;
  coatId?: string;
}): string | null {
  if (event.kind === "drop-coat" || event.kind === "bring-coat") return coatSubject(event.coatId ?? "");
  if (event.kind === "weighed") return `weighed ${weighKey(event.stepId ?? "", event.line ?? "")}`;
  return ["tick", "untick", "skip"].includes(event.kind) ? `act ${event.stepId ?? ""}` : null;
}

/** Two readings of one scale differ by less than this, of what was weighed and g at least. */
const SAME_SHARE = 0.002;
const SAME_G = 0.15;

function saysTheSame(a: PourEvent, b: PourEvent): boolean {
  if (a.kind === "weighed" && b.kind === "weighed")
    return Math.abs(a.grams - b.grams) <= Math.max(SAME_G, SAME_SHARE * a.grams);
  return a.kind === b.kind;
}

/**
 * Notes who recorded what without knowing of what; true for an entry that only says once more what another screen has said.
 * @param sameAs entries that said once more what another had said, by that other one: whoever knew the one knew the other
 */
function saidBefore(state: PourState, event: PourEvent, sameAs: Map<string, string>): boolean {
  const subject = subjectOf(event);
  if (subject === null) return false;
  const before = state.inForce.get(subject);
  const { over, settles } = event as Knowing;
  const known = sameAs.get(over ?? "") ?? over;
  const unaware = before !== undefined && known !== undefined && known !== before.id && !settles;
  if (unaware && saysTheSame(before, event)) {
    sameAs.set(event.id, before.id);
    return true;
  }
  if (unaware) state.conflicts.push({ subject, first: before, second: event });
  if (settles) state.conflicts = state.conflicts.filter((conflict) => conflict.subject !== subject);
  state.inForce.set(subject, event);
  return false;
}

/**
 * Notes a coat that one screen left out while another one, which did not know of it, did acts of it. An act on a coat that is left out can only come
 * from such a screen: who knows of it is not asked for the act.
 */
function leftOutAgainstDone(state: PourState, event: PourEvent): void {
  if (event.kind === "drop-coat") {
    const done = [...state.inForce.values()].findLast(
      (before) => before.kind === "tick" && coatOfStep(before.stepId) === event.coatId,
    );
    if (done && event.over === null) putConflict(state, coatSubject(event.coatId), done, event);
  }
  if (event.kind !== "tick") return;
  const subject = coatSubject(coatOfStep(event.stepId));
  const drop = state.inForce.get(subject);
  if (drop?.kind === "drop-coat" && drop.over !== undefined && event.over !== undefined)
    putConflict(state, subject, drop, event);
}

/** Of one thing one conflict stands, between what was first and what counts now. */
function putConflict(state: PourState, subject: string, first: PourEvent, second: PourEvent): void {
  const before = state.conflicts.find((conflict) => conflict.subject === subject);
  state.conflicts = [
    ...state.conflicts.filter((conflict) => conflict !== before),
    { subject, first: before?.first ?? first, second },
  ];
}

const leftOut = (why: string) => (why ? `Left out: ${why}` : "Left out.");

/** Folds events into the state of the pour. The later time wins; of equal times what stands later in the list, which is the server's sequence. */
export function foldPour(events: readonly PourEvent[]): PourState {
  const state: PourState = {
    doneAt: new Map(),
    lastRounds: new Set(),
    skipped: new Set(),
    droppedCoats: new Set(),
    weighed: new Map(),
    lots: new Map(),
    leftMl: new Map(),
    shortMl: new Map(),
    room: [],
    inForce: new Map(),
    conflicts: [],
    notes: [],
    added: [],
    first: [],
    givenTo: new Map(),
    finishedAt: null,
    calledOff: null,
  };
  const ordered = [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const sameAs = new Map<string, string>();
  for (const event of ordered) {
    if (saidBefore(state, event, sameAs)) continue;
    leftOutAgainstDone(state, event);
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
      case "lot":
        state.lots.set(weighKey(event.stepId, event.line), event.lot);
        break;
      case "bring-coat":
        state.droppedCoats.delete(event.coatId);
        break;
      case "weighed":
        state.weighed.set(weighKey(event.stepId, event.line), event.grams);
        break;
      case "room": {
        const { at, tempC, humidityPct, surfaceC = null } = event;
        state.room.push({ at, tempC, humidityPct, surfaceC });
        break;
      }
      case "left":
        state.leftMl.set(event.coatId, event.ml);
        state.shortMl.delete(event.coatId);
        break;
      case "short":
        state.shortMl.set(event.coatId, event.ml);
        state.leftMl.delete(event.coatId);
        break;
      case "note":
        // A photo of a pin stands with the pin.
        if (event.pinId !== undefined) break;
        state.notes.push({
          at: event.at,
          stepId: event.stepId,
          text: event.text,
          ...(event.pictureId && { pictureId: event.pictureId }),
          ...(event.place && { place: event.place }),
        });
        break;
      case "again":
        state.added.push({
          id: `${event.stepId}~${event.id.slice(0, 8)}`,
          of: event.stepId,
          afterId: event.afterId,
        });
        break;
      case "first":
        state.first.push(event.stepId);
        break;
      case "give":
        if (event.to === null) state.givenTo.delete(event.stepId);
        else state.givenTo.set(event.stepId, event.to);
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
