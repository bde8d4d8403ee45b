import { MOST_ZONES } from "@/core/geometry/zones/zone-faults";
import { GROUND_IDS } from "@/core/batch/grounds";
import { z } from "zod";
import { EMBEDS, type EmbedKind } from "@/core/batch/embeds";
import { MOST_G_PER_100G, MOST_IN_CUP } from "@/core/batch/coat-colour";
import { MOST_MIX_ML } from "@/core/batch/given";
import { MOST_BATCHES } from "@/core/batch/split-batches";
import { TOOL_WORDS, type Tool } from "@/core/batch/factors";
import {
  DROP_WORDS,
  MOST_MANY,
  POUR_WORDS,
  WAY_WORDS,
  WORK_TOOL_WORDS,
  type DropSize,
  type PourStyle,
  type Way,
  type WorkTool,
} from "@/core/pattern/passes/work";
import { FILM_STATES } from "@/core/cure/film-states";
import {
  COAT_WORDS,
  COVER_BOUNDS,
  FILM_BOUNDS,
  START_WORDS,
  type CoatKind,
  type StartsAfter,
} from "@/core/schedule/coat";
import { MOST_ROUNDS, MOST_SECTIONS } from "@/core/schedule/pass";
import { MOST_COLOURS } from "@/core/schedule/amounts";
import { MOST_MIN } from "@/core/schedule/when";
import { PASS, type PassKind } from "@/core/passes/facts";
import { doseMeasure } from "./dose-measure";
import { freeText, partId, rowId } from "./text";
import { keysOf, label, pair } from "./piece";

export const ground = z.enum(GROUND_IDS);

/** Pieces and zones that a colour or a pass is for by name. */
const MOST_PLACES = 200;

const embed = z.object({
  id: partId,
  name: label,
  kind: z.enum(keysOf<EmbedKind>(EMBEDS)),
  massG: z.number().min(0).max(1_000_000),
  gPerM2: z.number().min(0).max(1_000_000).optional(),
  densityGPerMl: z.number().min(0.1).max(25),
  lockedShare: z.number().min(0).max(1.5),
  single: z
    .object({
      sizeMm: z.number().min(0.5).max(1000),
      many: z.discriminatedUnion("by", [
        z.object({ by: z.literal("number"), count: z.number().int().min(0).max(1_000_000) }),
        z.object({ by: z.literal("area"), perM2: z.number().min(0).max(1_000_000) }),
        z.object({ by: z.literal("line"), perM: z.number().min(0).max(100_000) }),
      ]),
      zoneIds: z.array(partId).max(MOST_ZONES).optional(),
    })
    .optional(),
});

