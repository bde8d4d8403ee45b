import { doseId } from "../batch/coat-colour";
import type { Plan } from "../plan/derive-plan";
import { foldPour, type PourEvent } from "../pour/pour-events";
import { runSheet } from "../pour/run-sheet";
import { sheetNow } from "../pour/sheet-now";
import { weighKey, type WeighLine } from "../pour/weigh-lines";
import type { Part } from "./item";

/** What was weighed at a line of a pour, and of what. */
export type WeighedOut = {
  stepId: string;
  line: string;
  at: string;
  grams: number;
  cardId: string;
  part: Part;
  /** The lot that was said for it; of parts also one that was said for the same part before. */
  lot: string | null;
};

/**
 * All that was weighed at a pour of what goes by a card, in the order of the times. A dose that is given as a stock of colour is none: its colour was
 * weighed when the stock was made.
 */
export function weighedOut(plan: Plan, events: readonly PourEvent[]): WeighedOut[] {
  const state = foldPour(events);
  const steps = sheetNow(runSheet(plan, "metric", state.weighed), state);
  const out: WeighedOut[] = [];
  for (const step of steps) {
    const planned = plan.coats.find(({ coat }) => coat.id === step.coatId);
    const cardOfDose = (id: string): string | null =>
      planned?.coat.colours
        .flatMap((colour) => (colour.parts ?? []).map((part, index) => ({ id: doseId(colour, index), part })))
        .find((dose) => dose.id === id)?.part.cardId ?? null;
    const what = ({ thing }: WeighLine): { cardId: string | null; part: Part } => {
      if (thing.kind === "part") return { cardId: planned?.resin?.id ?? null, part: thing.part };
      if (thing.kind === "dose" && thing.ofStock) return { cardId: null, part: "whole" };
      return { cardId: cardOfDose(thing.doseId), part: "whole" };
    };
    for (const line of step.weigh) {
      const event = state.inForce.get(`weighed ${weighKey(step.id, line.line)}`);
      const { cardId, part } = what(line);
      if (event?.kind !== "weighed" || cardId === null || !(event.grams > 0)) continue;
      const lot = state.lots.get(weighKey(step.id, line.line)) ?? null;
      out.push({ stepId: step.id, line: line.line, at: event.at, grams: event.grams, cardId, part, lot });
    }
  }
  out.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const saidBefore = new Map<string, string>();
  return out.map((line) => {
    const key = `${line.cardId} ${line.part}`;
    if (line.lot !== null) saidBefore.set(key, line.lot);
    return { ...line, lot: line.lot ?? saidBefore.get(key) ?? null };
  });
}
