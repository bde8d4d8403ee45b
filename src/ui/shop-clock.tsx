"use client";

import { format } from "date-fns";
import { createContext, useContext, useMemo, type ReactNode } from "react";
import { onTheWall, wallClock, type Zone } from "@/core/shop/wall-clock";
import type { WallClock } from "@/core/shop/shop";

const ShopZone = createContext<Zone>(null);

/** All that stands under it tells its times as the clock on the shop's wall does, wherever it is looked at. */
export function ShopClock({ zone, children }: { zone: Zone; children: ReactNode }) {
  return <ShopZone.Provider value={zone}>{children}</ShopZone.Provider>;
}

/** The clock on the shop's wall. */
export function useShopClock(): {
  zone: Zone;
  /** A moment in words, by a pattern of date-fns. */
  say: (at: string | number | Date, pattern: string) => string;
  clockAt: (now: number) => WallClock;
} {
  const zone = useContext(ShopZone);
  return useMemo(
    () => ({
      zone,
      say: (at, pattern) => format(onTheWall(new Date(at), zone), pattern),
      clockAt: (now) => wallClock(new Date(now), zone),
    }),
    [zone],
  );
}
