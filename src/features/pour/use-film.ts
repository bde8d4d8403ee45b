"use client";

import { useMemo } from "react";
import type { Pour } from "@/contracts/pours";
import { filmMoment, flowShareIn, type FilmMoment } from "@/core/cure/film-in-room";
import type { StateStart } from "@/core/cure/film-states";
import type { Spread } from "@/core/numerics/spread";
import type { PlannedCoat } from "@/core/plan/timed";
import { heatedLifeIn, pulsesOf } from "@/core/cure/heat";
import { heatsOn } from "@/core/pour/heats";
import { mixedAt, type PourState } from "@/core/pour/pour-events";
import { roomOfPour } from "@/core/pour/room-of-pour";
import type { RunStep } from "@/core/pour/run-sheet";
import { wallMinutes } from "@/core/shop/wall-clock";
import { useShopClock } from "@/ui/shop-clock";

/** What stands on the screen is worked out anew this often, s. */
const FRESH_S = 10;

/** A film now, its life, and how much of its flow is left. */
export type Film = FilmMoment & { life: StateStart[]; flow: Spread };

/** The film of a coat that was mixed: its life in the room as it was read, with the heat that was put on it, and how it is now. Null for a paint, and before mixing. */
export function useFilm(
  pour: Pour,
  coat: PlannedCoat | undefined,
  steps: readonly RunStep[],
  state: PourState,
  sinceS: number | null,
): Film | null {
  const { zone } = useShopClock();
  const lies = useMemo(() => {
    if (!coat?.resin || !coat.batched || coat.resin.kind === "paint") return null;
    const minuteOf = (at: string) => wallMinutes(new Date(at), new Date(pour.startedAt), zone);
    const mixed = mixedAt(steps, state, coat.coat.id);
    if (mixed === null) return null;
    const heats = heatsOn(
      { coat: coat.coat, resin: coat.resin, batched: coat.batched },
      steps,
      state,
      minuteOf,
    );
    const film = {
      resin: coat.resin,
      room: roomOfPour(pour.plan.document, state.room, minuteOf),
      mixedAtMin: minuteOf(mixed),
      pulses: pulsesOf(heats),
    };
    return { film, life: heatedLifeIn(film, heats) };
  }, [pour, zone, coat, steps, state]);
  const since = sinceS === null ? null : Math.max(0, Math.floor(sinceS / FRESH_S) * FRESH_S) / 60;
  return useMemo(
    () =>
      lies && since !== null
        ? { life: lies.life, flow: flowShareIn(lies.film, since), ...filmMoment(lies.film, since) }
        : null,
    [lies, since],
  );
}
