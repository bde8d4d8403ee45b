import type { JobDocument } from "../../job/job";
import { derivePlan, type Plan } from "../../plan/derive-plan";
import { CARDS, job } from "../../plan/testing/sample";
import type { InspectAct } from "../../pour/inspect-events";
import type { PourEvent } from "../../pour/pour-events";
import { runSheet, type RunStep } from "../../pour/run-sheet";
import type { ColourCard } from "../../colour/colour-card";
import { loggedPour, type LoggedPour } from "../logged-pour";

/** Midnight of the day of the pour, so that minutes of the plan are minutes after it. */
const MIDNIGHT = Date.UTC(2026, 4, 4);
export const atMinute = (minute: number): string => new Date(MIDNIGHT + minute * 60_000).toISOString();
const minuteOf = (at: string): number => (Date.parse(at) - MIDNIGHT) / 60_000;

/** What differs from the plan: when an act was done, min; null for one that was left undone. */
export type Done = (step: RunStep) => number | null;

type Extra = Partial<PourEvent> & { kind: PourEvent["kind"] };

/** A pour that went as planned but for what is said: acts by the minute, and what else was recorded. */
export function poured(
  change: (draft: JobDocument) => void = () => {},
  done: Done = ({ untilMin }) => untilMin,
  extra: (plan: Plan, steps: readonly RunStep[]) => readonly (Extra | InspectAct)[] = () => [],
  colours: readonly ColourCard[] = [],
): LoggedPour {
  const document = job(change);
  const plan = derivePlan(document, CARDS, colours);
  const steps = runSheet(plan, "metric");
  const ticks = steps.flatMap((step): PourEvent[] => {
    const minute = done(step);
    if (minute === null) return [];
    return [{ id: `t-${step.id}`, at: atMinute(minute), kind: "tick", stepId: step.id }];
  });
  const others = extra(plan, steps).map((event, at) => ({
    id: `e-${at}`,
    at: atMinute(600),
    ...event,
  })) as PourEvent[];
  return loggedPour({ document, plan, colours }, [...ticks, ...others], minuteOf);
}
