import { addDays, formatISO, parseISO } from "date-fns";
import type { ColourLook } from "@/core/batch/coat-colour";
import type { Vessel } from "@/core/batch/vessel";
import type { Plan } from "@/core/plan/derive-plan";
import { runSheet } from "@/core/pour/run-sheet";
import { weighStepId } from "@/core/pour/weigh-step";
import { cupTitle, sectionWords } from "@/core/pour/step-words";
import { clockText, type ClockStyle } from "@/core/units/clock";
import { cupsMl, dosesWords, type WeighLine } from "@/core/pour/weigh-lines";
import { DAY_MIN } from "@/core/schedule/hours";
import type { UnitSystem } from "@/core/units/dimension";

/** One batch as it stands on the sheet: what is weighed, in order, and which cups it is split into. */
export type SheetBatch = {
  key: string;
  coatName: string;
  resinName: string;
  of: string;
  sections: string;
  mixMl: number;
  mixG: number;
  mixAt: string;
  /** Day of the plan on which it is mixed, from 1, and its date where the job has one. */
  day: number;
  date: string | null;
  pourBy: string;
  weigh: WeighLine[];
  cups: SheetCup[];
};

/** A cup as it stands on the sheet: to size, with its fill line, in pouring order. */
export type SheetCup = {
  name: string;
  hex: string;
  look: ColourLook;
  ml: number;
  /** As it is told in the person's units, so that the cups told sum to the pot told, ml. */
  toldMl: number;
  g: number;
  dose: string;
  share: number;
  vessel: Vessel;
};

const dayOf = (minutes: number) => Math.floor(minutes / DAY_MIN);
const dateAfter = (startOn: string, days: number) =>
  formatISO(addDays(parseISO(startOn), days), { representation: "date" });

/** The batch sheet of a plan, batch by batch in the order of mixing. */
export function batchSheet(plan: Plan, system: UnitSystem, style: ClockStyle = "24h"): SheetBatch[] {
  const { startOn } = plan;
  const steps = runSheet(plan, system);
  return plan.coats.flatMap(({ coat, resin, batched, windows }) =>
    (batched?.batches ?? []).map((batch): SheetBatch => {
      const time = windows?.batches.find((row) => row.number === batch.number);
      const volumes = cupsMl(batch.cups, system);
      const lowMin = batched?.potLifeMin?.low;
      return {
        key: `${coat.id}-${batch.number}`,
        coatName: coat.name,
        resinName: resin?.name ?? "",
        of:
          (batched?.batches.length ?? 1) > 1
            ? `batch ${batch.number} of ${batched?.batches.length}`
            : "one batch",
        sections: sectionWords(batch.sections, system),
        mixMl: batch.parts.mixMl,
        mixG: batch.parts.mixG,
        mixAt: time ? clockText(time.mixAtMin, style) : "",
        day: dayOf(time?.mixAtMin ?? 0) + 1,
        date: startOn === null ? null : dateAfter(startOn, dayOf(time?.mixAtMin ?? 0)),
        pourBy: time && lowMin !== undefined ? clockText(time.mixAtMin + lowMin, style) : "",
        weigh: steps.find((step) => step.id === weighStepId(coat.id, batch.number))?.weigh ?? [],
        cups: batch.cups.map((cup, index) => ({
          name: cupTitle(cup),
          hex: coat.colours.find((colour) => colour.id === cup.colourId)?.hex ?? "#EFE9D6",
          look: coat.colours.find((colour) => colour.id === cup.colourId)?.look ?? "clear",
          vessel: cup.vessel,
          ml: cup.ml,
          toldMl: volumes[index] ?? cup.ml,
          g: cup.g,
          dose: dosesWords(cup, plan.atHand.scaleStepG),
          share: cup.ml / batch.parts.mixMl,
        })),
      };
    }),
  );
}
