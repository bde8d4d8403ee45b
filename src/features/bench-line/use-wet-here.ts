"use client";

import { useEffect, useState } from "react";
import type { UnitSystem } from "@/core/units/dimension";
import { poursHere } from "@/offline/outbox";
import { useShopClock } from "@/ui/shop-clock";
import type { WetNow } from "./wet-now";

/** What this device recorded is looked for so often, ms. */
const LOOK_MS = 5000;

/**
 * What is wet, with what this device knows of its pours and the page does not: acts that wait for the server, and those done since the page was made,
 * which may have been kept here for hours.
 */
export function useWetHere(wet: WetNow[], units: UnitSystem, shownAt: string): WetNow[] {
  const { zone } = useShopClock();
  const [here, setHere] = useState<{ of: WetNow[]; wet: WetNow[] } | null>(null);
  useEffect(() => {
    let over = false;
    let seen = "";
    const look = async () => {
      const newer = (await poursHere()).filter(
        ({ isBegun, waits, events }) => isBegun || waits || events.some(({ at }) => at > shownAt),
      );
      const now = newer.map(({ pour, events }) => `${pour.id} ${events.length}`).join();
      if (over || now === seen) return;
      seen = now;
      if (newer.length === 0) return setHere(null);
      const { wetOfPour } = await import("./wet-now");
      const shown = newer.flatMap(({ pour, events, isBegun, isOver }): WetNow[] => {
        const one = isOver ? null : wetOfPour({ ...pour, events }, units, zone);
        return one ? [isBegun ? { ...one, begunHere: true } : one] : [];
      });
      const others = wet.filter(({ pourId }) => !newer.some(({ pour }) => pour.id === pourId));
      if (!over) setHere({ of: wet, wet: [...shown, ...others] });
    };
    const again = () => void look().catch(() => {});
    again();
    const timer = setInterval(again, LOOK_MS);
    return () => {
      over = true;
      clearInterval(timer);
    };
  }, [wet, units, zone, shownAt]);
  return here?.of === wet ? here.wet : wet;
}
