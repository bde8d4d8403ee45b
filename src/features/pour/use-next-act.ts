"use client";

import { useMemo } from "react";
import type { Pour } from "@/contracts/pours";
import type { Plan } from "@/core/plan/derive-plan";
import type { PlannedCoat } from "@/core/plan/timed";
import type { PourEvent, PourState } from "@/core/pour/pour-events";
import { potNow, type PotNow } from "@/core/pour/pot-now";
import type { RunStep } from "@/core/pour/run-sheet";
import { veinsWider, widerWords, windowNow, type WindowNow } from "@/core/pour/window-now";
import type { Pass } from "@/core/schedule/pass";
import { whatNext } from "@/core/shop/shop";
import { useShopClock } from "@/ui/shop-clock";

type Asked = {
  pour: Pour;
  events: readonly PourEvent[];
  plan: Plan;
  steps: readonly RunStep[];
  state: PourState;
  step: RunStep | null;
  /** The coat of the act, and since when it is mixed, s. */
  coat: PlannedCoat | undefined;
  sinceS: number | null;
  nowMs: number | null;
};

/** When the next act is due, where its pass stands in its window, and the pot that grows hot: worked out each minute and with each act, by the one planner. */
export function useNextAct({ pour, events, plan, steps, state, step, coat, sinceS, nowMs }: Asked): {
  /** Seconds until it is due; null for what is done when it is done. */
  dueS: number | null;
  inWindow: { pass: Pass; at: WindowNow } | null;
  /** How much wider veins laid now would end, in words. */
  wider: string | null;
  pot: PotNow | null;
} {
  const { clockAt } = useShopClock();
  const minute = nowMs === null ? null : Math.floor(nowMs / 60_000);
  const next = useMemo(() => {
    if (minute === null) return null;
    const clock = clockAt(minute * 60_000);
    const found = whatNext({ ...pour, events }, plan, steps, clock, undefined, step);
    if (!found) return null;
    return {
      stepId: found.step.id,
      atMs: minute * 60_000 + (found.atMin - clock.nowMin) * 60_000,
      at: found.window && windowNow(found.window, clock.nowMin),
      opensMin: found.window ? found.window.from.likely - clock.nowMin : 0,
    };
  }, [minute, clockAt, pour, events, plan, steps, step]);
  const waits = step?.kind === "pass" || step?.kind === "weigh";
  const dueS = next && nowMs !== null && waits ? (next.atMs - nowMs) / 1000 : null;
  const pass = coat?.coat.passes.find(({ id }) => id === step?.passId);
  // What was worked out may still be of the act before.
  const at = next && next.stepId === step?.id && step.kind === "pass" ? next.at : null;
  const opensMin = next?.opensMin ?? 0;
  const sinceMin = sinceS === null ? null : Math.floor(sinceS / 60);
  const { tempC } = pour.plan.document.work;
  const wider = useMemo(() => {
    // A coat of veins lies in the film of another one.
    if (pass?.kind !== "veins" || coat?.coat.kind === "vein" || at?.state !== "early" || sinceMin === null)
      return null;
    const resin = coat?.resin;
    if (!resin || resin.kind === "paint") return null;
    const film = { resin, tempC, filmMm: coat.coat.filmMm };
    return widerWords(veinsWider(film, { now: sinceMin, open: sinceMin + opensMin }));
  }, [pass, at, coat, tempC, sinceMin, opensMin]);
  const pot = useMemo(
    () => (minute === null ? null : potNow(plan, steps, state, minute * 60_000)),
    [plan, steps, state, minute],
  );
  return { dueS, inWindow: pass && at ? { pass, at } : null, wider, pot };
}
