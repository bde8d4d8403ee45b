import type { ResinCard } from "../cure/resin-card";
import type { Room } from "../cure/room";
import type { Measured } from "../geometry/measure";
import { DAY_MIN } from "../schedule/hours";
import {
  before,
  countedFrom,
  layBeside,
  planShop,
  type ShopJob,
  type ShopMeans,
  type Space,
} from "../schedule/shop-days";
import { planDays, type DayPlan } from "../schedule/plan-days";
import type { PassWindow, Settings } from "../schedule/coat-windows";
import { derivePlan, withDays, type Plan } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import type { JobDocument } from "../job/job";
import { settingsOf } from "../job/job-settings";
import { foldPour, type PourEvent } from "../pour/pour-events";
import { nextStep } from "../pour/sheet-now";
import { coatsAsPoured } from "../pour/actuals";
import { roomAsRead } from "../pour/room-of-pour";
import { runSheet, type RunStep } from "../pour/run-sheet";

/** A pour as it was started, and what has happened since. */
export type ShopPour = {
  id: string;
  jobId: string;
  jobName: string;
  startedAt: string;
  finishedAt: string | null;
  plan: { document: JobDocument; cards: readonly ResinCard[] };
  events: readonly PourEvent[];
};

/** A job that is planned for a day. */
export type DatedJob = { id: string; name: string; document: JobDocument };

/** What there is in a shop. */
export type ShopWork = { pours: readonly ShopPour[]; jobs: readonly DatedJob[]; cards: readonly ResinCard[] };

/** Moments and days in minutes of a wall clock from midnight of today. */
export type WallClock = {
  nowMin: number;
  minuteOf: (at: string) => number;
  /** Midnight of a day, year-month-day. */
  dayMin: (day: string) => number;
};

/** A pour of which nothing was heard for so long was left open; min. */
const LEFT_OPEN_MIN = 7 * DAY_MIN;
export const isLeftOpen = ({ startedAt, finishedAt, events }: ShopPour, clock: WallClock): boolean =>
  finishedAt === null &&
  clock.nowMin - Math.max(...[startedAt, ...events.map(({ at }) => at)].map(clock.minuteOf)) > LEFT_OPEN_MIN;

/** A room whose readings count from another midnight. */
const movedRoom = (room: Room, byMin: number): Room =>
  room.kind === "logger"
    ? { ...room, readings: room.readings.map(([atMin, tempC]) => [atMin + byMin, tempC] as const) }
    : room;

/** Bench and spindles that the pieces take: a floor takes none, a tumbler a spindle. */
export function spaceOf(pieces: readonly Measured[]): Space {
  const space = { benchMm: 0, spindles: 0 };
  for (const { piece, outline, count } of pieces) {
    if (piece.shape.kind === "floor") continue;
    if (piece.shape.kind === "tumbler") space.spindles += count;
    else space.benchMm += count * outline.widthMm;
  }
  return space;
}

/** Settings of a plan whose own midnight lies so many minutes from the midnight of today. */
const settingsFrom = (document: JobDocument, midnight: number, nowMin: number): Settings => {
  const settings = settingsOf(document, nowMin);
  return { ...settings, room: movedRoom(settings.room, midnight) };
};

/** How a pour stands among the shop's work; null for one of which nothing is wet or to come. */
function pourJob(pour: ShopPour, plan: Plan, clock: WallClock): ShopJob | null {
  if (isLeftOpen(pour, clock)) return null;
  const startMin = clock.minuteOf(pour.startedAt);
  const done = pour.finishedAt !== null;
  const state = foldPour(pour.events);
  const asked = coatsAsPoured(plan, runSheet(plan, "metric"), state, clock.minuteOf);
  const coats = done ? asked.filter(({ real }) => real !== undefined) : asked;
  if (coats.length === 0) return null;
  const settings = settingsFrom(pour.plan.document, Math.floor(startMin / DAY_MIN) * DAY_MIN, clock.nowMin);
  return {
    id: pour.id,
    jobId: pour.jobId,
    name: pour.jobName,
    stage: done ? "curing" : "wet",
    coats,
    startMin,
    settings: {
      ...settings,
      room: roomAsRead(settings.room, state.room, clock.minuteOf),
      notBeforeMin: clock.nowMin,
    },
    space: spaceOf(plan.pieces),
  };
}

