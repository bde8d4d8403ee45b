"use client";

import { POURED_BEFORE } from "@/core/pour/poured-before";
import { usedCards } from "@/core/job/used-cards";
import type { Zone } from "@/core/shop/wall-clock";
import type { ClockStyle } from "@/core/units/clock";
import { useJob, useJobState } from "@/features/job/workspace/use-job";
import { StartView, type KnownPour } from "@/features/pour/start-view";
import { putBegun, putWaiting } from "@/offline/outbox";

type Props = {
  jobId: string;
  pours: KnownPour[];
  /** Coats that lie there already. */
  poured: string[];
  /** Who starts it, and who works in the shop. */
  me: string;
  people: string[];
  zone: Zone;
  clock: ClockStyle;
};

/** Starts a pour from the job as it stands in this tab: what was typed last is saved first, or goes with it where there is no server. */
export function StartFromJob({ jobId, pours, poured, me, people, zone, clock }: Props) {
  const { document, plan, cards, colours, system } = useJob();
  const savedRevision = useJobState((state) => state.savedRevision);
  const revision = useJobState((state) => state.revision);
  const jobName = useJobState((state) => state.job.name);
  const beginHere = async (id: string, leaveOut: readonly string[]): Promise<void> => {
    const pour = {
      id,
      jobId,
      jobName,
      jobRevision: revision,
      startedAt: new Date().toISOString(),
      startedBy: me,
      finishedAt: null,
      plan: { document, ...usedCards(document, cards, colours) },
      events: [],
    };
    await putBegun({ pour, people, system, zone, clock });
    for (const coatId of leaveOut)
      await putWaiting(id, {
        id: crypto.randomUUID(),
        at: pour.startedAt,
        kind: "drop-coat",
        coatId,
        why: POURED_BEFORE,
        over: null,
      });
  };
  return (
    <StartView
      jobId={jobId}
      plan={plan}
      system={system}
      pours={pours}
      poured={poured}
      savedRevision={savedRevision}
      beginHere={beginHere}
    />
  );
}
