import type { Advice, AdviceContext, Rule } from "./advice";
import { batchesNeeded, cardConflicts, roomTemperature } from "./batch-rules";
import { blackOnPrimer, loadTooLarge, metallicShare, yellowOverBlack } from "./colour-rules";
import { filmTooThick, filmTooThin, notForCounters } from "./film-rules";
import { alcoholTooEarly, flameAfterVapour } from "./pass-rules";

const RULES: readonly Rule[] = [
  flameAfterVapour,
  batchesNeeded,
  blackOnPrimer,
  yellowOverBlack,
  loadTooLarge,
  metallicShare,
  filmTooThin,
  filmTooThick,
  notForCounters,
  alcoholTooEarly,
  cardConflicts,
  roomTemperature,
];

/** All advice on a plan; safety first. */
export function advise(context: AdviceContext): Advice[] {
  return RULES.flatMap((rule) => rule(context)).sort(
    (one, other) => Number(other.kind === "safety") - Number(one.kind === "safety"),
  );
}
