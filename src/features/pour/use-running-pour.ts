"use client";

import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { Pour } from "@/contracts/pours";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";
import { nextInLane, nextStep, stepsAsked, type Lane } from "@/core/pour/sheet-now";
import type { UnitSystem } from "@/core/units/dimension";
import { putOpened } from "@/offline/outbox";
import { listenToPour } from "./pour-news";
import { createPourStore } from "./pour-store";

/** Whose acts a screen shows: all of them, or those of one pair of hands. */
export type Shown = Lane | "all";

/** A pour as it runs: what was recorded on any screen, the sheet as it stands, and the act that is next on this one. */
export function useRunningPour(pour: Pour, system: UnitSystem, shown: Shown) {
  const [store] = useState(() => createPourStore(pour));
  const { events, waiting, trouble, heard, record, keepPhoto } = useStore(store);
  const plan = useMemo(() => derivePlan(pour.plan.document, pour.plan.cards, pour.plan.colours), [pour.plan]);
  const state = useMemo(() => foldPour(events), [events]);
  const steps = useMemo(
    () => stepsAsked(runSheet(plan, system, state.weighed), state),
    [plan, system, state],
  );
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    void store.getState().wake();
    void putOpened(pour).catch(() => {});
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
  }, [store, pour]);
  const first = nextStep(steps, state);
  const ofLane = shown === "all" ? first : nextInLane(steps, state, shown);
  return {
    plan,
    events,
    state,
    steps,
    /** The act shown; where the hands that are shown have none, the one that holds them up. */
    step: ofLane ?? first,
    /** These hands wait for the act that is shown. */
    waits: shown !== "all" && !ofLane && first !== null,
    now,
    waiting,
    trouble,
    heard,
    record,
    keepPhoto,
  };
}
