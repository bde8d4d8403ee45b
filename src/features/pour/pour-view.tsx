"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import type { Pour } from "@/contracts/pours";
import { received, type Sent } from "@/contracts/sent";
import { offRatio } from "@/core/batch/weigh-out";
import { begunAtMs, HARDLY_BEGUN_S } from "@/core/pour/act-clock";
import { heardWords } from "@/core/pour/heard-words";
import { mixedAt, type PourState } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import { placeWords } from "@/core/pour/place-words";
import type { RunStep } from "@/core/pour/run-sheet";
import { laneOf } from "@/core/pour/sheet-now";
import type { UnitSystem } from "@/core/units/dimension";
import { useProbe } from "@/instruments/use-probe";
import { ActDrawing } from "./act-drawing";
import { ActView } from "./act-view";
import { flameShutS } from "./caution";
import { ConflictLine } from "./conflict-line";
import { useDevice } from "./device-settings";
import { FinishView } from "./finish-view";
import { HeldLine } from "./held-line";
import { PourDialogs, type Asking } from "./pour-dialogs";
import { PourHead } from "./pour-head";
import { RoomLine } from "./room-line";
import { ScaleLine } from "./scale-line";
import { useAwake } from "./use-awake";
import { useFilm } from "./use-film";
import { useNextAct } from "./use-next-act";
import { usePourKeys } from "./use-pour-keys";
import { useRunningPour, type Shown } from "./use-running-pour";
import { useScaleSource } from "./use-scale-source";
import { useSignals } from "./use-signals";
import { useWeighLive } from "./use-weigh-live";
import { weighedIn } from "./weighed-in";
import { WeighPanel } from "./weigh-panel";
import { PotLine, WindowLine } from "./window-line";

/** What another screen did is told for so long, ms. */
const HEARD_MS = 12_000;

