import type { ResinCard } from "../cure/resin-card";
import type { Coat } from "./coat";
import { isNight, isOpen, type Hours } from "./hours";
import { clearOf, startOf, vapoursOf, type CoatWindows } from "./coat-windows";
import { PASS } from "../passes/facts";
import { FLASH_OFF_MIN } from "./pass";

export type Trouble = {
  kind:
    | "night"
    | "after hours"
    | "late"
    | "may be late"
    | "never"
    | "sand first"
    | "past"
    | "hands"
    | "waits"
    | "no place"
    | "fire";
  coatId: string;
  passId: string | null;
  words: string;
};

/** A trouble in few words. */
export const TROUBLE_WORDS: Record<Trouble["kind"], string> = {
  night: "in the night",
  "after hours": "after hours",
  late: "when the window is over",
  "may be late": "when the window may be over",
  never: "never",
  "sand first": "after the recoat window: sand first",
  past: "in the past",
  hands: "with no hands free in its window",
  waits: "that waits for hands",
  "no place": "with no place for the piece",
  fire: "into vapour that burns",
};

/** What is wrong with when the passes of a coat are done. */
export function passTroubles(laid: CoatWindows, hours: Hours): Trouble[] {
  const { coatId } = laid;
  return laid.windows.flatMap(({ pass, words, atMin, untilMin, to, done, waitsFor }): Trouble[] => {
    const where = { coatId, passId: pass.id };
    if (done) return [];
    if (!Number.isFinite(atMin))
      return [{ ...where, kind: "never", words: `${words}: in this room the film never gets there.` }];
    const found: Trouble[] = [];
    const late = to && untilMin > to.likely;
    const maybe = to && untilMin > to.low;
    if (waitsFor && maybe)
      found.push({
        ...where,
        kind: "hands",
        words: `${words} waits for hands, which are on ${waitsFor}: its window ${late ? "is" : "may be"} over by then.`,
      });
    else if (late) found.push({ ...where, kind: "late", words: `${words}: its window is over by then.` });
    else if (maybe)
      found.push({ ...where, kind: "may be late", words: `${words}: the window may be over by then.` });
    if (PASS[pass.kind].hands === false) return found;
    if (isNight(atMin, hours)) found.push({ ...where, kind: "night", words: `${words} falls in the night.` });
    else if (!isOpen(atMin, hours))
      found.push({ ...where, kind: "after hours", words: `${words} falls after hours.` });
    return found;
  });
}

/** What would light the vapour of another coat: the coats of a job lie side by side in one air. */
export function fireTroubles(coats: readonly CoatWindows[]): Trouble[] {
  const vapours = coats.flatMap(vapoursOf);
  return coats.flatMap(({ coatId, windows }) =>
    windows.flatMap(({ pass, words, atMin, done }): Trouble[] => {
      if (done || PASS[pass.kind].fire !== "lights" || clearOf(vapours, atMin) <= atMin) return [];
      return [
        {
          kind: "fire",
          coatId,
          passId: pass.id,
          words: `${words} falls into vapour that burns: wait ${FLASH_OFF_MIN} minutes after the last drop on any coat.`,
        },
      ];
    }),
  );
}

/** What is wrong with when a coat is mixed. */
export function mixTroubles(
  laid: CoatWindows,
  coat: Coat,
  below: { laid: CoatWindows; resin: ResinCard } | null,
  hours: Hours,
): Trouble[] {
  const at = { coatId: coat.id, passId: null };
  const found: Trouble[] = [];
  if (below && coat.startsAfter === "recoat" && below.resin.recoatUntilH !== null) {
    const opens = startOf(below.laid.life, "recoat");
    const stretch =
      below.resin.recoatUntilH / Math.max(0.1, below.resin.recoatFromH ?? below.resin.tackFreeH ?? 1);
    if (laid.mixedAtMin > below.laid.mixedAtMin + opens.likely * stretch)
      found.push({
        ...at,
        kind: "sand first",
        words: `${coat.name} comes after the recoat window of ${below.laid.name}: sand first.`,
      });
  }
  if (isNight(laid.mixedAtMin, hours))
    found.push({ ...at, kind: "night", words: `${coat.name} is mixed in the night.` });
  else if (!isOpen(laid.mixedAtMin, hours))
    found.push({ ...at, kind: "after hours", words: `${coat.name} is mixed after hours.` });
  return found;
}
