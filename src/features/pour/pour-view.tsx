"use client";

import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { Pour } from "@/contracts/pours";
import { received, type Sent } from "@/contracts/sent";
import { offRatio, type WeighOut } from "@/core/batch/weigh-out";
import { derivePlan, type Plan } from "@/core/plan/derive-plan";
import { begunAtMs, HARDLY_BEGUN_S } from "@/core/pour/act-clock";
import { foldPour, mixedAt, nextStep, stepsAsked, type PourState } from "@/core/pour/pour-events";
import { runSheet, type RunStep } from "@/core/pour/run-sheet";
import { batchAsWeighed, weighKey } from "@/core/pour/weigh-lines";
import type { UnitSystem } from "@/core/units/dimension";
import { ActDrawing } from "./act-drawing";
import { ActView } from "./act-view";
import { flameShutS } from "./caution";
import { FinishView } from "./finish-view";
import { OutOfRatio, SkipDialog, WordsDialog } from "./pour-dialogs";
import { PourHead } from "./pour-head";
import { useChime } from "./use-chime";
import { useFilm } from "./use-film";
import { heardWords } from "@/core/pour/heard-words";
import { listenToPour } from "./pour-news";
import { useNextAct } from "./use-next-act";
import { useWeighLive } from "./use-weigh-live";
import { createPourStore } from "./pour-store";
import { ScaleLine } from "./scale-line";
import { PotLine, WindowLine } from "./window-line";
import { WeighPanel } from "./weigh-panel";

/** What another screen did is told for so long, ms. */
const HEARD_MS = 12_000;

