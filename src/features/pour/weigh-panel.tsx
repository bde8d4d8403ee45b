"use client";

import { useId, useState, type ReactNode } from "react";
import type { WeighOut } from "@/core/batch/weigh-out";
import type { ResinCard } from "@/core/cure/resin-card";
import { lotWords } from "@/core/pour/lots";
import { partWords } from "@/core/pour/which-part";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { verdictWords } from "@/core/pour/verdict-words";
import { weighKey, type WeighLine } from "@/core/pour/weigh-lines";
import { quantityText, trimmed } from "@/core/units/format-quantity";
import { parseQuantity } from "@/core/units/parse-quantity";
import type { UnitSystem } from "@/core/units/dimension";
import { classNames } from "@/ui/class-names";
import { LotField } from "./lot-field";
import type { Act } from "./pour-store";

type Props = {
  step: RunStep;
  steps: readonly RunStep[];
  /** The card of what is weighed; null where it is gone. */
  resin: ResinCard | null;
  state: PourState;
  /** What is to be done about what was weighed; null where the card is gone. */
  out: WeighOut | null;
  tolerancePct: number;
  system: UnitSystem;
  record: (act: Act) => Promise<void>;
  /** The scale that is read, where one is. */
  scale: ReactNode;
};

/**
 * What goes on the scale: the target large, and a field for what the scale showed. Left empty it counts as the target. A volume that is typed is weighed by
 * its part's density, or tells whether what was weighed is that part.
 */
export function WeighPanel({ step, steps, state, out, resin, tolerancePct, system, record, scale }: Props) {
  const actual = (line: string) => state.weighed.get(weighKey(step.id, line));
  return (
    <div className="mt-4 max-w-3xl">
      {scale}
      <ol>
        {step.weigh.map((line) => (
          <WeighRow
            key={line.line}
            line={line}
            compact={Boolean(scale)}
            actual={actual(line.line)}
            resin={resin}
            lot={state.lots.get(weighKey(step.id, line.line))}
            wrongLot={(lot) => lotWords(lot, line, steps, state)}
            onLot={(lot) => void record({ kind: "lot", stepId: step.id, line: line.line, lot })}
            system={system}
            onWeighed={(value) =>
              void record({ kind: "weighed", stepId: step.id, line: line.line, grams: value })
            }
          />
        ))}
      </ol>
      {out?.verdicts.map((verdict) => (
        <p
          key={`${verdict.kind}-${"mix" in verdict ? verdict.mix : ""}`}
          role="status"
          className={`border-l-4 pl-4 mt-4 text-xl ${verdict.kind === "add" && verdict.poured ? "border-danger-night text-danger-night" : "border-night-ink"}`}
        >
          {verdictWords(verdict, tolerancePct, system)}
        </p>
      ))}
    </div>
  );
}

function WeighRow({
  line,
  compact,
  actual,
  resin,
  lot,
  wrongLot,
  onLot,
  system,
  onWeighed,
}: {
  line: WeighLine;
  /** The scale has most of the room. */
  compact: boolean;
  actual: number | undefined;
  resin: ResinCard | null;
  lot: string | undefined;
  /** What is wrong with a lot on this line; null where nothing is. */
  wrongLot: (lot: string) => string | null;
  onLot: (lot: string) => void;
  system: UnitSystem;
  onWeighed: (grams: number) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    if (typed === null || typed.trim() === "") return;
    const parsed = parseQuantity(typed, "mass", system, { min: 0, max: 1e6 }, "g");
    const { thing } = line;
    const part = thing.kind === "part" && thing.part !== "C" ? thing.part : null;
    const volume = !parsed.ok && part ? parseQuantity(typed, "volume", system, { min: 0, max: 1e6 }) : null;
    if (volume?.ok && part && resin) {
      // Weighed already, it tells which bottle it was; else it is weighed by its density.
      const wrong = actual === undefined ? null : partWords(part, actual, volume.value, resin);
      setError(wrong);
      if (wrong) return;
      setTyped(null);
      const density = part === "A" ? resin.densityAGPerMl : resin.densityBGPerMl;
      if (actual === undefined) onWeighed(Number((volume.value * density).toFixed(1)));
      return;
    }
    if (!parsed.ok) {
      setError(parsed.message);
      return;
    }
    setError(null);
    setTyped(null);
    if (parsed.value !== actual) onWeighed(parsed.value);
  };
  return (
    <li className={classNames("border-b border-night-line", compact ? "py-1" : "py-2")}>
      <div className="flex items-center gap-5 flex-wrap">
        <label htmlFor={id} className="flex-1 text-xl leading-tight min-w-40">
          {line.label}
          {line.thing.kind === "part" && line.ml !== null && (
            <span className="block text-base text-night-soft">{quantityText(line.ml, "volume", system)}</span>
          )}
          {line.count && !line.count.endsWith(" g") && (
            <span className="block text-base text-night-soft">{line.count}</span>
          )}
          {line.how && <span className="block text-base text-night-soft max-w-[52ch]">{line.how}</span>}
          {Math.abs(line.grams - line.plannedGrams) > 0.0005 * line.plannedGrams && (
            <span className="block text-base text-night-soft">planned {trimmed(line.plannedGrams, 1)} g</span>
          )}
        </label>
        {line.thing.kind === "part" && (
          <LotField lot={lot} label={line.thing.part} wrong={wrongLot} onLot={onLot} />
        )}
        <span className={classNames("figure whitespace-nowrap", compact ? "text-3xl" : "text-4xl")}>
          {line.shown}
          <span className="text-lg text-night-soft ml-1 font-normal">g</span>
        </span>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          placeholder="scale"
          value={typed ?? (actual === undefined ? "" : trimmed(actual, 1))}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key !== "Enter") return;
            event.preventDefault();
            take();
            event.currentTarget.blur();
          }}
          aria-invalid={error !== null}
          aria-describedby={error ? `${id}-error` : undefined}
          className="w-32 h-12 bg-night border border-night-soft px-3 text-2xl figure placeholder:text-night-soft placeholder:text-lg placeholder:font-normal aria-invalid:border-danger-night"
        />
      </div>
      {error && (
        <p id={`${id}-error`} role="alert" className="text-danger-night">
          {error}
        </p>
      )}
    </li>
  );
}
