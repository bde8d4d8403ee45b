import { GROUNDS, type Ground } from "../batch/grounds";
import type { CoatColour } from "../batch/coat-colour";
import { averageXyz } from "../colour/average";
import { ciede2000 } from "../colour/ciede2000";
import { opticsOf, type ColourCard } from "../colour/colour-card";
import { belowSurface } from "../colour/film-optics";
import { mixLook, spreadOver, variantsOf, type MixLook, type MixPart } from "../colour/mix-look";
import { differencesUnderLamps, type UnderLamp } from "../colour/lamps";
import { smoothReflectance, smoothReflectanceOfXyz } from "../colour/recover";
import { hexOfXyz, labOfXyz, linearOfHex, xyzOfHex, xyzOfLab, type Lab } from "../colour/spaces";
import { mapBands, type Xyz } from "../colour/spectrum";
import type { Spread } from "../numerics/spread";
import { liesOnTop, type Coat } from "../schedule/coat";
import { byIdentity } from "../numerics/by-identity";
import { nth } from "../numerics/nth";

export type ColourLooks = {
  colour: CoatColour;
  parts: MixPart[];
  hex: string;
  xyz: Xyz;
  lab: Lab;
  /** How its film looks over its ground; null for a colour that is only typed. */
  look: MixLook | null;
  internal: Float64Array;
  /** As seen, band by band; of a colour that is only typed the smoothest that has it. */
  reflectance: Float64Array;
};

export type CoatLooks = {
  coat: Coat;
  /** What lies under it, within the film, and its colour. */
  under: { internal: Float64Array; hex: string };
  colours: ColourLooks[];
  /** All its colours by their shares, from where the eye no longer parts them. */
  average: Average;
};

export type Average = { xyz: Xyz; lab: Lab; hex: string };
export const seenFromAfar = (xyz: Xyz): Average => ({ xyz, lab: labOfXyz(xyz), hex: hexOfXyz(xyz) });

/** The coats from the ground upward, and the finished top from some steps back. */
export type ColourPlan = { coats: CoatLooks[]; finished: Average & { reflectance: Float64Array } };

const typed = new Map<string, { internal: Float64Array; reflectance: Float64Array }>();
const MOST_TYPED = 500;

/** A typed colour as a reflectance, within the film and as seen; kept, since it is looked for on each keystroke. */
export function typedSpectrum(hex: string): { internal: Float64Array; reflectance: Float64Array } {
  const before = typed.get(hex);
  if (before) return before;
  if (typed.size >= MOST_TYPED) typed.clear();
  const reflectance = smoothReflectance(linearOfHex(hex));
  const fresh = { internal: mapBands((band) => belowSurface(nth(reflectance, band))), reflectance };
  typed.set(hex, fresh);
  return fresh;
}

/** The colourants of a colour with their optics; a colourant whose card is gone or unknown has none. */
export const mixPartsOf = (colour: CoatColour, cards: ReadonlyMap<string, ColourCard>): MixPart[] =>
  (colour.parts ?? []).map(({ cardId, gPer100G }) => {
    const card = cards.get(cardId);
    return { id: cardId, gPer100G, optics: card ? opticsOf(card) : null };
  });

function looksOf(
  colour: CoatColour,
  filmMm: number,
  under: Below,
  cards: ReadonlyMap<string, ColourCard>,
): ColourLooks {
  const parts = mixPartsOf(colour, cards);
  if (parts.length === 0 && colour.look === "clear") {
    // Nothing in it: what lies below is seen as it was, its shimmer too.
    const look = mixLook([], filmMm, under.internal);
    const { xyz, internal, reflectance } = under;
    return { colour, parts, hex: hexOfXyz(xyz), xyz, lab: labOfXyz(xyz), look, internal, reflectance };
  }
  if (parts.length > 0) {
    const look = mixLook(parts, filmMm, under.internal);
    const { hex, xyz, lab, internal, reflectance } = look;
    return { colour, parts, hex, xyz, lab, look, internal, reflectance };
  }
  const xyz = xyzOfHex(colour.hex);
  return {
    colour,
    parts,
    hex: colour.hex,
    xyz,
    lab: labOfXyz(xyz),
    look: null,
    ...typedSpectrum(colour.hex),
  };
}

/** What the eye meets before a coat is laid: within the film, and as seen. */
export type Below = { internal: Float64Array; xyz: Xyz; reflectance: Float64Array };

const grounds = new Map<Ground, Below>();

/** A ground with nothing on it. */
export function bareGround(ground: Ground): Below {
  const known = grounds.get(ground);
  if (known) return known;
  const hex = GROUNDS[ground].hex;
  const fresh = { ...typedSpectrum(hex), xyz: xyzOfHex(hex) };
  grounds.set(ground, fresh);
  return fresh;
}

export type Laid = { looks: CoatLooks; top: Below };