const colour = z.object({
  id: partId,
  name: label,
  hex: z.string().regex(/^#[0-9a-fA-F]{6}$/),
  look: z.enum(["opaque", "metallic", "tint", "clear"]),
  share: z.number().min(0).max(1),
  locked: z.boolean(),
  reserve: z.number().min(0).max(2),
  gPer100G: z.number().min(0).max(MOST_G_PER_100G),
  measure: doseMeasure,
  givenMl: z.number().min(0.1, "A cup holds at least 0.1 ml.").max(MOST_MIX_ML).optional(),
  cupDose: z.number().min(0).max(MOST_IN_CUP, `At most ${MOST_IN_CUP} in a cup.`).optional(),
  parts: z
    .array(
      z.object({
        cardId: rowId,
        name: label,
        gPer100G: z.number().min(0).max(MOST_G_PER_100G),
        measure: doseMeasure,
      }),
    )
    .max(8, "A colour is mixed from at most 8 colourants.")
    .optional(),
  placeIds: z.array(partId).max(MOST_PLACES).optional(),
});

const kitMl = z.number().min(1).max(MOST_MIX_ML);
const count = z.number().int().min(1).max(500);
const given = z.discriminatedUnion("by", [
  z.object({ by: z.literal("mixed"), ml: z.number().min(0.5).max(MOST_MIX_ML) }),
  z.object({ by: z.literal("kits"), kitMl, count }),
  z.object({ by: z.literal("vessel"), vesselMl: kitMl, count }),
  z.object({ by: z.literal("coverage"), ml: kitMl, areaMm2: z.number().min(100).max(1e12) }),
  z.object({ by: z.literal("cups") }),
]);

export const share = z.number().min(0).max(1);
const practisedStroke = z.object({
  tool: z.enum(keysOf<WorkTool>(WORK_TOOL_WORDS)),
  points: z.array(pair.readonly()).min(1).max(400).readonly(),
  pressure: share,
  flowLeft: share.optional(),
});
const work = z.object({
  pour: z.enum(keysOf<PourStyle>(POUR_WORDS)).optional(),
  way: z.enum(keysOf<Way>(WAY_WORDS)).optional(),
  drops: z.enum(keysOf<DropSize>(DROP_WORDS)).optional(),
  pressure: share.optional(),
  many: z.number().min(0.1).max(MOST_MANY).optional(),
  turnDeg: z.number().min(-180).max(180).optional(),
  wideMm: z.number().min(0.5).max(2000).optional(),
  seed: z.number().int().min(0).max(9999).optional(),
  hex: z
    .string()
    .regex(/^#[0-9a-fA-F]{6}$/)
    .optional(),
  strokes: z.array(practisedStroke).max(200, "A practice has at most 200 pulls.").readonly().optional(),
  strokesOnMm: z
    .tuple([z.number().min(1).max(1e6), z.number().min(1).max(1e6)])
    .readonly()
    .optional(),
});

const minutes = z.number().min(0).max(MOST_MIN);
export const ofDay = z.number().int().min(0).max(1439);
const everyMin = z.number().min(1).max(MOST_MIN);
const pass = z.object({
  id: partId,
  kind: z.enum(keysOf<PassKind>(PASS)),
  tool: z.enum(keysOf<Tool>(TOOL_WORDS)),
  note: freeText(400),
  rounds: z.number().int().min(1).max(50),
  mlPerM2: z.number().min(0).max(500).nullable(),
  fromMin: minutes.nullable(),
  afterMin: minutes.nullable().optional(),
  afterPassId: partId.optional(),
  atMinute: ofDay.optional(),
  lastsMin: minutes.optional(),
  repeat: z
    .union([
      z.object({ everyMin, until: z.enum(FILM_STATES) }),
      z.object({ everyMin, times: z.number().int().min(1).max(MOST_ROUNDS) }),
    ])
    .optional(),
  sections: z.number().int().min(1).max(MOST_SECTIONS).optional(),
  colourIds: z.array(partId).max(MOST_COLOURS).optional(),
  zoneIds: z.array(partId).max(MOST_PLACES).optional(),
  toolWetWith: partId.optional(),
  stopHere: freeText(120).nullable(),
  gPer100Ml: z.number().min(0).max(100).optional(),
  work: work.optional(),
});

const coloursOf = <Colour extends z.ZodType>(of: Colour) =>
  z.array(of).max(MOST_COLOURS, `A coat has at most ${MOST_COLOURS} colours.`);

/** What a coat is without the pieces it goes on. */
const coatFields = {
  id: partId,
  kind: z.enum(keysOf<CoatKind>(COAT_WORDS)),
  name: label,
  filmMm: z.number().min(FILM_BOUNDS.min).max(FILM_BOUNDS.max),
  coverShare: z.number().min(COVER_BOUNDS.min).max(COVER_BOUNDS.max),
  coversFaces: z.boolean(),
  resinCardId: z.uuid().nullable(),
  colours: coloursOf(colour),
  clearReserve: z.number().min(0).max(2),
  school: z.enum(["colour-into-a", "clear-first"]),
  rateM2PerH: z.number().min(0.1).max(200),
  startsAfter: z.enum(keysOf<StartsAfter>(START_WORDS)),
  notBefore: z
    .object({
      afterMin: minutes.optional(),
      after: z.enum(["mixed", "worked"]).optional(),
      atMinute: ofDay.optional(),
    })
    .optional(),
  passes: z.array(pass).max(40, "A coat has at most 40 passes."),
  embeds: z.array(embed).max(20, "A coat has at most 20 embeds.").optional(),
  byKits: z.boolean().optional(),
};

const sharesSumToOne = ({ colours }: { colours: readonly { share: number }[] }) =>
  colours.length === 0 || Math.abs(colours.reduce((sum, colour) => sum + colour.share, 0) - 1) < 1e-6;
const SHARES = { message: "The shares of a coat must sum to one.", path: ["colours"] };

export const coat = z
  .object({
    ...coatFields,
    pieceIds: z.array(partId).max(60).optional(),
    zonesByPiece: z.record(partId, z.array(partId).max(MOST_ZONES)).optional(),
    filmByPieceMm: z.record(partId, z.number().min(FILM_BOUNDS.min).max(FILM_BOUNDS.max)).optional(),
    given: given.optional(),
    batches: z.number().int().min(1).max(MOST_BATCHES, `At most ${MOST_BATCHES} batches.`).optional(),
  })
  .refine(sharesSumToOne, SHARES);
export const recipeCoat = z
  .object({
    ...coatFields,
    zoneIds: z.array(partId).max(MOST_ZONES).optional(),
    filmByZoneMm: z.record(partId, z.number().min(FILM_BOUNDS.min).max(FILM_BOUNDS.max)).optional(),
  })
  .refine(sharesSumToOne, SHARES);

export const coatsOf = <Coat extends z.ZodType>(of: Coat) =>
  z.array(of).max(20, "A job has at most 20 coats.");
