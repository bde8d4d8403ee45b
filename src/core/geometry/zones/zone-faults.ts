import type { Fault } from "../fault";
import type { Piece } from "../piece";
import type { Divider, Division, ZoneShape } from "./division";
import { MOST_STONES } from "./stones";
import { shapeRing, surfaceOf } from "./regions";
import { byIdentity } from "../../numerics/by-identity";
import { ringTroubles } from "../ring";

/** Bands, stripes and stones are no narrower, mm. */
export const LEAST_BAND_MM = 1;
export const LEAST_STONE_MM = 5;
/** More zones than these nobody pours, and no phone draws. */
export const MOST_ZONES = 60;

const hasSize = (shape: ZoneShape): boolean => {
  switch (shape.kind) {
    case "round":
      return shape.diameterMm > 0;
    case "oval":
    case "rectangle":
      return shape.lengthMm > 0 && shape.depthMm > 0;
    case "free":
      return shape.points.length >= 3;
  }
};

/** Where the line of a free shape meets itself; of a smooth one as it is drawn. */
const troublesOf = byIdentity((shape: ZoneShape) => ringTroubles(shapeRing(shape), 0, 1));

function dividerFault({ drawn, zones }: Divider, piece: Piece, { dividers }: Division): string | null {
  const name = zones[0]?.name ?? "This zone";
  switch (drawn.kind) {
    case "line": {
      const least = piece.shape.kind === "tumbler" ? 1 : 2;
      return drawn.points.length < least ? `The line of ${name} needs two points.` : null;
    }
    case "shape":
      if (!hasSize(drawn.shape)) return `${name} has no size.`;
      return drawn.shape.kind === "free" && troublesOf(drawn.shape).length > 0
        ? `The line of ${name} crosses or touches itself.`
        : null;
    case "stripes":
    case "bands": {
      const narrow = drawn.widthsMm.findIndex((wideMm) => !(wideMm >= LEAST_BAND_MM));
      if (narrow >= 0) return `${zones[narrow]?.name ?? name} is at least ${LEAST_BAND_MM} mm wide.`;
      if (drawn.kind === "stripes") return null;
      const { of } = drawn;
      if (of.kind === "cut-out" && !piece.cutOuts.some(({ id }) => id === of.id))
        return `The cut-out that ${name} follows is gone. Choose another.`;
      if (
        of.kind === "divider" &&
        !dividers.some(({ id, drawn: { kind } }) => id === of.id && (kind === "line" || kind === "shape"))
      )
        return `The zone that ${name} follows is gone. Choose another.`;
      return null;
    }
    case "pebbles": {
      if (!(drawn.sizeMm >= LEAST_STONE_MM)) return `Stones are at least ${LEAST_STONE_MM} mm.`;
      if (!(drawn.jointMm >= 0 && drawn.jointMm < drawn.sizeMm / 2))
        return "A joint is narrower than half a stone.";
      const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
      const many = ((maxX - minX) * (maxY - minY)) / drawn.sizeMm ** 2;
      return many > MOST_STONES ? `That is more than ${MOST_STONES} stones: make them larger.` : null;
    }
  }
}

/** What about the division of a piece cannot be, each at its divider. */
export function zoneFaults(piece: Piece): Fault[] {
  const { division } = piece;
  if (!division) return [];
  return division.dividers.flatMap((divider): Fault[] => {
    const message = dividerFault(divider, piece, division);
    return message === null ? [] : [{ at: `division.${divider.id}`, message }];
  });
}
