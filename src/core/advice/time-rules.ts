import { startOf } from "../schedule/coat-windows";
import { DAY_MIN } from "../schedule/hours";
import type { Advice, Rule } from "./advice";
import { DAYS, shortNight as tooShort } from "./words";

/** Troubles of the days that are worth a word where the coat is planned; hands and places belong to the shop's days. */
export const daysTroubles: Rule = ({ troubles }) =>
  troubles.flatMap(({ kind, coatId, passId, words }): Advice[] => {
    const told = DAYS[kind];
    return told ? [{ ...told, coatId, at: passId, what: words }] : [];
  });

/** A coat for the next day that the one below does not let begin at its hour. */
export const shortNight: Rule = ({ coats, startMin }) =>
  coats.flatMap(({ coat, windows }, index): Advice[] => {
    const below = coats[index - 1];
    if (!windows || !below?.windows || coat.startsAfter !== "next-day") return [];
    const { mixedAtMin, lastMixedAtMin, life } = below.windows;
    const next = (Math.floor(mixedAtMin / DAY_MIN) + 1) * DAY_MIN + startMin;
    const sandable = startOf(life, "sandable");
    const late = lastMixedAtMin + sandable.likely - next;
    if (!(late >= 60)) return [];
    return [
      {
        rule: "short-night",
        coatId: coat.id,
        at: "startsAfter",
        ...tooShort(below.coat.name, sandable, coat.name, late),
      },
    ];
  });
