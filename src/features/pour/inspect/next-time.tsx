"use client";

import type { PlannedCoat } from "@/core/plan/timed";
import type { Coat } from "@/core/schedule/coat";

/** What Inspect asks of the job that the pour belongs to. */
export type JobSide = {
  /** What is on its list of what to change. */
  nextTime: readonly string[];
  keepNextTime: (text: string) => void;
  dropNextTime: (text: string) => void;
  /** A coat as the job's plan would have it as its last. */
  planWith: (coat: Coat) => PlannedCoat | null;
  addCoat: (coat: Coat) => void;
};

/** The job's list of what to change: it goes into the next version of its recipe. */
export function NextTime({ job }: { job: JobSide }) {
  if (job.nextTime.length === 0) return null;
  return (
    <section aria-label="What to change" className="mt-6">
      <h2 className="heading text-lg mb-1">What to change</h2>
      <ul className="border-t border-ink">
        {job.nextTime.map((text) => (
          <li key={text} className="border-b border-line py-1.5 flex gap-3 justify-between items-baseline">
            <span>{text}</span>
            <button
              type="button"
              aria-label={`Take off the list: ${text}`}
              onClick={() => job.dropNextTime(text)}
              className="underline underline-offset-4 decoration-line-strong hover:decoration-ink text-sm min-h-8"
            >
              take off
            </button>
          </li>
        ))}
      </ul>
      <p className="label mt-1">
        It stands ready when these coats are kept as the next version of the recipe.
      </p>
    </section>
  );
}
