import type { Op } from "../engine/op";
import { lay } from "../ops/lay";
import { touchProfile } from "../ops/profile";
import { stroke } from "../ops/stroke";
import type { PractisedStroke } from "../passes/work";
import { carried, dragOf, tearing, TOUCHES } from "./pulls";

/** A wide blade of practice, mm across. */
export const BLADE_MM = 250;
/** A drawn line is followed in pulls of about this length, mm: each is a straight one. */
const PULL_MM = 90;
/** Where a pull begins and ends it overlaps the next by this part. */
const OVERLAP = 0.3;

type Place = readonly [number, number];

/** A drawn line in even stretches. */
function stretches(points: readonly Place[]): { from: Place; to: Place }[] {
  const out: { from: Place; to: Place }[] = [];
  let from = points[0];
  if (!from) return out;
  let last = from;
  let walked = 0;
  for (const to of points.slice(1)) {
    walked += Math.hypot(to[0] - last[0], to[1] - last[1]);
    last = to;
    if (walked < PULL_MM) continue;
    out.push({ from, to });
    from = to;
    walked = 0;
  }
  if (walked > 4 && last !== from) out.push({ from, to: last });
  return out;
}

/** What one drawn line does to a film with so much flow left. */
export function practisedStroke(
  { tool, points, pressure }: PractisedStroke,
  flowLeft: number,
  seed: number,
): Op[] {
  return stretches(points).map(({ from, to }, n) => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const long = Math.hypot(dx, dy);
    const angle = Math.atan2(dy, dx);
    const place = {
      x: (from[0] + to[0]) / 2,
      y: (from[1] + to[1]) / 2,
      angle,
      halfMm: long * (0.5 + OVERLAP),
    };
    if (tool === "blade") {
      const share = 0.25 * (0.4 + 1.2 * pressure) * carried(flowLeft);
      return {
        ...lay({ ...place, widthMm: BLADE_MM, dragMm: long * share, seed: seed + n }),
        press: { ...place, wideMm: BLADE_MM, pressure },
      };
    }
    const { smear, wideMm, firm } = TOUCHES[tool];
    // A short pull carries no further than it is long.
    const dragMm = Math.min(dragOf(tool, pressure, 1) * carried(flowLeft), 0.6 * long);
    return {
      ...stroke({ ...place, dragMm, profile: touchProfile(tool, seed + n, tearing(flowLeft)), smear }),
      press: { ...place, wideMm, pressure: pressure * firm },
    };
  });
}

/** All lines of a practice, in their order. */
export const practised = (strokes: readonly PractisedStroke[], flowLeft: number, seed: number): Op[] =>
  strokes.flatMap((stroke, n) => practisedStroke(stroke, stroke.flowLeft ?? flowLeft, seed + 31 * n));

/** Lines that were drawn on a piece of one size, drawn out to another: they begin and end at the same parts of it. */
export const drawnOutTo = (
  strokes: readonly PractisedStroke[],
  [fromWide, fromHigh]: readonly [number, number],
  { wide, high }: { wide: number; high: number },
): readonly PractisedStroke[] =>
  fromWide === wide && fromHigh === high
    ? strokes
    : strokes.map((stroke) => ({
        ...stroke,
        points: stroke.points.map(([x, y]): Place => [(x * wide) / fromWide, (y * high) / fromHigh]),
      }));
