import type { Pour } from "@/contracts/pours";
import type { FactorId } from "@/core/batch/factors";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { derivePlan } from "@/core/plan/derive-plan";
import { loggedPour } from "@/core/inspect/logged-pour";
import {
  adoptedFactors,
  factorValues,
  type AdoptedFactors,
  type LearningDecision,
} from "@/core/learning/decisions";
import { learnAlcohol, learnWeighing } from "@/core/learning/learn-over";
import { learnSpeeds, speedProposal, type SpeedOf, type SpeedProposal } from "@/core/learning/learn-speeds";
import { learnTimes, type TimeLearning } from "@/core/learning/learn-times";
import { learnVolumes, type VolumeLearning } from "@/core/learning/learn-volumes";
import { learntFactors, type LearntFactor } from "@/core/learning/learnt-factors";
import { looksRehearsed, type LooksRehearsed } from "@/core/learning/looks-rehearsed";
import { missedWindows } from "@/core/learning/missed-windows";
import { pourTeaches } from "@/core/learning/pour-teaches";
import { wallMinutes } from "@/core/shop/wall-clock";

export type ToLearnFrom = {
  pours: Pour[];
  decisions: LearningDecision[];
  /** Open jobs: what a proposal would do to them. */
  jobs: { jobId: string; name: string; document: JobDocument }[];
  cards: ResinCard[];
  colours: ColourCard[];
  timeZone: string;
  /** Who asks: names of others are for the owner. */
  me: { name: string; isOwner: boolean };
};

export type ShopLearning = {
  /** Pours that were looked at. */
  pours: number;
  volumes: Omit<VolumeLearning, "learnt" | "factors">;
  factors: LearntFactor[];
  times: TimeLearning;
  /** With what they propose to the cards on the shelf. */
  speeds: (SpeedOf & { onShelf: boolean; proposed: SpeedProposal | null })[];
  /** Alcohol over what was planned. */
  alcohol: ReturnType<typeof learnAlcohol>;
  /** Minutes from one weighed line to the next, over the usual. */
  weighing: ReturnType<typeof learnWeighing>;
  looks: LooksRehearsed[];
  missed: ReturnType<typeof missedWindows>;
  adopted: AdoptedFactors;
  /** What proposals do to the open jobs: as they are planned, and with what is proposed; null for what is not. */
  jobs: {
    jobId: string;
    name: string;
    volumeMl: [number, number] | null;
    timeMin: [number, number] | null;
  }[];
};

/** All that a shop's log has learnt. Some 60 pours take about a second: it is worked out aside. */
export function learnShop({
  pours,
  decisions,
  jobs,
  cards,
  colours,
  timeZone,
  me,
}: ToLearnFrom): ShopLearning {
  const adopted = adoptedFactors(decisions);
  const planned = factorValues(adopted);
  const teaches = [...pours]
    .sort((a, b) => Date.parse(a.startedAt) - Date.parse(b.startedAt))
    .map((pour) => {
      const day = new Date(pour.startedAt);
      const { document } = pour.plan;
      const plan = derivePlan(document, pour.plan.cards, pour.plan.colours);
      const log = loggedPour({ document, plan, colours: pour.plan.colours }, pour.events, (at) =>
        wallMinutes(new Date(at), day, timeZone),
      );
      const { id: pourId, jobId, jobName, startedAt } = pour;
      return pourTeaches({ pourId, jobId, jobName, startedAt }, log, pour.events);
    })
    .filter((one) => one.coats.length > 0);
  const { learnt, factors, ...volumes } = learnVolumes(teaches, decisions, planned);
  const times = learnTimes(teaches, decisions, planned.workTimes ?? 1);
  /** What is mixed for an open job, ml, and how long mixing and laying take, min. */
  const takes = (document: JobDocument) =>
    derivePlan(document, cards, colours).coats.reduce(
      (sum, { batched }) => ({
        ml: sum.ml + (batched?.mixMl.likely ?? 0),
        min: sum.min + (batched ? batched.workMin.likely + batched.mixingMin * batched.batches.length : 0),
      }),
      { ml: 0, min: 0 },
    );
  const proposedVolume = volumes.notProposed === null ? { ...planned, ...volumes.values } : null;
  const proposedTime = times.notProposed === null ? { ...planned, workTimes: times.usual.times } : null;
  const withFactors = (document: JobDocument, proposed: Partial<Record<FactorId, number>>) =>
    takes({ ...document, factors: { ...document.factors, ...proposed } });
  return {
    pours: teaches.length,
    volumes,
    factors: learntFactors(learnt, factors),
    times: { ...times, people: times.people.filter(({ name }) => me.isOwner || name === me.name) },
    speeds: learnSpeeds(teaches).map((speed) => {
      const card = cards.find(({ id }) => id === speed.resin);
      return { ...speed, onShelf: card !== undefined, proposed: card ? speedProposal(speed, card) : null };
    }),
    alcohol: learnAlcohol(teaches),
    weighing: learnWeighing(teaches),
    looks: looksRehearsed(teaches),
    missed: missedWindows(teaches),
    adopted,
    jobs:
      proposedVolume || proposedTime
        ? jobs.map(({ jobId, name, document }) => {
            const now = takes(document);
            return {
              jobId,
              name,
              volumeMl: proposedVolume && [now.ml, withFactors(document, proposedVolume).ml],
              timeMin: proposedTime && [now.min, withFactors(document, proposedTime).min],
            };
          })
        : [],
  };
}
