import type { Pair, Point } from "../geometry/curves";
import type { Piece } from "../geometry/piece";
import { boxOf, ringAreaMm2, type Box } from "../geometry/ring";
import { storedMm, storedPair } from "../geometry/stored";
import { zonesOf, type ZoneShape } from "../geometry/zones/division";
import { withNewDivider, withoutDivider, withZone } from "../geometry/zones/edit-division";
import { surfaceOf } from "../geometry/zones/regions";
import { zoneMapOf } from "../geometry/zones/zone-map";
import { MOST_ZONES } from "../geometry/zones/zone-faults";
import type { DrawnPath } from "./drawing";
import { MOST_CORNERS } from "./imported-piece";

/** Lines this near to each other all around are the same line drawn twice, mm. */
const SAME_MM = 0.5;
/** A line whose size is that of the piece to within this share of it is its outline. */
const AS_LARGE = 0.01;
type Line = { path: DrawnPath; ring: Point[]; box: Box; areaMm2: number };

const sizeOf = ({ minX, minY, maxX, maxY }: Box) => ({ wide: maxX - minX, high: maxY - minY });

/**
 * A piece divided by the lines of a file: how many zones that made, whether they were laid by the outline in it, and how many lines made none,
 * being open or drawn twice.
 */
export type ImportedZones =
  | { ok: true; piece: Piece; made: number; aligned: boolean; left: number }
  | { ok: false; why: "none" | "many" | "corners" };

/** Whether a line is wholly beside the outline, as faces folded out are. */
const liesBeside = (box: Box, outline: Box): boolean =>
  box.maxX < outline.minX + SAME_MM ||
  box.minX > outline.maxX - SAME_MM ||
  box.maxY < outline.minY + SAME_MM ||
  box.minY > outline.maxY - SAME_MM;

/** What a line's zone is called: by its layer, where that is not what layers are called when nobody named them. */
function nameOf(layer: string, alike: number, number: number): string {
  const named = layer
    .replace(/^ZONE-\d+-?/, "")
    .replace(/-/g, " ")
    .trim();
  if (named === "" || /^(0|no layer|layer ?\d*)$/i.test(named)) return `Zone ${number}`;
  return (alike > 1 ? `${named} ${number}` : named).slice(0, 80);
}

/** Where zones cover all of a piece, the lowest of them is what is left of it. */
function withoutEmptyRest(piece: Piece): Piece {
  const [rest] = zoneMapOf(piece)?.zones ?? [];
  const [lowest] = piece.division?.dividers ?? [];
  const covered = lowest?.zones[0];
  if (!rest || !covered || rest.areaMm2 > SAME_MM * rest.outlineMm) return piece;
  return withZone(withoutDivider(piece, lowest.id), rest.zone.id, (zone) => ({
    ...zone,
    name: covered.name,
  }));
}

/**
 * The closed lines of a drawing as zones of a piece, the smaller ones above the larger. A line as large as the piece itself is taken for its
 * outline and laid on it, and all else with it; without one the drawing's middle lies on that of the piece.
 * @param mmPerUnit millimetres to one unit of the file
 */
export function importedZones(
  paths: readonly DrawnPath[],
  mmPerUnit: number,
  piece: Piece,
  newId: () => string,
): ImportedZones {
  const closed = paths
    .filter((path) => path.closed && path.points.length >= 3)
    .map((path): Line => {
      const ring = path.points.map(([x, y]) => ({ x: x * mmPerUnit, y: y * mmPerUnit }));
      return { path, ring, box: boxOf(ring), areaMm2: ringAreaMm2(ring) };
    })
    .filter(({ areaMm2 }) => areaMm2 > 1)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
  const surface = surfaceOf(piece).box;
  const own = sizeOf(surface);
  const alike = (a: number, b: number) => Math.abs(a - b) <= AS_LARGE * b;
  const outline = closed.find(({ box }) => {
    const { wide, high } = sizeOf(box);
    return alike(wide, own.wide) && alike(high, own.high);
  });
  const isSame = (a: Line, b: Line) => {
    const apart = Math.max(
      Math.abs(a.box.minX - b.box.minX),
      Math.abs(a.box.maxX - b.box.maxX),
      Math.abs(a.box.minY - b.box.minY),
      Math.abs(a.box.maxY - b.box.maxY),
    );
    const { wide, high } = sizeOf(a.box);
    return apart <= SAME_MM && Math.abs(a.areaMm2 - b.areaMm2) <= SAME_MM * 2 * (wide + high);
  };
  const largestOf = new Map<string, Line>();
  for (const line of closed) if (!largestOf.has(line.path.layer)) largestOf.set(line.path.layer, line);
  const lines: Line[] = [];
  for (const line of closed) {
    if (outline && (isSame(line, outline) || liesBeside(line.box, outline.box))) continue;
    const at = lines.findIndex((other) => isSame(line, other));
    if (at < 0) lines.push(line);
    // Around an opening of one zone runs the outline of another: it is that one's.
    else if (largestOf.get(line.path.layer) === line) lines[at] = line;
  }
  if (lines.length === 0) return { ok: false, why: "none" };
  const already = piece.division ? zonesOf(piece.division).length : 1;
  if (already + lines.length > MOST_ZONES) return { ok: false, why: "many" };
  if (lines.reduce((sum, { ring }) => sum + ring.length, 0) > MOST_CORNERS)
    return { ok: false, why: "corners" };
  const all = outline?.box ?? boxOf(lines.flatMap(({ ring }) => ring));
  const dx = (surface.minX + surface.maxX - all.minX - all.maxX) / 2;
  const dy = (surface.minY + surface.maxY - all.minY - all.maxY) / 2;
  const perLayer = new Map<string, number>();
  for (const { path } of lines) perLayer.set(path.layer, (perLayer.get(path.layer) ?? 0) + 1);
  let divided = piece;
  lines.forEach(({ path, ring }, n) => {
    const circle = path.circle;
    const shape: ZoneShape = circle
      ? {
          kind: "round",
          xMm: storedMm(circle.x * mmPerUnit + dx),
          yMm: storedMm(circle.y * mmPerUnit + dy),
          diameterMm: storedMm(2 * circle.radius * mmPerUnit),
        }
      : { kind: "free", points: ring.map(({ x, y }): Pair => storedPair({ x: x + dx, y: y + dy })) };
    const made = withNewDivider(divided, "shape", newId, { kind: "shape", shape });
    const name = nameOf(path.layer, perLayer.get(path.layer) ?? 1, n + 1);
    divided = withZone(made.piece, made.divider.zones[0]?.id ?? "", (zone) => ({ ...zone, name }));
  });
  divided = withoutEmptyRest(divided);
  return {
    ok: true,
    piece: divided,
    made: lines.length,
    aligned: outline !== undefined,
    left: paths.length - lines.length - (outline ? 1 : 0),
  };
}
