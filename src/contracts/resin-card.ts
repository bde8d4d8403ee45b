import { z } from "zod";
import type { BenchTest, ResinCard } from "@/core/cure/resin-card";
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
    gel2H: perhaps(0.05, 500, "the second gel time"),
    gel2TempC: number(0, 60, "its temperature"),
    roomFromC: perhaps(0, 60, "the coldest room"),
    roomToC: perhaps(0, 60, "the warmest room"),
    humidityMaxPct: perhaps(1, 100, "the highest humidity"),
    heatedToC: perhaps(1, 120, "how warm it is after the heating").default(null),
    heatHalfMin: perhaps(0.5, 240, "how soon half of that is gone").default(null),
    benchTests: z
      .array(
        z
          .object({
            kind: z.enum(["cup", "string", "gummy"]),
            minutes: number(0.5, 30_000, "the minutes of the test"),
            tempC: number(0, 60, "the temperature of the test"),
            massG: perhaps(5, 50_000, "the mass in the cup"),
          })
          .refine(({ kind, massG }) => kind !== "cup" || massG !== null, {
            message: "Type the mass in the cup.",
            path: ["massG"],
          }),
      )
      .max(12, "A card has at most 12 tests."),
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
  )
  .refine((card) => card.roomFromC === null || card.roomToC === null || card.roomToC > card.roomFromC, {
    message: "The warmest room is colder than the coldest.",
    path: ["roomToC"],
  })
  .refine((card) => card.heatedToC === null || card.heatedToC > card.filmTempC, {
    message: "Heating makes it warmer than the film times hold at.",
    path: ["heatedToC"],
  })
  .refine((card) => card.heatedToC === null || card.heatHalfMin !== null, {
    message: "Type how soon half of that warmth is gone.",
    path: ["heatHalfMin"],
  })
  .refine((card) => card.heatHalfMin === null || card.heatedToC !== null, {
    message: "Type how warm the film is after the heating.",
    path: ["heatedToC"],
  })
  .refine((card) => card.gel2H === null || Math.abs(card.gel2TempC - card.filmTempC) >= 3, {
    message: "A second gel time tells something from 3 °C (5 °F) off the first temperature on.",
    path: ["gel2TempC"],
  });

/** What a card has that says nothing of fillers, kits, rooms and tests. */
export const PLAIN_CARD = {
  gel2H: null,
  gel2TempC: 30,
  roomFromC: null,
  roomToC: null,
  humidityMaxPct: null,
  heatedToC: null,
  heatHalfMin: null,
  benchTests: [] as BenchTest[],
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
