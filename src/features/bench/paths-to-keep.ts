import type { Bench } from "@/contracts/bench";
import { usedCards } from "@/core/job/used-cards";

/** So many jobs are kept at most: a bench machine has other things to do. */
const MOST_JOBS = 8;
/** Of a job, what is wanted at the bench: cups, windows, the sheets, where its pour is begun, and where it is looked at. */
const STAGES = ["cups", "windows", "pour", "inspect", "sheets/batch", "sheets/run"];

/**
 * The pages that open without the server: the bench, live pours, and of the jobs of today and tomorrow the cups, windows, sheets and cards.
 * @param days today and tomorrow, year-month-day
 */
export function pathsToKeep({ pours, jobs, cards }: Bench, days: readonly string[]): string[] {
  const live = pours.filter(({ finishedAt }) => finishedAt === null);
  const soon = jobs.filter(({ document }) => days.includes(document.work.startOn ?? "")).slice(0, MOST_JOBS);
  const jobIds = [...new Set([...live.map(({ jobId }) => jobId), ...soon.map(({ id }) => id)])];
  // What was finished in the last days is looked at once more, cured.
  const curing = [...new Set(pours.map(({ jobId }) => jobId))]
    .filter((id) => !jobIds.includes(id))
    .slice(0, MOST_JOBS);
  const documents = [...live.map(({ plan }) => plan.document), ...soon.map(({ document }) => document)];
  const used = new Set(
    documents.flatMap((document) => usedCards(document, cards, []).cards.map(({ id }) => id)),
  );
  return [
    "/bench",
    ...live.map(({ id }) => `/pours/${id}`),
    ...jobIds.slice(0, MOST_JOBS).flatMap((id) => STAGES.map((stage) => `/jobs/${id}/${stage}`)),
    ...curing.map((id) => `/jobs/${id}/inspect`),
    "/jobs",
    "/cards",
    ...[...used].map((id) => `/cards/${id}`),
  ];
}
