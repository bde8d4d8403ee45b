import type { Bench } from "@/contracts/bench";
import type { FilmInRoom } from "@/core/cure/film-in-room";
import { behindMin, isLeftOpen, shopJobs } from "@/core/shop/shop";
import { planShop, type LaidJob } from "@/core/schedule/shop-days";
import { wallClock } from "@/core/shop/wall-clock";

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

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<ShopQuestion>) => void) | null;
  postMessage: (message: ShopAnswer) => void;
};

scope.onmessage = ({ data: { bench, now, without } }) => {
  const clock = wallClock(new Date(now), bench.settings.timeZone);
  const broken: ShopAnswer["broken"] = [];
  const jobs = shopJobs(bench, clock, (name, jobId) => broken.push({ jobId, name })).filter(
    ({ jobId }) => jobId !== without,
  );
  const laid = planShop(jobs, bench.settings);
  const films: ShopAnswer["films"] = {};
  for (const { id, plan } of laid) {
    const job = jobs.find((one) => one.id === id);
    for (const { coatId, mixedAtMin } of plan.coats) {
      const coat = job?.coats.find((one) => one.coat.id === coatId);
      if (job && coat)
        films[coatId] = {
          resin: coat.resin,
          room: job.settings.room,
          mixedAtMin,
        };
    }
  }
  scope.postMessage({
    laid: laid.map((one) => {
      const job = jobs.find(({ id }) => id === one.id);
      return { ...one, behindMin: job ? behindMin(job, one.plan.endMin) : null };
    }),
    films,
    broken,
    leftOpen: bench.pours
      .filter((pour) => isLeftOpen(pour, clock))
      .map(({ id, jobName, startedAt }) => ({ pourId: id, jobName, startedAt })),
  });
};
