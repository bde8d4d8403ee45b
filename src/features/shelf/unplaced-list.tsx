"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { placeWeighed } from "@/contracts/shelf";
import { codeText } from "@/core/pour/lot-code";
import type { Unplaced } from "@/core/shelf/booking";
import type { ShelfItem } from "@/core/shelf/item";
import type { Lot } from "@/core/shelf/lot";
import { amountText } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { SelectField } from "@/ui/text-field";

/** What was weighed at pours and is in no lot's book, each with the lots that it may have come from. */
export function UnplacedList({
  unplaced,
  items,
  lots,
  system,
}: {
  unplaced: readonly (Unplaced & { jobName: string })[];
  items: readonly ShelfItem[];
  lots: readonly Lot[];
  system: UnitSystem;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  if (unplaced.length === 0) return null;
  const place = async (lotId: string, { from }: Unplaced) => {
    const result = await callAct(placeWeighed, { lotId, from });
    setProblem(result.ok ? null : result.error.message);
    if (result.ok) router.refresh();
  };
  return (
    <section aria-label="From which lot?" className="border-l-[3px] border-danger pl-3 my-3">
      <h2 className="heading">From which lot?</h2>
      {problem && (
        <p role="alert" className="text-danger">
          {problem}
        </p>
      )}
      <ul>
        {unplaced.map((one) => {
          const item = items.find(({ id }) => id === one.itemId);
          if (!item) return null;
          const { grams, part, lot } = one.weighed;
          return (
            <li
              key={`${one.from.pourId} ${one.from.stepId} ${one.from.line}`}
              className="py-1.5 flex gap-3 items-end"
            >
              <span className="flex-1">
                {amountText(item.kind, grams, system)} of {item.name}
                {part === "whole" ? "" : `, ${part}`}, at {one.jobName}
                {lot === null
                  ? "; no lot was said and none in date was there"
                  : `; lot ${lot} is not on the shelf`}
              </span>
              <SelectField
                label="Lot"
                hideLabel
                value=""
                frame="w-28"
                onChange={({ target }) => void place(target.value, one)}
              >
                <option value="">lot…</option>
                {lots
                  .filter(({ itemId }) => itemId === item.id)
                  .map(({ id, code }) => (
                    <option key={id} value={id}>
                      {codeText(code)}
                    </option>
                  ))}
              </SelectField>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
