import { z } from "zod";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { LOSS_PARTS } from "@/core/pour/inspect-events";
import type { PourEvent } from "@/core/pour/pour-events";
import { act } from "./act";
import { jobDocumentSchema } from "./job-document";
import { colourCardFields } from "./colour-card";
import { PLAIN_CARD, resinCardFields } from "./resin-card";
import { roomSaid } from "./room";
import { freeText, rowId, text } from "./text";

const stepId = text().min(1).max(160);
const coatId = text().min(1).max(40);
/** What the screen knew that recorded it. */
const knowing = { over: rowId.nullable().optional(), settles: z.literal(true).optional() };
const place = z.object({
  pieceId: text().min(1).max(40),
  xMm: z.number().min(-1e6).max(1e6),
  yMm: z.number().min(-1e6).max(1e6),
});
const when = z.enum(["wet", "cured"]);
/** An id of a list that the program has. */
const word = text().min(1).max(120);
const filmMm = z.number().min(0).max(100).nullable();
const stamped = { id: rowId, at: z.iso.datetime() };

/** One act at the bench, as sent and stored. */
export const pourEventSchema = z.discriminatedUnion("kind", [
  z.object({ ...stamped, kind: z.literal("tick"), stepId, last: z.boolean().optional(), ...knowing }),
  z.object({ ...stamped, kind: z.literal("untick"), stepId, ...knowing }),
  z.object({ ...stamped, kind: z.literal("skip"), stepId, why: freeText(400), ...knowing }),
  z.object({ ...stamped, kind: z.literal("drop-coat"), coatId, why: freeText(400), ...knowing }),
  z.object({ ...stamped, kind: z.literal("bring-coat"), coatId, ...knowing }),
  z.object({
    ...stamped,
    kind: z.literal("lot"),
    stepId,
    line: text().min(1).max(60),
    lot: text().trim().min(1).max(80),
  }),
  z.object({
    ...stamped,
    kind: z.literal("weighed"),
    stepId,
    line: text().min(1).max(60),
    grams: z.number().min(0).max(1e6),
    raw: text().max(80).optional(),
    ...knowing,
  }),
  z.object({ ...stamped, kind: z.literal("again"), stepId, afterId: stepId.nullable() }),
  z.object({ ...stamped, kind: z.literal("first"), stepId }),
  z.object({ ...stamped, kind: z.literal("give"), stepId, to: text().min(1).max(80).nullable() }),
  z.object({ ...stamped, kind: z.literal("room"), ...roomSaid }),
  z.object({ ...stamped, kind: z.literal("left"), coatId, ml: z.number().min(0).max(1e6) }),
  z.object({ ...stamped, kind: z.literal("short"), coatId, ml: z.number().min(0).max(1e6) }),
  z.object({
    ...stamped,
    kind: z.literal("note"),
    stepId: stepId.nullable(),
    // A photo says enough by itself.
    text: freeText(2000),
    pictureId: rowId.optional(),
    place: place.optional(),
    pinId: rowId.optional(),
  }),
  z.object({ ...stamped, kind: z.literal("looked"), when, item: word, ok: z.boolean().nullable() }),
  z.object({
    ...stamped,
    kind: z.literal("pin"),
    when,
    fault: word,
    place,
    coatId,
    sizeMm: z.number().min(0).max(1e5).nullable(),
    text: freeText(2000),
  }),
  z.object({ ...stamped, kind: z.literal("pin-ends"), pinId: rowId, how: z.enum(["mended", "mistaken"]) }),
  z.object({ ...stamped, kind: z.literal("comb"), place, coatId, wetMm: filmMm, dryMm: filmMm }),
  z.object({ ...stamped, kind: z.literal("comb-ends"), combId: rowId }),
  z.object({
    ...stamped,
    kind: z.literal("loss-weighed"),
    coatId,
    loss: z.enum(LOSS_PARTS),
    grams: z.number().min(0).max(1e6),
    many: z.number().int().min(1).max(1000),
  }),
  z.object({ ...stamped, kind: z.literal("alcohol-weighed"), coatId, grams: z.number().min(0).max(1e6) }),
  z.object({
    ...stamped,
    kind: z.literal("photo-read"),
    pieceId: text().min(1).max(40),
    when,
    looks: z
      .array(
        z.object({
          name: text().max(120),
          seen: z.number().min(0).max(1),
          rehearsed: z.number().min(0).max(1),
          widthMm: z.number().min(0).max(1e5).nullable(),
          rehearsedMm: z.number().min(0).max(1e5).nullable(),
          cellMm: z.number().min(0).max(1e5).nullable(),
          rehearsedCellMm: z.number().min(0).max(1e5).nullable(),
        }),
      )
      .min(1)
      .max(40),
  }),
  z.object({ ...stamped, kind: z.literal("film-seen"), coatId, word: z.enum(["string", "gummy"]) }),
  z.object({
    ...stamped,
    kind: z.literal("answer"),
    fault: word,
    coatId,
    evidence: word,
    u: z.number().min(0).max(1).nullable(),
  }),
  z.object({ ...stamped, kind: z.literal("finish") }),
  z.object({ ...stamped, kind: z.literal("call-off"), why: freeText(400) }),
]) satisfies z.ZodType<PourEvent>;

