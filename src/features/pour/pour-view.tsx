"use client";

import { cutText } from "@/core/units/cut-text";
import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { Pour } from "@/contracts/pours";
import { received, type Sent } from "@/contracts/sent";
import { FLASH_OFF_MIN } from "@/core/schedule/pass";
import { viscosityWords } from "@/core/cure/film-states";
import { offRatio, type WeighOut } from "@/core/batch/weigh-out";
import { derivePlan, type Plan } from "@/core/plan/derive-plan";
import { foldPour, mixedAt, nextStep, stepsAsked, type PourState } from "@/core/pour/pour-events";
import { runSheet, type RunStep } from "@/core/pour/run-sheet";
import { whatNext } from "@/core/shop/shop";
import { verdictWords } from "@/core/pour/verdict-words";
import { batchAsWeighed, weighKey } from "@/core/pour/weigh-lines";
import type { UnitSystem } from "@/core/units/dimension";
import { Beam } from "@/ui/beam";
import { Dialog } from "@/ui/dialog";
import { Button } from "@/ui/button";
import { useShopClock } from "@/ui/shop-clock";
import { useSize } from "@/ui/use-size";
import { FinishView } from "./finish-view";
import { useChime } from "./use-chime";
import { useFilm } from "./use-film";
import { createPourStore } from "./pour-store";
import { WeighPanel } from "./weigh-panel";

/** m:ss or h:mm:ss. */
function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return h > 0
    ? `${h}:${String(m).padStart(2, "0")}:${String(s).padStart(2, "0")}`
    : `${m}:${String(s).padStart(2, "0")}`;
}

/** Seconds until a flame is allowed after the last vapour of the pour; 0 when it is. */
function flameShutS(steps: readonly RunStep[], state: PourState, now: number): number {
  const last = steps
    .filter((step) => step.vapour)
    .flatMap((step) => state.doneAt.get(step.id) ?? [])
    .sort()
    .pop();
  return last ? Math.max(0, FLASH_OFF_MIN * 60 - (now - Date.parse(last)) / 1000) : 0;
}

