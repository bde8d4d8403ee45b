"use client";

import { format, parseISO } from "date-fns";
import { createContext, useContext, useMemo, type ReactNode } from "react";
import { onTheWall, wallClock, type Zone } from "@/core/shop/wall-clock";
import type { WallClock } from "@/core/shop/shop";
import { clockText, patternIn, type ClockStyle } from "@/core/units/clock";
import * as words from "./clock-words";

const Clock = createContext<{ zone: Zone; style: ClockStyle }>({ zone: null, style: "24h" });

/** All that stands under it tells its times as the clock on the shop's wall does, wherever it is looked at, in the way its reader writes them. */
export function ShopClock({ zone, style, children }: { zone: Zone; style: ClockStyle; children: ReactNode }) {
  const clock = useMemo(() => ({ zone, style }), [zone, style]);
  return <Clock.Provider value={clock}>{children}</Clock.Provider>;
}

/** Hours and days of a plan in words, as the reader writes them. */
export function useClockWords() {
  const { style } = useContext(Clock);
  return useMemo(
    () => ({
      style,
      clockText: (minutes: number) => clockText(minutes, style),
      hourText: (atMin: number) => words.hourText(atMin, style),
      /** A date as year-month-day in words. */
      dateText: (date: string) => format(parseISO(date), patternIn("d MMM yyyy", style)),
      dayText: (day: number, startOn: string | undefined) => words.dayText(day, startOn, style),
      momentText: (atMin: number, startOn: string | undefined) => words.momentText(atMin, startOn, style),
      shortMoment: (atMin: number, startOn: string | undefined) => words.shortMoment(atMin, startOn, style),
    }),
    [style],
  );
}

/** The clock on the shop's wall. */
export function useShopClock(): {
  zone: Zone;
  /** A moment in words, by a pattern of date-fns with the day first and 24 hours. */
  say: (at: string | number | Date, pattern: string) => string;
  clockAt: (now: number) => WallClock;
} {
  const { zone, style } = useContext(Clock);
  return useMemo(
    () => ({
      zone,
      say: (at, pattern) => format(onTheWall(new Date(at), zone), patternIn(pattern, style)),
      clockAt: (now) => wallClock(new Date(now), zone),
    }),
    [zone, style],
  );
}
