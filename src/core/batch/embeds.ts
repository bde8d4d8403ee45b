import { exactly, sumOf, within, type Spread } from "../numerics/spread";

export type EmbedKind = "glitter" | "stones" | "glass" | "crystals";

/** Something in a coat that is not colour: its mass over the whole job or by area, its density, and how it lies. */
export type Embed = {
  id: string;
  name: string;
  kind: EmbedKind;
  massG: number;
  /** Instead of the mass: grams to each square metre that its coat covers, so that it follows the size. */
  gPerM2?: number;
  densityGPerMl: number;
  /** Set on the film and locked in to this share of its height (1 = drowned, 0 = only wetted). */
  lockedShare: number;
};

/** An embed with the mass that it has on this area. */
export const embedOn = (embed: Embed, areaM2: number): Embed =>
  embed.gPerM2 === undefined ? embed : { ...embed, massG: embed.gPerM2 * areaM2 };

type EmbedUsual = {
  words: string;
  densityGPerMl: number;
  /** Share of a loose heap that is solid. */
  packing: number;
  /** Clear that wets the grains before they are set, ml to 100 ml of solid. */
  wetMlPer100Ml: number;
};

/** Usual values of each kind (common practice, no source; densities of minerals and glass from handbooks, from memory). */
export const EMBEDS: Record<EmbedKind, EmbedUsual> = {
  glitter: { words: "glitter", densityGPerMl: 1.4, packing: 0.3, wetMlPer100Ml: 200 },
  stones: { words: "stones", densityGPerMl: 2.65, packing: 0.58, wetMlPer100Ml: 12 },
  glass: { words: "broken glass", densityGPerMl: 2.5, packing: 0.5, wetMlPer100Ml: 15 },
  crystals: { words: "crystals", densityGPerMl: 2.65, packing: 0.5, wetMlPer100Ml: 12 },
};

/** What one embed takes and asks for. */
export type EmbedNeed = {
  id: string;
  name: string;
  /** Volume of the solid itself: so much the film rises, or the mould holds less. */
  solidMl: number;
  /** What it takes the place of in a fill, ml; on a film nothing, the film rises. */
  sunkMl: number;
  /** Clear to wet it before it is set. */
  wetMl: Spread;
  /** Clear between the grains, up to where it is locked in. */
  lockMl: Spread;
};

/**
 * V = m/ρ; a heap of packing φ has (1/φ − 1)·V of hollow, filled up to the locked share. In a fill it takes the place of what it locks in, and the
 * fill itself is between its grains.
 */
export function embedNeed(embed: Embed, inFill = false): EmbedNeed {
  const { packing, wetMlPer100Ml } = EMBEDS[embed.kind];
  const solidMl = embed.massG / embed.densityGPerMl;
  return {
    id: embed.id,
    name: embed.name,
    solidMl,
    sunkMl: inFill ? solidMl * Math.min(1, embed.lockedShare) : 0,
    wetMl: within((solidMl * wetMlPer100Ml) / 100, 0.5, 1),
    lockMl: inFill ? exactly(0) : within(solidMl * (1 / packing - 1) * embed.lockedShare, 0.25, 0.35),
  };
}

/** What all embeds of a fill would take the place of, ml. */
export const sunkOf = (needs: readonly EmbedNeed[]): number =>
  needs.reduce((sum, { sunkMl }) => sum + sunkMl, 0);

/** Stones up to the brim: so much of a fill still runs between them. */
export const BETWEEN = 0.01;
/** What they do take the place of in a fill of so much, ml. */
export const displacedIn = (fillMl: number, sunkMl: number): number =>
  Math.min(sunkMl, (1 - BETWEEN) * fillMl);
/** The fill that so much resin makes with them, ml. */
export const fillWith = (resinMl: number, sunkMl: number): number =>
  resinMl + Math.min(sunkMl, resinMl * (1 / BETWEEN - 1));

/** Clear that all embeds of a coat ask for. */
export const embedsClearMl = (needs: readonly EmbedNeed[]): Spread =>
  sumOf(needs.flatMap((need) => [need.wetMl, need.lockMl]));
