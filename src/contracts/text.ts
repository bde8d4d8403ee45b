import { z } from "zod";

/**
 * Text as it may be stored and sent: half a sign (one of a surrogate pair without the other, as a cut through an emoji leaves it) becomes the
 * sign for "cannot be shown", so that what was typed around it is kept. Every text of a contract begins with this.
 */
export const text = () => z.string().overwrite((typed) => typed.toWellFormed());

/** A name as people write it: trimmed, not empty, no control characters. */
export const nameText = (what: string, most = 80) =>
  text()
    .trim()
    .min(1, `Type ${what}.`)
    .max(most, `That is too long: at most ${most} letters.`)
    .regex(/^[^\p{Cc}]*$/u, "That holds a sign that cannot be shown.");

export const freeText = (most: number) => text().max(most, `That is too long: at most ${most} letters.`);

export const rowId = z.uuid();

/** Words that every object knows: as the name of a part they would be found where nothing was put. */
const KNOWN_TO_ALL = new Set(Object.getOwnPropertyNames(Object.prototype));

/** Ids inside a document: made by the browser. */
export const partId = z
  .string()
  .regex(/^[A-Za-z0-9-]{1,40}$/)
  .refine((id) => !KNOWN_TO_ALL.has(id), "A part cannot have this name.");

function isZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: zone }) !== null;
  } catch {
    return false;
  }
}

/** A time zone by its IANA name. */
export const timeZone = text().max(64).refine(isZone, "There is no such time zone.");
