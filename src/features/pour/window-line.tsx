"use client";

import { windowAdvice, windowWords, type WindowNow } from "@/core/pour/window-now";
import type { PotNow } from "@/core/pour/pot-now";
import type { PassKind } from "@/core/passes/facts";
import { durationWords } from "@/core/units/duration";
import { classNames } from "@/ui/class-names";

/** Where an act stands in its window, and what is still possible where it is not right. */
export function WindowLine({
  kind,
  at,
  wider,
}: {
  kind: PassKind;
  at: WindowNow;
  /** How much wider veins laid now would end, in words; null where they would not. */
  wider: string | null;
}) {
  const words = windowWords(at);
  if (!words) return null;
  const advice = at.state === "early" && wider ? wider : windowAdvice(kind, at);
  const isLate = at.state === "closed";
  return (
    <div
      role="status"
      className={classNames(
        "border-l-4 pl-4 mt-4 text-xl leading-snug max-w-[48ch]",
        isLate ? "border-danger-night" : at.state === "right" ? "border-night-line" : "border-signal-night",
      )}
    >
      <span className={isLate ? "text-danger-night" : ""}>{words}</span>{" "}
      {advice && <span className="text-night-soft">{advice}</span>}
    </div>
  );
}

/** A mix that will soon be too hot for its pot. */
export function PotLine({ pot: { coatName, batch, leftMin } }: { pot: PotNow }) {
  const over = leftMin.likely <= 0;
  const [low, high] = [Math.max(0, Math.round(leftMin.low)), Math.max(0, Math.round(leftMin.high))];
  return (
    <div
      role="alert"
      className="bg-danger-night text-night px-8 py-2 text-xl flex gap-4 items-baseline flex-wrap"
    >
      <span className="heading">
        {over
          ? "The pot is hot"
          : `The pot grows hot in ${durationWords(Math.max(1, Math.round(leftMin.likely)))}`}
        {!over && low !== high && ` (${low} to ${high} min)`}
      </span>
      <span>
        {coatName}, batch {batch}.{" "}
        {over
          ? "Do not pour it. Gloves on, carry it outside, away from what burns, and keep out of its fumes."
          : "Pour it out on the piece now, or spread it wide and shallow."}
      </span>
    </div>
  );
}
