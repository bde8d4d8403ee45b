import type { Measured } from "../geometry/measure";
import type { PieceVein } from "../veins/tape";
import { ribbonRing } from "../veins/vein-map";
import { bodyLines, type Template, type TemplateLine } from "./template";

/** A piece with its veins as lines in true scale, the middle and the two sides of each. */
export function veinTemplate(piece: Measured, veins: readonly PieceVein[]): Template {
  const { lines, at } = bodyLines(piece);
  const drawn = veins.flatMap(({ number, stretches }) =>
    stretches.flatMap(({ line: points }): TemplateLine[] => {
      const way = points.map(at);
      return [
        { layer: "vein", points: way, closed: false, number },
        { layer: "vein-edge", points: ribbonRing(way), closed: true, number },
      ];
    }),
  );
  return { lines: [...lines, ...drawn], words: [] };
}
