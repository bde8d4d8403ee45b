import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { derivePlan } from "@/core/plan/derive-plan";
import type { PourEvent } from "@/core/pour/pour-events";
import type { ShelfItem } from "@/core/shelf/item";
import { needsOf } from "@/core/shelf/needs";
import type { JobNeeds } from "@/core/shelf/reserve";
import { weighedOut, type WeighedOut } from "@/core/shelf/weighed-out";

export type JobsToReserve = {
  jobs: readonly { jobId: string; name: string; day: string; document: JobDocument }[];
  cards: readonly ResinCard[];
  items: readonly ShelfItem[];
};

/** What jobs take off the shelf; one that cannot be worked out takes no other with it. */
export const needsOfJobs = ({ jobs, cards, items }: JobsToReserve): JobNeeds[] =>
  jobs.flatMap(({ jobId, name, day, document }) => {
    try {
      return [{ jobId, name, day, needs: needsOf(derivePlan(document, cards), items) }];
    } catch {
      return [];
    }
  });

export type PourToBook = {
  plan: { document: JobDocument; cards: readonly ResinCard[] };
  events: readonly PourEvent[];
};

export const weighedAtPour = ({ plan, events }: PourToBook): WeighedOut[] =>
  weighedOut(derivePlan(plan.document, plan.cards), events);
