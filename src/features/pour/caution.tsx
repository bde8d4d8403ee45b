"use client";

import { FLASH_OFF_MIN } from "@/core/schedule/pass";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";

/** m:ss or h:mm:ss. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return h > 0
    ? `${h}:${String(m).padStart(2, "0")}:${String(s).padStart(2, "0")}`
    : `${m}:${String(s).padStart(2, "0")}`;
}

/** Seconds until a flame is allowed after the last vapour of the pour; 0 when it is. */
export function flameShutS(steps: readonly RunStep[], state: PourState, now: number): number {
  const last = steps
    .filter((step) => step.vapour)
    .flatMap((step) => state.doneAt.get(step.id) ?? [])
    .sort()
    .pop();
  return last ? Math.max(0, FLASH_OFF_MIN * 60 - (now - Date.parse(last)) / 1000) : 0;
}

/** What can hurt at a step; while vapour hangs in the air, how long a flame stays shut. */
export function Caution({ step, shutS }: { step: RunStep; shutS: number }) {
  if (step.flame && shutS > 0)
    return (
      <div role="alert" className="border-l-4 border-danger-night pl-4 mt-6 max-md:mt-0 max-md:mb-4">
        <p className="heading text-2xl text-danger-night">Flame is shut</p>
        <p className="figure text-4xl text-danger-night">{clock(shutS)}</p>
        <p className="text-lg leading-snug mt-1">
          Vapour burns. It opens {FLASH_OFF_MIN} minutes after the last drop. Air the room.
        </p>
      </div>
    );
  return (
    step.caution && (
      <div className="border-l-4 border-danger-night pl-4 mt-6 max-md:mt-0 max-md:mb-4">
        <p className="text-lg leading-snug">{step.caution}</p>
      </div>
    )
  );
}
