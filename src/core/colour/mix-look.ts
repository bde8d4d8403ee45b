import type { Spread } from "../numerics/spread";
import { ciede2000 } from "./ciede2000";
import type { Optics } from "./colour-card";
import { overGround, seen, together, type Matter } from "./film-optics";
import { atAngle, flopIndex, GREEN_BAND, labAt, swatchOf, visibleFlakes } from "./flakes";
import { contrastRatio, ghosting, labEndless, unseenFilmMm } from "./hiding";
import { hexOfXyz, onScreen, type Lab } from "./spaces";
import { even, xyzOf, type Band, type Xyz } from "./spectrum";
import { nth } from "../numerics/nth";

/** One colourant of a mix as it is weighed, g in 100 g of mix; null optics where its look is not known. */
export type MixPart = { id: string; gPer100G: number; optics: Optics | null };

export type MixLook = {
  lab: Lab;
  hex: string;
  xyz: Xyz;
  /** Outside what the screen shows: the swatch is the nearest it can. */
  beyondScreen: boolean;
  /** Stops of a lit swatch, from edge to edge: face in the middle, flop at the sides. One alone where nothing shimmers. */
  swatch: string[];
  metallic: { face: Lab; flop: Lab; flopIndex: number; visible: number } | null;
  /** Reflectance within the film, for what is laid over it. */
  internal: Float64Array;
  /** Reflectance as seen; of what shimmers at 45°. */
  reflectance: Float64Array;
  /** Parts whose look is not known; they are left out. */
  unknownIds: string[];
};

function split(parts: readonly MixPart[]) {
  const used = parts.flatMap(({ optics, gPer100G }) =>
    optics && gPer100G > 0 ? [{ optics, load: gPer100G }] : [],
  );
  const flakes = used.flatMap(({ optics, load }) => (optics.flake ? [{ flake: optics.flake, load }] : []));
  const matter = together(used.map(({ optics, load }) => ({ ...optics.matter, load })));
  const others = together(
    used.flatMap(({ optics, load }) => (optics.flake ? [] : [{ ...optics.matter, load }])),
  );
  return { matter, others, flakes };
}

/** The mirror of several flakes together, each by its part of the cover. */
function mirrorOf(flakes: ReturnType<typeof split>["flakes"]): { extinction: number; mirror: Band } {
  const extinction = flakes.reduce((sum, { flake, load }) => sum + flake.extinction * load, 0);
  const mirror = even(0).map((_, band) =>
    flakes.reduce(
      (sum, { flake, load }) => sum + (flake.extinction * load * nth(flake.mirror, band)) / extinction,
      0,
    ),
  );
  return { extinction, mirror };
}

/**
 * What a film of a mix looks like over a ground.
 * @param ground its reflectance within the film; `even(0.02)` for black
 */
export function mixLook(parts: readonly MixPart[], filmMm: number, ground: Band): MixLook {
  const { matter, others, flakes } = split(parts);
  const internal = overGround(matter, filmMm, ground);
  const body = seen(internal);
  const unknownIds = parts.filter((part) => part.optics === null && part.gPer100G > 0).map((part) => part.id);
  if (flakes.length === 0) {
    const xyz = xyzOf(body);
    const hex = hexOfXyz(xyz);
    return {
      lab: labAt(body),
      hex,
      xyz,
      beyondScreen: !onScreen(xyz),
      swatch: [hex],
      metallic: null,
      internal,
      reflectance: body,
      unknownIds,
    };
  }
  const { extinction, mirror } = mirrorOf(flakes);
  const visible = visibleFlakes(extinction, others, filmMm);
  const at = (angle: number) => atAngle(body, mirror, visible, angle);
  const [face, middle, flop] = [labAt(at(15)), labAt(at(45)), labAt(at(110))];
  // In the light of a room a metallic is met at all angles: 45° stands for them.
  const reflectance = at(45);
  const xyz = xyzOf(reflectance);
  return {
    lab: middle,
    hex: hexOfXyz(xyz),
    xyz,
    beyondScreen: !onScreen(xyz),
    swatch: swatchOf(at),
    metallic: {
      face,
      flop,
      flopIndex: flopIndex(face[0], middle[0], flop[0]),
      visible: nth(visible, GREEN_BAND),
    },
    internal,
    reflectance,
    unknownIds,
  };
}

