import type { ResinCard } from "../../cure/resin-card";
import type { ColourCard } from "../../colour/colour-card";
import type { JobDocument } from "../../job/job";
import { settingsOf } from "../../job/job-settings";
import { derivePlan } from "../../plan/derive-plan";
import { windowCoatsOf } from "../../plan/timed";
import { planDays } from "../../schedule/plan-days";
import { actPicture } from "../act-picture";
import { comparePour } from "../compare-pour";
import { lotsTold } from "../lots";
import { pouredDays } from "../poured-days";
import { foldPour, type PourEvent } from "../pour-events";
import { runSheet } from "../run-sheet";
import { sheetNow } from "../sheet-now";
import { whereWords } from "../where-words";
import { digestOf, type Digest } from "./digest";

export type ApprovedJobs = {
  cards: ResinCard[];
  colours: ColourCard[];
  jobs: { name: string; document: JobDocument; events: PourEvent[] }[];
};

/** What was approved of a job: digests by what they are of, and what is read at the bench. */
export type ApprovedPlan = { name: string; digests: Record<string, Digest>; told: string[] };

const minuteOf = (at: string): number => (Date.parse(at) - Date.UTC(2026, 4, 14)) / 60_000;

/** All of a job that a finisher goes by: batches, cups, windows, advice, the run sheet, what its acts look like, what came of its pour. */
export function approvedPlan(
  { cards, colours }: ApprovedJobs,
  { name, document, events }: ApprovedJobs["jobs"][number],
): ApprovedPlan {
  const plan = derivePlan(document, cards, colours);
  const state = foldPour(events);
  const nothing = foldPour([]);
  const [metric, us] = [runSheet(plan, "metric", state.weighed), runSheet(plan, "us")];
  const now = sheetNow(metric, state);
  const digests: Record<string, Digest> = {};
  const put = (of: string, value: unknown) => (digests[of] = digestOf(value));
  put("totals", plan.totals);
  put("advice", plan.advice);
  put("looks", plan.looks);
  put("places", plan.places);
  for (const { coat, resin: _resin, batched, windows, ...rest } of plan.coats) {
    put(`${coat.name}: batches`, batched?.batches);
    put(`${coat.name}: losses`, { ...batched, batches: undefined });
    put(`${coat.name}: windows`, windows);
    put(`${coat.name}: rest`, rest);
    put(`${coat.name}: where`, whereWords(coat, plan.pieces));
  }
  for (const startMin of [7 * 60, 15 * 60, 22 * 60]) {
    const { coats, troubles } = planDays(windowCoatsOf(plan), startMin, settingsOf(document, null));
    put(`days from ${startMin}`, [troubles, coats.map(({ windows }) => windows)]);
  }
  put("run sheet", metric);
  put("run sheet, us", us);
  put("sheet of the pour", now);
  put(
    "acts",
    metric.map((step) => actPicture(plan, document, step, metric, nothing)),
  );
  put(
    "acts of the pour",
    now.map((step) => actPicture(plan, document, step, now, state)),
  );
  put("what came of it", comparePour(plan, now, state, "metric"));
  put("lots", lotsTold(now, state));
  put(
    "days of the pour",
    pouredDays({ plan, document, planned: metric, state }, minuteOf).coats.map(
      ({ of: _of, ...rest }) => rest,
    ),
  );
  return {
    name,
    digests,
    told: [
      ...plan.advice.map(({ kind, what, soWhat, why }) => `${kind}: ${what} ${soWhat} ${why}`),
      ...metric.map(({ atMin, title, detail }) => `${Math.round(atMin)} ${title} | ${detail}`),
    ],
  };
}
