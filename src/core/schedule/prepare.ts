import { exactly } from "../numerics/spread";
import { PASS } from "../passes/facts";
import type { Coat } from "./coat";
import {
  plus,
  startOf,
  usualMinutes,
  type Below,
  type PassWindow,
  type Settings,
  type WindowCoat,
} from "./coat-windows";
import { whenFree } from "./hands";
import { nextAt } from "./hours";
import type { Pass } from "./pass";

/** Passes of a coat that are done on the coat below, before it is mixed. */
const passesBefore = ({ passes }: Coat): Pass[] => passes.filter(({ kind }) => PASS[kind].phase === "before");

/**
 * What is done before a coat is mixed: sanding, on what can be sanded of the coat below, by its area; taping, warming, and what else needs nothing
 * of it.
 * @param fromMin when the hands come to it at the soonest
 */
export function prepare(
  planned: WindowCoat,
  fromMin: number,
  below: Below | null,
  settings: Settings,
): PassWindow[] {
  const { taken = [], people } = settings;
  let free = fromMin;
  return passesBefore(planned.coat).map((pass): PassWindow => {
    const { words, right, hands = true } = PASS[pass.kind];
    const ready =
      below && right.from !== "runny"
        ? plus(startOf(below.laid.life, right.from), below.laid.lastMixedAtMin)
        : exactly(fromMin);
    const minutes = usualMinutes(pass, planned, people);
    const doneAt = planned.real?.doneAtMin[pass.id];
    const inTurn = Math.max(free + (pass.afterMin ?? 0), ready.likely);
    const due = pass.atMinute === undefined ? inTurn : nextAt(inTurn, pass.atMinute);
    const { atMin, waitsFor } =
      doneAt === undefined && hands
        ? whenFree(due, minutes, taken)
        : { atMin: doneAt ?? due, waitsFor: null };
    free = doneAt ?? atMin + minutes;
    return {
      pass,
      words,
      from: ready,
      to: null,
      atMin,
      untilMin: free,
      done: doneAt !== undefined,
      waitsFor,
      turns: [],
      turnOf: null,
    };
  });
}

/** The same for the first coat of a job, so that it is over when that is to be mixed. */
export function prepareUntil(planned: WindowCoat, mixMin: number, settings: Settings): PassWindow[] {
  const { notBeforeMin = -Infinity } = settings;
  const lastsMin = prepare(planned, 0, null, { ...settings, taken: [] }).at(-1)?.untilMin ?? 0;
  return prepare(planned, Math.max(mixMin - lastsMin, notBeforeMin), null, settings);
}