/** A job that is planned for a day, as it stands among the shop's work; null for one without a day or without windows. */
function datedJob({ id, name, document }: DatedJob, plan: Plan, clock: WallClock): ShopJob | null {
  const { startOn, startMin } = document.work;
  const coats = windowCoatsOf(plan);
  if (startOn === undefined || coats.length === 0) return null;
  const midnight = clock.dayMin(startOn);
  return {
    id,
    jobId: id,
    name,
    stage: "planned",
    coats,
    startMin: midnight + startMin,
    settings: settingsFrom(document, midnight, clock.nowMin),
    space: spaceOf(plan.pieces),
  };
}

/**
 * All that goes on in a shop and is planned for a day, on one clock.
 * @param broken told of each pour and job that cannot be worked out, which is then left out: one takes no other with it
 */
export function shopJobs(
  { pours, jobs, cards }: ShopWork,
  clock: WallClock,
  broken: (name: string, jobId: string) => void = () => {},
): ShopJob[] {
  const orBroken = (name: string, jobId: string, of: () => ShopJob | null): ShopJob[] => {
    try {
      return [of() ?? []].flat();
    } catch {
      broken(name, jobId);
      return [];
    }
  };
  const begun = new Set(pours.filter(({ finishedAt }) => finishedAt === null).map(({ jobId }) => jobId));
  return [
    ...pours.flatMap((pour) =>
      orBroken(pour.jobName, pour.jobId, () =>
        pourJob(pour, derivePlan(pour.plan.document, pour.plan.cards), clock),
      ),
    ),
    ...jobs
      .filter(({ id }) => !begun.has(id))
      .flatMap((job) =>
        orBroken(job.name, job.id, () => datedJob(job, derivePlan(job.document, cards), clock)),
      ),
  ];
}

/** The days of a pour by what has happened so far; null where nothing is wet or to come. Minutes from midnight of today. */
export function daysAsPoured(pour: ShopPour, plan: Plan, clock: WallClock): DayPlan | null {
  const job = pourJob(pour, plan, clock);
  return job && planDays(job.coats, job.startMin, job.settings);
}

/**
 * What comes next in a pour, when, and for a pass the window in which it is right by what has happened so far: the one road for the pour itself, the foot
 * of every view and the bench. Minutes from midnight of today, never before now; null when all is done.
 */
export function whatNext(
  pour: ShopPour,
  plan: Plan,
  steps: readonly RunStep[],
  clock: WallClock,
  days: DayPlan | null = daysAsPoured(pour, plan, clock),
  step = nextStep(steps, foldPour(pour.events)),
): { step: RunStep; atMin: number; window: PassWindow | null } | null {
  if (!step) return null;
  const live = days && runSheet(withDays(plan, days), "metric");
  const window =
    days?.coats
      .find(({ coatId }) => coatId === step.coatId)
      ?.windows.find(({ pass }) => pass.id === step.passId) ?? null;
  const atMin = live?.find(({ id }) => id === step.id)?.atMin ?? clock.nowMin;
  return { step, atMin: Math.max(atMin, clock.nowMin), window };
}

/** A job's plan among the work of the shop that goes before it, as Windows shows it; the plan itself for one without a day. */
export function planAmong(
  job: DatedJob,
  plan: Plan,
  work: ShopWork,
  means: ShopMeans,
  clock: WallClock,
): Plan {
  const { startOn } = job.document.work;
  if (startOn === undefined) return plan;
  const midnight = clock.dayMin(startOn);
  const laid = planShop(
    shopJobs(work, clock).filter(({ jobId }) => jobId !== job.id),
    means,
  );
  const shopJob = plannedJob(job, plan, Math.floor(clock.nowMin) - midnight);
  const others = laid.map((laidJob) => countedFrom(midnight, laidJob));
  return withDays(plan, layBeside(shopJob, before(others, shopJob), means).plan);
}

/** A job that is planned, in minutes from midnight of its own first day. */
export const plannedJob = ({ id, name, document }: DatedJob, plan: Plan, nowMin: number | null): ShopJob => ({
  id,
  jobId: id,
  name,
  stage: "planned",
  coats: windowCoatsOf(plan),
  startMin: document.work.startMin,
  settings: settingsOf(document, nowMin),
  space: spaceOf(plan.pieces),
});

/**
 * How much later than planned a job that was begun will be done, min: against the same plan from its first real mix. Negative when it is
 * ahead; null while nothing is mixed.
 */
export function behindMin(job: ShopJob, endMin: number): number | null {
  const begun = job.coats[0]?.real?.batchesAtMin[0];
  if (begun === undefined) return null;
  const asPlanned = job.coats.map(({ real: _done, ...coat }) => coat);
  const { notBeforeMin: _now, ...settings } = job.settings;
  return endMin - planDays(asPlanned, begun, settings).endMin;
}
