import { z } from "zod";
import {
  EDGE_WORDS,
  LARGEST_MM,
  TREATMENT_WORDS,
  type EdgeName,
  type EdgeTreatment,
  type Piece,
} from "@/core/geometry/piece";
import { MOST_WEIGHTS, WEIGHT_WORDS, type SoftPlace } from "@/core/geometry/weights";
import { MOST_ZONES } from "@/core/geometry/zones/zone-faults";
import { MOST_CORNERS, MOST_HOLES } from "@/core/drawing-files/imported-piece";
import { freeText, partId, text } from "./text";

export const label = freeText(80);
export const length = z.number().min(0).max(LARGEST_MM);
export const keysOf = <Key extends string>(record: Record<Key, unknown>) =>
  Object.keys(record) as [Key, ...Key[]];

const edge = z.object({
  treatment: z.enum(keysOf<EdgeTreatment>(TREATMENT_WORDS)),
  heightMm: length,
  roundingMm: length,
});

export const place = z.number().min(-LARGEST_MM).max(LARGEST_MM);
export const pair = z.tuple([place, place]);

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

const wide = z.number().min(0).max(2000);
const pool = z.number().min(0.01).max(500);
const zone = z.object({ id: partId, name: label, poolMm: pool.optional() });
const barrier = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("tape"), widthMm: wide }),
  z.object({
    kind: z.literal("bead"),
    widthMm: wide,
    heightMm: wide,
    gPerMl: z.number().min(0.1).max(20),
  }),
  z.object({ kind: z.literal("strip"), widthMm: wide, heightMm: wide }),
]);
const followed = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("rim") }),
  z.object({ kind: z.literal("cut-out"), id: partId }),
  z.object({ kind: z.literal("divider"), id: partId }),
]);
const degrees = z.number().min(-360).max(360);
const zoneShape = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("round"), xMm: place, yMm: place, diameterMm: length }),
  z.object({
    kind: z.literal("oval"),
    xMm: place,
    yMm: place,
    lengthMm: length,
    depthMm: length,
    turnDeg: degrees.optional(),
  }),
  z.object({
    kind: z.literal("rectangle"),
    xMm: place,
    yMm: place,
    lengthMm: length,
    depthMm: length,
    radiusMm: length.optional(),
    turnDeg: degrees.optional(),
  }),
  z
    .object({
      kind: z.literal("free"),
      points: z.array(pair).min(1).max(MOST_CORNERS),
      curved: z.boolean().optional(),
    })
    .refine(curvedIsShort, CURVED),
]);
/** Bands or stripes of one divider. */
const MOST_BANDS = 24;
const widths = z.array(length).min(1).max(MOST_BANDS, `At most ${MOST_BANDS} bands beside each other.`);
const drawn = z.discriminatedUnion("kind", [
  z
    .object({
      kind: z.literal("line"),
      points: z.array(pair).min(1).max(MOST_CORNERS),
      curved: z.boolean().optional(),
    })
    .refine(curvedIsShort, CURVED),
  z.object({ kind: z.literal("shape"), shape: zoneShape }),
  z.object({ kind: z.literal("bands"), of: followed, fromMm: length, widthsMm: widths }),
  z.object({ kind: z.literal("stripes"), angleDeg: degrees, fromMm: place, widthsMm: widths }),
  z.object({
    kind: z.literal("pebbles"),
    sizeMm: length,
    jointMm: length,
    seed: z.number().int().min(0).max(9999),
    moved: z
      .array(z.object({ stone: z.number().int().min(0).max(1_000_000), at: pair }))
      .max(400, "At most 400 stones are moved one by one.")
      .optional(),
  }),
]);
const divider = z.object({
  id: partId,
  drawn,
  zones: z.array(zone).min(1).max(MOST_BANDS),
  within: partId.optional(),
  barrier: barrier.optional(),
});
export const weights = z
  .array(
    z.object({
      id: partId,
      colourId: partId,
      kind: z.enum(keysOf<SoftPlace["kind"]>(WEIGHT_WORDS)),
      xMm: place,
      yMm: place,
      reachMm: length,
      angleDeg: degrees.optional(),
    }),
  )
  .max(MOST_WEIGHTS, `A piece has at most ${MOST_WEIGHTS} places where colours are more or less.`);

export const division = z
  .object({ rest: zone, dividers: z.array(divider).max(MOST_ZONES), look: partId.optional() })
  .refine(({ dividers }) => dividers.reduce((sum, { zones }) => sum + zones.length, 1) <= MOST_ZONES, {
    message: `A piece has at most ${MOST_ZONES} zones.`,
  });

export const piece = z.object({
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
  division: division.optional(),
  weights: weights.optional(),
});
