import { deepForecast, safeLiftMm, type PourQuestion } from "@/core/cure/deep-pour";
import type { CureParameters } from "@/core/cure/kinetics";
import { answerCalls } from "./calls";

type Pour = { question: PourQuestion; parameters: CureParameters };

const calls = {
  forecast: ({ question, parameters }: Pour) => deepForecast(question, parameters),
  /** The deepest lift, which takes longer. */
  liftMm: ({ question, parameters }: Pour) => ({ liftMm: safeLiftMm(question, parameters) }),
};
answerCalls(calls);
export type DeepPourCalls = typeof calls;