/** The run sheet with gloves on: one act on the screen. Space, Enter, a foot switch or a key that was learnt says done. */
export function PourView({
  shown: sent,
  system,
  has,
  people,
}: {
  shown: Sent<Pour>;
  system: UnitSystem;
  /** Instruments that stand at the server. */
  has: { scale: boolean; probe: boolean };
  /** Who works in the shop. */
  people: readonly string[];
}) {
  const [pour] = useState(() => received(sent));
  const [shown, setShown] = useState<Shown>("all");
  const running = useRunningPour(pour, system, shown);
  const { plan, events, state, steps, step, now, heard, record } = running;
  const { device } = useDevice();
  const [asking, setAsking] = useState<Asking | null>(null);
  /** The act that was said to be done when it had hardly begun. */
  const [sureOf, setSureOf] = useState<string | null>(null);
  const [place, setPlace] = useState<Place | null>(null);
  const notePlace = (of: Place | null) => {
    setPlace(of);
    setAsking("note");
  };
  const isOver = state.finishedAt !== null;

  const weighOut = step?.kind === "weigh" ? weighedIn(plan, step, state) : null;
  const off = weighOut ? offRatio(weighOut) : [];
  const tolerancePct = plan.coats.find(({ coat }) => coat.id === step?.coatId)?.resin?.ratioTolerancePct ?? 0;
  const begunMs = begunAtMs(state.doneAt, pour.startedAt);
  const begunS = now === null ? 0 : Math.max(0, (now - begunMs) / 1000);
  /** Done; out of ratio it asks first, and an act that lasts asks once when it has hardly begun. */
  const done = () => {
    if (!step) return;
    if (off.length > 0) setAsking("ratio");
    else if (step.clock && sureOf !== step.id && now !== null && begunS < HARDLY_BEGUN_S) setSureOf(step.id);
    else void record({ kind: "tick", stepId: step.id });
  };
  const before = actBefore(steps, step, state, shown);
  const back = before ? () => void record({ kind: "untick", stepId: before.id }) : null;
  /** Something of its coat is done: it cannot be left out any more. */
  const begun = steps.some(({ id, coatId }) => coatId === step?.coatId && state.doneAt.has(id));

  useGloves(device.gloves);
  usePourKeys(asking === null && !isOver, device, { done: step ? done : null, back });
  useAwake(device.awake && !isOver);

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
  const probe = useProbe(has.probe && !isOver);
  const { scaleStepG } = plan.atHand;
  const { source, choose, byHand } = useScaleSource(has.scale);
  const { scale, line, onScale, taken } = useWeighLive(
    source,
    { step, state, tolerancePct, stepG: scaleStepG },
    record,
  );
  useSignals(device, { step, dueS, inWindow: inWindow?.at.state ?? null, taken });
  const conflict = state.conflicts[0];
  const room = probe ?? lastRead(state.room);
  /** Of coats that are mixed or to come: what is hard minds no damp. */
  const cards = [
    ...new Map(
      steps.flatMap(({ coatId, id }) => {
        const card = plan.coats.find((planned) => planned.coat.id === coatId)?.resin;
        return card && !state.doneAt.has(id) ? [[card.id, card] as const] : [];
      }),
    ).values(),
  ];

  return (
    <div className="min-h-dvh md:h-dvh bg-night text-night-ink flex flex-col">
      <PourHead
        pour={pour}
        step={step}
        room={room}
        system={system}
        finished={isOver}
        onDevice={() => setAsking("device")}
        onActs={() => setAsking("acts")}
        onCallOff={() => setAsking("call-off")}
        heard={heard && now !== null && now - heard.atMs < HEARD_MS ? heardWords(heard.event, steps) : null}
        waiting={running.waiting}
        trouble={running.trouble}
      />
      {conflict && state.calledOff === null && (
        <ConflictLine key={conflict.second.id} conflict={conflict} steps={steps} record={record} />
      )}
      {pot && !isOver && <PotLine pot={pot} />}
      {room && !isOver && <RoomLine reading={room} cards={cards} system={system} />}
      {state.calledOff !== null ? (
        <CalledOff pour={pour} why={state.calledOff} />
      ) : !step ? (
        <FinishView
          pour={pour}
          plan={plan}
          steps={steps}
          state={state}
          system={system}
          record={record}
          back={back}
        />
      ) : (
        <ActView
          step={step}
          steps={steps}
          state={state}
          shown={shown}
          waits={running.waits}
          onShown={pour.plan.document.work.people > 1 || people.length > 1 ? setShown : null}
          drawing={
            <ActDrawing
              plan={plan}
              document={pour.plan.document}
              step={step}
              steps={steps}
              state={state}
              onScale={onScale}
              onPlace={device.touch ? null : notePlace}
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
                steps={steps}
                state={state}
                resin={coat?.resin ?? null}
                out={weighOut}
                tolerancePct={tolerancePct}
                system={system}
                record={record}
                scale={
                  (scale.state !== "off" || choose !== null) && (
                    <ScaleLine
                      scale={scale}
                      line={line}
                      stepG={scaleStepG}
                      onChoose={choose}
                      onHand={byHand}
                    />
                  )
                }
              />
            ) : null
          }
          held={
            coat && now !== null ? (
              <HeldLine
                coat={coat}
                plan={plan}
                state={state}
                minute={Math.floor(now / 60_000)}
                roomC={room?.tempC ?? pour.plan.document.work.tempC}
                system={system}
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
          onNote={() => notePlace(null)}
          onPhoto={(photo) => void running.keepPhoto(photo, { stepId: step.id })}
          onSkip={step.kind === "pass" || !begun ? () => setAsking("skip") : null}
          onBack={back}
        />
      )}
      <PourDialogs
        asking={asking}
        close={() => setAsking(null)}
        callOff={() => setAsking("call-off")}
        pourId={pour.id}
        place={place}
        placeWords={place && placeWords(place, plan.pieces, system)}
        plan={plan}
        step={step}
        steps={steps}
        state={state}
        people={people}
        begun={begun}
        off={off}
        tolerancePct={tolerancePct}
        system={system}
        record={record}
        keepPhoto={running.keepPhoto}
      />
    </div>
  );
}

/** Everything that is pressed is large, in dialogs too. */
function useGloves(on: boolean): void {
  useEffect(() => {
    document.documentElement.toggleAttribute("data-gloves", on);
    return () => document.documentElement.removeAttribute("data-gloves");
  }, [on]);
}

/** The act before the one that is shown, by the hands that are: done, or left out. */
function actBefore(
  steps: readonly RunStep[],
  step: RunStep | null,
  { doneAt, skipped }: PourState,
  shown: Shown,
): RunStep | undefined {
  return steps
    .slice(0, step ? steps.indexOf(step) : undefined)
    .findLast(
      (one) => (doneAt.has(one.id) || skipped.has(one.id)) && (shown === "all" || laneOf(one) === shown),
    );
}

/** The room as it was read last, where no probe says how it is now. */
function lastRead(read: readonly { tempC: number; humidityPct: number | null; surfaceC: number | null }[]) {
  return read.at(-1) ?? null;
}

function CalledOff({ pour, why }: { pour: Pour; why: string }) {
  return (
    <main className="flex-1 px-8 pt-8 max-md:px-4 max-w-3xl">
      <h1 className="heading text-4xl">Called off</h1>
      <p className="text-xl mt-3">{why || "No word why."}</p>
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
  );
}
