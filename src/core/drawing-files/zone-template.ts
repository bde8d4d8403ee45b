import type { Point } from "../geometry/curves";
import type { Measured } from "../geometry/measure";
import { areaMiddle } from "../geometry/zones/area-middle";
import { bodyLines, type Template, type TemplateLine } from "./template";

/** A straight line on a tumbler's wall is bent when it is unrolled: it is followed in steps of this, mm. */
const STEP_MM = 2;

/** A closed line with no side longer than a step. */
function inSteps(ring: readonly Point[]): Point[] {
  return ring.flatMap((from, n) => {
    const to = ring[(n + 1) % ring.length] as Point;
    const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / STEP_MM));
    return Array.from({ length: steps }, (_, k) => ({
      x: from.x + ((to.x - from.x) * k) / steps,
      y: from.y + ((to.y - from.y) * k) / steps,
    }));
  });
}

/** A divided piece as lines in true scale, each zone all around, with its name in its middle. */
export function zoneTemplate(piece: Measured): Template {
  const { lines, at } = bodyLines(piece);
  const isWall = piece.piece.shape.kind === "tumbler";
  return {
    lines: [
      ...lines,
      ...piece.zones.flatMap(({ name, rings }, n) =>
        rings.map((ring): TemplateLine => {
          const points = isWall ? inSteps(ring).map(at) : ring;
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
