import type { Spread } from "../numerics/spread";
import { actsOf } from "./acts";
import { takenBy, type Busy } from "./hands";
import { DAY_MIN } from "./hours";
import { PASS } from "../passes/facts";
import { planDays, type DayPlan } from "./plan-days";
import { startOf, type Settings, type WindowCoat } from "./coat-windows";
import type { Trouble } from "./troubles";

/** Room that pieces take while they are coated and cure: length of bench, mm, and spindles of a turner. */
export type Space = { benchMm: number; spindles: number };

/** What a shop has; null where it is not counted. */
export type ShopMeans = { hands: number; benchMm: number | null; spindles: number | null };

/** How far a job is: something on it is wet, all is done and it hardens, or it is to come. */
export type JobStage = "wet" | "curing" | "planned";

/** One job among others; minutes from the same midnight for all of them. */
export type ShopJob = {
  /** Of the pour where it is begun, else of the job. */
  id: string;
  jobId: string;
  name: string;
  stage: JobStage;
  coats: readonly WindowCoat[];
  startMin: number;
  settings: Settings;
  space: Space;
};

/** From when until when a job's pieces lie where nothing else can. */
type Lies = Space & { name: string; fromMin: number; toMin: number };

export type LaidJob = Pick<ShopJob, "id" | "jobId" | "name" | "stage"> & {
  plan: DayPlan;
  busy: Busy[];
  lies: Lies;
};

/** What others need to know of a job that is laid. */
export type Neighbour = Pick<LaidJob, "id" | "jobId" | "name" | "stage" | "busy" | "lies">;

/** The same, counted from a midnight that is so much later. */
export const countedFrom = (midnightMin: number, { busy, lies, ...rest }: Neighbour): Neighbour => {
  const moved = <Stretch extends { fromMin: number; toMin: number }>(stretch: Stretch): Stretch => ({
    ...stretch,
    fromMin: stretch.fromMin - midnightMin,
    toMin: stretch.toMin - midnightMin,
  });
  return { ...rest, busy: busy.map(moved), lies: moved(lies) };
};

/** When a job's plan has the hands: while batches are mixed and laid, and for each pass; what overlaps is done by the same hands. */
function busyOf({ name, settings: { people } }: ShopJob, plan: DayPlan): Busy[] {
  const stretches = plan.coats
    .flatMap(({ batches, windows }) => [
      ...batches.map(({ mixAtMin, doneAtMin }) => [mixAtMin, doneAtMin] as const),
      ...windows
        .filter(({ pass }) => PASS[pass.kind].hands !== false)
        .flatMap(({ atMin, untilMin, turns, turnOf }) =>
          // Between rounds the hands are free.
          (turnOf === "round" ? turns.filter(({ maybe }) => !maybe) : [{ atMin, untilMin }]).map(
            (busy) => [busy.atMin, busy.untilMin] as const,
          ),
        ),
    ])
    .filter(([, toMin]) => Number.isFinite(toMin))
    .sort(([one], [other]) => one - other);
  const busy: Busy[] = [];
  for (const [fromMin, toMin] of stretches) {
    const last = busy[busy.length - 1];
    if (last && fromMin <= last.toMin) last.toMin = Math.max(last.toMin, toMin);
    else busy.push({ fromMin, toMin, by: name, hands: people });
  }
  return busy;
}

/** Pieces lie from the first mix until the last coat can be touched. */
function liesOf({ name, startMin, space }: ShopJob, { coats }: DayPlan): Lies {
  const [first, last] = [coats[0], coats[coats.length - 1]];
  const toMin = last ? last.lastMixedAtMin + startOf(last.life, "sandable").likely : startMin;
  return { ...space, name, fromMin: first?.mixedAtMin ?? startMin, toMin };
}

const PLACES = [
  { of: "benchMm", words: "The bench is full" },
  { of: "spindles", words: "The turner is full" },
] as const;

/** Where a job finds no place because of others. */
function placeTroubles(job: ShopJob, plan: DayPlan, others: readonly Lies[], means: ShopMeans): Trouble[] {
  const lies = liesOf(job, plan);
  const beside = others.filter(({ fromMin, toMin }) => fromMin < lies.toMin && toMin > lies.fromMin);
  // Fullest when one comes to those that lie there: look at each begin.
  const begins = [lies.fromMin, ...beside.map(({ fromMin }) => fromMin)].filter((at) => at >= lies.fromMin);
  return PLACES.flatMap(({ of, words }): Trouble[] => {
    const most = means[of];
    if (most === null || lies[of] === 0) return [];
    const full = begins.find((at) => {
      const there = beside.filter(({ fromMin, toMin }) => fromMin <= at && toMin > at);
      return there.reduce((sum, lies) => sum + lies[of], lies[of]) > most;
    });
    if (full === undefined) return [];
    const names = beside
      .filter((lies) => lies[of] > 0 && lies.fromMin <= full && lies.toMin > full)
      .map(({ name }) => name);
    return [
      {
        kind: "no place",
        coatId: plan.coats[0]?.coatId ?? "",
        passId: null,
        words:
          names.length > 0
            ? `${words}: ${names.join(", ")} ${names.length > 1 ? "lie" : "lies"} there until it can be touched.`
            : `${words} with this job alone.`,
      },
    ];
  });
}

