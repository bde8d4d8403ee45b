"use client";

import { useMemo } from "react";
import type { Pours } from "@/contracts/pours";
import { received, type Sent } from "@/contracts/sent";
import { USUAL_COMB_MM } from "@/core/inspect/combs";
import type { UnitSystem } from "@/core/units/dimension";
import { LostPours } from "@/ui/lost-pours";
import { InspectedPour } from "./inspected-pour";
import type { JobSide } from "./next-time";
import type { Approved } from "./photo-panel";

/** The poured piece, looked at: wet, while it can be mended, and cured. */
export function InspectView({
  shown,
  shownId,
  jobId,
  combMm,
  system,
  job,
  approved,
}: {
  shown: Sent<Pours>;
  shownId: string | null;
  jobId: string;
  /** Teeth of the shop's comb; null for those that are usual. */
  combMm: readonly number[] | null;
  system: UnitSystem;
  job: JobSide;
  /** What the client approved, to be held beside a photo. */
  approved: Approved;
}) {
  const { pours, unreadable, more } = useMemo(() => received(shown), [shown]);
  const pour = pours.find(({ id }) => id === shownId) ?? pours[0];
  if (!pour)
    return (
      <main className="flex-1 px-7 py-8">
        <LostPours unreadable={unreadable} more={more} />
        <p className="heading text-xl mb-1">Nothing poured yet.</p>
        <p className="text-ink-soft">
          When something lies on the piece, you walk round it here, put the comb in, and find out what went
          wrong.
        </p>
      </main>
    );
  return (
    <InspectedPour
      key={pour.id}
      pour={pour}
      pours={pours}
      jobId={jobId}
      teethMm={combMm ?? USUAL_COMB_MM[system]}
      system={system}
      job={job}
      approved={approved}
    />
  );
}
