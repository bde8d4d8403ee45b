import { z } from "zod";
import { act } from "./act";
import { benchSettings, roomReading } from "./bench";
import { colourCardFields } from "./colour-card";
import { jobDocumentSchema } from "./job-document";
import { jobFields } from "./jobs";
import { learningDecision } from "./learning";
import { priceDraft, ratesSchema } from "./money";
import { newPersonFields } from "./people";
import { pourEventSchema } from "./pours";
import { quoteSaid, quoteSchema } from "./quotes";
import { boardFields, recipeDocument } from "./recipes";
import { practiceResult } from "./rehearsals";
import { PLAIN_CARD, resinCardFields } from "./resin-card";
import { shelfItemFields, stockEntry } from "./shelf";
import { freeText, nameText, rowId, text } from "./text";
import { trialEntry, trialPlan } from "./trials";

/** What the first file of the zip says that it is. */
export const SHOP_FILE = "gaugebeam file";
/** Raised when older files need another reading; every one that was ever written stays readable. */
export const SHOP_FILE_VERSION = 1;

export const HOLDS = ["shop", "job", "recipe", "resin", "colour"] as const;
export type Holds = (typeof HOLDS)[number];

const at = z.iso.datetime();
const perhapsAt = at.nullable();
const who = text().min(1).max(80);
const whole = z.number().int().min(0).max(1e9);
const named = nameText("a name");

export const manifestSchema = z.object({
  file: z.literal(SHOP_FILE, "This is no file of a Gaugebeam shop."),
  version: z
    .number()
    .int()
    .min(1)
    .max(SHOP_FILE_VERSION, "It was written by a newer Gaugebeam. Bring this one up to date first."),
  holds: z.enum(HOLDS),
  /** The shop it comes from, or what it holds one of. */
  name: text().max(120),
  exportedAt: at,
  /** Rows that the program could not read when it was written; they stand in unreadable.json. */
  unreadable: whole,
});
export type Manifest = z.infer<typeof manifestSchema>;

const asRow = { id: rowId };
const dated = { createdAt: at, updatedAt: at };

/** A card as a pour kept it: one that is older than some of its fields has the plain ones. */
const keptResin = z.preprocess(
  (card) => (typeof card === "object" && card !== null ? { ...PLAIN_CARD, ...card } : card),
  resinCardFields.and(z.object({ id: rowId })),
);

const person = z.object({
  email: newPersonFields.shape.email,
  name: newPersonFields.shape.name,
  role: newPersonFields.shape.role,
  units: z.enum(["us", "metric"]),
  clock: z.enum(["24h", "12h"]),
});
const resin = z.object({ ...asRow, card: resinCardFields, removedAt: perhapsAt, ...dated });
const colour = z.object({ ...asRow, fields: colourCardFields, removedAt: perhapsAt, ...dated });
const picture = z.object({
  ...asRow,
  widthPx: whole,
  heightPx: whole,
  addedBy: who,
  createdAt: at,
});
const recipe = z.object({ ...asRow, name: named, removedAt: perhapsAt, ...dated });
const version = z.object({
  ...asRow,
  recipeId: rowId,
  number: whole,
  parentId: rowId.nullable(),
  document: recipeDocument,
  changeNote: freeText(400),
  madeBy: who,
  createdAt: at,
});
const board = z.object({ ...asRow, versionId: rowId, number: whole, ...boardFields.shape, ...dated });
const approved = z.object({
  ...asRow,
  versionId: rowId,
  pictureId: rowId,
  approvedAt: at,
  approvedBy: who,
  words: freeText(200),
});
const revision = z.object({
  revision: whole,
  document: jobDocumentSchema,
  undoRevision: whole.nullable(),
  redoRevision: whole.nullable(),
  savedBy: who,
  savedAt: at,
});
const job = z.object({
  ...asRow,
  ...jobFields.shape,
  archivedAt: perhapsAt,
  removedAt: perhapsAt,
  revision: whole,
  startOn: z.iso.date().nullable(),
  pieces: whole,
  recipeVersionId: rowId.nullable(),
  ...dated,
  /** From the oldest that is kept to the present one. */
  revisions: z.array(revision).min(1).max(10_000),
  price: z.object({ draft: priceDraft, savedBy: who, savedAt: at }).nullable(),
});
const received = z.object({ by: who, receivedAt: at });
const pour = z.object({
  ...asRow,
  jobId: rowId,
  jobRevision: whole,
  plan: z.object({
    document: jobDocumentSchema,
    cards: z.array(keptResin).max(200),
    colours: z
      .array(colourCardFields.and(z.object({ id: rowId })))
      .max(500)
      .optional(),
  }),
  startedBy: who,
  startedAt: at,
  finishedAt: perhapsAt,
  /** In the order in which the server had them. */
  events: z.array(pourEventSchema.and(received)).max(100_000),
  /** Up to which of the events the shelf's book has it, and what of it is in nobody's book. */
  booked: z
    .object({ events: whole, unplaced: z.array(z.record(text(), z.unknown())).max(10_000) })
    .nullable(),
});
const quote = z.object({
  ...asRow,
  jobId: rowId,
  year: z.number().int().min(2000).max(9999),
  number: whole,
  quote: quoteSchema,
  madeBy: who,
  at,
  entries: z.array(quoteSaid.and(z.object({ ...asRow, by: who, at }))).max(1000),
});
const reading = z.object({ ...roomReading.shape, byProbe: z.never().optional(), readBy: who });
const practice = z.object({
  ...asRow,
  /** Whose it is, by e-mail; null for somebody who is gone. */
  email: person.shape.email.nullable(),
  doneAt: at,
  score: z.number().int().min(0).max(100),
  result: practiceResult,
});
const trial = z.object({
  ...asRow,
  plan: trialPlan,
  begunBy: who,
  at,
  entries: z.array(trialEntry).max(10_000),
});
const item = z.object({
  ...asRow,
  fields: shelfItemFields,
  since: at,
  removedAt: perhapsAt,
  lots: z
    .array(
      z.object({
        ...asRow,
        code: whole,
        entries: z.array(stockEntry.and(z.object({ pourId: rowId.nullable() }))).max(100_000),
      }),
    )
    .max(10_000),
});

