"use client";

import { useState } from "react";
import { codeText } from "@/core/pour/lot-code";
import type { ShelfItem } from "@/core/shelf/item";
import type { Lot, PourNamed } from "@/core/shelf/lot";
import { lotState, type HistoryLine } from "@/core/shelf/stock";
import { amountText, entryWords } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { useShopClock } from "@/ui/shop-clock";
import { CorrectForm } from "./correct-form";

/** All that happened to a lot, the latest first; corrected entries show what they were. */
export function LotBook({
  item,
  lot,
  pours,
  system,
}: {
  item: ShelfItem;
  lot: Lot;
  pours: readonly PourNamed[];
  system: UnitSystem;
}) {
  const { say } = useShopClock();
  const [correcting, setCorrecting] = useState<HistoryLine | null>(null);
  const amount = (value: number) => amountText(item.kind, value, system);
  const lines = [...lotState(lot).history].reverse();
  return (
    <div className="mt-2 pl-[5.5rem] max-sm:pl-0 overflow-x-auto">
      <table aria-label={`Book of ${codeText(lot.code)}`} className="w-full text-sm">
        <tbody>
          {lines.map((line) => {
            const { entry, changed, corrections, replaced } = line;
            const from = entry.kind === "took" ? entry.from : undefined;
            const pour = from && pours.find(({ pourId }) => pourId === from.pourId);
            const part = "part" in entry && entry.part !== "whole" ? entry.part : "";
            return (
              <tr
                key={entry.id}
                className={classNames(
                  "border-t border-line align-baseline",
                  replaced && "text-ink-soft line-through",
                )}
              >
                <td className="py-1.5 pr-4 label whitespace-nowrap">{say(entry.at, "d MMM yyyy HH:mm")}</td>
                <td className="pr-4">
                  {entryWords(entry, pour?.jobName ?? null)}
                  {corrections.map(({ at, by, was, why }) => (
                    <span key={at} className="block text-ink-soft">
                      it was {amount(was)}; corrected by {by}, {say(at, "d MMM HH:mm")}: {why}
                    </span>
                  ))}
                </td>
                <td className="pr-4">{part}</td>
                <td className="figure text-right whitespace-nowrap pr-4">
                  {changed === null ? "" : `${changed < 0 ? "−" : "+"}${amount(Math.abs(changed))}`}
                </td>
                <td className="pr-4 text-ink-soft">{entry.by}</td>
                <td className="text-right">
                  {line.amount !== null && !replaced && (
                    <Button weight="quiet" onClick={() => setCorrecting(line)}>
                      correct
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {correcting && (
        <CorrectForm
          item={item}
          lot={lot}
          line={correcting}
          system={system}
          onClose={() => setCorrecting(null)}
        />
      )}
    </div>
  );
}
