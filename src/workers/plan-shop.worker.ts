import type { Bench } from "@/contracts/bench";
import type { FilmInRoom } from "@/core/cure/film-in-room";
import { pulsesOf } from "@/core/cure/heat";
import { behindMin, isLeftOpen, shopJobs } from "@/core/shop/shop";
import { planShop, type LaidJob } from "@/core/schedule/shop-days";
import { wallClock } from "@/core/shop/wall-clock";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { answerCalls } from "./calls";
import { keeper } from "./keep";

export type ShopQuestion = {
  bench: Bench;
  /** Milliseconds since the epoch. */
  now: number;
  /** A job that is left out: the one that is planned beside the others. */
  without: string | null;
};

/** The shop's days, how far each begun job is behind its plan, and the films that lie. */
export type ShopAnswer = {
  laid: (LaidJob & { behindMin: number | null })[];
  films: Record<string, FilmInRoom>;
  /** What could not be worked out, and is left out. */
  broken: { jobId: string; name: string }[];
  leftOpen: { pourId: string; jobName: string; startedAt: string }[];
};

/** Fits, measures and lives of films are kept for the cards and jobs that came before. */
const keepCard = keeper<ResinCard>(60);
const keepJob = keeper<JobDocument>(60);

/** The same bench, of the cards and jobs that are known. */
function known(bench: Bench): Bench {
  return {
    ...bench,
    cards: bench.cards.map(keepCard),
    jobs: bench.jobs.map((job) => ({ ...job, document: keepJob(job.document) })),
    pours: bench.pours.map((pour) => ({
      ...pour,
      plan: { ...pour.plan, cards: pour.plan.cards.map(keepCard), document: keepJob(pour.plan.document) },
    })),
  };
}

function planned({ bench, now, without }: ShopQuestion): ShopAnswer {
  const clock = wallClock(new Date(now), bench.settings.timeZone);
  const broken: ShopAnswer["broken"] = [];
  const jobs = shopJobs(bench, clock, (name, jobId) => broken.push({ jobId, name })).filter(
    ({ jobId }) => jobId !== without,
  );
  const laid = planShop(jobs, bench.settings);
  const byId = new Map(jobs.map((job) => [job.id, job]));
  const films = laid.flatMap(({ id, plan }) => {
    const job = byId.get(id);
    return plan.coats.flatMap(({ coatId, mixedAtMin }): [string, FilmInRoom][] => {
      const { resin, real } = job?.coats.find(({ coat }) => coat.id === coatId) ?? {};
      if (!job || !resin) return [];
      const pulses = pulsesOf(real?.heats ?? []);
      return [[coatId, { resin, room: job.settings.room, mixedAtMin, pulses }]];
    });
  });
  return {
    laid: laid.map((shown) => {
      const job = byId.get(shown.id);
      return { ...shown, behindMin: job ? behindMin(job, shown.plan.endMin) : null };
    }),
    films: Object.fromEntries(films),
    broken,
    leftOpen: bench.pours
      .filter((pour) => isLeftOpen(pour, clock))
      .map(({ id, jobName, startedAt }) => ({ pourId: id, jobName, startedAt })),
  };
}

const calls = {
  plan: (question: ShopQuestion) => planned({ ...question, bench: known(question.bench) }),
};
answerCalls(calls);
export type ShopCalls = typeof calls;