/** The same mix with one colourant weaker or stronger than its card says. */
export type Variant = { partId: string; parts: MixPart[] };

/** How a mix may be instead: each colourant by itself at either end of its strength. */
export function variantsOf(parts: readonly MixPart[]): Variant[] {
  return parts.flatMap((part) => {
    if (!part.optics || !(part.gPer100G > 0)) return [];
    const { strength } = part.optics;
    return [1 / strength, strength].map((factor) => ({
      partId: part.id,
      parts: parts.map((mixPart) =>
        mixPart === part ? { ...mixPart, gPer100G: mixPart.gPer100G * factor } : mixPart,
      ),
    }));
  });
}

/** The likely value, and the least and the most that any variant makes of it. */
export const spreadOver = (likely: number, others: readonly number[]): Spread => ({
  low: Math.min(likely, ...others),
  likely,
  high: Math.max(likely, ...others),
});

/** How far an endless layer of a mix is from a colour, ΔE00, with each colourant by itself at either end of its strength. */
export function opaqueDifference(parts: readonly MixPart[], target: Lab): Spread {
  const from = (of: readonly MixPart[]) => ciede2000(labEndless(split(of).matter), target);
  return spreadOver(
    from(parts),
    variantsOf(parts).map((variant) => from(variant.parts)),
  );
}

export type Hiding = {
  /** Contrast ratio over the chart at this film (ISO 6504-3); 0.98 is hidden by the standard. */
  contrast: Spread;
  /** How far the ground shows through, ΔE00 from an endless layer. */
  ghost: Spread;
  /** The film from which the ground is not seen, mm; null when no film does it. */
  unseenFilmMm: Spread | null;
};

/** Contrast ratio of a film of a mix over the chart (ISO 6504-3), without its spread. */
export const contrastOf = (parts: readonly MixPart[], filmMm: number): number =>
  contrastRatio(split(parts).matter, filmMm);

/** How well a film of a mix hides its ground; null for one that has nothing in it. */
export function hidingOf(parts: readonly MixPart[], filmMm: number, ground: Band): Hiding | null {
  const { matter } = split(parts);
  if (!matter.S.some((value) => value > 0)) return null;
  const others = variantsOf(parts).map((variant) => split(variant.parts).matter);
  const spread = (of: (matter: Matter) => number) => spreadOver(of(matter), others.map(of));
  const unseen = unseenFilmMm(matter, ground);
  return {
    contrast: spread((matter) => contrastRatio(matter, filmMm)),
    ghost: spread((matter) => ghosting(matter, filmMm, ground)),
    unseenFilmMm:
      unseen === null
        ? null
        : spreadOver(
            unseen,
            others.flatMap((other) => unseenFilmMm(other, ground) ?? []),
          ),
  };
}

export type LookSpread = {
  /** The part that moves it most, and how it looks when that is weaker and stronger than thought. */
  partId: string | null;
  weaker: string;
  likely: string;
  stronger: string;
  /** The larger of both differences, ΔE00. */
  difference: number;
};

/** How sure a look is: the colourant that matters most, weaker and stronger than its card says. */
export function lookSpread(parts: readonly MixPart[], filmMm: number, ground: Band): LookSpread {
  const { hex, lab } = mixLook(parts, filmMm, ground);
  const variants = variantsOf(parts).map(({ partId, parts: other }) => {
    const look = mixLook(other, filmMm, ground);
    return { partId, hex: look.hex, difference: ciede2000(look.lab, lab) };
  });
  const worst = variants.reduce<(typeof variants)[number] | null>(
    (most, variant) => (most === null || variant.difference > most.difference ? variant : most),
    null,
  );
  const [weaker, stronger] = variants.filter((variant) => variant.partId === worst?.partId);
  return {
    partId: worst?.partId ?? null,
    weaker: weaker?.hex ?? hex,
    likely: hex,
    stronger: stronger?.hex ?? hex,
    difference: worst?.difference ?? 0,
  };
}
