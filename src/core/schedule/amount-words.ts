import type { BatchedCoat } from "../batch/batch-coat";
import type { GivenConflict } from "../batch/given";
import type { UnitSystem } from "../units/dimension";
import { formatQuantity, quantityText, trimmed, volumesBy } from "../units/format-quantity";
import { isFill, type Coat } from "./coat";

/**
 * Film on the piece that work asks for, mm: 3 fl oz/ft² by hand or blade, 4 under a roller, which takes some up, 8 for a bucket poured behind
 * a dam (common practice, no source).
 */
const WANTED = { hand: 0.955, roller: 1.273, bucket: 2.546 } as const;
const WORK_WORDS = { hand: "hand work", roller: "a roller", bucket: "a bucket pour" } as const;
/** Down to this share of it a film is a little thin. */
const LITTLE = 0.75;
/** Above so many times of it there is more than the work asks for. */
const RICH = 1.6;

/** What a film is for the work that a colour coat is laid with; nothing where it is as it should be. */
function thinWords({ kind, passes, filmMm }: Coat): string {
  if (kind !== "colour") return "";
  const work = passes.some((pass) => pass.kind === "bucket-pour")
    ? "bucket"
    : passes.some(({ tool }) => tool === "roller")
      ? "roller"
      : "hand";
  const share = filmMm / WANTED[work];
  if (share < LITTLE) return `, too thin for ${WORK_WORDS[work]}`;
  if (share < 0.97) return `, a little thin for ${WORK_WORDS[work]}`;
  return share > RICH ? `, more than ${WORK_WORDS[work]} asks for` : "";
}

/** What the amount of a coat means, in a line: from the mix to the film, or from the film to the mix. */
export function amountWords(coat: Coat, batched: BatchedCoat, system: UnitSystem): string {
  const { mixMl, onTopMl, topAreaMm2, fills, overMl, mixGiven } = batched;
  // "28 fl oz leave 24½": all in one unit, said once.
  const { bare, text: volume } = volumesBy(mixMl.high, system);
  const between = `${bare(mixMl.low)} to ${bare(mixMl.high)}`;
  if (fills || isFill(coat)) {
    const full = `${trimmed(coat.coverShare * 100, 0)} % of what is filled`;
    if (!mixGiven) return `${full} takes ${volume(mixMl.likely)} mixed (${between}).`;
    const over = overMl > 0 ? ` ${volume(overMl)} find no room.` : "";
    return `${volume(mixMl.likely)} leave ${bare(onTopMl.likely)} to fill with: ${full}.${over}`;
  }
  const areaMm2 = topAreaMm2 * coat.coverShare;
  const area = quantityText(areaMm2, "area", system);
  const film = quantityText(coat.filmMm, "film", system);
  if (!mixGiven)
    return `${film} on ${area} takes ${volume(mixMl.likely)} mixed (${between})${thinWords(coat)}.`;
  const filmOf = (ml: number) => formatQuantity((coat.filmMm * ml) / onTopMl.likely, "film", system).number;
  return `${volume(mixMl.likely)} leave ${bare(onTopMl.likely)} on ${area}: ${film} (${filmOf(onTopMl.low)} to ${filmOf(onTopMl.high)})${thinWords(coat)}.`;
}

/** What was given and cannot be, in words. */
export function conflictWords(conflict: GivenConflict, system: UnitSystem): string {
  const volume = (ml: number) => quantityText(ml, "volume", system);
  switch (conflict.kind) {
    case "cups":
      return conflict.against === "film"
        ? `The cups hold ${volume(conflict.cupsMl)}, and this film takes ${volume(conflict.takesMl)} of them. Counted with the cups.`
        : `The cups hold ${volume(conflict.cupsMl)}, and ${volume(conflict.takesMl)} are to be mixed. Counted with the cups.`;
    case "lost":
      return `So little stays on cups, sticks and edges: they keep ${volume(conflict.lostMl)}. Counted with the film as it was.`;
    case "no-cup":
      return "No cup is given, so none says how much. Counted with the film as it was.";
  }
}
