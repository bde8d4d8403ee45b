import type { Point, Pair } from "../geometry/curves";

import { boxOf, liesInside, ringAreaMm2 } from "../geometry/ring";

/** One line of a drawing file, in the file's own units until it is scaled. */
export type DrawnPath = {
  layer: string;
  closed: boolean;
  points: Pair[];
  /** Set for a whole circle, which is kept as one. */
  circle?: { x: number; y: number; radius: number };
};

/** Units that a drawing can be in, mm to one. */
export const FILE_UNITS = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  ft: 304.8,
  px: 25.4 / 96,
  pt: 25.4 / 72,
} as const;
export type FileUnit = keyof typeof FILE_UNITS;

export type ReadDrawing =
  | {
      ok: true;
      paths: DrawnPath[];
      /** Millimetres to one unit of the file, where it says; null when it must be asked. */
      mmPerUnit: number | null;
      /** What was in the file and could not be used, in words. */
      leftOut: string[];
    }
  | { ok: false; reason: string };

/** What is read at most; a file beyond it is refused with a reason. */
export const LIMITS = { bytes: 8_000_000, nesting: 60, elements: 60_000, points: 120_000 } as const;

/** Thrown inside a reader for a file that cannot or must not be read; its message is for the person. */
export class Unreadable extends Error {}

/** Runs a reader; what it refuses becomes a reason, and so does what a package trips over. */
export function reading(name: string, read: () => ReadDrawing): ReadDrawing {
  try {
    const drawing = read();
    if (drawing.ok && drawing.paths.length === 0)
      return { ok: false, reason: `There is no line in this ${name} that an outline could be made of.` };
    return drawing;
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, reason: error.message };
    return { ok: false, reason: `This ${name} is damaged: it cannot be read as one.` };
  }
}

/** Share of bytes that no text has; more than this looks packed or encrypted. */
const MOST_CONTROLS = 0.01;

/** Refuses what is too large or no text at all. */
export function mustBeText(text: string, name: string): void {
  if (text.length > LIMITS.bytes)
    throw new Unreadable(
      `This ${name} has ${Math.round(text.length / 1e6)} million characters; ${LIMITS.bytes / 1e6} million is the most.`,
    );
  const head = text.slice(0, 65_536);
  let odd = 0;
  for (let at = 0; at < head.length; at += 1) {
    const code = head.charCodeAt(at);
    if ((code < 32 && code !== 9 && code !== 10 && code !== 13) || code === 0xfffd) odd += 1;
  }
  if (odd > head.length * MOST_CONTROLS)
    throw new Unreadable(`This is no ${name} in plain text: it looks packed, binary or encrypted.`);
}

/** Counts points while they are made, so that a small file cannot grow into a large one. */
export function pointBudget(): (count: number) => void {
  let used = 0;
  return (count) => {
    used += count;
    if (used > LIMITS.points)
      throw new Unreadable(
        `The drawing has more than ${LIMITS.points} points at this tolerance. Choose a coarser one.`,
      );
  };
}

const asRing = (points: readonly Pair[]): Point[] => points.map(([x, y]) => ({ x, y }));

/** Without the last point when it stands on the first, and without points that stand twice. */
export function tidied(points: readonly Pair[], closed: boolean, within: number): Pair[] {
  const apart = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]) > within;
  const kept: Pair[] = [];
  for (const point of points) {
    const last = kept[kept.length - 1];
    if (!last || apart(last, point)) kept.push(point);
  }
  while (closed && kept.length > 1 && !apart(kept[0] as Pair, kept[kept.length - 1] as Pair)) kept.pop();
  return kept;
}

