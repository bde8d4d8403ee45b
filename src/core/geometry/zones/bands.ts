import { Clipper, EndType, JoinType, type PathsD } from "clipper2-ts";
import { FLATNESS_MM, type Point } from "../curves";
import type { Ring } from "../ring";
import type { Region } from "./overlay";

/** Decimals to which an offset line is worked out, mm. */
const DECIMALS = 5;

/** Of a line that was moved, points nearer than this to their neighbours' chord are left out, mm: an arc at each of a thousand corners has many. */
const STRAIGHT_MM = 0.02;

const asPoints = (paths: PathsD): Point[][] =>
  Clipper.simplifyPathsD(paths, STRAIGHT_MM, true).map((path) => path.map(({ x, y }) => ({ x, y })));

/** All that lies within a distance of a ring that does not cross itself, with what is in it; where negative, what of it lies further in than that. */
export function movedOut(ring: Ring, byMm: number): Region {
  if (byMm === 0) return [ring];
  const path = ring.map(({ x, y }) => ({ x, y }));
  return asPoints(
    Clipper.inflatePathsD([path], byMm, JoinType.Round, EndType.Polygon, 2, DECIMALS, FLATNESS_MM / 2),
  );
}

/** All that lies within a distance of an open line, its ends cut square. */
export function alongLine(line: readonly Point[], byMm: number): Point[][] {
  if (!(byMm > 0)) return [];
  return asPoints(
    Clipper.inflatePathsD(
      [line.map(({ x, y }) => ({ x, y }))],
      byMm,
      JoinType.Round,
      EndType.Butt,
      2,
      DECIMALS,
      FLATNESS_MM / 2,
    ),
  );
}

/** Bands from one distance on, each so wide, by what lies within a distance. Each is what lies within its far side less what lies within its near one. */
export function bandsBy(
  within: (byMm: number) => Region,
  fromMm: number,
  widthsMm: readonly number[],
): Region[] {
  let near = within(fromMm);
  let at = fromMm;
  return widthsMm.map((wideMm) => {
    at += wideMm;
    const far = within(at);
    const band = [...near, ...far];
    near = far;
    return band;
  });
}
