"use client";

import { useState } from "react";
import type { RankedCause } from "@/core/inspect/causes";
import { EVIDENCE, REPAIRS, type Evidence, type Fault } from "@/core/inspect/fault-table";
import type { Read } from "@/core/inspect/evidence/logged";
import { answersTo } from "@/core/inspect/question";
import { isRecoat } from "@/core/inspect/repair";
import type { UnitSystem } from "@/core/units/dimension";
import { saidIn } from "@/core/units/said";
import { Button } from "@/ui/button";
import { CoatSelect, FaultSelect } from "./fault-select";

/** So many causes are shown at once. */
const SHOWN = 4;

/** How likely it is, in the words that may be claimed: nothing here is proven. */
function likelyWords(probability: number): string {
  if (probability >= 0.6) return "most likely";
  if (probability >= 0.3) return "likely";
  return probability >= 0.1 ? "possible" : "unlikely";
}

/** From a fault to what is most likely behind it: what the log says, what is asked next, what to do now and next time. */
export function CausePanel({
  fault,
  onFault,
  first,
  coats,
  coatId,
  onCoat,
  causes,
  reads,
  answers,
  ask,
  system,
  kept,
  onAnswer,
  onKeep,
  onRepair,
}: {
  fault: Fault;
  onFault: (id: string) => void;
  /** Faults that are pinned. */
  first: readonly string[];
  coats: readonly { id: string; name: string }[];
  coatId: string;
  onCoat: (id: string) => void;
  causes: readonly RankedCause[];
  reads: readonly Read[];
  answers: ReadonlyMap<string, number | null>;
  ask: Evidence | null;
  system: UnitSystem;
  /** What is on the job's list of what to change. */
  kept: readonly string[];
  onAnswer: (evidence: string, u: number | null) => void;
  onKeep: (text: string) => void;
  /** Null where the job cannot be changed here. */
  onRepair: (repair: string) => void;
}) {
  const [all, setAll] = useState(false);
  const concerns = new Set(fault.causes.flatMap(({ evidence }) => evidence.map(({ id }) => id)));
  const log = reads.filter(({ id }) => concerns.has(id) && answers.get(id) === undefined);
  const answered = [...answers].filter(([id]) => concerns.has(id));
  /** What speaks of a cause, in words: from the log, or as it was answered. */
  const words = (id: string): string => {
    const read = log.find((one) => one.id === id);
    if (read) return saidIn(read.words, system);
    const item = EVIDENCE.get(id);
    const u = answers.get(id);
    const said = item && answersTo(item).find((answer) => answer.u === u);
    return `${item?.ask ?? id} ${said ? saidIn(said.words, system) : ""}`.trim();
  };
  return (
    <section aria-label="Causes">
      <div className="flex gap-4 mb-4">
        <FaultSelect
          label="The fault"
          value={fault.id}
          first={first}
          firstWords="pinned"
          frame="flex-1"
          onChange={onFault}
        />
        <CoatSelect label="In the coat" value={coatId} coats={coats} frame="w-44" onChange={onCoat} />
      </div>
      {ask && (
        <div className="bg-paper border-l-[3px] border-signal pl-4 pr-3 py-3 mb-5">
          <p className="label">the question that tells most now</p>
          <p className="heading text-xl leading-tight mb-2">{ask.ask}</p>
          {ask.quantity && <p className="label mb-2">{ask.quantity}</p>}
          <div className="flex flex-wrap gap-2" role="group" aria-label={ask.ask}>
            {answersTo(ask).map(({ words, u }) => (
              <button
                key={words}
                type="button"
                onClick={() => onAnswer(ask.id, u)}
                className="min-h-11 px-4 border border-ink hover:bg-ground"
              >
                {saidIn(words, system)}
              </button>
            ))}
          </div>
        </div>
      )}
      <ol className="border-t border-ink">
        {causes
          .slice(0, all ? undefined : SHOWN)
          .map(({ id, cause, probability, speaksFor, speaksAgainst }, at) => (
            <li key={id} className="border-b border-line py-3">
              <div className="flex items-baseline gap-3">
                <span className="figure text-2xl w-16 shrink-0">
                  {Math.round(probability * 100)}
                  <span className="unit">%</span>
                </span>
                <h3 className="font-semibold flex-1">{cause ? cause.name : "something else"}</h3>
                <span className="label">{likelyWords(probability)}</span>
              </div>
              <div className="h-[5px] bg-shade mt-1 mb-2" aria-hidden>
                <div className="h-full bg-ink" style={{ width: `${(probability * 100).toFixed(1)}%` }} />
              </div>
              {speaksFor.length > 0 && (
                <p className="text-sm">
                  <span className="label">speaks for it: </span>
                  {speaksFor.map(words).join("; ")}.
                </p>
              )}
              {speaksAgainst.length > 0 && (
                <p className="text-sm text-ink-soft">
                  <span className="label">against it: </span>
                  {speaksAgainst.map(words).join("; ")}.
                </p>
              )}
              {cause && at < 2 && (
                <div className="text-sm mt-2 grid grid-cols-[5rem_1fr] gap-y-1">
                  <span className="label">now</span>
                  <span>
                    {REPAIRS[cause.repair]}{" "}
                    {isRecoat(cause.repair) && (
                      <Button weight="quiet" onClick={() => onRepair(cause.repair)}>
                        Make it a coat of this job
                      </Button>
                    )}
                  </span>
                  <span className="label">next time</span>
                  <span>
                    {cause.nextTime}{" "}
                    {kept.includes(cause.nextTime) ? (
                      <span className="label">on the list of what to change</span>
                    ) : (
                      <Button weight="quiet" onClick={() => onKeep(cause.nextTime)}>
                        Put it on the list
                      </Button>
                    )}
                  </span>
                </div>
              )}
            </li>
          ))}
      </ol>
      {causes.length > SHOWN && (
        <Button weight="quiet" className="mt-2" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `${causes.length - SHOWN} more`}
        </Button>
      )}
      <details className="mt-4 text-sm">
        <summary className="cursor-pointer min-h-8">What is known, and how it is reckoned</summary>
        <ul className="mt-1 border-t border-line">
          {log.map(({ id, words }) => (
            <li key={id} className="border-b border-line py-1 flex gap-3 justify-between">
              <span>{saidIn(words, system)}</span>
              <span className="label">log</span>
            </li>
          ))}
          {answered.map(([id, u]) => (
            <li key={id} className="border-b border-line py-1 flex gap-3 justify-between">
              <span>{u === null ? `${EVIDENCE.get(id)?.ask} Nobody knows.` : words(id)}</span>
              <span className="label">answered</span>
            </li>
          ))}
        </ul>
        <p className="text-ink-soft mt-2">
          Each thing that is known makes a cause more or less likely, at most ten to one by itself and fifty
          to one together. How often causes are behind a fault, and how often signs go with them, is judgement
          and practice, not measured. Most likely is not proven. Data sheets come first.
        </p>
      </details>
    </section>
  );
}
