"use client";

import Link from "next/link";
import { useState } from "react";
import type { Pour } from "@/contracts/pours";
import { mixDensityGPerMl } from "@/core/batch/parts";
import { heatIsKnown, leftStanding } from "@/core/cure/left-standing";
import type { FittedResin } from "@/core/cure/fitted-resin";
import type { Plan } from "@/core/plan/derive-plan";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import type { UnitSystem } from "@/core/units/dimension";
import { formatQuantity, quantityText } from "@/core/units/format-quantity";
import { parseQuantity } from "@/core/units/parse-quantity";
import type { Act } from "./pour-store";

type Props = {
  pour: Pour;
  plan: Plan;
  steps: readonly RunStep[];
  state: PourState;
  system: UnitSystem;
  record: (act: Act) => Promise<void>;
  back: (() => void) | null;
};

/** All steps are done: what was left of each coat, or how much was missing, then the end. */
export function FinishView({ pour, plan, state, system, record, back }: Props) {
  const poured = plan.coats.filter(({ coat, batched }) => batched && !state.droppedCoats.has(coat.id));
  return (
    <main className="flex-1 px-8 pt-8 pb-8 max-md:px-4 max-w-4xl">
      <h1 className="heading text-4xl">What was left?</h1>
      <p className="text-xl text-night-soft mt-2 mb-5 max-w-[56ch]">
        Scrape the cups together and read them. With this the log can tell the real rate; without it the next
        plan knows no better.
      </p>
      <p className="border-l-4 border-danger-night pl-4 mb-4 text-lg max-w-[60ch]">
        What is left in a cup heats itself: spread it out thin on foil or in moulds, in the open, away from
        what burns. Never close a hot cup.
      </p>
      {poured.map(({ coat, batched, resin }) => (
        <LeftRow
          key={coat.id}
          name={coat.name}
          mixedMl={batched?.mixMl.likely ?? 0}
          left={state.leftMl.get(coat.id)}
          short={state.shortMl.get(coat.id)}
          heat={
            resin && heatIsKnown(resin)
              ? (ml) => standingWords(resin, ml, pour.plan.document.work.tempC, system)
              : null
          }
          system={system}
          onLeft={(ml) => void record({ kind: "left", coatId: coat.id, ml })}
          onShort={(ml) => void record({ kind: "short", coatId: coat.id, ml })}
        />
      ))}
      <div className="flex gap-4 mt-8 flex-wrap">
        {state.finishedAt ? (
          <Link
            href={`/jobs/${pour.jobId}/log?pour=${pour.id}`}
            className="min-h-[88px] bg-night-ink text-night px-8 flex items-center heading text-3xl"
          >
            See the log
          </Link>
        ) : (
          <button
            type="button"
            onClick={() => void record({ kind: "finish" })}
            className="min-h-[88px] bg-night-ink text-night px-8 heading text-3xl"
          >
            Finish the pour
          </button>
        )}
        {back && !state.finishedAt && (
          <button
            type="button"
            onClick={back}
            className="min-h-[88px] border border-night-soft px-8 text-2xl"
          >
            Step back
          </button>
        )}
      </div>
    </main>
  );
}

/** "In one cup it gets to 140 °C (120 to 155) after 58 min: spread it out." */
function standingWords(resin: FittedResin, ml: number, roomC: number, system: UnitSystem): string {
  const grams = ml * mixDensityGPerMl(resin);
  const { peakC, peakAtMin, heat } = leftStanding(resin, grams, roomC);
  const temp = (tempC: number) => formatQuantity(tempC, "temperature", system).number;
  return `In one cup it gets to ${quantityText(peakC.likely, "temperature", system)} (${temp(peakC.low)} to ${temp(peakC.high)}) ${Math.round(peakAtMin)} min after mixing${heat === "warm" ? "." : ": spread it out now."}`;
}

function LeftRow({
  name,
  mixedMl,
  left,
  short,
  heat,
  system,
  onLeft,
  onShort,
}: {
  name: string;
  mixedMl: number;
  left: number | undefined;
  short: number | undefined;
  /** What a cup of so much does when it is left standing. */
  heat: ((ml: number) => string) | null;
  system: UnitSystem;
  onLeft: (ml: number) => void;
  onShort: (ml: number) => void;
}) {
  const [typed, setTyped] = useState("");
  const [error, setError] = useState<string | null>(null);
  const take = (done: (ml: number) => void) => {
    const parsed = parseQuantity(typed, "volume", system, { min: 0, max: 1e6 });
    if (!parsed.ok) {
      setError(parsed.message);
      return;
    }
    setError(null);
    setTyped("");
    done(parsed.value);
  };
  const entered =
    left !== undefined
      ? `${quantityText(left, "volume", system)} left`
      : short !== undefined
        ? `short by ${quantityText(short, "volume", system)}`
        : null;
  return (
    <div className="border-b border-night-line py-3">
      <div className="flex items-center gap-4 flex-wrap">
        <span className="text-xl flex-1 min-w-44">
          {name}
          <span className="block text-base text-night-soft">
            {quantityText(mixedMl, "volume", system)} planned
            {entered && <span className="text-night-ink">, {entered}</span>}
            {left !== undefined && left > 0 && heat && (
              <span className="block text-night-ink">{heat(left)}</span>
            )}
          </span>
        </span>
        <input
          aria-label={`${name}: how much was left or missing`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder={system === "us" ? "fl oz" : "ml"}
          inputMode="decimal"
          className="w-32 h-14 bg-night border border-night-soft px-3 text-2xl figure placeholder:text-night-soft placeholder:text-lg placeholder:font-normal"
          aria-invalid={error !== null}
        />
        <button
          type="button"
          onClick={() => take(onLeft)}
          className="h-14 border border-night-soft px-5 text-lg"
        >
          was left
        </button>
        <button
          type="button"
          onClick={() => take(onShort)}
          className="h-14 border border-night-soft px-5 text-lg"
        >
          was missing
        </button>
      </div>
      {error && (
        <p role="alert" className="text-danger-night">
          {error}
        </p>
      )}
    </div>
  );
}
