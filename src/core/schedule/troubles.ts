import type { ResinCard } from "../cure/resin-card";
import type { Coat } from "./coat";
import { isNight, isOpen, type Hours } from "./hours";
import { clearOf, firstUntil, startOf, vapoursOf, type CoatWindows } from "./coat-windows";
import { PASS } from "../passes/facts";
import { mixSaid, passSaid, type TroubleKind } from "./trouble-words";

export type Trouble = { kind: TroubleKind; coatId: string; passId: string | null; words: string };

/** What is wrong with when the passes of a coat are done. */
export function passTroubles(laid: CoatWindows, hours: Hours): Trouble[] {
  const { coatId } = laid;
  return laid.windows.flatMap((window): Trouble[] => {
    const { pass, words, atMin, to, done, waitsFor, turns, turnOf } = window;
    const untilMin = firstUntil(window);
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
    if (turnOf === "round") {
      const rounds = turns.filter((turn) => !turn.done && !turn.maybe);
      const asleep = rounds.filter((turn) => isNight(turn.atMin, hours)).length;
      const shut = rounds.filter((turn) => !isOpen(turn.atMin, hours)).length;
      if (asleep > 0)
        found.push({ ...where, kind: "night", words: passSaid.roundsAtNight(words, asleep, rounds.length) });
      else if (shut > 0)
        found.push({
          ...where,
          kind: "after hours",
          words: passSaid.roundsAfterHours(words, shut, rounds.length),
        });
      return found;
    }
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
    windows.flatMap(({ pass, words, atMin, done, turns, turnOf }): Trouble[] => {
      if (done || PASS[pass.kind].fire !== "lights") return [];
      const begins =
        turnOf === "round" ? turns.filter((turn) => !turn.done).map((turn) => turn.atMin) : [atMin];
      if (begins.every((begin) => clearOf(vapours, begin) <= begin)) return [];
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

/** Starts that need the film below before it has set. */
const mustMeet = ({ startsAfter }: Coat): boolean =>
  startsAfter === "wet" || startsAfter === "late" || startsAfter === "tacky";

/**
 * What is wrong with when a coat is mixed.
 * @param wantedMin when it was asked for, where that is earlier than the film below allows; else null
 */
export function mixTroubles(
  laid: CoatWindows,
  coat: Coat,
  below: { laid: CoatWindows; resin: ResinCard } | null,
  hours: Hours,
  wantedMin: number | null = null,
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
  if (
    below &&
    below.resin.kind !== "paint" &&
    mustMeet(coat) &&
    !coat.passes.some(({ kind }) => kind === "sand")
  ) {
    const hardened = below.laid.lastMixedAtMin + startOf(below.laid.life, "set").likely;
    if (laid.mixedAtMin > hardened + 1)
      found.push({ ...at, kind: "sand first", words: mixSaid.hardened(coat.name, below.laid.name) });
  }
  if (wantedMin !== null && laid.mixedAtMin > wantedMin + 1)
    found.push({ ...at, kind: "not yet", words: mixSaid.notYet(coat.name, laid.mixedAtMin - wantedMin) });
  if (isNight(laid.mixedAtMin, hours)) found.push({ ...at, kind: "night", words: mixSaid.night(coat.name) });
  else if (!isOpen(laid.mixedAtMin, hours))
    found.push({ ...at, kind: "after hours", words: mixSaid.afterHours(coat.name) });
  return found;
}
