import { z } from "zod";
import { FEWEST_PAIRS, MOST_PAIRS, type TrialEntry, type TrialPlan } from "@/core/learning/trial";
import { act } from "./act";
import { nameText, rowId, text } from "./text";

const side = z.enum(["left", "right"]);
const amount = z.number("Type a number.").min(-1e6, "Too small a number.").max(1e6, "Too large a number.");

const measure = z.object({
  name: nameText("what is measured", 60),
  unit: text().trim().max(12, "A short unit."),
  better: z.enum(["more", "less"]),
});

/** A trial as it was begun; see `src/core/learning/trial.ts`. */
export const trialPlan = z.object({
  name: nameText("a name for the trial"),
  now: nameText("what is done now", 120),
  tried: nameText("what is tried", 120),
  asks: nameText("what the eye is asked", 120),
  measure: measure.nullable(),
  pairs: z
    .array(z.object({ triedOn: side, first: side }))
    .min(FEWEST_PAIRS)
    .max(MOST_PAIRS),
}) satisfies z.ZodType<TrialPlan>;

/** What a person types before it is drawn what goes where. */
export const trialFields = trialPlan
  .omit({ pairs: true, measure: true })
  .extend({
    many: z
      .number("Type how many pairs.")
      .int("Whole pairs.")
      .min(FEWEST_PAIRS, `At least ${FEWEST_PAIRS} pairs.`)
      .max(MOST_PAIRS, `At most ${MOST_PAIRS} pairs.`),
    measures: z.boolean(),
    measure: measure.extend({ name: text().trim().max(60) }),
  })
  .superRefine(({ measures, measure: { name } }, context) => {
    if (measures && name === "")
      context.addIssue({ code: "custom", path: ["measure", "name"], message: "Type what is measured." });
  });
export type TrialFields = z.infer<typeof trialFields>;

const pair = z
  .number()
  .int()
  .min(0)
  .max(MOST_PAIRS - 1);
const said = {
  eye: z.object({ kind: z.literal("eye"), pair, better: z.enum(["left", "right", "alike"]) }),
  measured: z.object({ kind: z.literal("measured"), pair, left: amount, right: amount }),
  away: z.object({ kind: z.literal("away"), away: z.boolean() }),
};

/** What is told of a trial, as sent. */
export const trialSaid = z.discriminatedUnion("kind", [said.eye, said.measured, said.away]);
export type TrialSaid = z.infer<typeof trialSaid>;

const stamped = { id: rowId, at: z.iso.datetime(), by: text().min(1).max(80) };
/** The same as stored. */
export const trialEntry = z.discriminatedUnion("kind", [
  said.eye.extend(stamped),
  said.measured.extend(stamped),
  said.away.extend(stamped),
]) satisfies z.ZodType<TrialEntry>;

/** Begins a trial; ids are the client's, so that sending twice does no harm. */
export const beginTrial = act<null>()("trial.begin", "person", z.object({ id: rowId, plan: trialPlan }));

/** Tells something of a trial. */
export const tellTrial = act<null>()(
  "trial.tell",
  "person",
  z.object({ id: rowId, trialId: rowId, said: trialSaid }),
);
