"use client";

import { useMemo } from "react";
import { heldNow } from "@/core/pour/held-now";
import type { PourState } from "@/core/pour/pour-events";
import type { Plan } from "@/core/plan/derive-plan";
import type { PlannedCoat } from "@/core/plan/timed";
import { durationWords } from "@/core/units/duration";
import { quantityText } from "@/core/units/format-quantity";
import type { UnitSystem } from "@/core/units/dimension";

/** What was held back of a coat, how much, and how long it can still be used; counted down by the minute. */
export function HeldLine({
  coat,
  plan,
  state,
  minute,
  roomC,
  system,
}: {
  coat: PlannedCoat;
  plan: Plan;
  state: PourState;
  /** Now, min. */
  minute: number;
  roomC: number;
  system: UnitSystem;
}) {
  const held = useMemo(
    () => heldNow(coat, plan.atHand, state, minute * 60_000, roomC),
    [coat, plan.atHand, state, minute, roomC],
  );
  const [first] = held;
  if (!first) return null;
  const shortest = held.reduce(
    (least, one) => (one.leftMin.likely < least.leftMin.likely ? one : least),
    first,
  );
  const { low, likely, high } = shortest.leftMin;
  const minutes = (min: number) => Math.max(0, Math.round(min));
  return (
    <p className="text-lg text-night-soft mt-1 leading-tight">
      Held back:{" "}
      {held.map(({ name, ml }) => `${name.toLowerCase()} ${quantityText(ml, "volume", system)}`).join(", ")};{" "}
      {likely > 0
        ? `usable for ${durationWords(Math.max(1, minutes(likely)))} (${minutes(low)} to ${minutes(high)} min)`
        : "thick by now: look before you use it"}
    </p>
  );
}
