"use client";

import { useMemo } from "react";
import type { Pours } from "@/contracts/pours";
import type { Sent } from "@/contracts/sent";
import { derivePlan } from "@/core/plan/derive-plan";
import { useJob } from "@/features/job/workspace/use-job";
import { ApprovedBeside } from "@/features/recipes/approved-beside";
import { InspectView } from "@/features/pour/inspect/inspect-view";
import type { JobSide } from "@/features/pour/inspect/next-time";

/** So many things to change a job keeps. */
const MOST_TO_CHANGE = 40;

/** A pour of this job, looked at; what comes of it goes into the job as it stands in this tab. */
export function InspectOfJob(props: {
  jobId: string;
  shown: Sent<Pours>;
  shownId: string | null;
  combMm: readonly number[] | null;
}) {
  const { document, cards, colours, system, change } = useJob();
  const job = useMemo((): JobSide => {
    const nextTime = document.nextTime ?? [];
    const keep = (list: readonly string[]) => change((before) => ({ ...before, nextTime: [...list] }));
    return {
      nextTime,
      keepNextTime: (text) => {
        if (!nextTime.includes(text)) keep([...nextTime, text.slice(0, 400)].slice(-MOST_TO_CHANGE));
      },
      dropNextTime: (text) => keep(nextTime.filter((one) => one !== text)),
      planWith: (coat) =>
        derivePlan({ ...document, coats: [...document.coats, coat] }, cards, colours).coats.at(-1) ?? null,
      addCoat: (coat) => change((before) => ({ ...before, coats: [...before.coats, coat] })),
    };
  }, [document, cards, colours, change]);
  const versionId = document.recipe?.versionId;
  return (
    <InspectView
      {...props}
      system={system}
      job={job}
      approved={versionId ? (onRead) => <ApprovedBeside versionId={versionId} onRead={onRead} /> : null}
    />
  );
}
