"use client";

import { useMemo } from "react";
import { useStore } from "zustand";
import type { Pour } from "@/contracts/pours";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";
import { nextInLane, nextStep, stepsAsked, type Lane } from "@/core/pour/sheet-now";
import type { UnitSystem } from "@/core/units/dimension";
import { usePourStore } from "./use-pour-store";

/** Whose acts a screen shows: all of them, or those of one pair of hands. */
export type Shown = Lane | "all";

/** A pour as it runs: what was recorded on any screen, the sheet as it stands, and the act that is next on this one. */
export function useRunningPour(pour: Pour, system: UnitSystem, shown: Shown) {
  const { store, now } = usePourStore(pour);
  const { events, waiting, trouble, heard, record, keepPhoto } = useStore(store);
  const plan = useMemo(() => derivePlan(pour.plan.document, pour.plan.cards, pour.plan.colours), [pour.plan]);
  const state = useMemo(() => foldPour(events), [events]);
  const steps = useMemo(
    () => stepsAsked(runSheet(plan, system, state.weighed), state),
    [plan, system, state],
  );
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
