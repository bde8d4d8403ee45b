"use client";

import { useMemo } from "react";
import { useStore } from "zustand";
import type { Pour } from "@/contracts/pours";
import { loggedPour } from "@/core/inspect/logged-pour";
import { mendTime, isPastMending, type MendTime } from "@/core/inspect/mend-time";
import { derivePlan } from "@/core/plan/derive-plan";
import { wallMinutes } from "@/core/shop/wall-clock";
import { useShopClock } from "@/ui/shop-clock";
import { usePourStore } from "../use-pour-store";

/** A coat that is still wet, and how long it can be mended. */
export type WetCoat = { coatId: string; name: string; mend: MendTime };

/** A pour that is looked at: what its log says, what was seen, and what of it is still wet. */
export function useInspected(pour: Pour) {
  const { store, now } = usePourStore(pour);
  const { events, waiting, trouble, record, keepPhoto } = useStore(store);
  const { zone } = useShopClock();
  const plan = useMemo(() => derivePlan(pour.plan.document, pour.plan.cards, pour.plan.colours), [pour.plan]);
  const logged = useMemo(() => {
    const day = new Date(pour.startedAt);
    const minuteOf = (at: string) => wallMinutes(new Date(at), day, zone);
    return loggedPour({ ...pour.plan, plan }, events, minuteOf);
  }, [pour, plan, events, zone]);
  // A film changes little in ten seconds.
  const tenth = now === null ? null : Math.floor(now / 10_000) * 10_000;
  const wet = useMemo((): WetCoat | null => {
    const last = logged.poured.filter(({ of }) => of.resin.kind !== "paint").at(-1);
    if (tenth === null || !last) return null;
    const nowMin = logged.minuteOf(new Date(tenth).toISOString());
    const mend = mendTime(last.windows.life, nowMin - last.windows.mixedAtMin);
    return isPastMending(mend) ? null : { coatId: last.of.coat.id, name: last.of.coat.name, mend };
  }, [logged, tenth]);
  return { logged, events, wet, now, waiting, trouble, record, keepPhoto };
}

export type Inspected = ReturnType<typeof useInspected>;
