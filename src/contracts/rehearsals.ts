import { z } from "zod";
import { act } from "./act";
import { freeText, rowId } from "./text";

/** What is kept of a practice: its score and what it was made of. */
export const practiceResult = z.object({
  look: freeText(120),
  tool: freeText(40),
  pulls: z.number().int().min(0).max(1000),
  cover: z.number().min(0).max(1),
  mud: z.number().min(0).max(1000),
  thin: z.number().int().min(0).max(1000),
  setDowns: z.number().int().min(0).max(1000),
  crossing: z.number().min(0).max(1),
  usedMin: z.number().min(0).max(100_000),
});
export const keptPractice = z.object({
  id: rowId,
  doneAt: z.iso.datetime(),
  score: z.number().int().min(0).max(100),
  result: practiceResult,
});
export type KeptPractice = z.infer<typeof keptPractice>;

/** One's own practices, the newest first. */
export const listPractices = act<KeptPractice[]>()("practice.list", "person", z.strictObject({}), {
  reads: true,
});
/** Append-only; the id is the client's, so that sending twice does no harm. */
export const keepPractice = act<null>()("practice.keep", "person", z.object({ practice: keptPractice }));

/** A picture that a client approved, with the recipe version that it shows. */
export type ApprovedPicture = {
  id: string;
  pictureId: string;
  approvedAt: string;
  approvedBy: string;
  words: string;
};
export const listApproved = act<ApprovedPicture[]>()(
  "approved.list",
  "person",
  z.object({ versionId: rowId }),
  { reads: true },
);
export const approvePicture = act<null>()(
  "approved.add",
  "person",
  z.object({
    id: rowId,
    versionId: rowId,
    pictureId: rowId,
    words: freeText(200),
  }),
);
