import { GROUND_IDS } from "@/core/batch/grounds";
import { z } from "zod";
import { EMBEDS, type EmbedKind } from "@/core/batch/embeds";
import { MOST_G_PER_100G, MOST_IN_CUP } from "@/core/batch/coat-colour";
import { MOST_MIX_ML } from "@/core/batch/given";
import { MOST_BATCHES } from "@/core/batch/split-batches";
import { FACTORS, TOOL_WORDS, type FactorId, type Tool } from "@/core/batch/factors";
import {
  EDGE_WORDS,
  LARGEST_MM,
  TREATMENT_WORDS,
  type EdgeName,
  type EdgeTreatment,
  type Piece,
} from "@/core/geometry/piece";
import { MOST_CORNERS, MOST_HOLES } from "@/core/drawing-files/imported-piece";
import {
  DROP_WORDS,
  MOST_MANY,
  MOST_VEINS,
  MOST_VEIN_SETS,
  POUR_WORDS,
  THINNEST_VEIN_MM,
  WAY_WORDS,
  WORK_TOOL_WORDS,
  type DropSize,
  type PourStyle,
  type Way,
  type WorkTool,
} from "@/core/pattern/passes/work";
import type { JobDocument } from "@/core/job/job";
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
import { MOST_OTHERS } from "@/core/colour/target";
import { labSchema } from "./colour-card";
import { doseMeasure } from "./dose-measure";
import { freeText, partId, rowId, text } from "./text";

const label = freeText(80);
const length = z.number().min(0).max(LARGEST_MM);
const keysOf = <Key extends string>(record: Record<Key, unknown>) => Object.keys(record) as [Key, ...Key[]];

const edge = z.object({
  treatment: z.enum(keysOf<EdgeTreatment>(TREATMENT_WORDS)),
  heightMm: length,
  roundingMm: length,
});

const place = z.number().min(-LARGEST_MM).max(LARGEST_MM);
const pair = z.tuple([place, place]);

const outlinePoints = {
  points: z.array(pair).min(1).max(MOST_CORNERS, `An outline has at most ${MOST_CORNERS} corners.`),
  starts: z
    .array(z.number().int().min(0).max(MOST_CORNERS))
    .min(1)
    .max(400)
    .refine((starts) => starts.every((start, at) => at === 0 || start > (starts[at - 1] ?? 0)), {
      message: "The edges of an outline begin one after the other.",
    }),
  curved: z.boolean().optional(),
};
const startsWithinPoints = ({ points, starts }: { points: readonly unknown[]; starts: readonly number[] }) =>
  (starts.at(-1) ?? 0) < points.length;
/** A smooth line has ten to thirty points from one to the next. */
const MOST_CURVED = 400;
const curvedIsShort = ({ points, curved }: { points: readonly unknown[]; curved?: boolean | undefined }) =>
  !curved || points.length <= MOST_CURVED;
const CURVED = { message: `A smooth line goes through at most ${MOST_CURVED} points.`, path: ["points"] };
const STARTS = { message: "An edge of an outline begins at one of its corners.", path: ["starts"] };
const stations = z
  .array(z.object({ atMm: place, farMm: place, nearMm: place }))
  .max(400, "A line has at most 400 readings.");
const overhang = { overhangMm: z.number().min(0).max(2000).optional() };
const angle = z.number().min(-80).max(80).optional();
const joint = { joint: z.enum(["none", "mitre", "butt"]).optional() };

const mouldOutline = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("rectangle"), lengthMm: length, depthMm: length }),
  z.object({ kind: z.literal("round"), diameterMm: length }),
  z.object({ kind: z.literal("oval"), lengthMm: length, depthMm: length }),
  z
    .object({ kind: z.literal("free"), ...outlinePoints })
    .refine(startsWithinPoints, STARTS)
    .refine(curvedIsShort, CURVED),
]);

