import { advise } from "../advice/advise";
import { adviceKey, canSetAside, type Advice } from "../advice/advice";
import type { ColourCard } from "../colour/colour-card";
import { isPlaced } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";
import { coversZone, type Coat } from "../schedule/coat";
import type { DayPlan } from "../schedule/plan-days";
import type { CoatLooks, ColourPlan } from "./colour-plan";
import type { PlannedCoat } from "./timed";
import { finishedBeside } from "./zone-borders";
import { zoneSteps } from "./zone-steps";

/** What is advised, and what was set aside with the reason that was given. */
export type Advised = { advice: Advice[]; setAside: { advice: Advice; note: string }[] };

/** The coldest that a room gets, °C. */
function coldestC({ room, tempC }: JobDocument["work"]): number {
  if (!room || room.kind === "constant") return tempC;
  return room.kind === "day" ? room.coldC : Math.min(...room.readings.map(([, reading]) => reading));
}

function withoutSetAside(all: readonly Advice[], notes: Record<string, string>): Advised {
  const noteOf = (advice: Advice) => (canSetAside(advice) ? notes[adviceKey(advice)] : undefined);
  return {
    advice: all.filter((advice) => noteOf(advice) === undefined),
    setAside: all.flatMap((advice) => {
      const note = noteOf(advice);
      return note === undefined ? [] : [{ advice, note }];
    }),
  };
}

/** Zones of a coat that end at a tape, where the coat is not poured over it alike. */
function tapedBy(coat: Coat, pieces: readonly Measured[]): string[] {
  return pieces.flatMap(({ id, zones, borders }) => {
    const on = zones.filter((zone) => coversZone(coat, id, zone.id));
    if (on.length === zones.length && !isPlaced(coat.colours)) return [];
    const ends = new Set(
      borders.filter(({ divider }) => divider.barrier?.kind === "tape").flatMap(({ zoneIds }) => zoneIds),
    );
    return on.filter((zone) => ends.has(zone.id)).map(({ name }) => name);
  });
}

export function advised(
  { work, setAside = {} }: JobDocument,
  pieces: readonly Measured[],
  coats: readonly PlannedCoat[],
  troubles: DayPlan["troubles"],
  looks: ColourPlan,
  colourants: readonly ColourCard[],
): Advised {
  const steps = zoneSteps(pieces, coats, work.tempC);
  const ordered = coats.map(({ coat }) => coat);
  const last = ordered.at(-1)?.id ?? null;
  const all = advise({
    startMin: work.startMin,
    troubles,
    tempC: work.tempC,
    coldestC: coldestC(work),
    humidityPct: work.humidityPct ?? null,
    colourants: new Map(colourants.map((card) => [card.id, card])),
    coats: coats.map(({ coat, batched, resin, windows, pourDepthMm, reactingMm }, index) => ({
      coat,
      below: coats[index - 1]?.coat ?? null,
      belowWet: (coat.startsAfter === "wet" || coat.startsAfter === "late") && index > 0,
      batched,
      resin,
      windows,
      pourDepthMm,
      taped: tapedBy(coat, pieces),
      steps: steps.filter(({ coatId }) => (coatId ?? last) === coat.id),
      beside: finishedBeside(coat, ordered, pieces),
      reactingMm,
      seen: looks.coats[index] as CoatLooks,
    })),
  });
  return withoutSetAside(all, setAside);
}
