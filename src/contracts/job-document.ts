import { z } from "zod";
import { FACTORS, type FactorId } from "@/core/batch/factors";
import { MOST_VEINS, MOST_VEIN_SETS, THINNEST_VEIN_MM } from "@/core/pattern/passes/work";
import type { JobDocument } from "@/core/job/job";
import { MOST_OTHERS } from "@/core/colour/target";
import { labSchema } from "./colour-card";
import { freeText, partId, rowId, text } from "./text";
import { coat, coatsOf, ground, ofDay, share } from "./coat";
import { keysOf, label, pair, piece, place } from "./piece";

/** Corners of all outlines and cut-outs of a job together. */
const MOST_CORNERS_IN_JOB = 30_000;
/** Points of all practised pulls together. */
const MOST_PULL_POINTS = 30_000;

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
    (sum, { shape: own, cutOuts, division }) =>
      sum +
      inShape(own) +
      (division?.dividers ?? []).reduce(
        (all, { drawn }) => all + inShape(drawn.kind === "shape" ? drawn.shape : drawn),
        0,
      ) +
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
  nextTime: z.array(freeText(400)).max(40, "At most 40 things to change.").optional(),
  notes: freeText(4000),
});