const shape = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("straight"),
    lengthMm: length,
    depthMm: length,
    mitreLeftDeg: angle,
    mitreRightDeg: angle,
    ...overhang,
  }),
  z.object({
    kind: z.literal("l-run"),
    lengthMm: length,
    depthMm: length,
    returnLengthMm: length,
    returnDepthMm: length,
    turn: z.enum(["left", "right"]),
    ...joint,
    ...overhang,
  }),
  z.object({
    kind: z.literal("rectangle"),
    lengthMm: length,
    depthMm: length,
    cornerRadiiMm: z.tuple([length, length, length, length]).optional(),
  }),
  z.object({
    kind: z.literal("u-run"),
    lengthMm: length,
    depthMm: length,
    leftLengthMm: length,
    leftDepthMm: length,
    rightLengthMm: length,
    rightDepthMm: length,
    ...joint,
    ...overhang,
  }),
  z.object({ kind: z.literal("round"), diameterMm: length }),
  z.object({ kind: z.literal("oval"), lengthMm: length, depthMm: length }),
  z.object({ kind: z.literal("racetrack"), lengthMm: length, depthMm: length }),
  z.object({ kind: z.literal("polygon"), sides: z.number().int().min(3).max(24), sideMm: length }),
  z
    .object({ kind: z.literal("free"), ...outlinePoints })
    .refine(startsWithinPoints, STARTS)
    .refine(curvedIsShort, CURVED),
  z
    .object({ kind: z.literal("floor"), ...outlinePoints })
    .refine(startsWithinPoints, STARTS)
    .refine(curvedIsShort, CURVED),
  z.object({ kind: z.literal("offsets"), stations }),
  z.object({ kind: z.literal("river"), stations, depthMm: length, boardMm: length.optional() }),
  z.object({
    kind: z.literal("tumbler"),
    topDiameterMm: length,
    bottomDiameterMm: length,
    heightMm: length,
    base: z.boolean(),
    rimBandMm: length,
    patch: z.object({ widthMm: length, heightMm: length, fromBottomMm: length }).nullable(),
  }),
  z.object({
    kind: z.literal("mould"),
    outline: mouldOutline,
    depthMm: length,
    draftDeg: z.number().min(0).max(60),
  }),
  z.object({ kind: z.literal("sample"), lengthMm: length, depthMm: length }),
]);

const cutOut = z.object({
  id: partId,
  name: label,
  shape: z.discriminatedUnion("kind", [
    z.object({
      kind: z.literal("rectangle"),
      lengthMm: length,
      depthMm: length,
      radiusMm: length.optional(),
    }),
    z.object({ kind: z.literal("round"), diameterMm: length }),
    z.object({ kind: z.literal("oval"), lengthMm: length, depthMm: length }),
    z.object({ kind: z.literal("free"), points: z.array(pair).min(3).max(MOST_CORNERS) }),
  ]),
  fromLeftMm: place,
  fromFrontMm: place,
  innerFace: z.object({ heightMm: length, roundingMm: length }).nullable(),
});

const edgeName = z.custom<EdgeName>(
  (name) => typeof name === "string" && (Object.hasOwn(EDGE_WORDS, name) || /^side-[1-9]\d{0,3}$/.test(name)),
  "There is no such edge.",
);

/** Corners of all outlines and cut-outs of a job together. */
const MOST_CORNERS_IN_JOB = 30_000;
/** Points of all practised pulls together. */
const MOST_PULL_POINTS = 30_000;

const piece = z.object({
  id: partId,
  name: label,
  count: z.number().int().min(1).max(500),
  shape,
  edges: z
    .record(text(), edge)
    .refine((edges) => Object.keys(edges).every((name) => edgeName.safeParse(name).success), {
      message: "There is no such edge.",
    }) as unknown as z.ZodType<Piece["edges"]>,
  cutOuts: z.array(cutOut).max(MOST_HOLES, `A piece has at most ${MOST_HOLES} cut-outs.`),
  bothSides: z.boolean().optional(),
  voids: z
    .array(
      z.object({
        id: partId,
        name: label,
        lengthMm: length,
        widthMm: length,
        depthMm: length,
        count: z.number().int().min(1).max(999),
      }),
    )
    .max(100, "A piece has at most 100 voids listed.")
    .optional(),
  doors: z
    .array(z.object({ id: partId, edge: edgeName, atMm: length }))
    .max(8, "A floor has at most 8 doors.")
    .optional(),
  underlay: z
    .object({
      pictureId: z.uuid(),
      xMm: place,
      yMm: place,
      mmPerPx: z.number().min(0.0001).max(1000),
      opacity: z.number().min(0).max(1),
    })
    .optional(),
});

export const ground = z.enum(GROUND_IDS);

