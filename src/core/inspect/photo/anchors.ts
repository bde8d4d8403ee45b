import type { Measured } from "../../geometry/measure";
import { boxOf } from "../../geometry/ring";
import { cornersOf } from "../walk";
import type { At } from "./perspective";

/** A place of a piece that can be pointed at in a photo: "back left corner". */
export type Landmark = At & { name: string };

const far = (a: At, b: At) => Math.hypot(a.x - b.x, a.y - b.y);

/**
 * Four places by which a photo of a piece is set straight, from the back left clockwise: its corners nearest to those of its box; where it has none, the
 * middles of the four sides of its box that it touches.
 */
export function landmarksOf({ outline }: Pick<Measured, "outline">): Landmark[] {
  const { minX, minY, maxX, maxY } = boxOf(outline.corners);
  const corners: Landmark[] = [
    { name: "back left corner", x: minX, y: minY },
    { name: "back right corner", x: maxX, y: minY },
    { name: "front right corner", x: maxX, y: maxY },
    { name: "front left corner", x: minX, y: maxY },
  ];
  const { outer, inner } = cornersOf(outline.corners);
  const own = [...outer, ...inner];
  const taken = new Set<At>();
  const found = corners.map((corner) => {
    const nearest = own
      .filter((one) => !taken.has(one))
      .reduce<At | null>(
        (best, one) => (best === null || far(one, corner) < far(best, corner) ? one : best),
        null,
      );
    if (nearest) taken.add(nearest);
    return nearest && { ...nearest, name: corner.name };
  });
  if (found.every((one) => one !== null)) return found;
  const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
  return [
    { name: "middle of the back", x, y: minY },
    { name: "middle of the right", x: maxX, y },
    { name: "middle of the front", x, y: maxY },
    { name: "middle of the left", x: minX, y },
  ];
}
