"use client";

import Link from "next/link";
import type { Pour } from "@/contracts/pours";
import { quantityText } from "@/core/units/format-quantity";
import { classNames } from "@/ui/class-names";
import type { UnitSystem } from "@/core/units/dimension";
import type { RunStep } from "@/core/pour/run-sheet";

/** Which pour this is, how its room is, its acts and this screen, and whether all of it is on the server. */
export function PourHead({
  pour,
  step,
  finished,
  room,
  system,
  onDevice,
  onActs,
  onCallOff,
  heard,
  waiting,
  trouble,
}: {
  pour: Pour;
  step: RunStep | null;
  finished: boolean;
  /** How the room is, where anything says so. */
  room: { tempC: number; humidityPct: number | null } | null;
  system: UnitSystem;
  onDevice: () => void;
  onActs: () => void;
  onCallOff: () => void;
  /** What another screen just did. */
  heard: string | null;
  waiting: number;
  trouble: string | null;
}) {
  return (
    <header className="flex items-center gap-5 px-8 min-h-[52px] border-b border-night-line text-night-soft max-md:px-4 max-md:gap-3.5">
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
      {room && (
        <span className="whitespace-nowrap max-md:hidden">
          room {quantityText(room.tempC, "temperature", system)}
          {room.humidityPct !== null && ` ${Math.round(room.humidityPct)} %`}
        </span>
      )}
      {!finished && (
        <>
          <button type="button" onClick={onActs} className="underline underline-offset-4 whitespace-nowrap">
            all acts
          </button>
          <button type="button" onClick={onDevice} className="underline underline-offset-4 whitespace-nowrap">
            this screen
          </button>
        </>
      )}
      {!finished && (
        <button
          type="button"
          onClick={onCallOff}
          className="underline underline-offset-4 whitespace-nowrap max-md:hidden"
        >
          call it off
        </button>
      )}
      {/* On a phone only what is not right is said. */}
      <span
        role="status"
        className={classNames(trouble && "text-danger-night", waiting === 0 && "max-md:hidden")}
        title={trouble ?? undefined}
      >
        {waiting > 0 ? (
          <>
            {waiting} kept here<span className="max-md:hidden">, not on the server yet</span>
          </>
        ) : (
          "saved here and on the server"
        )}
      </span>
    </header>
  );
}
