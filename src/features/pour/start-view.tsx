"use client";

import { saidIn } from "@/core/units/said";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import type { Plan } from "@/core/plan/derive-plan";
import { runSheet } from "@/core/pour/run-sheet";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { callAct, serverAnswers } from "@/contracts/call-act";
import { startPour } from "@/contracts/pours";
import { opensWithoutServer } from "@/offline/kept-here";
import { begunPath } from "@/offline/outbox";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { useClockWords, useShopClock } from "@/ui/shop-clock";

export type KnownPour = { id: string; startedAt: string; finishedAt: string | null };

type Props = {
  jobId: string;
  plan: Plan;
  system: UnitSystem;
  pours: KnownPour[];
  /** Saves what was typed last; the revision to pour from, or null when it could not be saved. */
  savedRevision: () => Promise<number | null>;
  /** Begins the pour on this device, from the job as it stands here: the server is told when it answers. */
  beginHere: (pourId: string, leaveOut: readonly string[]) => Promise<void>;
  /** Coats that lie there already, by their ids. */
  poured: readonly string[];
};

/** Before the pour: what it will be, what could hurt, and the button that starts it. */
export function StartView({ jobId, plan, system, pours, savedRevision, beginHere, poured }: Props) {
  const { clockText } = useClockWords();
  const router = useRouter();
  const { say } = useShopClock();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** One start is one pour, however often it is asked for: the server may have it though its answer did not come. */
  const [pourId] = useState(() => crypto.randomUUID());
  /** The server did not answer when it was to start. */
  const [alone, setAlone] = useState(false);
  /** Coats that are poured once more though they lie there already. */
  const [again, setAgain] = useState<readonly string[]>([]);
  const before = plan.coats.filter(({ coat }) => poured.includes(coat.id));
  const leaveOut = before.map(({ coat }) => coat.id).filter((id) => !again.includes(id));
  const steps = runSheet(plan, system).filter(({ coatId }) => !leaveOut.includes(coatId));
  const toPour = plan.coats.filter(({ coat }) => !leaveOut.includes(coat.id));
  const live = pours.find((pour) => pour.finishedAt === null);
  const unready = plan.coats.find((coat) => coat.problem !== null && !leaveOut.includes(coat.coat.id));
  const total = toPour.reduce((sum, coat) => sum + (coat.batched?.mixMl.likely ?? 0), 0);
  const danger = plan.advice.filter((advice) => advice.kind === "safety");

  const away = () => {
    if (opensWithoutServer()) setAlone(true);
    else setProblem("The server does not answer, and this browser opens no page without it.");
  };
  const start = async () => {
    setBusy(true);
    setProblem(null);
    setAlone(false);
    const revision = await savedRevision();
    if (revision === null) {
      if (await serverAnswers())
        setProblem(
          "Your last change is not on the server yet, so the pour cannot start from it. Try again when it is saved.",
        );
      else away();
      setBusy(false);
      return;
    }
    const result = await callAct(startPour, {
      pourId,
      jobId,
      revision,
      at: new Date().toISOString(),
      leaveOut,
    });
    if (result.ok) router.push(`/pours/${pourId}`);
    else {
      if (result.error.code === "unreachable") away();
      else setProblem(result.error.message);
      setBusy(false);
    }
  };
  const startHere = async () => {
    setBusy(true);
    try {
      // The whole page anew: the one that is open is the server's.
      await beginHere(pourId, leaveOut);
      window.location.assign(begunPath(pourId));
    } catch {
      setProblem("This browser cannot keep a pour: start it when the server answers.");
      setBusy(false);
    }
  };

  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 py-6">
      <div className="flex gap-12 max-lg:flex-col">
        <section className="w-[340px] shrink-0">
          <header className="mb-5">
            <h1 className="heading text-2xl mb-1">Pour day</h1>
            {steps.length > 0 && (
              <p className="text-ink-soft">
                {steps.length} steps, {toPour.length} {toPour.length === 1 ? "coat" : "coats"},{" "}
                {quantityText(total, "volume", system)} in all.
              </p>
            )}
          </header>
          {live ? (
            <Link
              href={`/pours/${live.id}`}
              className="inline-block border border-ink bg-ink text-paper px-6 py-4 heading text-xl hover:bg-ink-soft"
            >
              Go on with the pour
            </Link>
          ) : (
            <Button
              weight="primary"
              disabled={busy || steps.length === 0 || unready !== undefined}
              onClick={() => void start()}
              className="heading text-xl px-6 py-4"
            >
              Start the pour
            </Button>
          )}
          {unready && (
            <p className="border-l-2 border-danger text-danger pl-2 mt-4">{`${unready.coat.name}: ${unready.problem}`}</p>
          )}
          {steps.length === 0 && !unready && (
            <p className="text-ink-soft mt-4">
              {before.length > 0
                ? "All coats are poured. Tick one to pour it once more, or add one in Build."
                : "There is nothing to pour yet: measure a piece and build a coat first."}
            </p>
          )}
          {before.length > 0 && !live && (
            <fieldset className="mt-5 border-t border-ink pt-2">
              <legend className="sr-only">Poured already</legend>
              <p className="heading">Poured already, left out now</p>
              <p className="label mb-1">Tick what is poured once more.</p>
              {before.map(({ coat }) => (
                <div key={coat.id} className="py-0.5">
                  <Checkbox
                    label={`${coat.name} once more`}
                    checked={again.includes(coat.id)}
                    onChange={(on) =>
                      setAgain(on ? [...again, coat.id] : again.filter((id) => id !== coat.id))
                    }
                  />
                </div>
              ))}
            </fieldset>
          )}
          {problem && (
            <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-4">
              {problem}
            </p>
          )}
          {alone && (
            <div role="status" className="mt-4">
              <p className="mb-3">
                The server does not answer. The pour can begin on this device: all that you do is kept here,
                and goes to the server when it is back. Do not begin the same pour on a second device.
              </p>
              <Button disabled={busy} onClick={() => void startHere()} className="heading text-lg px-5 py-3">
                Begin it on this device
              </Button>
            </div>
          )}
          {danger.map((advice) => (
            <p
              key={`${advice.coatId}-${advice.at}`}
              role="alert"
              className="border-l-[3px] border-danger text-danger pl-3 mt-4"
            >
              <strong>{saidIn(advice.what, system)}</strong> {saidIn(advice.soWhat, system)}
            </p>
          ))}
          <p className="border-l-[3px] border-ink pl-3 mt-6 text-sm">{GENERAL_CAUTION}</p>
          {pours.some((pour) => pour.finishedAt) && (
            <div className="mt-6 text-sm">
              <h2 className="heading mb-1">Poured before</h2>
              <ul>
                {pours
                  .filter((pour) => pour.finishedAt)
                  .map((pour) => (
                    <li key={pour.id} className="py-0.5">
                      <Link
                        href={`/jobs/${jobId}/log?pour=${pour.id}`}
                        className="underline underline-offset-4"
                      >
                        {say(pour.startedAt, "d MMM yyyy, HH:mm")}
                      </Link>
                    </li>
                  ))}
              </ul>
            </div>
          )}
        </section>
        {steps.length > 0 && (
          <ol className="flex-1 border-t border-ink max-w-3xl">
            {steps.map((step, index) => (
              <li key={step.id} className="flex gap-4 py-2 border-b border-line">
                <span className="figure w-6 text-right text-ink-soft">{index + 1}</span>
                <span className="figure w-20 shrink-0">{clockText(step.atMin)}</span>
                <span className="flex-1">
                  <span className="font-semibold">{step.title}</span>{" "}
                  <span className="text-ink-soft">{step.coatName}</span>
                  <span className="label block">{step.detail}</span>
                </span>
              </li>
            ))}
          </ol>
        )}
      </div>
    </main>
  );
}
