import { advise } from "../advice/advise";
import { adviceKey, canSetAside, type Advice, type FinishedZone } from "../advice/advice";
import type { ColourCard } from "../colour/colour-card";
import { isPlaced } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";
import { coversZone, type Coat } from "../schedule/coat";
import type { DayPlan } from "../schedule/plan-days";
import type { CoatLooks, ColourPlan } from "./colour-plan";
import type { PlannedCoat } from "./timed";
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

/** Zones beside a coat's own that an earlier coat was poured on alone: finished, as far as this one goes. */
export function finishedBeside(
  coat: Coat,
  before: readonly Coat[],
  pieces: readonly Measured[],
): FinishedZone[] {
  return pieces.flatMap(({ id, zones, borders }) => {
    const names = new Map(zones.map((zone) => [zone.id, zone.name]));
    const on = (zoneId: string) => coversZone(coat, id, zoneId);
    const found = new Map<string, FinishedZone>();
    for (const { zoneIds, lengthMm, divider } of borders) {
      const [one, other] = zoneIds;
      if (on(one) === on(other)) continue;
      const [poured, beside] = on(one) ? [one, other] : [other, one];
      const finished = before.findLast(
        (earlier) =>
          makesColour(earlier) && coversZone(earlier, id, beside) && !coversZone(earlier, id, poured),
      );
      if (!finished) continue;
      const known = found.get(beside);
      found.set(beside, {
        name: names.get(beside) ?? "",
        coat: finished.name,
        lengthMm: (known?.lengthMm ?? 0) + lengthMm,
        barrier: (known?.barrier ?? true) && divider.barrier !== undefined,
      });
    }
    return [...found.values()];
  });
}

const makesColour = ({ kind }: Coat): boolean => kind === "colour" || kind === "clear" || kind === "fill";

export function advised(
  { work, setAside = {} }: JobDocument,
  pieces: readonly Measured[],
  coats: readonly PlannedCoat[],
  troubles: DayPlan["troubles"],
  looks: ColourPlan,
  colourants: readonly ColourCard[],
): Advised {
  const steps = zoneSteps(pieces, coats, work.tempC);
  const last = coats.at(-1)?.coat.id ?? null;
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
      beside: finishedBeside(
        coat,
        coats.slice(0, index).map((planned) => planned.coat),
        pieces,
      ),
      reactingMm,
      seen: looks.coats[index] as CoatLooks,
    })),
  });
  return withoutSetAside(all, setAside);
}
