"use client";

import Link from "next/link";
import type { Pour } from "@/contracts/pours";
import type { RunStep } from "@/core/pour/run-sheet";

/** Which pour this is, whether it rings, and whether all of it is on the server. */
export function PourHead({
  pour,
  step,
  finished,
  quiet,
  onRing,
  onCallOff,
  heard,
  waiting,
  trouble,
}: {
  pour: Pour;
  step: RunStep | null;
  finished: boolean;
  quiet: boolean;
  onRing: () => void;
  onCallOff: () => void;
  /** What another screen just did. */
  heard: string | null;
  waiting: number;
  trouble: string | null;
}) {
  return (
    <header className="flex items-center gap-5 px-8 h-[52px] border-b border-night-line text-night-soft max-md:px-4">
      <Link
        href={`/jobs/${pour.jobId}/pour`}
        className="heading text-night-ink text-lg"
        style={{ fontStretch: "118%" }}
      >
        Gaugebeam
      </Link>
      <span className="truncate flex-1">
        {pour.jobName}
        {step && `, ${step.coatName}${step.batch ? `, batch ${step.batch}` : ""}`}
      </span>
      <span role="status" className="text-signal-night truncate max-w-[40ch] max-md:hidden">
        {heard}
      </span>
      {!finished && (
        <button
          type="button"
          aria-pressed={!quiet}
          onClick={onRing}
          className="underline underline-offset-4 whitespace-nowrap"
        >
          {quiet ? (
            "quiet"
          ) : (
            <>
              rings<span className="max-md:hidden"> when due</span>
            </>
          )}
        </button>
      )}
      {!finished && (
        <button type="button" onClick={onCallOff} className="underline underline-offset-4 whitespace-nowrap">
          call it off
        </button>
      )}
      <span role="status" className={trouble ? "text-danger-night" : ""} title={trouble ?? undefined}>
        {waiting > 0 ? (
          `${waiting} kept here, not on the server yet`
        ) : (
          <>
            saved<span className="max-md:hidden"> here and on the server</span>
          </>
        )}
      </span>
    </header>
  );
}
