import type { Pour } from "@/contracts/pours";
import type { StateStart } from "@/core/cure/film-states";
import { derivePlan, type Plan } from "@/core/plan/derive-plan";
import { foldPour, mixedAt, nextStep } from "@/core/plan/pour";
import { runSheet, type RunStep } from "@/core/plan/run-sheet";
import type { UnitSystem } from "@/core/units/dimension";

/** One wet coat: when it was mixed, how its film lives, and what comes next. */
export type WetNow = {
  pourId: string;
  jobId: string;
  jobName: string;
  coatName: string;
  mixedAt: string;
  life: StateStart[];
  next: { title: string; dueAt: string } | null;
};

export type PourToShow = { pour: Pour; units: UnitSystem };

/** Plans of pours never change: those asked for last are kept. */
const MOST_KEPT = 60;
const kept = new Map<string, { plan: Plan; steps: RunStep[] }>();

function planned({ pour, units }: PourToShow): { plan: Plan; steps: RunStep[] } {
  const key = `${pour.id} ${units}`;
  const known = kept.get(key);
  if (known) return known;
  const plan = derivePlan(pour.plan.document, pour.plan.cards);
  const made = { plan, steps: runSheet(plan, units) };
  kept.set(key, made);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value as string);
  return made;
}

/** What is wet of a live pour: the coat that was mixed last; null before the first. */
export function wetNowOf(asked: PourToShow): WetNow | null {
  const { pour } = asked;
  const { plan, steps } = planned(asked);
  const state = foldPour(pour.events);
  const mixed = plan.coats.flatMap((coat) => {
    const at = mixedAt(steps, state, coat.coat.id);
    return at ? [{ coat, at }] : [];
  });
  const last = mixed[mixed.length - 1];
  if (!last) return null;
  const first = steps.find((step) => step.coatId === last.coat.coat.id);
  const next = nextStep(steps, state);
  const offsetMin = next && first && next.coatId === last.coat.coat.id ? next.atMin - first.atMin : 0;
  return {
    pourId: pour.id,
    jobId: pour.jobId,
    jobName: pour.jobName,
    coatName: last.coat.coat.name,
    mixedAt: last.at,
    life: last.coat.life,
    next: next
      ? { title: next.title, dueAt: new Date(Date.parse(last.at) + offsetMin * 60000).toISOString() }
      : null,
  };
}
