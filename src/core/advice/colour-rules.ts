import { KILLED } from "../colour/flakes";
import { mixLook } from "../colour/mix-look";
import { chromaOf } from "../colour/spaces";
import { even } from "../colour/spectrum";
import { decimal } from "../units/format-quantity";
import type { Advice, Rule } from "./advice";
import { blends, DARK_L, isBlack, isMetallic, isWhite, labOf, ofEachCoat } from "./seen-colour";

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
        what: "Black goes last, into wet colour.",
        soWhat: "On the bare primer it stays as a hard spot.",
        kind: "common practice",
        why: "Black goes a long way and dominates. Dropped on dry primer it cannot glide and sets where it fell; poured inside other wet colours, last or among the last, it melts in.",
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
        what: `${first.colour.name} is laid first: with ${dark.colour.name} worked in it goes ${neutral ? "grey" : "pale and dull"}.`,
        soWhat: `Lay it last to keep it white; leave it first for soft ${neutral ? "greys" : "tones"}.`,
        kind: "common practice",
        why: "What should melt into the others goes early, what must stay strong goes late: white first gives grey, white last stays white. More white with black gives more grey, not more white.",
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
        what: `${Math.round(share * 100)} % of this coat is metallic.`,
        soWhat: "Metallics need opaque neighbours; over about half they lose definition.",
        kind: "common practice",
        why: "A metallic is read against what stands beside it. With little opaque colour left, the whole top shimmers evenly and the pattern goes.",
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
        what: `${decimal(visible * 100, 0)} % of the shimmer of ${colour.name} is seen.`,
        soWhat:
          veil && name
            ? `Take less ${name}, or lay it beside in a cup of its own: without it ${decimal(veil.seen * 100, 0)} %.`
            : "Take more of it.",
        kind: "physics",
        why: "A flake is seen through what lies over it. White and other opaque pigments in the same cup cover it; below about 60 % the eye sees a flat grey.",
      },
    ];
  }),
);
