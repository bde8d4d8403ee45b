import type { Measured } from "../geometry/measure";
import { inSteps } from "../geometry/wall-on-fan";
import { areaMiddle } from "../geometry/zones/area-middle";
import { bodyLines, type Template, type TemplateLine } from "./template";

/** A straight line on a tumbler's wall is bent when it is unrolled: it is followed in steps of this, mm. */
const STEP_MM = 2;

/** A divided piece as lines in true scale, each zone all around, with its name in its middle. */
export function zoneTemplate(piece: Measured): Template {
  const { lines, at } = bodyLines(piece);
  const isWall = piece.piece.shape.kind === "tumbler";
  return {
    lines: [
      ...lines,
      ...piece.zones.flatMap(({ name, rings }, n) =>
        rings.map((ring): TemplateLine => {
          const points = isWall ? inSteps(ring, STEP_MM, true).map(at) : ring;
          return { layer: "zone", points, closed: true, number: n + 1, name };
        }),
      ),
    ],
    words: piece.zones.flatMap(({ name, rings }) => {
      const middle = areaMiddle(rings);
      return middle ? [{ at: at(middle.at), words: name }] : [];
    }),
  };
}
