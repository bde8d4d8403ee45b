import type { ColourLook } from "@/core/batch/coat-colour";
import type { Vessel } from "@/core/batch/vessel";
import type { Plan } from "@/core/plan/derive-plan";
import { clockText, cupsMl, dosesWords, runSheet, sectionWords, type WeighLine } from "@/core/plan/run-sheet";
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
  g: number;
  dose: string;
  share: number;
  vessel: Vessel;
};

/** The batch sheet of a plan, batch by batch in the order of mixing. */
export function batchSheet(plan: Plan, system: UnitSystem): SheetBatch[] {
  const steps = runSheet(plan, system);
  return plan.coats.flatMap(({ coat, card, batched, windows }) =>
    (batched?.batches ?? []).map((batch): SheetBatch => {
      const time = windows?.batches.find((row) => row.number === batch.number);
      const volumes = cupsMl(batch.cups);
      const lowMin = batched?.potLifeMin?.low;
      return {
        key: `${coat.id}-${batch.number}`,
        coatName: coat.name,
        resinName: card?.name ?? "",
        of:
          (batched?.batches.length ?? 1) > 1
            ? `batch ${batch.number} of ${batched?.batches.length}`
            : "one batch",
        sections: sectionWords(batch.sections, system),
        mixMl: batch.parts.mixMl,
        mixG: batch.parts.mixG,
        mixAt: time ? clockText(time.mixAtMin) : "",
        pourBy: time && lowMin !== undefined ? clockText(time.mixAtMin + lowMin) : "",
        weigh: steps.find((step) => step.id === `${coat.id}:${batch.number}:weigh`)?.weigh ?? [],
        cups: batch.cups.map((cup, index) => ({
          name: cup.name,
          hex: coat.colours.find((colour) => colour.id === cup.colourId)?.hex ?? "#EFE9D6",
          look: coat.colours.find((colour) => colour.id === cup.colourId)?.look ?? "clear",
          vessel: cup.vessel,
          ml: volumes[index] ?? cup.ml,
          g: cup.g,
          dose: dosesWords(cup),
          share: cup.ml / batch.parts.mixMl,
        })),
      };
    }),
  );
}