const embed = z.object({
  id: partId,
  name: label,
  kind: z.enum(keysOf<EmbedKind>(EMBEDS)),
  massG: z.number().min(0).max(1_000_000),
  gPerM2: z.number().min(0).max(1_000_000).optional(),
  densityGPerMl: z.number().min(0.1).max(25),
  lockedShare: z.number().min(0).max(1.5),
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

const share = z.number().min(0).max(1);
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
const ofDay = z.number().int().min(0).max(1439);
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
  toolWetWith: partId.optional(),
  stopHere: freeText(120).nullable(),
  gPer100Ml: z.number().min(0).max(100).optional(),
  work: work.optional(),
});

/** What a coat is without the pieces it goes on. */
const coatFields = {
  id: partId,
  kind: z.enum(keysOf<CoatKind>(COAT_WORDS)),
  name: label,
  filmMm: z.number().min(FILM_BOUNDS.min).max(FILM_BOUNDS.max),
  coverShare: z.number().min(COVER_BOUNDS.min).max(COVER_BOUNDS.max),
  coversFaces: z.boolean(),
  resinCardId: z.uuid().nullable(),
  colours: z.array(colour).max(MOST_COLOURS, `A coat has at most ${MOST_COLOURS} colours.`),
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

const coat = z
  .object({
    ...coatFields,
    pieceIds: z.array(partId).max(60).optional(),
    filmByPieceMm: z.record(partId, z.number().min(FILM_BOUNDS.min).max(FILM_BOUNDS.max)).optional(),
    given: given.optional(),
    batches: z.number().int().min(1).max(MOST_BATCHES, `At most ${MOST_BATCHES} batches.`).optional(),
  })
  .refine(sharesSumToOne, SHARES);
export const recipeCoat = z.object(coatFields).refine(sharesSumToOne, SHARES);

export const coatsOf = <Coat extends z.ZodType>(of: Coat) =>
  z.array(of).max(20, "A job has at most 20 coats.");
export const target = z.object({ lab: labSchema, name: label });

/** Which recipe version a job came from. */
const recipeReference = z.object({
  versionId: rowId,
  name: label,
  number: z.number().int().min(1).max(100_000),
  pieceId: partId.optional(),
  board: z
    .object({
      number: z.number().int().min(1).max(1_000_000),
      lengthMm: z.number().min(10).max(10_000),
      depthMm: z.number().min(10).max(10_000),
    })
    .optional(),
});

const roomC = z.number().min(-40).max(60);
const room = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("constant"), tempC: roomC }),
  z.object({ kind: z.literal("day"), coldC: roomC, coldAtMin: ofDay, warmC: roomC, warmAtMin: ofDay }),
  z.object({
    kind: z.literal("logger"),
    readings: z
      .array(z.tuple([z.number().min(0).max(1_000_000), roomC]).readonly())
      .min(1)
      .max(5000, "At most 5000 readings; take one every ten minutes.")
      .readonly(),
  }),
]);
export const hoursSchema = z.object({
  openMin: ofDay,
  closeMin: ofDay,
  sleepFromMin: ofDay,
  sleepToMin: ofDay,
});

const manner = z.object({
  wander: share,
  contrast: share,
  branching: share,
  hairs: share,
  hazeMm: z.number().min(0).max(100),
});
/** Points and length of all veins of a map together: many times what a stone shows. */
const MOST_VEIN_POINTS = 20_000;
const MOST_VEIN_M = 4000;
type Veins = readonly { points: readonly (readonly [number, number])[] }[];
const veinsOf = (sets: readonly { veins: Veins }[]): Veins => sets.flatMap(({ veins }) => veins);
const lengthM = ({ points }: Veins[number]): number =>
  points.slice(1).reduce((sum, [x, y], at) => {
    const [fromX, fromY] = points[at] as readonly [number, number];
    return sum + Math.hypot(x - fromX, y - fromY) / 1000;
  }, 0);

/** A piece by its id; of several of a kind the second and further ones by id and number. */
const standingId = z
  .string()
  .regex(/^[A-Za-z0-9-]{1,40}(\.[1-9]\d?)?$/)
  .refine((id) => partId.safeParse(id.split(".")[0]).success);
