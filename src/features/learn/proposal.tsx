"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { decideLearning, type LearningSaid } from "@/contracts/learning";
import {
  notProposedWords,
  PART_WORDS,
  timeProposalWords,
  volumeProposalWords,
  weighNextWords,
} from "@/core/learning/learning-words";
import type { LossPart } from "@/core/pour/inspect-events";
import type { UnitSystem } from "@/core/units/dimension";
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
  const adoptedVolume = Object.keys(adopted).some((id) => id !== "workTimes");
  return (
    <section aria-label="Proposals" className="border-t border-ink pt-3">
      <h2 className="heading text-xl">
        {notProposed === null || times.notProposed === null ? "One thing to decide" : "Nothing to decide"}
      </h2>
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
            {jobs.length > 0 && (
              <table className="text-sm mt-3">
                <thead>
                  <tr className="label text-left">
                    <th className="font-normal pr-6">Open job</th>
                    <th className="font-normal pr-6 text-right">mixed as planned</th>
                    <th className="font-normal text-right">with it</th>
                  </tr>
                </thead>
                <tbody>
                  {jobs.map(({ jobId, name, beforeMl, afterMl }) => (
                    <tr key={jobId} className="border-t border-line">
                      <td className="pr-6 py-0.5">{name}</td>
                      <td className="pr-6 figure text-right">{quantityText(beforeMl, "volume", system)}</td>
                      <td className="figure text-right">{quantityText(afterMl, "volume", system)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {canDecide ? (
              <div className="flex gap-3 mt-3">
                <Button
                  weight="primary"
                  disabled={busy}
                  onClick={() =>
                    void decide({
                      kind: "adopt",
                      of: "volume",
                      factors: values,
                      pours: usual.pours,
                      moved: usual.movedMl,
                    })
                  }
                >
                  Plan with it
                </Button>
                <Button
                  disabled={busy}
                  onClick={() =>
                    void decide({ kind: "refuse", of: "volume", moved: usual.movedMl, sd: usual.sdMl })
                  }
                >
                  Keep the plan as it is
                </Button>
              </div>
            ) : (
              <p className="label mt-2">An owner of the shop decides it.</p>
            )}
            <p className="label mt-2">
              New jobs begin with it. Jobs that are planned keep what they were planned with, until it is
              taken over in their Cups.
            </p>
          </div>
        </div>
      ) : (
        <p className="my-2 text-ink-soft">
          {notProposed && notProposedWords(notProposed)}{" "}
          {part &&
            notProposed !== "nothing to learn from" &&
            `Weigh ${PART_WORDS[part]} after the next pour: that tells most.`}
        </p>
      )}
      {times.notProposed === null && (
        <div className="my-3 border-l-[3px] border-ink pl-4">
          <p className="text-lg">{timeProposalWords(times)} Plan it from now on?</p>
          {canDecide && (
            <div className="flex gap-3 mt-2">
              <Button
                disabled={busy}
                onClick={() =>
                  void decide({
                    kind: "adopt",
                    of: "time",
                    factors: { workTimes: times.shop.times },
                    pours: times.shop.readings,
                    moved: times.movedMin,
                  })
                }
              >
                Plan with it
              </Button>
              <Button
                disabled={busy}
                onClick={() =>
                  void decide({ kind: "refuse", of: "time", moved: times.movedMin, sd: times.sdMin })
                }
              >
                Keep the plan as it is
              </Button>
            </div>
          )}
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
