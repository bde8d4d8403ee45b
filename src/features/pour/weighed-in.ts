import type { WeighOut } from "@/core/batch/weigh-out";
import type { Plan } from "@/core/plan/derive-plan";
import { asWeighed } from "@/core/pour/batches-to-come";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";

/** What is to be done about what was weighed for a batch so far; null where its card is gone. */
export function weighedIn(plan: Plan, step: RunStep, state: PourState): WeighOut | null {
  const coat = plan.coats.find((planned) => planned.coat.id === step.coatId);
  return coat ? (asWeighed(coat, step.batch, plan.atHand, state.weighed)?.out ?? null) : null;
}
