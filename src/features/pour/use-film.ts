"use client";

import { useMemo } from "react";
import type { Pour } from "@/contracts/pours";
import { filmLifeIn, filmMoment, flowShareIn, type FilmMoment } from "@/core/cure/film-in-room";
import type { StateStart } from "@/core/cure/film-states";
import type { Spread } from "@/core/numerics/spread";
import type { PlannedCoat } from "@/core/plan/timed";
import { roomOf } from "@/core/job/job-settings";
import { wallMinutes } from "@/core/shop/wall-clock";
import { useShopClock } from "@/ui/shop-clock";

/** What stands on the screen is worked out anew this often, s. */
const FRESH_S = 10;

/** A film now, its life, and how much of its flow is left. */
export type Film = FilmMoment & { life: StateStart[]; flow: Spread };

/** The film of a coat that was mixed: its life in the room from that moment, and how it is now. Null for a paint, and before mixing. */
export function useFilm(
  pour: Pour,
  coat: PlannedCoat | undefined,
  mixedAt: string | null,
  sinceS: number | null,
): Film | null {
  const { zone } = useShopClock();
  const resin = coat?.resin ?? null;
  const since = sinceS === null ? null : Math.max(0, Math.floor(sinceS / FRESH_S) * FRESH_S) / 60;
  return useMemo(() => {
    if (!resin || resin.kind === "paint" || mixedAt === null || since === null) return null;
    const mixedAtMin = wallMinutes(new Date(mixedAt), new Date(pour.startedAt), zone);
    const film = { resin, room: roomOf(pour.plan.document), mixedAtMin };
    return { life: filmLifeIn(film), flow: flowShareIn(film, since), ...filmMoment(film, since) };
  }, [resin, mixedAt, since, pour, zone]);
}
