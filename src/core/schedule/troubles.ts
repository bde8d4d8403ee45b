import type { ResinCard } from "../cure/resin-card";
import type { Coat } from "./coat";
import { isNight, isOpen, type Hours } from "./hours";
import { clearOf, startOf, vapoursOf, type CoatWindows } from "./coat-windows";
import { PASS } from "../passes/facts";
import { mixSaid, passSaid, type TroubleKind } from "./trouble-words";

export type Trouble = { kind: TroubleKind; coatId: string; passId: string | null; words: string };

/** What is wrong with when the passes of a coat are done. */
export function passTroubles(laid: CoatWindows, hours: Hours): Trouble[] {
  const { coatId } = laid;
  return laid.windows.flatMap(({ pass, words, atMin, untilMin, to, done, waitsFor }): Trouble[] => {
    const where = { coatId, passId: pass.id };
    if (done) return [];
    if (!Number.isFinite(atMin)) return [{ ...where, kind: "never", words: passSaid.never(words) }];
    const found: Trouble[] = [];
    const late = to && untilMin > to.likely;
    const maybe = to && untilMin > to.low;
    if (waitsFor && maybe)
      found.push({
        ...where,
        kind: "hands",
        words: passSaid.hands(words, waitsFor, Boolean(late)),
      });
    else if (late) found.push({ ...where, kind: "late", words: passSaid.late(words) });
    else if (maybe) found.push({ ...where, kind: "may be late", words: passSaid.mayBeLate(words) });
    if (PASS[pass.kind].hands === false) return found;
    if (isNight(atMin, hours)) found.push({ ...where, kind: "night", words: passSaid.night(words) });
    else if (!isOpen(atMin, hours))
      found.push({ ...where, kind: "after hours", words: passSaid.afterHours(words) });
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
          words: passSaid.fire(words),
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
        words: mixSaid.sandFirst(coat.name, below.laid.name),
      });
  }
  if (isNight(laid.mixedAtMin, hours)) found.push({ ...at, kind: "night", words: mixSaid.night(coat.name) });
  else if (!isOpen(laid.mixedAtMin, hours))
    found.push({ ...at, kind: "after hours", words: mixSaid.afterHours(coat.name) });
  return found;
}
