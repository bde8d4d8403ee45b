import { byIdentity } from "../../numerics/by-identity";
import type { Point } from "../curves";
import { wallSize } from "../frustum";
import { outlineOf, type Outline } from "../outline";
import type { EdgeName, Piece, Shape } from "../piece";
import { cutOutAreaMm2 } from "../cut-out";
import { ringAreaMm2 } from "../ring";
import { zonesOf, type Divider, type Division, type Zone } from "./division";
import { overlay, type Region, type Run } from "./overlay";
import { drawnRegions, surfaceOf } from "./regions";

/** A border between two zones: its lines, and the uppermost divider that drew it. */
export type Border = { zoneIds: [string, string]; divider: Divider; lengthMm: number; lines: Point[][] };

/** A zone as it lies on its piece. */
export type LaidZone = {
  zone: Zone;
  /** The divider that drew it; null for what is left. */
  divider: Divider | null;
  /** Closed lines; the zone is what lies within an odd number of them. */
  rings: Point[][];
  areaMm2: number;
  /** All of its line: to its neighbours, along the edges of the piece and around openings. */
  outlineMm: number;
  /** Length along each edge of the piece, and around each cut-out. */
  alongEdgeMm: Partial<Record<EdgeName, number>>;
  aroundCutOutMm: Record<string, number>;
};

/** A piece divided: its zones, the rest first, which together are the piece, and the borders between them. */
export type ZoneMap = { zones: LaidZone[]; borders: Border[] };

const RIM = 0;

/** Which zone lies at a place, by what it lies in: the rest, or what the dividers make of it from the lowest up; null outside the piece. */
function zoneAt(
  inside: readonly boolean[],
  openings: number,
  drawn: readonly { divider: Divider; first: number }[],
): number | null {
  if (!inside[RIM]) return null;
  for (let opening = 1; opening <= openings; opening += 1) if (inside[opening]) return null;
  let zone = 0;
  let zoneId: string | null = null;
  let before = 1;
  for (const { divider, first } of drawn) {
    const { within, zones } = divider;
    if (within === undefined || within === zoneId)
      for (let n = 0; n < zones.length; n += 1)
        if (inside[first + n]) {
          zone = before + n;
          zoneId = zones[n]?.id ?? null;
          break;
        }
    before += zones.length;
  }
  return zone;
}

const strung = new WeakMap<readonly Point[], readonly Point[][]>();

/** The stretches that a zone's closed line was strung from, from end to end: those that a pull does not touch are the same as before. */
export const stretchesOf = (ring: readonly Point[]): readonly (readonly Point[])[] =>
  strung.get(ring) ?? [ring];

/** Strings runs together into closed lines, each with its zone on its right hand. */
function loops(runs: readonly Point[][]): Point[][] {
  const from = new Map<Point, Point[][]>();
  for (const run of runs) {
    const start = run[0] as Point;
    const list = from.get(start);
    if (list) list.push(run);
    else from.set(start, [run]);
  }
  const rings: Point[][] = [];
  for (const run of runs) {
    const start = run[0] as Point;
    const ring: Point[] = [];
    const stretches: Point[][] = [];
    let at = start;
    for (let next = from.get(at)?.pop(); next; next = from.get(at)?.pop()) {
      ring.push(...next.slice(0, -1));
      stretches.push(next);
      at = next.at(-1) as Point;
      if (at === start) break;
    }
    if (ring.length < 3) continue;
    strung.set(ring, stretches);
    rings.push(ring);
  }
  return rings;
}

/** ∫ x·w dy along a line: what closed lines of it enclose, weighed by how wide the place is. */
function enclosedMm2(path: readonly Point[], wide: (y: number) => number): number {
  let sum = 0;
  for (let n = 1; n < path.length; n += 1) {
    const [a, b] = [path[n - 1] as Point, path[n] as Point];
    const dy = b.y - a.y;
    if (dy === 0) continue;
    // Simpson's rule is exact: both factors run straight along a side.
    const middle = ((a.x + b.x) / 2) * wide((a.y + b.y) / 2);
    sum += (dy * (a.x * wide(a.y) + 4 * middle + b.x * wide(b.y))) / 6;
  }
  return sum;
}

