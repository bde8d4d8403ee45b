"use client";

import { useJob, useJobState } from "@/features/job/workspace/use-job";
import { StartView, type KnownPour } from "@/features/pour/start-view";

/** Starts a pour from the job as it stands in this tab: what was typed last is saved first. */
export function StartFromJob({ jobId, pours }: { jobId: string; pours: KnownPour[] }) {
  const { plan, system } = useJob();
  const savedRevision = useJobState((state) => state.savedRevision);
  return <StartView jobId={jobId} plan={plan} system={system} pours={pours} savedRevision={savedRevision} />;
}
