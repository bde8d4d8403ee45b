"use client";

import type { Coat } from "@/core/schedule/coat";
import { START_WORDS } from "@/core/schedule/coat";
import type { PlannedCoat } from "@/core/plan/timed";
import { PASS } from "@/core/passes/facts";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText, rangeText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Figure } from "@/ui/figure";
import { useClockWords } from "@/ui/shop-clock";

/** What a repair comes to as a coat of the job: its acts, its batch, its windows; then it is taken over. */
export function RepairDialog({
  coat,
  planned,
  words,
  system,
  onClose,
  onTake,
}: {
  coat: Coat;
  /** The coat as the plan has it then. */
  planned: PlannedCoat | null;
  /** What to do now, as the table says. */
  words: string;
  system: UnitSystem;
  onClose: () => void;
  onTake: () => void;
}) {
  const { hourText } = useClockWords();
  const batched = planned?.batched ?? null;
  return (
    <Dialog open onClose={onClose} title={coat.name}>
      <p className="-mt-2 mb-4">{words}</p>
      {batched ? (
        <div className="flex gap-8 mb-4">
          <div>
            <div className="label">mixed</div>
            <Figure value={batched.mixMl.likely} dimension="volume" system={system} size="large" />
            <div className="label">{rangeText(batched.mixMl, "volume", system)}</div>
          </div>
          <div>
            <div className="label">film</div>
            <div className="figure text-3xl leading-none">{quantityText(coat.filmMm, "film", system)}</div>
            <div className="label">
              {coat.coverShare >= 1
                ? "all over"
                : `${Math.max(1, Math.round(coat.coverShare * 100))} % of it, where the fault is`}
            </div>
          </div>
        </div>
      ) : (
        <p className="border-l-2 border-danger text-danger pl-2 mb-4">
          {planned?.problem ?? "It cannot be planned yet."}
        </p>
      )}
      <p className="label mb-1">{START_WORDS[coat.startsAfter]}</p>
      <ol className="border-t border-ink mb-4">
        {coat.passes.map((pass) => {
          const window = planned?.windows?.windows.find((one) => one.pass.id === pass.id);
          return (
            <li key={pass.id} className="border-b border-line py-1.5 flex gap-3">
              <span className="flex-1">
                {PASS[pass.kind].words}
                {pass.note && <span className="label block">{pass.note}</span>}
              </span>
              {window && <span className="figure text-ink-soft">{hourText(window.atMin)}</span>}
            </li>
          );
        })}
      </ol>
      {coat.passes.some(({ kind }) => kind === "sand") && (
        <p className="text-sm text-ink-soft mb-4">{PASS.sand.caution}</p>
      )}
      <div className="flex gap-3">
        <Button weight="primary" onClick={onTake}>
          Add it to this job
        </Button>
        <Button onClick={onClose}>Not now</Button>
      </div>
      <p className="label mt-3">
        It stands in Build, and can be changed there. What is poured already is left out of its pour.
      </p>
    </Dialog>
  );
}
