import type { Advice, AdviceContext, Rule } from "./advice";
import { batchesNeeded, cardConflicts, roomTemperature } from "./batch-rules";
import {
  adhesiveUnderClear,
  blackOnPrimer,
  loadTooLarge,
  metallicKilled,
  metallicShare,
  overCardLimit,
  whiteFirst,
  whiteYellows,
  yellowOverDark,
} from "./colour-rules";
import { filmTooThick, filmTooThin, notForCounters } from "./film-rules";
import { alcoholTooEarly, flameAfterVapour } from "./pass-rules";

const RULES: readonly Rule[] = [
  flameAfterVapour,
  batchesNeeded,
  blackOnPrimer,
  whiteFirst,
  yellowOverDark,
  loadTooLarge,
  overCardLimit,
  metallicShare,
  metallicKilled,
  filmTooThin,
  filmTooThick,
  notForCounters,
  alcoholTooEarly,
  adhesiveUnderClear,
  whiteYellows,
  cardConflicts,
  roomTemperature,
];

/** All advice on a plan; safety first. */
export function advise(context: AdviceContext): Advice[] {
  return RULES.flatMap((rule) => rule(context)).sort(
    (one, other) => Number(other.kind === "safety") - Number(one.kind === "safety"),
  );
}
