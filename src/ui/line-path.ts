import type { Point } from "@/core/geometry/curves";
import { inSteps } from "@/core/geometry/wall-on-fan";
import { stretchesOf } from "@/core/geometry/zones/zone-map";
import { byIdentity } from "@/core/numerics/by-identity";
import type { Frame } from "./dimension-lines";

/** Between two points that are drawn no other lies further from the straight line, px. */
const SEEN_PX = 0.2;

/**
 * The points of a line that are seen: those between which it is straight to within a fraction of a pixel (sleeve fitting, Zhao and Saalfeld
 * 1997). First and last stay.
 */
export function seenPoints(line: readonly Point[], withinPx = SEEN_PX): Point[] {
  const [first] = line;
  if (!first || line.length < 3) return [...line];
  const kept = [first];
  let anchor = first;
  let before = first;
  // The sleeve as directions from the anchor: wide open until a point lies outside of the tolerance; and how far it reaches.
  let [from, to, reach] = [-Infinity, Infinity, 0];
  const follow = (point: Point): boolean => {
    const far = Math.hypot(point.x - anchor.x, point.y - anchor.y);
    // Back towards the anchor: the turn is to be seen.
    if (far < reach - withinPx) return false;
    if (far <= withinPx) return true;
    const way = Math.atan2(point.y - anchor.y, point.x - anchor.x);
    const turned = from > -Infinity ? way + 2 * Math.PI * Math.round((from - way) / (2 * Math.PI)) : way;
    if (turned < from || turned > to) return false;
    const open = Math.asin(withinPx / far);
    from = Math.max(from, turned - open);
    to = Math.min(to, turned + open);
    reach = Math.max(reach, far);
    return true;
  };
  for (const point of line.slice(1)) {
    if (!follow(point)) {
      kept.push(before);
      anchor = before;
      [from, to, reach] = [-Infinity, Infinity, 0];
      follow(point);
    }
    before = point;
  }
  kept.push(before);
  return kept;
}

/** The path of each line in the frame that it was drawn in last: what a pull does not touch is not written anew. */
const lastPaths = byIdentity((_line: readonly Point[]) => ({ frame: null as Frame | null, path: "" }));
const hundredth = (px: number) => Math.round(100 * px) / 100;

function pathText(line: readonly Point[], frame: Frame): string {
  const last = lastPaths(line);
  if (last.frame !== frame) {
    const points = frame.bent ? inSteps(line, frame.bent.stepMm, false) : line;
    last.path = seenPoints(points.map(frame.at))
      .map(({ x, y }) => `${hundredth(x)} ${hundredth(y)}`)
      .join("L");
    last.frame = frame;
  }
  return last.path;
}

/** A line on a piece as an SVG path; bent where its frame is. */
export const linePath = (line: readonly Point[], frame: Frame): string => `M${pathText(line, frame)}`;

/** Closed lines as one path, filled where it is crossed an odd number of times. */
export const ringsPath = (rings: readonly (readonly Point[])[], frame: Frame): string =>
  rings
    .map((ring) => {
      const stretches = stretchesOf(ring);
      // A line that is a whole closes from its last point to its first; on a bent wall that side bends too.
      const [alone] = stretches;
      const whole = alone === ring && frame.bent ? [[...ring, ring[0] as Point]] : stretches;
      return `M${whole.map((stretch) => pathText(stretch, frame)).join("L")}Z`;
    })
    .join("");
