import type { NewId } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import { storedMm } from "../geometry/stored";
import { movedWeight, type ColourWeight } from "../geometry/weights";
import { zonesOf, type Division } from "../geometry/zones/division";
import { copiedDivision } from "../geometry/zones/edit-division";
import { scaledDivision } from "../geometry/zones/moved-division";
import { surfaceOf } from "../geometry/zones/regions";

/** What goes where in a recipe: zones and soft places as they lie on a piece of a size, mm. On another size they are laid by their shares of it. */
export type RecipeLayout = {
  lengthMm: number;
  depthMm: number;
  division?: Division;
  weights?: ColourWeight[];
};

const sizeOf = (piece: Piece): { lengthMm: number; depthMm: number } => {
  const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
  return { lengthMm: storedMm(maxX - minX), depthMm: storedMm(maxY - minY) };
};

/** What goes where on a piece, of these colours; null where nothing is said of it. */
export function layoutOf(piece: Piece, colourIds: ReadonlySet<string>): RecipeLayout | null {
  const { division } = piece;
  const weights = (piece.weights ?? []).filter(({ colourId }) => colourIds.has(colourId));
  if (!division && weights.length === 0) return null;
  return { ...sizeOf(piece), ...(division && { division }), ...(weights.length > 0 && { weights }) };
}

/** A piece with a recipe's layout on it, and which of its zones each zone of the recipe is there. */
export type LaidOut = { piece: Piece; zones: ReadonlyMap<string, readonly string[]> };

/** Zones of a piece that is divided already, by the names of the recipe's; those of other names are what is left. */
function byName(own: Division, wanted: Division): Map<string, string[]> {
  const found = new Map(zonesOf(wanted).map(({ id }) => [id, [] as string[]]));
  for (const zone of zonesOf(own)) {
    const named = zonesOf(wanted).find(({ name }) => name === zone.name) ?? wanted.rest;
    found.get(named.id)?.push(zone.id);
  }
  return found;
}

/** Lays a layout on a piece by its size. A piece that is divided keeps its own zones, and what is for a zone of a name goes to that of its name. */
export function laidOut(piece: Piece, layout: RecipeLayout, newId: NewId): LaidOut {
  const { division, weights } = layout;
  const { lengthMm, depthMm } = sizeOf(piece);
  const [timesX, timesY] = [lengthMm / layout.lengthMm, depthMm / layout.depthMm];
  const mean = Math.sqrt(timesX * timesY);
  const { weights: _before, ...rest } = piece;
  const weighed: Piece = weights
    ? {
        ...rest,
        weights: weights.map((weight) => ({
          ...movedWeight(weight, { to: (x, y) => [x * timesX, y * timesY] }),
          id: newId(),
          reachMm: storedMm(weight.reachMm * mean),
        })),
      }
    : piece;
  if (!division) return { piece: weighed, zones: new Map() };
  if (piece.division) return { piece: weighed, zones: byName(piece.division, division) };
  const copied = copiedDivision(scaledDivision(division, timesX, timesY), newId);
  const copies = zonesOf(copied);
  return {
    piece: { ...weighed, division: copied },
    zones: new Map(zonesOf(division).map(({ id }, n) => [id, [copies[n]?.id ?? id]])),
  };
}