/** Open lines whose ends meet within a reach, joined; a line whose own ends meet is closed. */
export function joined(paths: readonly DrawnPath[], reach: number): DrawnPath[] {
  const done = paths.filter((path) => path.closed);
  const open = paths.filter((path) => !path.closed && path.points.length > 1);
  const cell = Math.max(reach, 1e-9) * 2;
  const key = (x: number, y: number) => `${x}:${y}`;
  const ends = new Map<string, Set<DrawnPath>>();
  const cellOf = ([x, y]: Pair): [number, number] => [Math.floor(x / cell), Math.floor(y / cell)];
  const endsOf = (path: DrawnPath): Pair[] => [
    path.points[0] as Pair,
    path.points[path.points.length - 1] as Pair,
  ];
  const put = (path: DrawnPath, add: boolean) => {
    for (const end of endsOf(path)) {
      const at = key(...cellOf(end));
      const here = ends.get(at) ?? new Set();
      if (add) here.add(path);
      else here.delete(path);
      ends.set(at, here);
    }
  };
  const meets = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= reach;
  const neighbour = (end: Pair, layer: string): DrawnPath | null => {
    const [cx, cy] = cellOf(end);
    for (let dx = -1; dx <= 1; dx += 1)
      for (let dy = -1; dy <= 1; dy += 1)
        for (const path of ends.get(key(cx + dx, cy + dy)) ?? [])
          if (path.layer === layer && endsOf(path).some((pair) => meets(pair, end))) return path;
    return null;
  };
  for (const path of open) put(path, true);
  const left = new Set(open);
  for (const start of open) {
    if (!left.delete(start)) continue;
    put(start, false);
    let points = start.points;
    for (let turned = 0; turned < 2; turned += 1) {
      for (;;) {
        const end = points[points.length - 1] as Pair;
        if (points.length > 2 && meets(points[0] as Pair, end)) break;
        const next = neighbour(end, start.layer);
        if (!next) break;
        left.delete(next);
        put(next, false);
        const onward = meets(next.points[0] as Pair, end) ? next.points : [...next.points].reverse();
        points = points.concat(onward.slice(1));
      }
      points = [...points].reverse();
    }
    const closed = points.length > 2 && meets(points[0] as Pair, points[points.length - 1] as Pair);
    done.push({ layer: start.layer, closed, points: tidied(points, closed, reach / 10) });
  }
  return done;
}

/** A drawing made an outline with its holes, in mm, y towards the person; or why it cannot be. */
export type TakenOutline =
  { ok: true; outer: DrawnPath; holes: DrawnPath[]; left: number } | { ok: false; reason: string };

/**
 * Takes the largest closed line as the outline and the closed lines inside it as holes; holes inside holes are left out.
 * @param mmPerUnit millimetres to one unit of the file
 */
export function takeOutline(paths: readonly DrawnPath[], mmPerUnit: number): TakenOutline {
  const closed = paths
    .filter((path) => path.closed && path.points.length >= 3)
    .map((path) => {
      const points = path.points.map(([x, y]): Pair => [x * mmPerUnit, y * mmPerUnit]);
      const circle = path.circle && {
        x: path.circle.x * mmPerUnit,
        y: path.circle.y * mmPerUnit,
        radius: path.circle.radius * mmPerUnit,
      };
      const ring = asRing(points);
      return { path: { ...path, points, ...(circle ? { circle } : {}) }, ring, areaMm2: ringAreaMm2(ring) };
    })
    .filter(({ areaMm2 }) => areaMm2 > 1)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
  const [outer, ...rest] = closed;
  if (!outer)
    return {
      ok: false,
      reason: "No line in the chosen layers is closed. Close it in the drawing, or choose others.",
    };
  const holes: typeof rest = [];
  for (const ring of rest)
    if (liesInside(ring.ring, outer.ring) && !holes.some((hole) => liesInside(ring.ring, hole.ring)))
      holes.push(ring);
  return {
    ok: true,
    outer: outer.path,
    holes: holes.map(({ path }) => path),
    left: paths.length - 1 - holes.length,
  };
}

/** Width and height of all that is drawn, in the file's units. */
export function extentOf(paths: readonly DrawnPath[]): { width: number; height: number } {
  const box = boxOf(asRing(paths.flatMap((path) => path.points)));
  return { width: box.maxX - box.minX, height: box.maxY - box.minY };
}
