import { z } from "zod";
import { COLOUR_KIND_WORDS, type ColourCard, type ColourKind } from "@/core/colour/colour-card";
import { PIGMENTS, type PigmentKey } from "@/core/colour/pigments";
import { act } from "./act";
import { doseMeasure } from "./dose-measure";
import { freeText, nameText, rowId } from "./text";

const hex = z.string().regex(/^#[0-9A-Fa-f]{6}$/, "Type a colour as # and six signs, for example #7F3A2B.");
const keysOf = <Key extends string>(of: Record<Key, unknown>) => Object.keys(of) as [Key, ...Key[]];
const share = (low: number, what: string) =>
  z.number(`Type ${what}.`).min(low, `Too small for ${what}.`).max(1, `Too large for ${what}.`);

/** L*a*b* with its geometry: measured without gloss, or with (it is then brought to without). */
export const labSchema = z
  .tuple([
    z.number().min(0, "L* is 0 at least.").max(100, "L* is 100 at most."),
    z.number().min(-150).max(150),
    z.number().min(-150).max(150),
  ])
  .readonly();
const swatch = z.union([
  z.object({ hex }),
  z.object({ lab: labSchema, gloss: z.literal("included").optional() }),
]);

const appearance = z.discriminatedUnion("by", [
  z.object({
    by: z.literal("pigment"),
    pigment: z.enum(keysOf<PigmentKey>(PIGMENTS)),
    dryShare: share(0.001, "the share of dry pigment"),
  }),
  z.object({
    by: z.literal("swatches"),
    swatches: z.object({
      masstone: swatch.nullable(),
      tint: z.object({ swatch, share: share(0.001, "the share in the tint") }).nullable(),
      shade: z.object({ swatch, share: share(0.001, "the share of black") }).nullable(),
    }),
    opacity: z.enum(["opaque", "semi", "transparent"]),
    dryShare: share(0.001, "the share of dry pigment"),
  }),
  z.object({
    by: z.literal("flakes"),
    face: hex,
    body: hex,
    peak: z.number().min(0.02).max(0.6),
    bodyS: z.number().min(0.01).max(5),
  }),
  z.object({
    by: z.literal("dye"),
    hex,
    filmMm: z.number().min(0.05).max(50),
    gPer100G: z.number().min(0.001).max(20),
  }),
  z.object({ by: z.literal("unknown"), hex }),
]);

/** A colour card without its id, as the form sends it. */
export const colourCardFields = z
  .object({
    name: nameText("a name for the colour"),
    index: freeText(20),
    kind: z.enum(keysOf<ColourKind>(COLOUR_KIND_WORDS)),
    appearance,
    mostPer100G: z.number().min(0.01, "Too small for a limit.").max(100, "Too large for a limit.").nullable(),
    measure: doseMeasure,
    densityGPerMl: z
      .number("Type the density.")
      .min(0.05, "Too small for a density.")
      .max(20, "Too large for a density."),
    pricePerKg: z.number().min(0).max(100_000, "Too large for a price.").nullable(),
  })
  .refine(
    ({ appearance: look }) =>
      look.by !== "swatches" ||
      look.swatches.masstone !== null ||
      look.swatches.tint !== null ||
      look.swatches.shade !== null,
    { message: "Type one swatch at least.", path: ["appearance"] },
  );

export type ColourCardFields = z.infer<typeof colourCardFields>;

/** Compile-time check: the wire's fields and the core's card are the same. */
export const asColourCard = (id: string, fields: ColourCardFields): ColourCard => ({ id, ...fields });

export const saveColourCard = act<ColourCard>()(
  "colour.save",
  "person",
  z.object({ cardId: rowId.nullable(), fields: colourCardFields }),
);
/** Takes a colour off the shelf, or brings it back. */
export const removeColourCard = act<null>()(
  "colour.remove",
  "owner",
  z.object({ cardId: rowId, removed: z.boolean().default(true) }),
);
/** Adds the usual colourants that the shop has not by name; tells how many. */
export const addStarterColours = act<{ added: number }>()("colour.starters", "person", z.strictObject({}));
/** Adds colours, as from a file; those whose names are on the shelf are left out. */
export const addColours = act<{ added: number }>()(
  "colour.add-several",
  "person",
  z.object({ colours: z.array(colourCardFields).min(1).max(500, "At most 500 colours at one time.") }),
);
