import type { Verdict } from "../batch/weigh-out";
import { quantityText, trimmed } from "../units/format-quantity";
import type { UnitSystem } from "../units/dimension";

const percent = (share: number) => `${trimmed(Math.abs(share) * 100, Math.abs(share) < 0.1 ? 1 : 0)} %`;
const inMix = (mix: string | null) => (mix === null ? "" : `${mix}: `);

/** What to do about what the scale showed, in one sentence. */
export function verdictWords(verdict: Verdict, tolerancePct: number, system: UnitSystem): string {
  const words = inWords(verdict, tolerancePct, system);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function inWords(verdict: Verdict, tolerancePct: number, system: UnitSystem): string {
  const grams = (value: number) => quantityText(value, "mass", system);
  const volume = (value: number) => quantityText(value, "volume", system);
  switch (verdict.kind) {
    case "within":
      return `${inMix(verdict.mix)}in ratio, within the card's ${trimmed(tolerancePct, 1)} %.`;
    case "add": {
      const { mix, part, toG, addG, poured, off } = verdict;
      if (!poured)
        return `${inMix(mix)}bring ${part} to ${grams(toG)}${part === "A" ? `, ${grams(addG)} more` : ""}.`;
      return `${inMix(mix)}B is ${percent(off)} too ${off > 0 ? "much" : "little"} for its A; the card allows ${trimmed(tolerancePct, 1)} %. Bring ${part} to ${grams(toG)}, ${grams(addG)} more.`;
    }
    case "dose":
      return `${verdict.name} is ${percent(verdict.overShare)} too much: bring its cup to ${grams(verdict.cupG)} and all others up by as much, or take it that much stronger.`;
    case "vessel":
      return verdict.nextMl !== null
        ? `${inMix(verdict.mix)}${volume(verdict.mixMl)} no longer stirs in a vessel of ${volume(verdict.nominalMl)}: take ${volume(verdict.nextMl)}.`
        : `${inMix(verdict.mix)}${volume(verdict.mixMl)} fits no vessel at hand: pour it over into two.`;
    case "stock":
      return `${verdict.part} is short: ${grams(verdict.haveG)} of ${grams(verdict.needG)}. In full pairs that is ${percent(verdict.share)} of the batch; the numbers are for that. Fetch more, or lay a thinner film.`;
  }
}
