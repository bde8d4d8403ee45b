import { z } from "zod";
import { FACTORS, type FactorId } from "@/core/batch/factors";
import type { LearningDecision } from "@/core/learning/decisions";
import { act } from "./act";
import { rowId, text } from "./text";

const of = z.enum(["volume", "time"]);
const stamped = { id: rowId, at: z.iso.datetime(), by: text().min(1).max(80) };
const factors = z.partialRecord(
  z.enum(Object.keys(FACTORS) as [FactorId, ...FactorId[]]),
  z.number().min(0).max(1000),
);
const amount = z.number().min(-1e7).max(1e7);

const said = {
  adopt: z.object({ kind: z.literal("adopt"), of, factors, pours: z.number().int().min(1), moved: amount }),
  refuse: z.object({ kind: z.literal("refuse"), of, moved: amount, sd: z.number().min(0).max(1e7) }),
  takeBack: z.object({ kind: z.literal("take-back"), of }),
  changed: z.object({ kind: z.literal("changed"), pourId: rowId, yes: z.boolean() }),
};

/** What an owner says to what was learnt, as sent. */
export const learningSaid = z.discriminatedUnion("kind", [
  said.adopt,
  said.refuse,
  said.takeBack,
  said.changed,
]);
export type LearningSaid = z.infer<typeof learningSaid>;

/** The same as stored. */
export const learningDecision = z.discriminatedUnion("kind", [
  said.adopt.extend(stamped),
  said.refuse.extend(stamped),
  said.takeBack.extend(stamped),
  said.changed.extend(stamped),
]) satisfies z.ZodType<LearningDecision>;

/** Says something to what was learnt; the id is the client's, so that sending twice does no harm. */
export const decideLearning = act<null>()(
  "learning.decide",
  "owner",
  z.object({ id: rowId, said: learningSaid }),
);