/** The run sheet with gloves on: one act on the screen. Space, Enter or a foot switch (Page down) says done. */
export function PourView({
  shown,
  system,
  hasScale,
}: {
  shown: Sent<Pour>;
  system: UnitSystem;
  /** A scale stands at the server. */
  hasScale: boolean;
}) {
  const [pour] = useState(() => received(shown));
  const [store] = useState(() => createPourStore(pour));
  const { events, waiting, trouble, heard, record } = useStore(store);
  const plan = useMemo(() => derivePlan(pour.plan.document, pour.plan.cards, pour.plan.colours), [pour.plan]);
  const state = useMemo(() => foldPour(events), [events]);
  const steps = useMemo(
    () => stepsAsked(runSheet(plan, system, state.weighed), state),
    [plan, system, state],
  );
  const [now, setNow] = useState<number | null>(null);
  const [noting, setNoting] = useState(false);
  const [asking, setAsking] = useState(false);
  const [skipping, setSkipping] = useState(false);
  const [callingOff, setCallingOff] = useState(false);
  const [byHand, setByHand] = useState(false);
  /** The act that was said to be done when it had hardly begun. */
  const [sureOf, setSureOf] = useState<string | null>(null);

  const step = nextStep(steps, state);
  const weighOut = step?.kind === "weigh" ? weighedIn(plan, step, state) : null;
  const off = weighOut ? offRatio(weighOut) : [];
  const tolerancePct = plan.coats.find(({ coat }) => coat.id === step?.coatId)?.resin?.ratioTolerancePct ?? 0;
  const begunMs = begunAtMs(state.doneAt, pour.startedAt);
  const begunS = now === null ? 0 : Math.max(0, (now - begunMs) / 1000);
  /** Done; out of ratio it asks first, and an act that lasts asks once when it has hardly begun. */
  const done = () => {
    if (!step) return;
    if (off.length > 0) setAsking(true);
    else if (step.clock && sureOf !== step.id && now !== null && begunS < HARDLY_BEGUN_S) setSureOf(step.id);
    else void record({ kind: "tick", stepId: step.id });
  };
  /** Something of its coat is done: it cannot be left out any more. */
  const begun = steps.some(({ id, coatId }) => coatId === step?.coatId && state.doneAt.has(id));
  const index = step ? steps.indexOf(step) : steps.length;
  const before = steps[index - 1];

  useEffect(() => {
    void store.getState().wake();
    const tick = () => setNow(store.getState().now());
    tick();
    const timer = setInterval(tick, 500);
    const online = () => void store.getState().send();
    const deaf = listenToPour(pour.id, store.getState().hear);
    window.addEventListener("online", online);
    return () => {
      clearInterval(timer);
      deaf();
      window.removeEventListener("online", online);
    };
  }, [store, pour.id]);

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        noting ||
        asking ||
        callingOff ||
        skipping ||
        event.repeat ||
        event.ctrlKey ||
        event.metaKey ||
        ["INPUT", "TEXTAREA", "BUTTON", "A", "SELECT"].includes(target.tagName)
      )
        return;
      if (step && [" ", "Enter", "PageDown"].includes(event.key)) {
        event.preventDefault();
        done();
      }
      if (before && ["Backspace", "PageUp"].includes(event.key)) {
        event.preventDefault();
        void record({ kind: "untick", stepId: before.id });
      }
    };
    window.addEventListener("keydown", keys);
    return () => window.removeEventListener("keydown", keys);
  });

  const coat = plan.coats.find((planned) => planned.coat.id === (step ?? before)?.coatId);
  const mixed = coat ? mixedAt(steps, state, coat.coat.id) : null;
  const sinceS = mixed && now !== null ? (now - Date.parse(mixed)) / 1000 : null;
  const film = useFilm(pour, coat, steps, state, sinceS);
  const shutS = now === null ? 0 : flameShutS(steps, state, now);
  const { dueS, inWindow, wider, pot } = useNextAct({
    pour,
    events,
    plan,
    steps,
    state,
    step,
    coat,
    sinceS,
    nowMs: now,
  });
  const { scaleStepG } = plan.atHand;
  const { scale, line, onScale } = useWeighLive(
    hasScale && !byHand,
    { step, state, tolerancePct, stepG: scaleStepG },
    record,
  );
  const { quiet, toggle } = useChime(step?.id ?? null, dueS);

  return (
    <div className="min-h-dvh md:h-dvh bg-night text-night-ink flex flex-col">
      <PourHead
        pour={pour}
        step={step}
        finished={state.finishedAt !== null}
        quiet={quiet}
        onRing={toggle}
        onCallOff={() => setCallingOff(true)}
        heard={heard && now !== null && now - heard.atMs < HEARD_MS ? heardWords(heard.event, steps) : null}
        waiting={waiting}
        trouble={trouble}
      />

      {pot && state.finishedAt === null && <PotLine pot={pot} />}
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
        <ActView
          step={step}
          steps={steps}
          drawing={
            <ActDrawing
              plan={plan}
              document={pour.plan.document}
              step={step}
              steps={steps}
              state={state}
              onScale={onScale}
              system={system}
            />
          }
          begunS={begunS}
          sure={sureOf === step.id && step.clock !== null && begunS < step.clock.totalS}
          scale={
            step.kind === "weigh" ? (
              <WeighPanel
                key={step.id}
                step={step}
                state={state}
                out={weighOut}
                tolerancePct={tolerancePct}
                system={system}
                record={record}
                scale={
                  scale.state !== "off" && (
                    <ScaleLine scale={scale} line={line} stepG={scaleStepG} onHand={() => setByHand(true)} />
                  )
                }
              />
            ) : null
          }
          window={inWindow && <WindowLine kind={inWindow.pass.kind} at={inWindow.at} wider={wider} />}
          film={film}
          life={coat?.resin?.kind === "paint" ? [] : (film?.life ?? coat?.life ?? [])}
          sinceS={sinceS}
          dueS={dueS}
          shutS={shutS}
          record={record}
          onDone={done}
          onNote={() => setNoting(true)}
          onSkip={step.kind === "pass" || !begun ? () => setSkipping(true) : null}
          onBack={before ? () => void record({ kind: "untick", stepId: before.id }) : null}
        />
      )}
      {asking && step && off.length > 0 && (
        <OutOfRatio
          off={off}
          tolerancePct={tolerancePct}
          system={system}
          onBack={() => setAsking(false)}
          onMix={() => {
            setAsking(false);
            void record({ kind: "tick", stepId: step.id });
          }}
        />
      )}
      {callingOff && (
        <WordsDialog
          title="Call off this pour"
          keep={`pour.${pour.id}.call-off`}
          label="Why"
          act="Call it off"
          most={400}
          needed={false}
          onWords={(why) => void record({ kind: "call-off", why })}
          onClose={() => setCallingOff(false)}
        >
          <p className="mb-3">
            It ends here. What was weighed and done stays in the log, and the job can be poured anew. Spread
            out what is mixed: it heats itself.
          </p>
        </WordsDialog>
      )}
      {skipping && step && (
        <SkipDialog
          keep={`pour.${pour.id}.skip`}
          step={step}
          begun={begun}
          onSkip={(why) => void record({ kind: "skip", stepId: step.id, why })}
          onDrop={(why) => void record({ kind: "drop-coat", coatId: step.coatId, why })}
          onClose={() => setSkipping(false)}
        />
      )}
      {noting && (
        <WordsDialog
          title="Note"
          keep={`pour.${pour.id}.note`}
          label="What happened"
          act="Keep the note"
          most={2000}
          needed
          onWords={(text) => void record({ kind: "note", stepId: step?.id ?? null, text })}
          onClose={() => setNoting(false)}
        />
      )}
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
