import { randomUUID } from "node:crypto";
import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { foldPour, mixedAt, type PourEvent } from "@/core/pour/pour-events";
import { runSheet, type RunStep } from "@/core/pour/run-sheet";
import { demoInspection } from "./inspected";

export type DemoPour = { startedAt: Date; events: PourEvent[] };

const HOUR = 3600_000;

/** Small honest deviations, the same every time: a few seconds late, a gram or two over. */
const drift = (index: number, most: number) => (((index * 37) % 11) / 10) * most;

/** Acts of a run up to (not including) a step, in real time from `start`; the clock runs as planned, a little late. */
function acts(
  steps: readonly RunStep[],
  start: number,
  until: number,
  lateMin: number,
  over: number,
): PourEvent[] {
  const origin = steps[0]?.atMin ?? 0;
  let at = start;
  return steps.slice(0, until).flatMap((step, index): PourEvent[] => {
    at = Math.max(at + 40_000, start + (step.untilMin - origin + drift(index, lateMin)) * 60_000);
    const weighed = step.weigh.map((line, number): PourEvent => ({
      id: randomUUID(),
      at: new Date(at - 20_000 + number * 1000).toISOString(),
      kind: "weighed",
      stepId: step.id,
      line: line.line,
      grams: Math.round(line.grams * (1 + over) + drift(index + number, 1.5)),
    }));
    return [
      ...weighed.filter((event) => event.kind === "weighed" && /^[AB]/.test(event.line)),
      { id: randomUUID(), at: new Date(at).toISOString(), kind: "tick", stepId: step.id },
    ];
  });
}

/**
 * A demo pour seen from `now`: one that is wet now (its colour coat mixed 38 minutes ago), and two that are over,
 * one with too much left, one that ran short.
 */
export function demoPour(
  kind: "wet" | "left-over" | "ran-short",
  document: JobDocument,
  cards: readonly ResinCard[],
  now: Date,
): DemoPour {
  const plan = derivePlan(document, cards);
  const steps = runSheet(plan, "us");
  const colour = plan.coats.find((coat) => coat.coat.kind === "colour");
  if (!colour) throw new Error("A demo pour needs a colour coat");
  const note = (minutes: number, text: string, from: number): PourEvent => ({
    id: randomUUID(),
    at: new Date(from + minutes * 60_000).toISOString(),
    kind: "note",
    stepId: null,
    text,
  });
  if (kind === "wet") {
    const first = steps.findIndex((step) => step.coatId === colour.coat.id && step.kind === "weigh");
    const offset = ((steps[first]?.atMin ?? 0) - (steps[0]?.atMin ?? 0)) * 60_000;
    const start = now.getTime() - 38 * 60_000 - offset;
    const done = steps.filter((step) => step.atMin - (steps[first]?.atMin ?? 0) < 30).length;
    const events = acts(steps, start, done, 0.5, 0.004).filter(
      (event) => Date.parse(event.at) < now.getTime(),
    );
    const at = (minutes: number) => new Date(start + minutes * 60_000).toISOString();
    const [piece] = plan.pieces;
    const { tempC } = document.work;
    const next = steps[done];
    const told: PourEvent[] = [
      note(20, "Copper settled fast, stirred the cup again before the second pour.", start),
      ...[1, 24].map((minutes): PourEvent => ({
        id: randomUUID(),
        at: at(minutes),
        kind: "room",
        tempC,
        humidityPct: 52,
        surfaceC: tempC - 0.5,
      })),
    ];
    if (piece)
      told.push({
        id: randomUUID(),
        at: at(30),
        kind: "note",
        stepId: null,
        text: "A hair came off the brush here, lifted out.",
        place: { pieceId: piece.id, xMm: 0.62 * piece.outline.widthMm, yMm: 0.4 * piece.outline.heightMm },
      });
    if (next) told.push({ id: randomUUID(), at: at(31), kind: "give", stepId: next.id, to: "Tomas Reyle" });
    return { startedAt: new Date(start), events: [...events, ...told] };
  }
  // Its clear can be sanded since yesterday: at no hour does that come before what is next at the pour that is wet.
  const daysAgo = kind === "ran-short" ? 2 : 14;
  const day = new Date(now.getTime() - daysAgo * 24 * HOUR);
  const start =
    Date.UTC(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate(), 9, 5) -
    (kind === "ran-short" ? 24 * HOUR : 0);
  const events = acts(steps, start, steps.length, 6, kind === "ran-short" ? -0.03 : 0.02);
  const end = Math.max(...events.map((event) => Date.parse(event.at)));
  const mixedMs = Date.parse(mixedAt(steps, foldPour(events), colour.coat.id) ?? "");
  const after = (minutes: number) => new Date(end + minutes * 60_000).toISOString();
  const outcome: PourEvent[] = plan.coats.flatMap(({ coat, batched }): PourEvent[] => {
    if (!batched) return [];
    const ml = batched.mixMl.likely;
    if (kind === "ran-short" && coat.kind === "colour")
      return [{ id: randomUUID(), at: after(4), kind: "short", coatId: coat.id, ml: Math.round(ml * 0.06) }];
    const share = kind === "left-over" && coat.kind === "colour" ? 0.24 : 0.05;
    return [{ id: randomUUID(), at: after(4), kind: "left", coatId: coat.id, ml: Math.round(ml * share) }];
  });
  const notes =
    kind === "ran-short"
      ? [
          note(95, "Inside corner of the L came out thin, scraped together all cups to close it.", start),
          note(170, "Dam pulled a little early, one run down the front, wiped back.", start),
        ]
      : [note(40, "Less of the pearl next time, it took over.", start)];
  return {
    startedAt: new Date(start),
    events: [
      ...events,
      ...notes,
      ...outcome,
      { id: randomUUID(), at: after(6), kind: "finish" },
      ...(kind === "ran-short"
        ? demoInspection(plan, colour.coat.id, { wetMs: mixedMs + 25 * 60_000, curedMs: end + 20 * 60_000 })
        : []),
    ],
  };
}