function layCoat(coat: Coat, below: Below, cards: ReadonlyMap<string, ColourCard>): Laid {
  const under = { internal: below.internal, hex: hexOfXyz(below.xyz) };
  const colours = coat.colours.map((colour) => looksOf(colour, coat.filmMm, below, cards));
  const coatXyz =
    averageXyz(colours.map((looks) => ({ xyz: looks.xyz, share: looks.colour.share }))) ?? below.xyz;
  const looks = { coat, under, colours, average: seenFromAfar(coatXyz) };
  if (!liesOnTop(coat) || colours.length === 0) return { looks, top: below };
  const cover = Math.min(1, coat.coverShare);
  const over = (of: "internal" | "reflectance") =>
    mapBands(
      (band) =>
        (1 - cover) * nth(below[of], band) +
        cover * colours.reduce((sum, looks) => sum + looks.colour.share * nth(looks[of], band), 0),
    );
  const xyz = averageXyz([
    { xyz: coatXyz, share: cover },
    { xyz: below.xyz, share: 1 - cover },
  ]) as Xyz;
  return { looks, top: { internal: over("internal"), xyz, reflectance: over("reflectance") } };
}

/** The looks of each coat over what it was laid on: a keystroke changes one coat, and those above it. */
const laid = byIdentity(
  (_coat: Coat) => new WeakMap<Below, { colourants: readonly ColourCard[]; done: Laid }>(),
);

/** A coat laid over what lies below it, worked out once for both. */
export function laidOn(coat: Coat, below: Below, colourants: readonly ColourCard[]): Laid {
  const known = laid(coat).get(below);
  if (known && known.colourants === colourants) return known.done;
  const done = layCoat(coat, below, cardsById(colourants));
  laid(coat).set(below, { colourants, done });
  return done;
}

const cardsById = byIdentity(
  (colourants: readonly ColourCard[]): ReadonlyMap<string, ColourCard> =>
    new Map(colourants.map((card) => [card.id, card])),
);

/**
 * How each colour of a job looks over what lies under it, from the ground upward.
 * @param colourants the shop's
 */
export function colourPlan(
  job: { ground: Ground; coats: readonly Coat[] },
  colourants: readonly ColourCard[],
): ColourPlan {
  let top = bareGround(job.ground);
  const coats = job.coats.map((coat): CoatLooks => {
    const done = laidOn(coat, top, colourants);
    top = done.top;
    return done.looks;
  });
  return { coats, finished: { ...seenFromAfar(top.xyz), reflectance: top.reflectance } };
}

/** What the number of a difference from a target is the number of, wherever it stands. */
export const DIFFERENCE_BASIS = "by the shares poured, all coats on";

/** A target with how far the finished top is from it. */
export function wantedOf<Target extends { lab: readonly [number, number, number] }>(
  looks: ColourPlan,
  target: Target | undefined,
): (Target & { difference?: number }) | undefined {
  const difference = target && differenceFinished(looks, target.lab)?.likely;
  return target && (difference === undefined ? target : { ...target, difference });
}

/**
 * How far the finished top is from a target under each lamp, ΔE00. Of a target only its colour in daylight is known: its reflectance is taken
 * as the smoothest that has it, so that this says how the top's own colourants turn, not how the tile's do. In daylight it is
 * {@link differenceFinished}'s, to the rounding of a colour that no screen shows.
 */
export const underLamps = ({ finished }: ColourPlan, target: Lab): UnderLamp[] =>
  differencesUnderLamps(finished.reflectance, smoothReflectanceOfXyz(xyzOfLab(target)));

/** The coat that carries the pattern: the first colour coat, else the last. */
export const patternOf = ({ coats }: Pick<ColourPlan, "coats">): CoatLooks | undefined =>
  coats.find(({ coat }) => coat.kind === "colour") ?? coats.at(-1);

/**
 * How far the finished top is from a target, ΔE00: the one number that every view tells, see {@link DIFFERENCE_BASIS}. Its ends are those of
 * the coat that carries the pattern.
 */
export function differenceFinished(looks: ColourPlan, target: Lab): Spread | null {
  const pattern = patternOf(looks);
  if (!pattern) return null;
  const spread = differenceFrom(pattern, target);
  const likely = ciede2000(looks.finished.lab, target);
  return {
    low: Math.max(0, likely - (spread.likely - spread.low)),
    likely,
    high: likely + (spread.high - spread.likely),
  };
}

/**
 * How far a coat's average is from a target, ΔE00, with each colourant of each of its colours by itself at either end of its strength.
 */
export function differenceFrom(coat: CoatLooks, target: Lab): Spread {
  const averageWith = (changed: ColourLooks | null, xyz: Xyz) =>
    averageXyz(
      coat.colours.map((looks) => ({ xyz: looks === changed ? xyz : looks.xyz, share: looks.colour.share })),
    ) ?? coat.average.xyz;
  const others = coat.colours.flatMap((looks) =>
    variantsOf(looks.parts).map(({ parts }) =>
      averageWith(looks, mixLook(parts, coat.coat.filmMm, coat.under.internal).xyz),
    ),
  );
  return spreadOver(
    ciede2000(coat.average.lab, target),
    others.map((xyz) => ciede2000(labOfXyz(xyz), target)),
  );
}
