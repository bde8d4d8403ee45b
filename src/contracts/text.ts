import { z } from "zod";

/** A name as people write it: trimmed, not empty, no control characters. */
export const nameText = (what: string, most = 80) =>
  z
    .string()
    .trim()
    .min(1, `Type ${what}.`)
    .max(most, `That is too long: at most ${most} letters.`)
    .regex(/^[^\p{Cc}]*$/u, "That holds a sign that cannot be shown.");

export const freeText = (most: number) => z.string().max(most, `That is too long: at most ${most} letters.`);

export const rowId = z.uuid();

/** Ids inside a document: made by the browser. */
export const partId = z.string().regex(/^[A-Za-z0-9-]{1,40}$/);