/** How much wider than at its middle a tumbler's wall is, at a distance below its rim; 1 for all that is flat. */
function widthOf({ shape }: Piece): (y: number) => number {
  if (shape.kind !== "tumbler") return () => 1;
  const { topDiameterMm, bottomDiameterMm } = shape;
  const { slantMm } = wallSize(shape);
  const mean = (topDiameterMm + bottomDiameterMm) / 2;
  return (y) => (topDiameterMm + ((bottomDiameterMm - topDiameterMm) * y) / slantMm) / mean;
}

/** Which edge each side of the flattened outline belongs to, and how much longer it truly is. */
const edgesBySide = byIdentity(({ sides }: Outline): { name: EdgeName; times: number }[] =>
  sides.flatMap(({ name, path, lengthMm }) => {
    let flat = 0;
    for (let n = 1; n < path.length; n += 1) {
      const [a, b] = [path[n - 1] as Point, path[n] as Point];
      flat += Math.hypot(b.x - a.x, b.y - a.y);
    }
    const times = flat > 0 ? lengthMm / flat : 1;
    return Array.from({ length: path.length - 1 }, () => ({ name, times }));
  }),
);

type Side = { zone: number; reversed: boolean };

const reversedPath = byIdentity((path: Point[]): Point[] => [...path].reverse());

/** The closed lines that zones had the last time, by their ids: what is not touched by a pull keeps its own. */
const lastRings = byIdentity((_shape: Shape) => ({
  known: new Map<string, { paths: readonly Point[][]; rings: Point[][] }>(),
}));

/** Closed lines of each zone; the same as before where it is bordered by the same stretches. */
function ringsOfZones({ shape }: Piece, ids: readonly string[], paths: readonly Point[][][]): Point[][][] {
  const kept = lastRings(shape);
  const now: typeof kept.known = new Map();
  const rings = ids.map((id, n) => {
    const own = paths[n] ?? [];
    const last = kept.known.get(id);
    const same = last?.paths.length === own.length && own.every((path, at) => path === last.paths[at]);
    const entry = same && last ? last : { paths: own, rings: loops(own) };
    now.set(id, entry);
    return entry.rings;
  });
  kept.known = now;
  return rings;
}

function mapOf(piece: Piece, division: Division): ZoneMap {
  const surface = surfaceOf(piece);
  const list = zonesOf(division);
  const regions: Region[] = [[surface.ring], ...surface.openings.map(({ ring }) => [ring])];
  const openings = surface.openings.length;
  const drawn = division.dividers.map((divider) => {
    const first = regions.length;
    regions.push(...drawnRegions(divider, surface, division).regions);
    return { divider, first, last: regions.length - 1 };
  });
  const runs = overlay(regions).flatMap((run) => {
    const [left, right] = [zoneAt(run.left, openings, drawn), zoneAt(run.right, openings, drawn)];
    return left === right ? [] : [{ run, left, right }];
  });
  const wide = widthOf(piece);
  const isWall = piece.shape.kind === "tumbler";
  const edges = isWall ? [] : edgesBySide(outlineOf(piece));
  const zones = list.map((zone): LaidZone => ({
    zone,
    divider: division.dividers.find(({ zones: own }) => own.includes(zone)) ?? null,
    rings: [],
    areaMm2: 0,
    outlineMm: 0,
    alongEdgeMm: {},
    aroundCutOutMm: {},
  }));
  const paths = list.map((): Point[][] => []);
  const curved = list.map(() => ({ rim: 0, cutOuts: new Map<string, number>() }));
  const borders = new Map<string, Border>();
  const at = (index: number) => zones[index] as LaidZone;
  for (const { run, left, right } of runs) {
    const { lengths, totalMm: total, flatMm2 } = measuresOf(run.path);
    const area = isWall ? enclosedMm2(run.path, wide) : flatMm2;
    const seam = isWall && run.regions[0] === RIM && onSeam(run.path);
    for (const { zone, reversed } of sidesOf(left, right)) {
      const laid = at(zone);
      laid.areaMm2 += reversed ? -area : area;
      if (!seam) laid.outlineMm += total;
      paths[zone]?.push(reversed ? reversedPath(run.path) : run.path);
    }
    if (left !== null && right !== null) {
      addBorder(borders, [at(left), at(right)], run, total, drawn);
      continue;
    }
    const zone = left ?? right;
    if (zone === null || isWall) continue;
    const { alongEdgeMm, aroundCutOutMm } = at(zone);
    const [region = RIM] = run.regions;
    run.sides.forEach((side, n) => {
      const long = lengths[n] ?? 0;
      const reach = curved[zone];
      if (region === RIM) {
        const edge = edges[side];
        if (reach) reach.rim += long;
        if (edge) alongEdgeMm[edge.name] = (alongEdgeMm[edge.name] ?? 0) + long * edge.times;
      } else if (region <= openings) {
        const { id } = surface.openings[region - 1] as { id: string };
        aroundCutOutMm[id] = (aroundCutOutMm[id] ?? 0) + long;
        reach?.cutOuts.set(id, (reach.cutOuts.get(id) ?? 0) + long);
      }
    });
  }
  ringsOfZones(
    piece,
    list.map(({ id }) => id),
    paths,
  ).forEach((rings, n) => {
    at(n).rings = rings;
  });
  if (!isWall) giveSlivers(piece, zones, curved);
  return { zones, borders: [...borders.values()] };
}

