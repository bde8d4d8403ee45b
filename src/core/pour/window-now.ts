import { beadAreaMm2 } from "../film/flow";
import { veinForecast } from "../film/vein-timing";
import type { FittedResin } from "../cure/fitted-resin";
import type { Spread } from "../numerics/spread";
import type { PassKind } from "../passes/facts";
import type { PassWindow } from "../schedule/coat-windows";
import { durationWords } from "../units/duration";
import { trimmed } from "../units/format-quantity";

/** How an act lies in its window now: minutes until it opens, until it closes, or since it has closed. */
export type WindowNow =
  | { state: "early"; opensMin: Spread }
  | { state: "right"; closesMin: Spread | null }
  | { state: "closing"; closesMin: Spread }
  | { state: "closed"; sinceMin: Spread };

const after = ({ low, likely, high }: Spread, nowMin: number): Spread => ({
  low: low - nowMin,
  likely: likely - nowMin,
  high: high - nowMin,
});

/** How a pass lies in its window at a minute; it is closing when it may be too late already. */
export function windowNow({ from, to }: Pick<PassWindow, "from" | "to">, nowMin: number): WindowNow {
  if (nowMin < from.likely) return { state: "early", opensMin: after(from, nowMin) };
  if (to === null || !Number.isFinite(to.likely)) return { state: "right", closesMin: null };
  const closesMin = after(to, nowMin);
  if (nowMin >= to.likely)
    return {
      state: "closed",
      sinceMin: { low: -closesMin.high, likely: -closesMin.likely, high: -closesMin.low },
    };
  return { state: nowMin >= to.low ? "closing" : "right", closesMin };
}

const ON_TOP = "It does not level into what lies there any more: pour it as a coat of its own.";
const DRAGS = "The film drags and keeps every mark: let it be, sand it and put it right with the next coat.";
/** What becomes of a pass that is done too early or too late, and what is still possible. Common practice, no source. */
const OUT_OF_WINDOW: Partial<Record<PassKind, { early?: string; late: string }>> = {
  lay: { late: ON_TOP },
  "bucket-pour": { late: ON_TOP },
  spread: {
    late: DRAGS,
  },
  palm: {
    late: DRAGS,
  },
  comb: { late: "The lines stay as furrows: let it be, the next coat fills them." },
  skim: { late: "The blade tears the film: let it be." },
  drizzle: { late: "Ribbons stay on top as strings: leave them out, or lay them in the next coat." },
  blow: { late: "It only wrinkles the skin: leave it." },
  flame: {
    late: "Bubbles stay in, and heat wrinkles a gummy film: prick what you see, sand it out under the next coat.",
  },
  alcohol: { late: "It opens no cells any more and leaves haze: leave it out." },
  fog: { late: "It lies on the film and rubs off: lock it under the next clear." },
  veins: {
    early: "They run wide and fade.",
    late: "They stay thin and stand up: lay them finer, or leave them out and lay them in a coat of their own.",
  },
  faces: {
    early: "What is brushed on runs off again.",
    late: "The brush drags: leave them, and brush them with the next coat after sanding.",
  },
  "dam-pull": {
    early: "The edge runs over.",
    late: "It tears: cut it free low along the edge with a sharp knife, then sand the lip.",
  },
  "tape-pull": {
    early: "The edge runs.",
    late: "It tears out of the film: cut along it with a sharp knife first.",
  },
  "drip-scrape": { early: "New drips come.", late: "They are hard: sand them off later." },
};

/** What speaks for or against a pass now, in a sentence; null where its time makes no difference. */
export function windowAdvice(kind: PassKind, now: WindowNow): string | null {
  const words = OUT_OF_WINDOW[kind];
  if (now.state === "early") return words?.early ?? null;
  return now.state === "closed" || now.state === "closing" ? (words?.late ?? null) : null;
}

/** A vein as it is usually laid: a flat bead so wide and high, mm; the ratio of two widths hardly hangs on it. */
const USUAL_VEIN = { wideMm: 4, highMm: 1.5 };

/**
 * How much wider a vein laid now ends than one that is laid when its window opens: a factor with its spread.
 * @param sinceMixMin minutes since the film was mixed, now and at the opening of the window
 */
export function veinsWider(
  film: { resin: FittedResin; tempC: number; filmMm: number },
  sinceMixMin: { now: number; open: number },
): Spread {
  const { wideMm, highMm } = USUAL_VEIN;
  const of = { ...film, vein: { widthMm: wideMm, areaMm2: beadAreaMm2(wideMm, highMm) } };
  const [now, open] = [veinForecast(of, sinceMixMin.now), veinForecast(of, sinceMixMin.open)];
  // The vein constant and the resin are the same for both: like is set beside like.
  const ratios = [now.low / open.low, now.likely / open.likely, now.high / open.high].sort((a, b) => a - b);
  return { low: ratios[0] ?? 1, likely: now.likely / open.likely, high: ratios[2] ?? 1 };
}

/** Less than this is not told. */
const WIDER_FROM = 1.15;

/** "They spread to 1.8 times (1.5 to 2) of the width that they have at their minute." */
export function widerWords({ low, likely, high }: Spread): string | null {
  if (likely < WIDER_FROM) return null;
  const [from, to] = [trimmed(low, 1), trimmed(high, 1)];
  const spread = from === to ? "" : ` (${from} to ${to})`;
  return `Laid now they end ${trimmed(likely, 1)} times${spread} as wide as at their minute: wait, or leave them out.`;
}

const minutes = (min: number): string => durationWords(Math.max(1, Math.round(min)));
const spreadWords = (from: number, to: number): string => {
  const [low, high] = [Math.max(0, Math.round(from)), Math.max(0, Math.round(to))];
  return low === high ? "" : ` (${low === 0 ? "0 min" : minutes(low)} to ${minutes(high)})`;
};

/** Where a pass stands in its window, in a few words with its spread; null where it stays right. */
export function windowWords(now: WindowNow): string | null {
  switch (now.state) {
    case "early":
      return `Opens in ${minutes(now.opensMin.likely)}${spreadWords(now.opensMin.low, now.opensMin.high)}.`;
    case "right":
      return (
        now.closesMin &&
        `Right for ${minutes(now.closesMin.likely)} more${spreadWords(now.closesMin.low, now.closesMin.high)}.`
      );
    case "closing":
      return `Closing: it may be over already, or hold for ${minutes(now.closesMin.high)}.`;
    case "closed":
      return now.sinceMin.low > 0
        ? `Its time is over, since ${minutes(now.sinceMin.likely)}${spreadWords(now.sinceMin.low, now.sinceMin.high)}.`
        : `Its time is over, as far as the card tells; it may hold for ${minutes(-now.sinceMin.low)} more.`;
  }
}
