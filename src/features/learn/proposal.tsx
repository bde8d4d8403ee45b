"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { decideLearning, type LearningSaid } from "@/contracts/learning";
import {
  notProposedWords,
  timeProposalWords,
  volumeProposalWords,
  weighNextWords,
} from "@/core/learning/learning-words";
import type { LossPart } from "@/core/pour/inspect-events";
import type { UnitSystem } from "@/core/units/dimension";
import { durationWords } from "@/core/units/duration";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import type { ShopLearning } from "./learn-shop";

/** Says something to what was learnt; what is wrong in words, or null. */
function useDecide() {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const decide = async (said: LearningSaid) => {
    setBusy(true);
    const result = await callAct(decideLearning, { id: crypto.randomUUID(), said });
    setProblem(result.ok ? null : result.error.message);
    setBusy(false);
    if (result.ok) router.refresh();
  };
  return { decide, busy, problem };
}

const TO_DECIDE = [
  "Nothing to decide",
  "One thing to decide",
  "Two things to decide",
  "Three things to decide",
];

/** Taken over, or not; for those who may. */
function Decide({
  canDecide,
  busy,
  weight,
  onAdopt,
  onRefuse,
}: {
  canDecide: boolean;
  busy: boolean;
  weight: "primary" | "plain";
  onAdopt: () => void;
  onRefuse: () => void;
}) {
  if (!canDecide) return <p className="label mt-2">An owner of the shop decides it.</p>;
  return (
    <div className="flex gap-3 mt-3">
      <Button weight={weight} disabled={busy} onClick={onAdopt}>
        Plan with it
      </Button>
      <Button disabled={busy} onClick={onRefuse}>
        Keep the plan as it is
      </Button>
    </div>
  );
}

/** What a proposal does to the open jobs, before and after. */
function OpenJobs({
  head,
  rows,
  say,
}: {
  head: readonly [string, string];
  rows: readonly { jobId: string; name: string; values: readonly [number, number] }[];
  say: (value: number) => string;
}) {
  if (rows.length === 0) return null;
  return (
    <table className="text-sm mt-3">
      <thead>
        <tr className="label text-left">
          <th className="font-normal pr-6">Open job</th>
          <th className="font-normal pr-6 text-right">{head[0]}</th>
          <th className="font-normal text-right">{head[1]}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ jobId, name, values: [before, after] }) => (
          <tr key={jobId} className="border-t border-line">
            <td className="pr-6 py-0.5">{name}</td>
            <td className="pr-6 figure text-right">{say(before)}</td>
            <td className="figure text-right">{say(after)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the log proposes to plan with from now on: never taken over by itself. */
export function Proposal({
  learning: { volumes, times, adopted, jobs },
  canDecide,
  system,
}: {
  learning: ShopLearning;
  canDecide: boolean;
  system: UnitSystem;
}) {
  const { decide, busy, problem } = useDecide();
  const { usual, notProposed, values, changedSince } = volumes;
  const part = volumes.weighNext as LossPart | null;
  const waiting = [notProposed === null, times.notProposed === null, changedSince !== null].filter(
    Boolean,
  ).length;
  const adoptedVolume = Object.keys(adopted).some((id) => id !== "workTimes");
  return (
    <section aria-label="Proposals" className="border-t border-ink pt-3">
      <h2 className="heading text-xl">{TO_DECIDE[waiting]}</h2>
      {changedSince && (
        <div className="border-l-[3px] border-signal pl-4 my-3">
          <p className="text-lg">
            The last pours all missed to one side. Has something changed since “{changedSince.jobName}”?
            Another resin, another hand, another way of scraping?
          </p>
          {canDecide && (
            <div className="flex gap-3 mt-2">
              <Button
                disabled={busy}
                onClick={() => void decide({ kind: "changed", pourId: changedSince.pourId, yes: true })}
              >
                Yes: count the older pours little
              </Button>
              <Button
                disabled={busy}
                onClick={() => void decide({ kind: "changed", pourId: changedSince.pourId, yes: false })}
              >
                No
              </Button>
            </div>
          )}
        </div>
      )}
      {notProposed === null && usual ? (
        <div className="my-3 grid grid-cols-[220px_1fr] gap-6 max-md:grid-cols-1">
          <div>
            <div className="label">each pour, against the plan</div>
            <div className="figure text-4xl leading-none">
              {usual.movedMl > 0 ? "+" : "−"}
              {quantityText(Math.abs(usual.movedMl), "volume", system)}
            </div>
            <div className="label mt-1">of {quantityText(usual.mixMl, "volume", system)} mixed</div>
          </div>
          <div>
            <p className="text-lg">{volumeProposalWords(usual, system)} Plan it from now on?</p>
            {part && <p className="text-ink-soft">{weighNextWords(part)}</p>}
            <OpenJobs
              head={["mixed as planned", "with it"]}
              rows={jobs.flatMap(({ jobId, name, volumeMl }) =>
                volumeMl ? [{ jobId, name, values: volumeMl }] : [],
              )}
              say={(ml) => quantityText(ml, "volume", system)}
            />
            <Decide
              canDecide={canDecide}
              busy={busy}
              weight="primary"
              onAdopt={() =>
                void decide({
                  kind: "adopt",
                  of: "volume",
                  factors: values,
                  pours: usual.pours,
                  moved: usual.movedMl,
                })
              }
              onRefuse={() =>
                void decide({ kind: "refuse", of: "volume", moved: usual.movedMl, sd: usual.sdMl })
              }
            />
            <p className="label mt-2">
              New jobs begin with it. Jobs that are planned keep what they were planned with, until it is
              taken over in their Cups.
            </p>
          </div>
        </div>
      ) : (
        <p className="my-2 text-ink-soft">
          {notProposed && notProposedWords(notProposed)}{" "}
          {part && notProposed !== "nothing to learn from" && weighNextWords(part)}
        </p>
      )}
      {times.notProposed === null && (
        <div className="my-3 border-l-[3px] border-ink pl-4">
          <p className="text-lg">{timeProposalWords(times)} Plan it from now on?</p>
          <OpenJobs
            head={["mixing and laying as planned", "with it"]}
            rows={jobs.flatMap(({ jobId, name, timeMin }) =>
              timeMin ? [{ jobId, name, values: timeMin }] : [],
            )}
            say={(min) => durationWords(Math.round(min))}
          />
          <Decide
            canDecide={canDecide}
            busy={busy}
            weight={notProposed === null ? "plain" : "primary"}
            onAdopt={() =>
              void decide({
                kind: "adopt",
                of: "time",
                factors: { workTimes: times.usual.times },
                pours: times.usual.pours,
                moved: times.movedMin,
              })
            }
            onRefuse={() =>
              void decide({ kind: "refuse", of: "time", moved: times.movedMin, sd: times.sdMin })
            }
          />
        </div>
      )}
      {canDecide && (adoptedVolume || adopted.workTimes) && (
        <p className="mt-3 flex gap-4">
          {adoptedVolume && (
            <Button
              weight="quiet"
              disabled={busy}
              onClick={() => void decide({ kind: "take-back", of: "volume" })}
            >
              Take the shop&apos;s losses back to the usual
            </Button>
          )}
          {adopted.workTimes && (
            <Button
              weight="quiet"
              disabled={busy}
              onClick={() => void decide({ kind: "take-back", of: "time" })}
            >
              Take the shop&apos;s times back to the usual
            </Button>
          )}
        </p>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-2">
          {problem}
        </p>
      )}
    </section>
  );
}
