import { readFileSync } from "node:fs";
import { join } from "node:path";
import { approvedPlan, type ApprovedJobs, type ApprovedPlan } from "./testing/approved";

/**
 * Whole plans as they were approved: nothing a finisher goes by changes without being seen. Where a change is meant, `npm run approve` writes them anew;
 * look at what moved in the diff before it is kept. They say that nothing changed, not that it is right: the tests beside them do.
 */
const read = (name: string): unknown =>
  JSON.parse(readFileSync(join(process.cwd(), "src/core/pour/testing/approved", name), "utf8"));
const jobs = read("jobs.json") as ApprovedJobs;
const plans = read("plans.json") as ApprovedPlan[];

/** Sums may differ by what rounding of an exponential does between machines. */
const NEAR = 1e-8;

test.each(jobs.jobs.map((job, index) => [job.name, job, index] as const))(
  "%s is planned as it was",
  (_, job, index) => {
    const [now, was] = [approvedPlan(jobs, job), plans[index]!];
    expect(now.told).toEqual(was.told);
    expect(Object.keys(now.digests)).toEqual(Object.keys(was.digests));
    for (const [of, { numbers, sum, turned, words }] of Object.entries(was.digests)) {
      const found = now.digests[of]!;
      expect([of, found.numbers, found.words]).toEqual([of, numbers, words]);
      for (const [a, b] of [
        [found.sum, sum],
        [found.turned, turned],
      ] as const)
        expect([of, Math.abs(a - b) <= NEAR * Math.max(1, Math.abs(b))]).toEqual([of, true]);
    }
  },
);