const veinMap = z.object({
  places: z.record(standingId, z.object({ xMm: place, yMm: place, turnDeg: z.number().min(-360).max(360) })),
  sets: z
    .array(
      z.object({
        id: partId,
        name: label,
        coatId: partId,
        colourId: partId,
        angleDeg: z.number().min(-180).max(180),
        metresPerM2: z.number().min(0.1).max(40),
        thickMm: z.number().min(THINNEST_VEIN_MM).max(200),
        manner,
        seed: z.number().int().min(0).max(999_999),
        veins: z
          .array(
            z.object({
              id: partId,
              seed: z.number().int().min(0).max(2_000_000),
              thickMm: z.number().min(THINNEST_VEIN_MM).max(300),
              points: z.array(pair).min(2).max(120, "A vein has at most 120 points."),
              locked: z.boolean().optional(),
            }),
          )
          .max(MOST_VEINS, `A set has at most ${MOST_VEINS} veins.`),
      }),
    )
    .max(MOST_VEIN_SETS, `At most ${MOST_VEIN_SETS} sets of veins.`)
    .refine((sets) => veinsOf(sets).reduce((sum, { points }) => sum + points.length, 0) <= MOST_VEIN_POINTS, {
      message: `The veins have at most ${MOST_VEIN_POINTS} points together. Take some out.`,
    })
    .refine((sets) => veinsOf(sets).reduce((sum, vein) => sum + lengthM(vein), 0) <= MOST_VEIN_M, {
      message: `The veins are at most ${MOST_VEIN_M} m long together. Take some out, or split the job.`,
    }),
});

function cornersIn(pieces: readonly z.output<typeof piece>[]): number {
  const inShape = (shape: object) => ("points" in shape ? (shape.points as unknown[]).length : 0);
  return pieces.reduce(
    (sum, { shape: own, cutOuts }) =>
      sum +
      inShape(own) +
      ("outline" in own ? inShape(own.outline) : 0) +
      cutOuts.reduce((all, { shape: cut }) => all + inShape(cut), 0),
    0,
  );
}

const pullPointsIn = (coats: readonly z.output<typeof coat>[]): number =>
  coats
    .flatMap(({ passes }) => passes.flatMap((pass) => pass.work?.strokes ?? []))
    .reduce((sum, { points }) => sum + points.length, 0);

/** The job document as stored and sent: see `src/core/job/job.ts` for what each field means. */
export const jobDocumentSchema: z.ZodType<JobDocument> = z.object({
  format: z.literal(1),
  pieces: z
    .array(piece)
    .max(60, "A job has at most 60 kinds of piece; use the count for the same ones.")
    .refine((pieces) => cornersIn(pieces) <= MOST_CORNERS_IN_JOB, {
      message: `The outlines of a job have at most ${MOST_CORNERS_IN_JOB} corners together. Smooth them, or split the job.`,
    }),
  ground,
  groundByPiece: z.record(partId, ground).optional(),
  work: z.object({
    people: z.number().int().min(1).max(20),
    tempC: z.number().min(-20).max(60),
    startMin: z.number().int().min(0).max(1439),
    vesselsMl: z.array(z.number().min(5).max(200_000)).max(24, "At most 24 sizes.").optional(),
    scaleStepG: z.number().min(0.001).max(100).optional(),
    room: room.optional(),
    humidityPct: z.number().min(1).max(100).optional(),
    hours: hoursSchema.optional(),
    startOn: z.iso.date("Write the date as year-month-day.").optional(),
  }),
  rehearsal: z
    .object({ seed: z.number().int().min(1).max(9999), angleDeg: z.number().min(-180).max(180) })
    .optional(),
  factors: z.partialRecord(z.enum(keysOf<FactorId>(FACTORS)), z.number().min(0).max(1000)),
  coats: coatsOf(coat).refine((coats) => pullPointsIn(coats) <= MOST_PULL_POINTS, {
    message: "That is more practised pulls than a job keeps. Take some passes back to their usual way.",
  }),
  veinMap: veinMap.optional(),
  target: target.optional(),
  otherTargets: z
    .array(target)
    .max(MOST_OTHERS, `At most ${MOST_OTHERS} colours beside the first.`)
    .optional(),
  recipe: recipeReference.optional(),
  setAside: z
    .record(text().max(200), freeText(200))
    .refine((all) => Object.keys(all).length <= 200, "That is more advice than can be set aside.")
    .optional(),
  notes: freeText(4000),
});
