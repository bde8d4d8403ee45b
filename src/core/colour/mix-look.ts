import { ciede2000 } from "./ciede2000";
import type { Optics } from "./colour-card";
import { overGround, seen, together, type Matter } from "./film-optics";
import { atAngle, flopIndex, GREEN_BAND, labAt, swatchOf, visibleFlakes } from "./flakes";
import { contrastRatio, ghosting, labEndless, unseenFilmMm } from "./hiding";
import { hexOfLab, hexOfXyz, onScreen, type Lab } from "./spaces";
import { even, xyzOf, type Band, type Xyz } from "./spectrum";

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
  /** Parts whose look is not known; they are left out. */
  unknownIds: string[];
};

const CLEAR_HEX = "#EFE9D6";

function split(parts: readonly MixPart[], factor: (part: MixPart) => number = () => 1) {
  const used = parts.flatMap((part) =>
    part.optics && part.gPer100G > 0
      ? [{ part, optics: part.optics, load: part.gPer100G * factor(part) }]
      : [],
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
      (sum, { flake, load }) => sum + (flake.extinction * load * (flake.mirror[band] as number)) / extinction,
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
  return lookOf(parts, filmMm, ground, split(parts));
}

function lookOf(
  parts: readonly MixPart[],
  filmMm: number,
  ground: Band,
  { matter, others, flakes }: ReturnType<typeof split>,
): MixLook {
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
      unknownIds,
    };
  }
  const { extinction, mirror } = mirrorOf(flakes);
  const visible = visibleFlakes(extinction, others, filmMm);
  const at = (angle: number) => atAngle(body, mirror, visible, angle);
  const [face, middle, flop] = [labAt(at(15)), labAt(at(45)), labAt(at(110))];
  // In the light of a room a metallic is met at all angles: 45° stands for them.
  const xyz = xyzOf(at(45));
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
      visible: visible[GREEN_BAND] as number,
    },
    internal,
    unknownIds,
  };
}

export type Hiding = {
  /** Contrast ratio over the chart at this film (ISO 6504-3); 0.98 is hidden by the standard. */
  contrast: number;
  /** How far the ground shows through, ΔE00 from an endless layer. */
  ghost: number;
  /** The film from which the ground is not seen, mm; null when no film does it. */
  unseenFilmMm: number | null;
};

/** How well a film of a mix hides its ground; null for one that has nothing in it. */
export function hidingOf(parts: readonly MixPart[], filmMm: number, ground: Band): Hiding | null {
  const { matter } = split(parts);
  if (!matter.S.some((value) => value > 0)) return null;
  return {
    contrast: contrastRatio(matter, filmMm),
    ghost: ghosting(matter, filmMm, ground),
    unseenFilmMm: unseenFilmMm(matter, ground),
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

/** How sure a look is: each colourant by itself weaker and stronger than its card says; the one that matters most is shown. */
export function lookSpread(parts: readonly MixPart[], filmMm: number, ground: Band): LookSpread {
  const likely = mixLook(parts, filmMm, ground);
  let worst: LookSpread = {
    partId: null,
    weaker: likely.hex,
    likely: likely.hex,
    stronger: likely.hex,
    difference: 0,
  };
  for (const part of parts) {
    if (!part.optics || !(part.gPer100G > 0)) continue;
    const { strength } = part.optics;
    const [weak, strong] = [1 / strength, strength].map((factor) =>
      quickLab(
        split(parts, (one) => (one.id === part.id ? factor : 1)),
        filmMm,
        ground,
      ),
    ) as [Lab, Lab];
    const difference = Math.max(ciede2000(weak, likely.lab), ciede2000(strong, likely.lab));
    if (difference > worst.difference)
      worst = {
        partId: part.id,
        weaker: hexOfLab(weak),
        likely: likely.hex,
        stronger: hexOfLab(strong),
        difference,
      };
  }
  return worst;
}

function quickLab({ matter, others, flakes }: ReturnType<typeof split>, filmMm: number, ground: Band): Lab {
  const body = seen(overGround(matter, filmMm, ground));
  if (flakes.length === 0) return labAt(body);
  const { extinction, mirror } = mirrorOf(flakes);
  return labAt(atAngle(body, mirror, visibleFlakes(extinction, others, filmMm), 45));
}

/** K and S of a mix, for the opaque questions. */
export const matterOf = (parts: readonly MixPart[]): Matter => split(parts).matter;

/** The look of a mix so thick that nothing shines through; its clear has the look of the resin. */
export const endlessHex = (parts: readonly MixPart[]): string => {
  const matter = matterOf(parts);
  return matter.K.some((value) => value > 0) || matter.S.some((value) => value > 0)
    ? hexOfLab(labEndless(matter))
    : CLEAR_HEX;
};