/** The run sheet with gloves on: one act on the screen. Space, Enter or a foot switch (Page down) says done. */
export function PourView({ shown, system }: { shown: Sent<Pour>; system: UnitSystem }) {
  const { clockAt } = useShopClock();
  const [pour] = useState(() => received(shown));
  const [store] = useState(() => createPourStore(pour));
  const { events, waiting, trouble, record } = useStore(store);
  const plan = useMemo(() => derivePlan(pour.plan.document, pour.plan.cards), [pour.plan]);
  const state = useMemo(() => foldPour(events), [events]);
  const steps = useMemo(
    () => stepsAsked(runSheet(plan, system, state.weighed), state),
    [plan, system, state],
  );
  const [now, setNow] = useState<number | null>(null);
  const [noting, setNoting] = useState(false);
  const [note, setNote] = useState("");
  const [asking, setAsking] = useState(false);
  const [callingOff, setCallingOff] = useState(false);
  const { ref: stageRef, width: stageWidth } = useSize<HTMLDivElement>();

  const step = nextStep(steps, state);
  const weighOut = step?.kind === "weigh" ? weighedIn(plan, step, state) : null;
  const off = weighOut ? offRatio(weighOut) : [];
  const tolerancePct = plan.coats.find(({ coat }) => coat.id === step?.coatId)?.resin?.ratioTolerancePct ?? 0;
  /** Done; out of ratio it asks first. */
  const done = () => {
    if (!step) return;
    if (off.length > 0) setAsking(true);
    else void record({ kind: "tick", stepId: step.id });
  };
  const index = step ? steps.indexOf(step) : steps.length;
  const before = steps[index - 1];

  useEffect(() => {
    void store.getState().wake();
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 500);
    const online = () => void store.getState().send();
    window.addEventListener("online", online);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", online);
    };
  }, [store]);

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        noting ||
        asking ||
        callingOff ||
        event.repeat ||
        event.ctrlKey ||
        event.metaKey ||
        ["INPUT", "TEXTAREA", "BUTTON", "A", "SELECT"].includes(target.tagName)
      )
        return;
      if (step && [" ", "Enter", "PageDown"].includes(event.key)) {
        event.preventDefault();
        if (off.length > 0) setAsking(true);
        else void record({ kind: "tick", stepId: step.id });
      }
      if (before && ["Backspace", "PageUp"].includes(event.key)) {
        event.preventDefault();
        void record({ kind: "untick", stepId: before.id });
      }
    };
    window.addEventListener("keydown", keys);
    return () => window.removeEventListener("keydown", keys);
  }, [step, before, record, noting, asking, callingOff, off.length]);

  const coat = plan.coats.find((planned) => planned.coat.id === (step ?? before)?.coatId);
  const mixed = coat ? mixedAt(steps, state, coat.coat.id) : null;
  const sinceS = mixed && now !== null ? (now - Date.parse(mixed)) / 1000 : null;
  const film = useFilm(pour, coat, mixed, sinceS);
  const shutS = now === null ? 0 : flameShutS(steps, state, now);
  /** Told anew each minute, and with each act. */
  const minute = now === null ? null : Math.floor(now / 60_000);
  const next = useMemo(() => {
    if (minute === null) return null;
    const clock = clockAt(minute * 60_000);
    const found = whatNext({ ...pour, events }, plan, steps, clock);
    return found && { atMs: minute * 60_000 + (found.atMin - clock.nowMin) * 60_000 };
  }, [minute, clockAt, pour, events, plan, steps]);
  const dueS =
    next && now !== null && step && (step.kind === "pass" || step.kind === "weigh")
      ? (next.atMs - now) / 1000
      : null;
  const { quiet, toggle } = useChime(step?.id ?? null, dueS);
  const life = film?.life ?? coat?.life ?? [];
  const until = (life.find((start) => start.state === "set")?.fromMin.likely ?? 360) * 1.15;

  return (
    <div className="min-h-dvh bg-night text-night-ink flex flex-col">
      <header className="flex items-center gap-5 px-8 h-[52px] border-b border-night-line text-night-soft max-md:px-4">
        <Link
          href={`/jobs/${pour.jobId}/pour`}
          className="heading text-night-ink text-lg"
          style={{ fontStretch: "118%" }}
        >
          Gaugebeam
        </Link>
        <span className="truncate flex-1">
          {pour.jobName}
          {step && `, ${step.coatName}${step.batch ? `, batch ${step.batch}` : ""}`}
        </span>
        {state.finishedAt === null && (
          <button
            type="button"
            aria-pressed={!quiet}
            onClick={toggle}
            className="underline underline-offset-4 whitespace-nowrap"
          >
            {quiet ? (
              "quiet"
            ) : (
              <>
                rings<span className="max-md:hidden"> when due</span>
              </>
            )}
          </button>
        )}
        {state.finishedAt === null && (
          <button
            type="button"
            onClick={() => setCallingOff(true)}
            className="underline underline-offset-4 whitespace-nowrap"
          >
            call it off
          </button>
        )}
        <span role="status" className={trouble ? "text-danger-night" : ""} title={trouble ?? undefined}>
          {waiting > 0 ? (
            `${waiting} kept here, not on the server yet`
          ) : (
            <>
              saved<span className="max-md:hidden"> here and on the server</span>
            </>
          )}
        </span>
      </header>

      {state.calledOff !== null ? (
        <main className="flex-1 px-8 pt-8 max-md:px-4 max-w-3xl">
          <h1 className="heading text-4xl">Called off</h1>
          <p className="text-xl mt-3">{state.calledOff || "No word why."}</p>
          <p className="text-xl text-night-soft mt-2 mb-6">
            What was done is kept in the log. The job can be poured anew.
          </p>
          <Link
            href={`/jobs/${pour.jobId}/log?pour=${pour.id}`}
            className="inline-flex min-h-[72px] bg-night-ink text-night px-8 items-center heading text-2xl"
          >
            See the log
          </Link>
        </main>
      ) : !step ? (
        <FinishView
          pour={pour}
          plan={plan}
          steps={steps}
          state={state}
          system={system}
          record={record}
          back={before ? () => void record({ kind: "untick", stepId: before.id }) : null}
        />
      ) : (
        <main className="flex-1 flex flex-col px-8 pt-6 max-md:px-4">
          <div className="flex gap-8 flex-1 max-md:flex-col">
            <section className="flex-1 min-w-0">
              {/* On a phone what can hurt stands before everything else. */}
              <div className="md:hidden">
                <Caution step={step} shutS={shutS} />
              </div>
              <p className="text-xl text-night-soft">
                Step {index + 1} of {steps.length}
              </p>
              <h1
                className="heading leading-[1.02] mt-1 text-balance"
                style={{ fontSize: "clamp(44px, 6vw, 76px)" }}
              >
                {step.title}
              </h1>
              <p className="text-2xl mt-4 max-w-[44ch] leading-snug max-md:text-xl">{step.detail}</p>
              {step.kind === "weigh" ? (
                <WeighPanel
                  key={step.id}
                  step={step}
                  state={state}
                  out={weighOut}
                  tolerancePct={tolerancePct}
                  system={system}
                  record={record}
                />
              ) : (
                <div className="flex gap-14 max-md:gap-x-10 max-md:gap-y-3 mt-7 max-md:mt-4 flex-wrap">
                  {dueS !== null && dueS > 0 && (
                    <div>
                      <p className="text-lg text-night-soft">right in</p>
                      <p
                        className="figure text-signal-night leading-none"
                        style={{ fontSize: "clamp(80px, 10vw, 132px)" }}
                      >
                        {clock(dueS)}
                      </p>
                    </div>
                  )}
                  {sinceS !== null && (dueS === null || dueS <= 0) && (
                    <div>
                      <p className="text-lg text-night-soft">since mixing</p>
                      <p
                        className="figure text-signal-night leading-none"
                        style={{ fontSize: "clamp(80px, 10vw, 132px)" }}
                      >
                        {clock(sinceS)}
                      </p>
                    </div>
                  )}
                  {film && (
                    <div className="self-end pb-2">
                      <p className="text-lg text-night-soft">flow left</p>
                      <p className="figure text-4xl">{Math.round(film.flow.likely * 100)} %</p>
                      <p className="text-night-soft text-lg">
                        {Math.round(film.flow.low * 100)} to {Math.round(film.flow.high * 100)} % ·{" "}
                        {viscosityWords(film.viscosityPaS)}
                      </p>
                    </div>
                  )}
                </div>
              )}
            </section>
            <aside className="w-[310px] max-md:w-full shrink-0 border-l border-night-line pl-7 max-md:border-l-0 max-md:pl-0">
              <p className="text-lg text-night-soft">Then</p>
              <ol className="text-xl leading-[1.7]">
                {steps.slice(index + 1, index + 4).map((next) => (
                  <li key={next.id} className="truncate">
                    {next.title}
                  </li>
                ))}
                {index === steps.length - 1 && <li>what was left, and finish</li>}
              </ol>
              <div className="max-md:hidden">
                <Caution step={step} shutS={shutS} />
              </div>
              {step.stopHere && (
                <p className="mt-5 text-lg text-night-soft">After this you may stop: {step.stopHere}.</p>
              )}
            </aside>
          </div>
          <div ref={stageRef} className="mt-6 mb-4 overflow-hidden">
            {life.length > 0 && coat?.resin?.kind !== "paint" && stageWidth > 0 && (
              <Beam
                life={life}
                nowMin={sinceS === null ? null : sinceS / 60}
                untilMin={until}
                width={stageWidth}
                height={40}
                dark
              />
            )}
          </div>
          <div className="flex gap-4 max-md:gap-2 max-md:flex-wrap sticky bottom-0 bg-night pt-2 pb-6 max-md:pb-3 max-md:static">
            <button
              type="button"
              onClick={done}
              className="flex-1 min-h-[104px] bg-night-ink text-night px-8 flex items-center justify-between text-left max-md:w-full max-md:flex-none"
            >
              <span className="heading text-4xl">Done</span>
              <span className="text-lg text-ink-soft max-md:hidden">space, enter or foot switch</span>
            </button>
            {step.untilSo && (
              <button
                type="button"
                onClick={() => void record({ kind: "tick", stepId: step.id, last: true })}
                className="w-[250px] max-md:w-full min-h-[104px] max-md:min-h-[64px] border border-night-ink heading text-2xl px-4"
              >
                Done, and the last
              </button>
            )}
            <button
              type="button"
              onClick={() => setNoting(true)}
              className="w-[200px] max-md:flex-1 min-h-[104px] max-md:min-h-[64px] border border-night-soft text-2xl"
            >
              Note
            </button>
            <button
              type="button"
              disabled={!before}
              onClick={() => before && void record({ kind: "untick", stepId: before.id })}
              className="w-[200px] max-md:flex-1 min-h-[104px] max-md:min-h-[64px] border border-night-soft text-2xl disabled:opacity-40"
            >
              Step back
            </button>
          </div>
        </main>
      )}
      <Dialog
        open={asking && step !== null && off.length > 0}
        onClose={() => setAsking(false)}
        title="Out of ratio"
      >
        <div className="text-ink flex flex-col gap-3">
          {off.map((verdict) => (
            <p key={verdict.mixId}>{verdictWords(verdict, tolerancePct, system)}</p>
          ))}
          <p className="label">
            Mixed like this it leaves soft spots that never harden. You can add; you cannot take out.
          </p>
          <div className="flex gap-3 flex-wrap">
            <Button weight="primary" onClick={() => setAsking(false)}>
              Back to the scale
            </Button>
            <Button
              onClick={() => {
                setAsking(false);
                if (step) void record({ kind: "tick", stepId: step.id });
              }}
            >
              Mix it as it is
            </Button>
          </div>
        </div>
      </Dialog>
      <Dialog open={callingOff} onClose={() => setCallingOff(false)} title="Call off this pour">
        <form
          className="text-ink"
          onSubmit={(event) => {
            event.preventDefault();
            void record({ kind: "call-off", why: cutText(note.trim(), 400) });
            setNote("");
            setCallingOff(false);
          }}
        >
          <p className="mb-3">
            It ends here. What was weighed and done stays in the log, and the job can be poured anew. Spread
            out what is mixed: it heats itself.
          </p>
          <label className="label" htmlFor="pour-why">
            Why
          </label>
          <textarea
            id="pour-why"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            maxLength={400}
            rows={3}
            autoFocus
            className="w-full bg-paper border border-line-strong p-2 text-lg mt-1"
          />
          <Button type="submit" weight="primary" className="mt-3">
            Call it off
          </Button>
        </form>
      </Dialog>
      <Dialog open={noting} onClose={() => setNoting(false)} title="Note">
        <form
          className="text-ink"
          onSubmit={(event) => {
            event.preventDefault();
            if (note.trim() === "") return;
            void record({ kind: "note", stepId: step?.id ?? null, text: cutText(note.trim(), 2000) });
            setNote("");
            setNoting(false);
          }}
        >
          <label className="label" htmlFor="pour-note">
            What happened
          </label>
          <textarea
            id="pour-note"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            maxLength={2000}
            rows={4}
            autoFocus
            className="w-full bg-paper border border-line-strong p-2 text-lg mt-1"
          />
          <Button type="submit" weight="primary" className="mt-3">
            Keep the note
          </Button>
        </form>
      </Dialog>
    </div>
  );
}

