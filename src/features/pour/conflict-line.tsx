"use client";

import { conflictWords, type Side } from "@/core/pour/conflict-words";
import type { Conflict, PourEvent } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { useShopClock } from "@/ui/shop-clock";
import type { Act } from "./pour-store";

/** The same said anew, so that it counts. */
function again(event: PourEvent, { first, second }: Conflict): Act | null {
  // Against a coat left out stands an act of it: what is chosen is whether the coat is poured.
  const drop = [first, second].find(({ kind }) => kind === "drop-coat");
  if (drop?.kind === "drop-coat")
    return event === drop
      ? { kind: "drop-coat", coatId: drop.coatId, why: drop.why }
      : { kind: "bring-coat", coatId: drop.coatId };
  switch (event.kind) {
    case "weighed":
      return { kind: "weighed", stepId: event.stepId, line: event.line, grams: event.grams };
    case "tick":
      return { kind: "tick", stepId: event.stepId, ...(event.last && { last: true }) };
    case "skip":
      return { kind: "skip", stepId: event.stepId, why: event.why };
    case "untick":
      return { kind: "untick", stepId: event.stepId };
    default:
      return null;
  }
}

/** Two screens have recorded different things, neither knowing of the other: both are shown, and one is chosen. */
export function ConflictLine({
  conflict,
  steps,
  record,
}: {
  conflict: Conflict;
  steps: readonly RunStep[];
  record: (act: Act) => Promise<void>;
}) {
  const { say } = useShopClock();
  const { on, sides } = conflictWords(conflict, steps);
  const choose = ({ event }: Side) => {
    const act = again(event, conflict);
    if (act) void record(act);
  };
  return (
    <div
      role="alert"
      className="bg-night-ink text-night px-8 max-md:px-4 py-2.5 flex items-center gap-4 flex-wrap"
    >
      <p className="text-lg leading-tight flex-1 min-w-64">
        <span className="heading">Two screens differ: {on}.</span> Which one counts?
      </p>
      {sides.map((side) => (
        <button
          key={side.event.id}
          type="button"
          onClick={() => choose(side)}
          className="border border-night min-h-14 px-5 text-left leading-tight"
        >
          <span className="heading text-xl">{side.says}</span>
          <span className="block text-sm">
            {side.by}, {say(side.at, "HH:mm")}
          </span>
        </button>
      ))}
    </div>
  );
}
