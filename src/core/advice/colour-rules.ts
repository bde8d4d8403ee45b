import { KILLED } from "../colour/flakes";
import { mixLook } from "../colour/mix-look";
import { chromaOf } from "../colour/spaces";
import { even } from "../colour/spectrum";
import type { ColourKind } from "../colour/colour-card";
import type { Advice, AdviceContext, Rule, SeenColour } from "./advice";
import { blends, DARK_L, isBlack, isMetallic, isWhite, labOf, ofEachCoat } from "./seen-colour";
import { blackOnPrimer as blackLast, metallic, thinBeforeHeavy, whiteFirst as whiteLaidFirst } from "./words";

/** Black on bare, dry primer stays as a hard spot. */
export const blackOnPrimer: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below, belowWet, seen }) => {
    const black = seen.colours.find(isBlack);
    if (coat.kind !== "colour" || !black || seen.colours.length < 2 || belowWet || below?.kind !== "primer")
      return [];
    return [
      {
        rule: "black-on-primer",
        coatId: coat.id,
        at: black.colour.id,
        ...blackLast(),
      },
    ];
  });

/** With less colour than this what is mixed of it and white is called grey (assumed). */
const GREY_CHROMA = 14;

/** White that is worked over by all the others greys; laid last it stays white. */
export const whiteFirst: Rule = ({ coats }) =>
  coats.flatMap((advised) => {
    const { coat, seen } = advised;
    const [first, ...others] = seen.colours;
    if (coat.kind !== "colour" || !first || !isWhite(first) || !blends(advised)) return [];
    const dark = others.find((other) => labOf(other)[0] < DARK_L + 15 && other.colour.look !== "clear");
    if (!dark) return [];
    const neutral = chromaOf(labOf(dark)) < GREY_CHROMA;
    return [
      {
        rule: "white-first",
        coatId: coat.id,
        at: first.colour.id,
        ...whiteLaidFirst(first.colour.name, dark.colour.name, neutral),
      },
    ];
  });

/** In which order products are poured where nothing speaks for another: thin ones first, what is heavy last (common practice, no source). */
const POURED: Partial<Record<ColourKind, number>> = { dye: 0, "alcohol-ink": 0, mica: 1, glitter: 2 };

/** How late a cup is poured by the heaviest of its colourants; null where none of them speaks for it. */
function pouredAt({ parts }: SeenColour, colourants: AdviceContext["colourants"]): number | null {
  const ranks = parts.flatMap(({ id, gPer100G }) => {
    const kind = colourants.get(id)?.kind;
    return kind && gPer100G > 0 ? (POURED[kind] ?? []) : [];
  });
  return ranks.length > 0 ? Math.max(...ranks) : null;
}

/** Dyes before micas before glitters. */
export const heavyFirst: Rule = ({ coats, colourants }) =>
  coats.flatMap(({ coat, seen }): Advice[] => {
    if (coat.kind !== "colour") return [];
    const cups = seen.colours.flatMap((cup) => {
      const at = pouredAt(cup, colourants);
      return at === null ? [] : [{ cup, at }];
    });
    const early = cups.find(({ at }, index) => cups.slice(index + 1).some((later) => later.at < at));
    const late = early && cups.slice(cups.indexOf(early) + 1).find(({ at }) => at < early.at);
    if (!early || !late) return [];
    return [
      {
        rule: "heavy-first",
        coatId: coat.id,
        at: early.cup.colour.id,
        ...thinBeforeHeavy(early.cup.colour.name, late.cup.colour.name, early.at === POURED.glitter),
      },
    ];
  });

/** Too much metallic loses its definition. */
export const metallicShare: Rule = ({ coats }) =>
  coats.flatMap(({ coat, seen }) => {
    const share = seen.colours.filter(isMetallic).reduce((sum, { colour }) => sum + colour.share, 0);
    if (coat.kind !== "colour" || coat.colours.length < 2 || share <= 0.5) return [];
    return [
      {
        rule: "metallic-share",
        coatId: coat.id,
        at: "shares",
        ...metallic.much(share),
      },
    ];
  });

/** A metallic that other pigments cover no longer shimmers. */
export const metallicKilled: Rule = ofEachCoat(({ coat, seen }) =>
  seen.colours.flatMap(({ colour, look, parts }): Advice[] => {
    const visible = look?.metallic?.visible;
    if (visible === undefined || visible >= KILLED) return [];
    // What veils it most: the part without which most of it would be seen.
    const veil = parts
      .filter(({ optics, gPer100G }) => optics && !optics.flake && gPer100G > 0)
      .map(({ id }) => ({
        id,
        seen:
          mixLook(
            parts.filter((part) => part.id !== id),
            coat.filmMm,
            even(0.02),
          ).metallic?.visible ?? 0,
      }))
      .sort((a, b) => b.seen - a.seen)[0];
    const name = colour.parts?.find((part) => part.cardId === veil?.id)?.name;
    return [
      {
        rule: "metallic-killed",
        coatId: coat.id,
        at: colour.id,
        ...metallic.killed(colour.name, visible, veil && name ? { name, seen: veil.seen } : null),
      },
    ];
  }),
);
