import type { WeighOut } from "@/core/batch/weigh-out";
import type { Plan } from "@/core/plan/derive-plan";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { batchAsWeighed, weighKey } from "@/core/pour/weigh-lines";

/** What is to be done about what was weighed for a batch so far; null where its card is gone. */
export function weighedIn(plan: Plan, step: RunStep, state: PourState): WeighOut | null {
  const { coat, resin, batched } = plan.coats.find((planned) => planned.coat.id === step.coatId) ?? {};
  const batch = batched?.batches.find(({ number }) => number === step.batch);
  if (!coat || !resin || !batch) return null;
  const gramsAt = (line: string) => state.weighed.get(weighKey(step.id, line));
  return batchAsWeighed(batch, coat.colours, resin, plan.atHand, gramsAt).out;
}