/** What a file that holds many things of a kind may hold. */
const many = <Schema extends z.ZodType>(of: Schema) => z.array(of).max(200_000);

/** The files of the zip by their names; those with a star, one for each thing by its id. */
export const SHOP_FILE_PARTS = {
  "shop.json": z.object({
    name: named,
    bench: benchSettings.nullable(),
    rates: ratesSchema.nullable(),
  }),
  "people.json": many(person),
  "pictures.json": many(picture),
  "resins.json": many(resin),
  "colours.json": many(colour),
  "recipes.json": many(recipe),
  "versions.json": many(version),
  "boards.json": many(board),
  "approved-pictures.json": many(approved),
  "jobs/*.json": job,
  "pours/*.json": pour,
  "quotes/*.json": quote,
  "room.json": many(reading),
  "practices.json": many(practice),
  "decisions.json": many(learningDecision),
  "trials.json": many(trial),
  "shelf.json": many(item),
} as const;
export type PartName = keyof typeof SHOP_FILE_PARTS;
/** A thing as it stands in the file. */
export type InFile<Part extends PartName> = z.output<(typeof SHOP_FILE_PARTS)[Part]>;

/** Kinds of things that are known by their names. */
export const NAMED_KINDS = ["resin", "colour", "recipe", "job", "shelf item"] as const;
export type NamedKind = (typeof NAMED_KINDS)[number];

/** Something of the file whose name the shop has already; ours is the id of it. */
export type NameClash = { kind: NamedKind; id: string; name: string; ours: string };

/** What to do with it: take ours for it, bring it in under a new name, or leave it out with all that hangs on it. */
export const clashChoice = z.enum(["ours", "both", "out"]);
export type ClashChoice = z.infer<typeof clashChoice>;
export const CHOICES_OF: Record<NamedKind, readonly ClashChoice[]> = {
  resin: ["ours", "both"],
  colour: ["ours", "both"],
  recipe: ["both", "out"],
  job: ["both", "out"],
  "shelf item": ["both", "out"],
};

/** A file that was read and can be taken in. */
export type CheckedFile = {
  token: string;
  manifest: Manifest;
  counts: Partial<
    Record<
      | "jobs"
      | "pours"
      | "quotes"
      | "recipes"
      | "resins"
      | "colours"
      | "pictures"
      | "people"
      | "shelf items"
      | "trials",
      number
    >
  >;
  /** The shop has nothing of its own yet: the file becomes the shop. */
  becomesTheShop: boolean;
  clashes: NameClash[];
};

/** What came of it. */
export type TakenIn = {
  /** Things that are here now, by kind. */
  counts: CheckedFile["counts"];
  /** Lots and quotes whose numbers were taken here and that have new ones. */
  newNumbers: string[];
  /** People who have no password yet. */
  withoutPassword: string[];
};

/** Takes a file in that was read before. Whole or not at all. */
export const takeFileIn = act<TakenIn>()(
  "shop-file.take-in",
  "owner",
  z.object({
    token: rowId,
    /** By the id of what clashes. */
    choices: z.record(rowId, clashChoice),
  }),
);

/** The server's own backup: at which hour of its clock, null for none; the day of the last one, and how many there are. */
export type Nightly = { at: string | null; last: string | null; kept: number };

export const setNightly = act<null>()(
  "shop-file.set-nightly",
  "owner",
  z.object({
    at: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/, "Type an hour, such as 02:30.")
      .nullable(),
  }),
);
