import { z } from "zod";
import type { ResinCard } from "@/core/cure/resin-card";
import { act } from "./act";
import { nameText, rowId } from "./text";

const number = (low: number, high: number, what: string) =>
  z.number(`Type ${what}.`).min(low, `Too small for ${what}.`).max(high, `Too large for ${what}.`);
const perhaps = (low: number, high: number, what: string) => number(low, high, what).nullable();

/** A resin card without its id, as the form sends it. */
export const resinCardFields = z
  .object({
    name: nameText("a name for the resin"),
    kind: z.enum(["coating", "fast", "casting", "hybrid", "paint"]),
    ratioBy: z.enum(["volume", "mass"]),
    ratioA: number(0.01, 1000, "the parts of A"),
    ratioB: number(0, 1000, "the parts of B"),
    ratioTolerancePct: number(0.1, 100, "the tolerance"),
    densityAGPerMl: number(0.5, 4, "the density of A"),
    densityBGPerMl: number(0.5, 4, "the density of B"),
    viscosityPaS: perhaps(0.01, 100, "the viscosity"),
    viscosityTempC: number(0, 60, "its temperature"),
    potLifeMin: perhaps(0.5, 5000, "the pot life"),
    potMassG: number(5, 50000, "the mass of the pot life test"),
    potTempC: number(0, 60, "the temperature of the pot life test"),
    filmTempC: number(0, 60, "the temperature of the film times"),
    workMin: perhaps(1, 5000, "the working time"),
    gelH: perhaps(0.05, 500, "the gel time"),
    tackFreeH: perhaps(0.05, 1000, "the tack-free time"),
    recoatFromH: perhaps(0, 1000, "the start of the recoat window"),
    recoatUntilH: perhaps(0, 2000, "the end of the recoat window"),
    sandH: perhaps(0.1, 2000, "the time to sanding"),
    hardH: perhaps(0.5, 5000, "the time to full hardness"),
    largestMixG: perhaps(10, 200000, "the largest mix"),
    thickestFilmMm: perhaps(0.05, 300, "the thickest film"),
    fillerGPer100G: perhaps(0.1, 1000, "the filler"),
    fillerDensityGPerMl: perhaps(0.05, 10, "the density of the filler"),
    kits: z
      .array(
        z.object({
          ml: number(1, 1_000_000, "the size of the kit"),
          price: number(0, 100_000, "the price of the kit"),
        }),
      )
      .max(12, "A card has at most 12 kits."),
    pricePerLitre: perhaps(0, 10000, "the price"),
    forCounters: z.boolean(),
  })
  .refine((card) => card.kind === "paint" || card.ratioB > 0, {
    message: "A two-part resin needs a part B.",
    path: ["ratioB"],
  })
  .refine((card) => card.fillerGPer100G === null || card.fillerDensityGPerMl !== null, {
    message: "Type the density of the filler.",
    path: ["fillerDensityGPerMl"],
  })
  .refine(
    (card) => card.recoatFromH === null || card.recoatUntilH === null || card.recoatUntilH > card.recoatFromH,
    { message: "The window ends before it begins.", path: ["recoatUntilH"] },
  );

/** What a two-part resin has in place of a filler and kits. */
export const NO_FILLER = {
  fillerGPer100G: null,
  fillerDensityGPerMl: null,
  kits: [] as { ml: number; price: number }[],
};

export type ResinCardFields = z.infer<typeof resinCardFields>;

/** Compile-time check: the wire's fields and the core's card are the same. */
export const asResinCard = (id: string, fields: ResinCardFields): ResinCard => ({ id, ...fields });

export const saveResinCard = act<ResinCard>()(
  "card.save",
  "person",
  z.object({ cardId: rowId.nullable(), fields: resinCardFields }),
);
export const removeResinCard = act<null>()("card.remove", "owner", z.object({ cardId: rowId }));
