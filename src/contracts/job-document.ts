import { z } from "zod";
import { FACTORS, TOOL_WORDS, type FactorId, type Tool } from "@/core/batch/factors";
import { EDGE_WORDS, type EdgeName } from "@/core/geometry/piece";
import type { JobDocument } from "@/core/plan/job";
import { PASS, type PassKind } from "@/core/schedule/pass";
import { freeText, partId } from "./text";

const label = z.string().max(80);
const length = z.number().min(0).max(100_000);
const keysOf = <Key extends string>(record: Record<Key, unknown>) => Object.keys(record) as [Key, ...Key[]];

const edge = z.object({
  treatment: z.enum(["face", "wall", "dam", "open"]),
  heightMm: length,
  roundingMm: length,
});

const shape = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("straight"), lengthMm: length, depthMm: length }),
  z.object({
    kind: z.literal("l-run"),
    lengthMm: length,
    depthMm: length,
    returnLengthMm: length,
    returnDepthMm: length,
    turn: z.enum(["left", "right"]),
  }),
  z.object({ kind: z.literal("rectangle"), lengthMm: length, depthMm: length }),
  z.object({
    kind: z.literal("u-run"),
    lengthMm: length,
    depthMm: length,
    leftLengthMm: length,
    leftDepthMm: length,
    rightLengthMm: length,
    rightDepthMm: length,
  }),
  z.object({ kind: z.literal("round"), diameterMm: length }),
  z.object({ kind: z.literal("oval"), lengthMm: length, depthMm: length }),
  z.object({ kind: z.literal("racetrack"), lengthMm: length, depthMm: length }),
  z.object({ kind: z.literal("polygon"), sides: z.number().int().min(3).max(24), sideMm: length }),
]);

const cutOut = z.object({
  id: partId,
  name: label,
  shape: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("rectangle"), lengthMm: length, depthMm: length }),
    z.object({ kind: z.literal("round"), diameterMm: length }),
  ]),
  fromLeftMm: z.number().min(-100_000).max(100_000),
  fromFrontMm: z.number().min(-100_000).max(100_000),
  innerFace: z.object({ heightMm: length, roundingMm: length }).nullable(),
});

const piece = z.object({
  id: partId,
  name: label,
  count: z.number().int().min(1).max(500),
  shape,
  edges: z.partialRecord(z.enum(keysOf<EdgeName>(EDGE_WORDS)), edge),
  cutOuts: z.array(cutOut).max(40, "A piece has at most 40 cut-outs."),
});

const measure = z.discriminatedUnion("unit", [
  z.object({ unit: z.literal("gram") }),
  z.object({
    unit: z.literal("drop"),
    dropMl: z.number().min(0.005).max(1),
    densityGPerMl: z.number().min(0.3).max(5),
  }),
  z.object({ unit: z.literal("spoon"), gramsPerSpoon: z.number().min(0.005).max(50) }),
]);

const colour = z.object({
  id: partId,
  name: label,
  hex: z.string().regex(/^#[0-9a-fA-F]{6}$/),
  look: z.enum(["opaque", "metallic", "tint", "clear"]),
  share: z.number().min(0).max(1),
  locked: z.boolean(),
  reserve: z.number().min(0).max(2),
  gPer100G: z.number().min(0).max(60),
  measure,
});

const pass = z.object({
  id: partId,
  kind: z.enum(keysOf<PassKind>(PASS)),
  tool: z.enum(keysOf<Tool>(TOOL_WORDS)),
  note: freeText(400),
  rounds: z.number().int().min(1).max(50),
  mlPerM2: z.number().min(0).max(500).nullable(),
  fromMin: z.number().min(0).max(10_000).nullable(),
  stopHere: freeText(120).nullable(),
});

const coat = z
  .object({
    id: partId,
    kind: z.enum(["seal", "primer", "base", "colour", "vein", "lock-in", "clear"]),
    name: label,
    filmMm: z.number().min(0.01).max(100),
    coverShare: z.number().min(0.001).max(1),
    coversFaces: z.boolean(),
    resinCardId: z.uuid().nullable(),
    colours: z.array(colour).max(12, "A coat has at most 12 colours."),
    clearReserve: z.number().min(0).max(2),
    school: z.enum(["colour-into-a", "clear-first"]),
    rateM2PerH: z.number().min(0.1).max(200),
    startsAfter: z.enum(["wet", "late", "tacky", "recoat", "next-day"]),
    passes: z.array(pass).max(40, "A coat has at most 40 passes."),
  })
  .refine(
    (one) =>
      one.colours.length === 0 || Math.abs(one.colours.reduce((sum, own) => sum + own.share, 0) - 1) < 1e-6,
    { message: "The shares of a coat must sum to one.", path: ["colours"] },
  );

/** The job document as stored and sent: see `src/core/plan/job.ts` for what each field means. */
export const jobDocumentSchema: z.ZodType<JobDocument> = z.object({
  format: z.literal(1),
  pieces: z.array(piece).max(60, "A job has at most 60 kinds of piece; use the count for the same ones."),
  ground: z.enum(["mdf", "wood", "concrete", "primed", "cured"]),
  work: z.object({
    people: z.number().int().min(1).max(20),
    tempC: z.number().min(-20).max(60),
    startMin: z.number().int().min(0).max(1439),
  }),
  factors: z.partialRecord(z.enum(keysOf<FactorId>(FACTORS)), z.number().min(0).max(1000)),
  coats: z.array(coat).max(20, "A job has at most 20 coats."),
  notes: freeText(4000),
});
