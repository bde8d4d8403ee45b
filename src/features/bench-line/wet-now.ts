import { serverNowMs } from "@/contracts/server-now";
import {
  readPourEvent,
  readPourPlan,
  type Pour,
  type PourHead,
  type PourPlan,
  type StoredEvent,
} from "@/contracts/pours";
import type { StateStart } from "@/core/cure/film-states";
import { derivePlan, type Plan } from "@/core/plan/derive-plan";
import { foldPour, mixedAt, type PourEvent } from "@/core/pour/pour-events";
import { runSheet, type RunStep } from "@/core/pour/run-sheet";
import { daysAsPoured, whatNext } from "@/core/shop/shop";
import { wallClock, type Zone } from "@/core/shop/wall-clock";
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
  /** The server does not know of the pour yet. */
  begunHere?: true;
};

export type PourToShow = {
  head: PourHead;
  events: StoredEvent[];
  units: UnitSystem;
  timeZone: Zone;
  /** What it was started from, as it is stored; null where it was sent before. */
  planText: string | null;
};

/** What is wet of a pour; `needsPlan` where this thread has not got its plan yet. */
export type PourShown = { needsPlan: true } | { needsPlan: false; wet: WetNow | null };

type Planned = { plan: Plan; steps: RunStep[]; stored: PourPlan };

/** Plans of pours never change: those asked for last are kept; null for one that cannot be read. */
const MOST_KEPT = 60;
const kept = new Map<string, Planned | null>();

function planOf({ planText, units }: PourToShow): Planned | null {
  const read = planText === null ? null : readPourPlan(JSON.parse(planText));
  return read && planned(read, units);
}

function planned(stored: PourPlan, units: UnitSystem): Planned {
  const plan = derivePlan(stored.document, stored.cards);
  return { plan, steps: runSheet(plan, units), stored };
}

const asRead = (events: readonly StoredEvent[]) => events.flatMap((event) => readPourEvent(event) ?? []);

/** What is wet of a live pour: the coat that was mixed last; null before the first. */
export function wetNowOf(asked: PourToShow): PourShown {
  const { head, events, units, timeZone, planText } = asked;
  const key = `${head.id} ${units}`;
  if (!kept.has(key)) {
    if (planText === null) return { needsPlan: true };
    // Kept before it is worked out: one that cannot be is not tried again for every page.
    kept.set(key, null);
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value as string);
    kept.set(key, planOf(asked));
  }
  const planned = kept.get(key) ?? null;
  return { needsPlan: false, wet: planned && wetOf(head, asRead(events), timeZone, planned) };
}

/** The same of a pour that this screen has, with what was recorded here. */
export const wetOfPour = (pour: Pour, units: UnitSystem, zone: Zone): WetNow | null =>
  wetOf(pour, pour.events, zone, planned(pour.plan, units));

function wetOf(
  head: PourHead,
  read: PourEvent[],
  timeZone: Zone,
  { plan, steps, stored }: Planned,
): WetNow | null {
  const state = foldPour(read);
  const mixed = plan.coats.flatMap(({ coat, life }) => {
    const at = mixedAt(steps, state, coat.id);
    return at ? [{ coat, life, at }] : [];
  });
  const last = mixed[mixed.length - 1];
  if (!last) return null;
  const now = serverNowMs();
  const clock = wallClock(new Date(now), timeZone);
  const pour = { ...head, plan: stored, events: read };
  const days = daysAsPoured(pour, plan, clock);
  const next = whatNext(pour, plan, steps, clock, days);
  // Heat and the room as it was read have made it shorter or longer than planned.
  const life = days?.coats.find(({ coatId }) => coatId === last.coat.id)?.life ?? last.life;
  return {
    pourId: head.id,
    jobId: head.jobId,
    jobName: head.jobName,
    coatName: last.coat.name,
    mixedAt: last.at,
    life,
    next: next && {
      title: next.step.title,
      dueAt: new Date(now + (next.atMin - clock.nowMin) * 60_000).toISOString(),
    },
  };
}