/** What a pour was started from: kept as it was, whatever happens to the job or the cards later. */
export type PourPlan = {
  document: JobDocument;
  cards: ResinCard[];
  /** Colourants that its colours are mixed from; none of a pour that was started before they were kept: its colours are as they were typed. */
  colours: ColourCard[];
};

/** A stored plan; null where it is none that this program can hold. */
export function readPourPlan(stored: unknown): PourPlan | null {
  const { document, cards, colours } = (stored ?? {}) as Record<string, unknown>;
  const read = jobDocumentSchema.safeParse(document);
  if (!read.success || !Array.isArray(cards)) return null;
  // Pours that were started before cards had fillers, kits, limits and tests.
  return {
    document: read.data,
    cards: (cards as ResinCard[]).map((card) => ({ ...PLAIN_CARD, ...card })),
    colours: Array.isArray(colours) ? (colours as ColourCard[]) : [],
  };
}

/** An entry as it is stored. */
export type StoredEvent = {
  id: string;
  kind: string;
  at: string;
  by: string;
  detail: Record<string, unknown>;
};

/** An entry as it was recorded; null for one of a kind that this program does not know. */
export function readPourEvent({ id, kind, at, by, detail }: StoredEvent): PourEvent | null {
  const read = pourEventSchema.safeParse({ ...detail, id, kind, at });
  return read.success ? { ...read.data, by } : null;
}

/** A pour without what it was started from and what was recorded. */
export type PourHead = {
  id: string;
  jobId: string;
  jobName: string;
  startedAt: string;
  startedBy: string;
  finishedAt: string | null;
};
export type Pour = PourHead & { jobRevision: number; plan: PourPlan; events: PourEvent[] };

/** Several pours; those that cannot be read any more, by their heads; and how many more there are than are looked at. */
export type Pours = { pours: Pour[]; unreadable: PourHead[]; more: number };

/** What a pour was begun from on a device that the server did not answer: the job and the cards as they stood there. */
const planSchema = z.object({
  document: jobDocumentSchema,
  cards: z.array(resinCardFields.and(z.object({ id: rowId }))).max(40),
  colours: z.array(colourCardFields.and(z.object({ id: rowId }))).max(400),
});

/** Starts a pour of a job as it stands at `revision`; of `plan`, where it was begun without the server and is told of afterwards. */
export const startPour = act<{ pourId: string }>()(
  "pour.start",
  "person",
  z.object({
    pourId: rowId,
    jobId: rowId,
    revision: z.number().int().min(1),
    at: z.iso.datetime(),
    plan: planSchema.optional(),
    /** Coats of it that were poured before: they lie there already. */
    leaveOut: z.array(coatId).max(40).optional(),
  }),
);

/**
 * What was recorded of a pour after an entry, wherever it was done: `last` is its number, to go on from. `now` is the server's time: a device whose clock
 * is wrong goes by it.
 */
export type PourNews = { events: PourEvent[]; last: string; now: string };

/** Ids of the events that are now stored, and the server's time; sending one again is acknowledged again. */
export const recordPour = act<{ stored: string[]; now: string }>()(
  "pour.record",
  "person",
  z.object({ pourId: rowId, events: z.array(pourEventSchema).min(1).max(500) }),
);
