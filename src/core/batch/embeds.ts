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
  /** Instead of the mass: set one by one, so large and so many. */
  single?: SetSingly;
};

/** Pieces that are set one by one: by number, by area or along the borders of zones. One is as heavy as a ball of its size. */
export type SetSingly = {
  sizeMm: number;
  /** So many in all, to a square metre, or to a metre of border. */
  many: { by: "number"; count: number } | { by: "area"; perM2: number } | { by: "line"; perM: number };
  /** Zones that they are set in, or along whose borders; all of their coat's when absent. */
  zoneIds?: string[];
};

/** Where a coat's embeds can be set: zones with their areas, and the borders between them, over all pieces of a kind. */
export type SetRoom = {
  areaM2: number;
  zones: readonly { id: string; areaM2: number }[];
  borders: readonly { zoneIds: readonly [string, string]; lengthM: number }[];
};

/** How many are set, whole ones. */
export function setCount({ many, zoneIds }: SetSingly, { areaM2, zones, borders }: SetRoom): number {
  const on = (id: string) => zoneIds?.includes(id) ?? true;
  switch (many.by) {
    case "number":
      return Math.round(many.count);
    case "area": {
      const area = zoneIds ? zones.reduce((sum, zone) => sum + (on(zone.id) ? zone.areaM2 : 0), 0) : areaM2;
      return Math.round(many.perM2 * area);
    }
    case "line":
      return Math.round(
        many.perM * borders.reduce((sum, border) => sum + (border.zoneIds.some(on) ? border.lengthM : 0), 0),
      );
  }
}

/** Mass of one that is set, g: a ball of its size. */
export const singleG = (sizeMm: number, densityGPerMl: number): number =>
  ((Math.PI / 6) * sizeMm ** 3 * densityGPerMl) / 1000;

/** An embed with the mass that it has on this area and in these zones. */
export function embedOn(embed: Embed, room: SetRoom): Embed {
  const { single, gPerM2, densityGPerMl } = embed;
  if (single) return { ...embed, massG: setCount(single, room) * singleG(single.sizeMm, densityGPerMl) };
  return gPerM2 === undefined ? embed : { ...embed, massG: gPerM2 * room.areaM2 };
}

type EmbedUsual = {
  words: string;
  /** As it is drawn. */
  hex: string;
  densityGPerMl: number;
  /** Share of a loose heap that is solid. */
  packing: number;
  /** Clear that wets the grains before they are set, ml to 100 ml of solid. */
  wetMlPer100Ml: number;
};

/** Usual values of each kind (common practice, no source; densities of minerals and glass from handbooks, from memory). */
export const EMBEDS: Record<EmbedKind, EmbedUsual> = {
  glitter: { words: "glitter", hex: "#c9b27a", densityGPerMl: 1.4, packing: 0.3, wetMlPer100Ml: 200 },
  stones: { words: "stones", hex: "#8d8579", densityGPerMl: 2.65, packing: 0.58, wetMlPer100Ml: 12 },
  glass: { words: "broken glass", hex: "#d5e2e0", densityGPerMl: 2.5, packing: 0.5, wetMlPer100Ml: 15 },
  crystals: { words: "crystals", hex: "#e9e3ee", densityGPerMl: 2.65, packing: 0.5, wetMlPer100Ml: 12 },
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
