import { plainLot, readCode } from "./lot-code";
import type { PourState } from "./pour-events";
import { weighKey, type WeighLine } from "./weigh-lines";
import type { RunStep } from "./run-sheet";

/** Which part a line is of, where it is one. */
const partOf = ({ thing }: WeighLine) => (thing.kind === "part" ? thing.part : null);

/**
 * What is said of a bottle's lot: the same one stood on the bottle of another part before, on any batch of this pour; null where it did not.
 * Letters and spaces may be typed differently.
 */
export function lotWords(
  lot: string,
  line: WeighLine,
  steps: readonly RunStep[],
  state: PourState,
): string | null {
  const part = partOf(line);
  if (part === null) return null;
  const label = readCode(lot)?.part ?? "whole";
  if (label !== "whole" && label !== part) return `This label is of a bottle of ${label}. Look again.`;
  for (const step of steps)
    for (const other of step.weigh) {
      const known = state.lots.get(weighKey(step.id, other.line));
      const of = partOf(other);
      if (known !== undefined && of !== null && of !== part && plainLot(known) === plainLot(lot))
        return `This lot stood on the bottle of ${of}: A and B may be swapped. Look at the labels.`;
    }
  return null;
}

/** The lots of a pour as its log tells them: "A, resin: 7731 B", each once. */
export function lotsTold(steps: readonly RunStep[], state: PourState): { label: string; lot: string }[] {
  const told = new Map<string, { label: string; lot: string }>();
  for (const step of steps)
    for (const { line, label } of step.weigh) {
      const lot = state.lots.get(weighKey(step.id, line));
      if (lot !== undefined)
        told.set(`${step.coatId} ${label} ${lot}`, { label: `${step.coatName}, ${label}`, lot });
    }
  return [...told.values()];
}