/** What the others leave to a job: its settings with the hands they take, and what else is wrong with a plan of it. */
export function beside(job: ShopJob, others: readonly Neighbour[], means: ShopMeans) {
  const people = Math.min(job.settings.people, means.hands);
  const busy = others.flatMap((other) => other.busy);
  return {
    settings: { ...job.settings, people, taken: takenBy(busy, means.hands, people) } satisfies Settings,
    alsoFound: (plan: DayPlan): Trouble[] =>
      placeTroubles(
        job,
        plan,
        others.map(({ lies }) => lies),
        means,
      ),
  };
}

/** A job's days among others that go before it. */
export function layBeside(job: ShopJob, others: readonly Neighbour[], means: ShopMeans): LaidJob {
  const { settings, alsoFound } = beside(job, others, means);
  const plan = planDays(job.coats, job.startMin, settings);
  const troubles = job.stage === "planned" ? [...plan.troubles, ...alsoFound(plan)] : plan.troubles;
  const days = { ...plan, troubles };
  const { id, jobId, name, stage } = job;
  return {
    id,
    jobId,
    name,
    stage,
    plan: days,
    busy: busyOf({ ...job, settings }, days),
    lies: liesOf(job, days),
  };
}

const RANK: Record<JobStage, number> = { wet: 0, curing: 1, planned: 2 };
/** Who goes first: what is wet, then the earlier start. */
const byTurn = (a: ShopJob, b: ShopJob): number =>
  RANK[a.stage] - RANK[b.stage] || a.startMin - b.startMin || a.id.localeCompare(b.id);
/** Those of the others that go before a job that is planned. */
export const before = (others: readonly Neighbour[], job: Pick<ShopJob, "id" | "startMin">): Neighbour[] =>
  others.filter(
    ({ id, stage, lies }) =>
      stage !== "planned" ||
      lies.fromMin < job.startMin ||
      (lies.fromMin === job.startMin && id.localeCompare(job.id) < 0),
  );

/** The days of a whole shop: what is wet goes first, then the earlier start; each later job takes the hands that are left. */
export function planShop(jobs: readonly ShopJob[], means: ShopMeans): LaidJob[] {
  const laid: LaidJob[] = [];
  for (const job of [...jobs].sort(byTurn)) laid.push(layBeside(job, laid, means));
  return laid;
}

/** Something to do, or something that may be done from now on. */
export type NextAct = {
  /** Id of its job among the laid ones. */
  of: string;
  jobName: string;
  coatId: string;
  coatName: string;
  /** The pass; null for mixing, and for a state that is reached. */
  passId: string | null;
  kind: "mix" | "pass" | "ready";
  words: string;
  atMin: number;
  /** Until when it is right; null where it stays right, or nothing is known. */
  to: Spread | null;
  trouble: Trouble | null;
};

/** What comes next in a job, in the order of time; of one that only hardens, when it can be touched. */
function nextOf({ id, name, stage, plan }: LaidJob): NextAct[] {
  const troubleOf = (coatId: string, passId: string | null) =>
    plan.troubles.find((trouble) => trouble.coatId === coatId && trouble.passId === passId) ?? null;
  if (stage === "curing") {
    const last = plan.coats.at(-1);
    if (!last) return [];
    const ready = startOf(last.life, "sandable");
    const act = { of: id, jobName: name, coatId: last.coatId, coatName: last.name, passId: null };
    return [
      {
        ...act,
        kind: "ready",
        words: "Can be sanded and moved",
        atMin: last.lastMixedAtMin + ready.likely,
        to: null,
        trouble: null,
      },
    ];
  }
  return actsOf(plan.coats)
    .filter(({ done }) => !done)
    .map(({ coatId, coatName, kind, words, batch, pass, atMin, to }): NextAct => ({
      of: id,
      jobName: name,
      coatId,
      coatName,
      passId: pass?.id ?? null,
      kind,
      words,
      atMin,
      to,
      trouble: batch === null || batch === 1 ? troubleOf(coatId, pass?.id ?? null) : null,
    }));
}

/** What comes next in the shop, in the order of time. What can be touched already is no act any more. */
export const nextActs = (laid: readonly LaidJob[], nowMin: number, untilMin: number): NextAct[] =>
  laid
    .flatMap(nextOf)
    .filter(({ kind, atMin }) => atMin <= untilMin && !(kind === "ready" && atMin <= nowMin))
    .sort((a, b) => a.atMin - b.atMin);

/** How many days ahead a bench looks. */
export const AHEAD_MIN = 3 * DAY_MIN;