/** What is to be done about what was weighed for a batch so far. */
function weighedIn(plan: Plan, step: RunStep, state: PourState): WeighOut | null {
  const { coat, resin, batched } = plan.coats.find((planned) => planned.coat.id === step.coatId) ?? {};
  const batch = batched?.batches.find(({ number }) => number === step.batch);
  if (!coat || !resin || !batch) return null;
  const gramsAt = (line: string) => state.weighed.get(weighKey(step.id, line));
  return batchAsWeighed(batch, coat.colours, resin, plan.atHand, gramsAt).out;
}

/** What can hurt at a step; while vapour hangs in the air, how long a flame stays shut. */
function Caution({ step, shutS }: { step: RunStep; shutS: number }) {
  if (step.flame && shutS > 0)
    return (
      <div role="alert" className="border-l-4 border-danger-night pl-4 mt-6 max-md:mt-0 max-md:mb-4">
        <p className="heading text-2xl text-danger-night">Flame is shut</p>
        <p className="figure text-4xl text-danger-night">{clock(shutS)}</p>
        <p className="text-lg leading-snug mt-1">
          Vapour burns. It opens {FLASH_OFF_MIN} minutes after the last drop. Air the room.
        </p>
      </div>
    );
  return (
    step.caution && (
      <div className="border-l-4 border-danger-night pl-4 mt-6 max-md:mt-0 max-md:mb-4">
        <p className="text-lg leading-snug">{step.caution}</p>
      </div>
    )
  );
}