/** The sides of a stretch and all of it, mm, and what it encloses on a flat piece, mm². */
const measuresOf = byIdentity((path: readonly Point[]) => {
  const lengths = path
    .slice(1)
    .map((b, n) => Math.hypot(b.x - (path[n] as Point).x, b.y - (path[n] as Point).y));
  return {
    lengths,
    totalMm: lengths.reduce((sum, long) => sum + long, 0),
    flatMm2: enclosedMm2(path, () => 1),
  };
});
/** The seam of a wall laid flat is upright and no edge of anything. */
const onSeam = (path: readonly Point[]): boolean => path.every(({ x }) => x === path[0]?.x);
const sidesOf = (left: number | null, right: number | null): Side[] => [
  ...(left === null ? [] : [{ zone: left, reversed: true }]),
  ...(right === null ? [] : [{ zone: right, reversed: false }]),
];

function addBorder(
  borders: Map<string, Border>,
  [one, other]: [LaidZone, LaidZone],
  run: Run,
  lengthMm: number,
  drawn: readonly { divider: Divider; first: number; last: number }[],
): void {
  const uppermost = drawn.findLast(({ first, last }) =>
    run.regions.some((region) => region >= first && region <= last),
  );
  if (!uppermost) return;
  const ids = [one.zone.id, other.zone.id].sort() as [string, string];
  const key = `${uppermost.divider.id} ${ids.join(" ")}`;
  const known = borders.get(key);
  if (known) {
    known.lengthMm += lengthMm;
    known.lines.push(run.path);
  } else borders.set(key, { zoneIds: ids, divider: uppermost.divider, lengthMm, lines: [run.path] });
}

/** What lies between a curved edge and its chords belongs to the zones along it, by the length that each has of it. */
function giveSlivers(
  piece: Piece,
  zones: LaidZone[],
  curved: readonly { rim: number; cutOuts: ReadonlyMap<string, number> }[],
): void {
  const outline = outlineOf(piece);
  const give = (mm2: number, lengthOf: (n: number) => number) => {
    const total = zones.reduce((sum, _, n) => sum + lengthOf(n), 0);
    if (total > 0) zones.forEach((laid, n) => (laid.areaMm2 += (mm2 * lengthOf(n)) / total));
  };
  give(outline.areaMm2 - ringAreaMm2(outline.corners), (n) => curved[n]?.rim ?? 0);
  for (const { id, ring } of surfaceOf(piece).openings) {
    const cutOut = piece.cutOuts.find((other) => other.id === id);
    if (cutOut) give(ringAreaMm2(ring) - cutOutAreaMm2(cutOut), (n) => curved[n]?.cutOuts.get(id) ?? 0);
  }
}

/** How a piece is divided, laid out; null for one that is all of one. Worked out once for each piece object. */
export const zoneMapOf = byIdentity((piece: Piece): ZoneMap | null =>
  piece.division ? mapOf(piece, piece.division) : null,
);
