import { z } from "zod";
import type { AskedLine, PriceUnit } from "@/core/money/price";
import { USUAL_RATES, type Rates, type UsedBy } from "@/core/money/rates";
import { act } from "./act";
import { freeText, nameText, rowId } from "./text";

const MOST_MINOR = 1e9;
export const minor = z
  .number("Type an amount.")
  .int("Whole cents.")
  .min(0, "Not less than nothing.")
  .max(MOST_MINOR, "Too much.");
const percent = (most: number) =>
  z.number("Type a number.").min(0, "Not less than 0 %.").max(most, `At most ${most} %.`);
const minutes = z.number("Type minutes.").min(0, "Not less than nothing.").max(10_000, "Too long.");

function isCurrency(code: string): boolean {
  return Intl.supportedValuesOf("currency").includes(code);
}

export const priceUnit = z.enum(["m2", "ft2", "m", "ft", "piece", "flat"]) satisfies z.ZodType<PriceUnit>;
const usedBy = z.enum([
  "coat",
  "person and coat",
  "m2",
  "edge m",
  "cup",
  "stick",
  "alcohol l",
  "can",
]) satisfies z.ZodType<UsedBy>;

export const taxBy = z.enum(["total", "line"]);

/** What a shop reckons with; money in whole minor units. */
export const ratesSchema = z.object({
  currency: z.string().refine(isCurrency, "Type a currency by its three letters, such as USD or EUR."),
  hourly: minor,
  setUpMin: minutes,
  boardMin: minutes,
  boardMl: z.number("Type a volume.").min(0, "Not less than nothing.").max(1e5, "Too much."),
  boards: z
    .number("Type how many.")
    .int("Whole boards.")
    .min(0, "Not less than none.")
    .max(99, "At most 99."),
  disposalPerLitre: minor,
  overheadPct: percent(500),
  usedUp: z
    .array(
      z.object({
        words: nameText("what is used up", 60),
        by: usedBy,
        many: z.number("Type how many.").min(0, "Not less than none.").max(10_000, "Too many."),
        each: minor,
      }),
    )
    .max(40, "At most 40 lines."),
  list: z
    .array(z.object({ words: nameText("what it is for", 80), unit: priceUnit, each: minor }))
    .max(60, "At most 60 lines."),
  marginPct: percent(95),
  taxName: nameText("what the tax is called", 30),
  taxPct: percent(100),
  taxBy,
  roundTo: minor.max(1e7, "Too large a step."),
  // Kept before there were quotes, they have neither.
  validDays: z
    .number("Type days.")
    .int("Whole days.")
    .min(1, "At least a day.")
    .max(730, "At most two years.")
    .default(USUAL_RATES.validDays),
  terms: freeText(4000).default(USUAL_RATES.terms),
}) satisfies z.ZodType<Rates>;

/** Lines of a job's price as they were typed. */
export const priceDraft = z.object({
  lines: z
    .array(
      z.object({
        words: nameText("what it is for", 80),
        quantity: z.number("Type how much.").min(0, "Not less than none.").max(1e5, "Too much."),
        unit: priceUnit,
        each: minor,
      }) satisfies z.ZodType<AskedLine>,
    )
    .max(60, "At most 60 lines."),
  rushPct: percent(300),
});
export type PriceDraft = z.infer<typeof priceDraft>;

export const setRates = act<null>()("money.set-rates", "owner", z.object({ fields: ratesSchema }));

export const savePrice = act<null>()(
  "money.save-price",
  "person",
  z.object({ jobId: rowId, fields: priceDraft }),
);
