import { deepForecast, safeLiftMm, type DeepForecast, type PourQuestion } from "@/core/cure/deep-pour";
import type { CureParameters } from "@/core/cure/kinetics";

export type PourAnswer = { forecast: DeepForecast } | { liftMm: number | null };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<{ question: PourQuestion; parameters: CureParameters }>) => void) | null;
  postMessage: (message: PourAnswer) => void;
};

/** The forecast first, then the deepest lift, which takes longer. */
scope.onmessage = ({ data: { question, parameters } }) => {
  scope.postMessage({ forecast: deepForecast(question, parameters) });
  scope.postMessage({ liftMm: safeLiftMm(question, parameters) });
};
