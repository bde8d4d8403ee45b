"use client";

import { durationWords } from "@/core/units/duration";
import type { WetCoat } from "./use-inspected";

/** How long what lies there can still be mended. */
export function MendLine({ wet }: { wet: WetCoat | null }) {
  if (!wet) return <span className="text-ink-soft">Nothing of it is wet any more.</span>;
  const { levels, touch } = wet.mend;
  const minutes = (min: number) => durationWords(Math.max(1, Math.round(min)));
  const [words, spread] =
    levels.likely > 0
      ? ([`${wet.name} can be brushed and fed for`, levels] as const)
      : ([`${wet.name} can be touched with a tip for`, touch] as const);
  return (
    <span>
      {words}{" "}
      <span className="figure text-xl text-signal whitespace-nowrap">
        {spread.likely > 0 ? minutes(spread.likely) : "a moment"}
      </span>{" "}
      <span className="text-ink-soft">
        ({spread.low > 0 ? minutes(spread.low) : "0"} to {minutes(spread.high)})
      </span>
    </span>
  );
}
