import type { Pair } from "../curves";
import type { Piece } from "../piece";
import { storedMm } from "../stored";
import { zonesOf, type Divider, type Division, type Drawn, type Zone } from "./division";
import { surfaceOf } from "./regions";

type NewId = () => string;
type Kind = Drawn["kind"];

/** The first name of a row that is not taken. */
function freeName(division: Division | undefined): string {
  const taken = new Set(division ? zonesOf(division).map(({ name }) => name) : []);
  for (let number = 1; ; number += 1) if (!taken.has(`Zone ${number}`)) return `Zone ${number}`;
}

/** A new divider as it is first drawn on a piece: in its middle, of a size that shows. */
function firstDrawn(kind: Kind, piece: Piece): Drawn {
  const { box } = surfaceOf(piece);
  const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
  const [xMm, yMm] = [storedMm(box.minX + wide / 2), storedMm(box.minY + high / 2)];
  const least = Math.min(wide, high);
  const part = (share: number) => Math.max(2, Math.round(least * share));
  switch (kind) {
    case "line":
      return {
        kind,
        curved: true,
        points:
          wide >= high
            ? [
                [xMm, storedMm(box.maxY)],
                [storedMm(xMm + 0.05 * wide), yMm],
                [xMm, storedMm(box.minY)],
              ]
            : [
                [storedMm(box.minX), yMm],
                [xMm, storedMm(yMm + 0.05 * high)],
                [storedMm(box.maxX), yMm],
              ],
      };
    case "shape":
      return { kind, shape: { kind: "round", xMm, yMm, diameterMm: part(0.4) } };
    case "bands":
      return { kind, of: { kind: "rim" }, fromMm: 0, widthsMm: [part(0.08)] };
    case "stripes":
      return { kind, angleDeg: 30, fromMm: 0, widthsMm: [part(0.1), part(0.2)] };
    case "pebbles":
      return { kind, sizeMm: Math.max(10, part(0.16)), jointMm: Math.max(1, part(0.012)), seed: 1 };
  }
}

/** The piece with one more divider on top of the others. */
export function withNewDivider(
  piece: Piece,
  kind: Kind,
  newId: NewId,
  drawn: Drawn = firstDrawn(kind, piece),
): { piece: Piece; divider: Divider } {
  let division: Division = piece.division ?? { rest: { id: newId(), name: "Rest" }, dividers: [] };
  const zones: Zone[] = [];
  for (let n = 0; n < ("widthsMm" in drawn ? drawn.widthsMm.length : 1); n += 1)
    zones.push({
      id: newId(),
      name: freeName({ ...division, dividers: [...division.dividers, { id: "", drawn, zones }] }),
    });
  const divider: Divider = { id: newId(), drawn, zones };
  division = { ...division, dividers: [...division.dividers, divider] };
  return { piece: { ...piece, division }, divider };
}

/** The piece with one of its dividers changed. */
export function withDivider(piece: Piece, id: string, next: (before: Divider) => Divider): Piece {
  const { division } = piece;
  if (!division) return piece;
  const dividers = division.dividers.map((divider) => (divider.id === id ? next(divider) : divider));
  return { ...piece, division: { ...division, dividers } };
}

/** The piece with one of its zones changed. */
export function withZone(piece: Piece, id: string, next: (before: Zone) => Zone): Piece {
  const { division } = piece;
  if (!division) return piece;
  const changed = (zone: Zone) => (zone.id === id ? next(zone) : zone);
  return {
    ...piece,
    division: {
      ...division,
      rest: changed(division.rest),
      dividers: division.dividers.map((divider) => ({ ...divider, zones: divider.zones.map(changed) })),
    },
  };
}

/** The piece without a divider: what lies below takes its zones; all of one again when it was the last. */
export function withoutDivider(piece: Piece, id: string): Piece {
  const { division, ...whole } = piece;
  if (!division) return piece;
  const dividers = division.dividers.filter((divider) => divider.id !== id);
  return dividers.length > 0 ? { ...whole, division: { ...division, dividers } } : whole;
}

/** A divider moved up or down by one: what lies above takes from what lies below. */
export function withDividerMoved(piece: Piece, id: string, by: 1 | -1): Piece {
  const { division } = piece;
  const from = division?.dividers.findIndex((divider) => divider.id === id) ?? -1;
  const to = from + by;
  if (!division || from < 0 || to < 0 || to >= division.dividers.length) return piece;
  const dividers = [...division.dividers];
  const [moved] = dividers.splice(from, 1);
  if (moved) dividers.splice(to, 0, moved);
  return { ...piece, division: { ...division, dividers } };
}

/** A divider with one more band or stripe, as wide as the last. */
export function withBand(divider: Divider, division: Division, newId: NewId): Divider {
  const { drawn, zones } = divider;
  if (!("widthsMm" in drawn)) return divider;
  const wideMm = drawn.widthsMm.at(-1) ?? 20;
  return {
    ...divider,
    drawn: { ...drawn, widthsMm: [...drawn.widthsMm, wideMm] },
    zones: [...zones, { id: newId(), name: freeName(division) }],
  };
}

/** A divider without one of its bands, stripes or kinds of stone; the last one stays. */
export function withoutBand(divider: Divider, at: number): Divider {
  const { drawn, zones } = divider;
  if (zones.length < 2) return divider;
  return {
    ...divider,
    drawn: "widthsMm" in drawn ? { ...drawn, widthsMm: drawn.widthsMm.filter((_, n) => n !== at) } : drawn,
    zones: zones.filter((_, n) => n !== at),
  };
}

/** The same division with ids of its own, for a copy of its piece. */
export function copiedDivision({ rest, dividers, ...others }: Division, newId: NewId): Division {
  const ids = new Map<string, string>();
  const fresh = (id: string) => {
    const known = ids.get(id) ?? newId();
    ids.set(id, known);
    return known;
  };
  const zoneOf = (zone: Zone): Zone => ({ ...zone, id: fresh(zone.id) });
  return {
    ...others,
    rest: zoneOf(rest),
    dividers: dividers.map(({ id, drawn, zones, within, ...more }) => ({
      ...more,
      id: fresh(id),
      zones: zones.map(zoneOf),
      ...(within !== undefined && { within: fresh(within) }),
      drawn:
        drawn.kind === "bands" && drawn.of.kind === "divider"
          ? { ...drawn, of: { kind: "divider", id: fresh(drawn.of.id) } }
          : drawn,
    })),
  };
}

/** The corners of a divider that can be pulled one by one: those of a line or a free shape. */
export const pointsOf = (drawn: Drawn): Pair[] | null =>
  drawn.kind === "line"
    ? drawn.points
    : drawn.kind === "shape" && drawn.shape.kind === "free"
      ? drawn.shape.points
      : null;
