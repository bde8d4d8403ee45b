import type { Advice, AdviceContext, Rule } from "./advice";
import { batchesNeeded, cardConflicts, cardLimits, dampRoom, roomTemperature } from "./batch-rules";
import { adhesiveUnderClear, whiteYellows } from "./ageing-rules";
import { blackOnPrimer, heavyFirst, metallicKilled, metallicShare, whiteFirst } from "./colour-rules";
import { loadTooLarge, overCardLimit } from "./load-rules";
import { yellowOverDark } from "./yellow-rules";
import { filmTooThick, filmTooThin, notForCounters } from "./film-rules";
import { daysTroubles, shortNight } from "./time-rules";
import { finishedBeside, tapeUnpulled, zonesApart } from "./zone-rules";
import { alcoholTooEarly, flameAfterVapour } from "./pass-rules";

const RULES: readonly Rule[] = [
  flameAfterVapour,
  batchesNeeded,
  blackOnPrimer,
  whiteFirst,
  heavyFirst,
  yellowOverDark,
  loadTooLarge,
  overCardLimit,
  metallicShare,
  metallicKilled,
  filmTooThin,
  filmTooThick,
  notForCounters,
  alcoholTooEarly,
  tapeUnpulled,
  finishedBeside,
  zonesApart,
  adhesiveUnderClear,
  whiteYellows,
  daysTroubles,
  shortNight,
  cardConflicts,
  roomTemperature,
  cardLimits,
  dampRoom,
];

/** All advice on a plan; safety first. */
export function advise(context: AdviceContext): Advice[] {
  return RULES.flatMap((rule) => rule(context)).sort(
    (a, b) => Number(b.kind === "safety") - Number(a.kind === "safety"),
  );
}
