import type { Person } from "@/contracts/people";
import type { StateStart } from "@/core/cure/film-states";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour, mixedAt, nextStep } from "@/core/plan/pour";
import { runSheet } from "@/core/plan/run-sheet";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";

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

/** What is wet now in the shop: of each live pour the coat that was mixed last. */
export async function wetNow(person: Person): Promise<WetNow[]> {
  const pours = await poursOf(database(), person).live();
  return pours.flatMap((pour): WetNow[] => {
    const plan = derivePlan(pour.plan.document, pour.plan.cards);
    const steps = runSheet(plan, person.units);
    const state = foldPour(pour.events);
    const mixed = plan.coats.flatMap((planned) => {
      const at = mixedAt(steps, state, planned.coat.id);
      return at ? [{ planned, at }] : [];
    });
    const last = mixed[mixed.length - 1];
    if (!last) return [];
    const first = steps.find((step) => step.coatId === last.planned.coat.id);
    const next = nextStep(steps, state);
    const offsetMin = next && first && next.coatId === last.planned.coat.id ? next.atMin - first.atMin : null;
    return [
      {
        pourId: pour.id,
        jobId: pour.jobId,
        jobName: pour.jobName,
        coatName: last.planned.coat.name,
        mixedAt: last.at,
        life: last.planned.life,
        next:
          next && offsetMin !== null
            ? { title: next.title, dueAt: new Date(Date.parse(last.at) + offsetMin * 60000).toISOString() }
            : next
              ? { title: next.title, dueAt: last.at }
              : null,
      },
    ];
  });
}
