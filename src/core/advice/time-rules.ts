import { startOf } from "../schedule/coat-windows";
import type { Trouble } from "../schedule/troubles";
import { DAY_MIN } from "../schedule/hours";
import type { Advice, AdviceKind, Rule } from "./advice";

type Told = { rule: string; kind: AdviceKind; soWhat: string; why: string };

/** Troubles of the days that are worth a word where the coat is planned; hands and places belong to the shop's days. */
const TOLD: Partial<Record<Trouble["kind"], Told>> = {
  night: {
    rule: "asleep",
    kind: "physics",
    soWhat: "Start earlier, or let Windows find a start in which nobody is woken.",
    why: "When a pass is right is computed from the resin's card and the room. A dam that stays until the morning is locked in; drips that were not scraped are sanded next day.",
  },
  fire: {
    rule: "fire",
    kind: "safety",
    soWhat: "Move one of them: no flame or hot air until the vapour is gone.",
    why: "Alcohol and paint vapour hangs in the room, whatever coat it was sprayed on. About five minutes in an aired room clear it.",
  },
  "sand first": {
    rule: "after-recoat",
    kind: "data sheet",
    soWhat: "Sand and wipe it, or move the coats closer together.",
    why: "Within its recoat window a film still bonds with the next by itself; afterwards it needs scratches to hold on to. The window stands on the resin's card and shifts with the room.",
  },
  late: {
    rule: "window-over",
    kind: "physics",
    soWhat: "Lay less at a time, work with more hands, cooler, or with a slower resin.",
    why: "The pass comes when the hands are free of those before it. By then the film has thickened past what the pass needs.",
  },
  never: {
    rule: "never-there",
    kind: "physics",
    soWhat: "Warm the room, or take a resin that cures in the cold.",
    why: "At this temperature the cure goes so slowly that the film does not get there in a hundred days.",
  },
};

export const daysTroubles: Rule = ({ troubles }) =>
  troubles.flatMap(({ kind, coatId, passId, words }): Advice[] => {
    const told = TOLD[kind];
    return told ? [{ ...told, coatId, at: passId, what: words }] : [];
  });

const hours = (minutes: number) => `${Math.round(minutes / 60)} h`;

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
        what: `The night is too short: ${below.coat.name} can be sanded ${hours(sandable.likely)} after it was mixed (${hours(sandable.low)} to ${hours(sandable.high)}).`,
        soWhat: `${coat.name} waits ${hours(late)} longer; warm the room, begin earlier the day before, or take a resin that sands sooner.`,
        kind: "physics",
        why: "Sanded too soon it clogs the paper and dents. The card's own time to sanding is moved by the room's temperature, about half for each 10 °C warmer.",
      },
    ];
  });
