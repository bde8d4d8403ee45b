"use client";

import { quantityText, trimmed } from "@/core/units/format-quantity";
import { HourField } from "@/ui/hour-field";
import { useJob } from "../workspace/use-job";
import { useClockWords } from "@/ui/shop-clock";

/** What to mix when: all batches of all coats on one clock. */
export function Timetable() {
  const { clockText } = useClockWords();
  const { plan, system, document, change } = useJob();
  const rows = plan.coats.flatMap((planned) =>
    (planned.windows?.batches ?? []).map((times) => ({
      key: `${planned.coat.id}-${times.number}`,
      name: planned.coat.name,
      of:
        (planned.batched?.batches.length ?? 1) > 1
          ? `batch ${times.number} of ${planned.batched?.batches.length}`
          : "",
      ml: planned.batched?.batches[times.number - 1]?.parts.mixMl ?? 0,
      wait: times.number === 1 ? (planned.windows?.waitMin ?? null) : null,
      ...times,
    })),
  );
  if (rows.length === 0) return null;
  const hours = (minutes: number) => trimmed(minutes / 60, minutes < 600 ? 1 : 0);
  return (
    <div className="mt-5">
      <div className="flex items-end gap-4 mb-1">
        <h3 className="heading flex-1">What to mix when</h3>
        <HourField
          label="First mix"
          value={document.work.startMin}
          onChange={(startMin) => change((job) => ({ ...job, work: { ...job.work, startMin } }))}
        />
      </div>
      <table className="w-full text-sm">
        <thead>
          <tr className="label text-left">
            <th className="font-normal py-1 w-28">Mix</th>
            <th className="font-normal">Coat</th>
            <th className="font-normal text-right">Volume</th>
            <th className="font-normal text-right w-28">Pour</th>
            <th className="font-normal text-right w-28">Worked by</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="border-t border-line align-baseline">
              <td className="figure py-1.5">{clockText(row.mixAtMin)}</td>
              <td>
                {row.name} <span className="text-ink-soft">{row.of}</span>
                {row.wait && (
                  <span className="label block">
                    waits for the coat below: {hours(row.wait.low)} to {hours(row.wait.high)} h after its pour
                  </span>
                )}
              </td>
              <td className="figure text-right">{quantityText(row.ml, "volume", system)}</td>
              <td className="figure text-right">{clockText(row.pourAtMin)}</td>
              <td className="figure text-right">{clockText(row.doneAtMin)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
