"use client";

import type { BatchedCoat } from "@/core/batch/batch-coat";
import { filledBy, leftoverMl } from "@/core/batch/leftovers";
import { quantityText, rangeText } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";

/** What is left when the coat lies, and which small things it fills. */
export function Leftovers({ batched }: { batched: BatchedCoat }) {
  const { system } = useJob();
  const left = leftoverMl(batched);
  if (left.likely < 1) return null;
  const { fills } = filledBy(left.likely);
  return (
    <div className="mt-4 text-sm">
      <div className="label">Left at the end, if nothing goes wrong</div>
      <div>
        <span className="figure text-lg">{quantityText(left.likely, "volume", system)}</span>
        <span className="label ml-2">{rangeText(left, "volume", system)}</span>
      </div>
      {fills.length > 0 && (
        <p className="label">
          fills {fills.map(({ thing, count }) => `${count} × ${thing.name}`).join("; ")}. Spread the rest out
          thin: never close a hot cup.
        </p>
      )}
    </div>
  );
}
