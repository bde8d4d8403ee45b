import { byIdentity } from "../../numerics/by-identity";
import type { Pair, Point } from "../curves";
import { cutOutRing, ringAboutCentre } from "../cut-out";
import { bareOnFlatWall, wallSize } from "../frustum";
import { outlineOf, type Outline } from "../outline";
import type { Piece, Shape } from "../piece";
import { boxOf, type Box, type Ring } from "../ring";
import { throughPoints } from "../through-points";
import { alongLine, bandsBy, movedOut } from "./bands";
import type { Divider, Division, Drawn, ZoneShape } from "./division";
import type { Region } from "./overlay";
import { stonesOver, type Stone } from "./stones";

/** What is divided: the line around it, what is open or stays bare in it, and once around where it closes on itself, mm. */
export type Surface = {
  ring: Ring;
  openings: { id: string; ring: Ring }[];
  box: Box;
  aroundMm: number | null;
};

function laidFlat(piece: Piece): Surface {
  if (piece.shape.kind === "tumbler") {
    const { aroundMm, slantMm } = wallSize(piece.shape);
    const ring = [
      { x: 0, y: 0 },
      { x: aroundMm, y: 0 },
      { x: aroundMm, y: slantMm },
      { x: 0, y: slantMm },
    ];
    return { ring, openings: bareOnFlatWall(piece.shape), box: boxOf(ring), aroundMm };
  }
  const outline = outlineOf(piece);
  return {
    ring: outline.corners,
    openings: piece.cutOuts.map((cutOut) => ({ id: cutOut.id, ring: cutOutRing(cutOut, outline) })),
    box: { minX: 0, minY: 0, maxX: outline.widthMm, maxY: outline.heightMm },
    aroundMm: null,
  };
}

/** The surface of a shape as it was the last time: what is divided anew keeps its outline. */
const lastLaid = byIdentity((_shape: Shape) => ({
  known: null as { outline: Outline; cutOuts: Piece["cutOuts"]; surface: Surface } | null,
}));

/** The drawing on which a piece is divided: its top, or a tumbler's wall laid flat as a rectangle, once around its middle wide, the rim at the top. */
export function surfaceOf(piece: Piece): Surface {
  const last = lastLaid(piece.shape);
  const outline = outlineOf(piece);
  const { cutOuts } = piece;
  if (last.known?.outline !== outline || last.known.cutOuts !== cutOuts)
    last.known = { outline, cutOuts, surface: laidFlat(piece) };
  return last.known.surface;
}

const asPoints = (pairs: readonly Pair[]): Point[] => pairs.map(([x, y]) => ({ x, y }));
const acrossMm = ({ minX, minY, maxX, maxY }: Box) => Math.hypot(maxX - minX, maxY - minY);

function placed(points: readonly Point[], x: number, y: number, turnDeg = 0): Point[] {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return points.map((point) => ({ x: x + c * point.x - s * point.y, y: y + s * point.x + c * point.y }));
}

/** The line of a closed shape, flattened. */
export function shapeRing(shape: ZoneShape): Point[] {
  if (shape.kind === "free")
    return shape.curved ? throughPoints(asPoints(shape.points), true) : asPoints(shape.points);
  const turnDeg = shape.kind === "round" ? 0 : shape.turnDeg;
  return placed(ringAboutCentre(shape), shape.xMm, shape.yMm, turnDeg);
}

/** The line of a divider from edge to edge, flattened and without what runs on beyond its ends; around a tumbler it ends where it began. */
export function lineOf(
  { points, curved }: Extract<Drawn, { kind: "line" }>,
  aroundMm: number | null,
): Point[] {
  const line = asPoints(points);
  const [first] = line;
  if (aroundMm !== null && first) line.push({ x: first.x + aroundMm, y: first.y });
  return curved ? throughPoints(line, false) : line;
}

/** A line drawn out straight beyond both ends by a distance. */
function drawnOut(line: readonly Point[], byMm: number): Point[] {
  const beyond = (end: Point, inner: Point): Point => {
    const long = Math.hypot(end.x - inner.x, end.y - inner.y) || 1;
    return { x: end.x + ((end.x - inner.x) / long) * byMm, y: end.y + ((end.y - inner.y) / long) * byMm };
  };
  const [first, second] = line as [Point, Point];
  const [last, before] = [line.at(-1) as Point, line.at(-2) as Point];
  return [beyond(first, second), ...line, beyond(last, before)];
}

/** What lies on the right hand of a line that runs across a box. */
function rightOf(line: readonly Point[], { box, aroundMm }: Surface): Region {
  if (line.length < 2) return [];
  const far = 2 * acrossMm(box) + 10;
  if (aroundMm !== null) {
    // Around a tumbler its right hand is below it.
    const [first, last] = [line[0] as Point, line.at(-1) as Point];
    return [[...line, { x: last.x, y: box.maxY + far }, { x: first.x, y: box.maxY + far }]];
  }
  const way = drawnOut(line, far);
  const [start, end] = [way[0] as Point, way.at(-1) as Point];
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const angleOf = ({ x, y }: Point) => Math.atan2(y - middle.y, x - middle.x);
  // Back around the outside by its right hand: with the clock on a screen from its end to its start.
  const [from, to] = [angleOf(end), angleOf(start)];
  const sweep = (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  const reach = 4 * far;
  const back = Array.from({ length: 13 }, (_, n) => {
    const turn = from + (sweep * n) / 12;
    return { x: middle.x + reach * Math.cos(turn), y: middle.y + reach * Math.sin(turn) };
  });
  return [[...way, ...back]];
}

/** Rectangles across a box along an angle, between two distances from its middle. */
function stripesOver(
  { angleDeg, fromMm, widthsMm }: Extract<Drawn, { kind: "stripes" }>,
  { box, aroundMm }: Surface,
): Region[] {
  const given = widthsMm.reduce((sum, wideMm) => sum + wideMm, 0);
  const regions = widthsMm.map((): Point[][] => []);
  if (!(given > 0)) return regions;
  const turn = (angleDeg * Math.PI) / 180;
  // Stripes run along the angle and follow each other across it.
  const [ux, uy] = [Math.cos(turn), Math.sin(turn)];
  const [nx, ny] = [-uy, ux];
  // Around a tumbler a whole number of them meets itself.
  const around = aroundMm === null ? 0 : aroundMm * Math.abs(nx);
  const times = around > given / 2 ? around / (Math.round(around / given) * given) : 1;
  const half = acrossMm(box) / 2 + given;
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const period = given * times;
  const place = (along: number, across: number): Point => ({
    x: middle.x + ux * along + nx * across,
    y: middle.y + uy * along + ny * across,
  });
  const first = fromMm * times - Math.ceil((half + fromMm * times) / period) * period;
  for (let from = first; from < half; from += period) {
    let near = from;
    widthsMm.forEach((wideMm, n) => {
      const far = near + wideMm * times;
      if (wideMm > 0 && far > -half)
        regions[n]?.push([place(-half, near), place(half, near), place(half, far), place(-half, far)]);
      near = far;
    });
  }
  return regions;
}

type Drew = { regions: Region[]; stones: Stone[] };

/** Once more to the left and to the right, where what is divided closes on itself. */
const wrapped = (region: Region, aroundMm: number | null): Region =>
  aroundMm === null
    ? region
    : [-aroundMm, 0, aroundMm].flatMap((by) =>
        region.map((ring) => ring.map(({ x, y }) => ({ x: x + by, y }))),
      );

/** What bands follow, as all that lies within a distance of it; inwards from the rim as what lies further than that from it. */
function followed(
  drawn: Extract<Drawn, { kind: "bands" }>,
  surface: Surface,
  { dividers }: Division,
): ((byMm: number) => Region) | null {
  const { of } = drawn;
  if (of.kind === "rim") {
    const { ring, box, aroundMm } = surface;
    // On a tumbler the rim is where one drinks.
    if (aroundMm === null) return (byMm) => movedOut(ring, -byMm);
    return (byMm) => [
      [
        { x: box.minX, y: byMm },
        { x: box.maxX, y: byMm },
        { x: box.maxX, y: box.maxY },
        { x: box.minX, y: box.maxY },
      ],
    ];
  }
  if (of.kind === "cut-out") {
    const opening = surface.openings.find(({ id }) => id === of.id);
    return opening ? (byMm) => movedOut(opening.ring, byMm) : null;
  }
  const divider = dividers.find(({ id }) => id === of.id);
  if (divider?.drawn.kind === "line") {
    const line = drawnOut(lineOf(divider.drawn, surface.aroundMm), acrossMm(surface.box));
    return (byMm) => alongLine(line, byMm);
  }
  if (divider?.drawn.kind !== "shape") return null;
  const ring = shapeRing(divider.drawn.shape);
  return (byMm) => movedOut(ring, byMm);
}

function draw({ drawn, zones }: Divider, surface: Surface, division: Division): Drew {
  switch (drawn.kind) {
    case "line":
      return { regions: [rightOf(lineOf(drawn, surface.aroundMm), surface)], stones: [] };
    case "shape":
      return { regions: [wrapped([shapeRing(drawn.shape)], surface.aroundMm)], stones: [] };
    case "stripes":
      return { regions: stripesOver(drawn, surface), stones: [] };
    case "bands": {
      const within = followed(drawn, surface, division);
      if (!within) return { regions: drawn.widthsMm.map(() => []), stones: [] };
      const bands = bandsBy(within, drawn.fromMm, drawn.widthsMm);
      return {
        regions: drawn.of.kind === "rim" ? bands : bands.map((band) => wrapped(band, surface.aroundMm)),
        stones: [],
      };
    }
    case "pebbles": {
      const stones = stonesOver(surface.box, drawn, zones.length, surface.aroundMm);
      return {
        regions: zones.map((_, kind) =>
          stones.filter((stone) => stone.kind === kind).map(({ ring }) => ring),
        ),
        stones,
      };
    }
  }
}

/** What a divider drew the last time: pulling one leaves the others as they are. */
const lastDrawn = byIdentity((_drawn: Drawn) => ({
  known: null as { from: readonly unknown[]; drew: Drew } | null,
}));

/** What the regions of a divider hang on, besides how it is drawn. */
function hangsOn({ drawn, zones }: Divider, surface: Surface, { dividers }: Division): unknown[] {
  const { minX, minY, maxX, maxY } = surface.box;
  const size = [minX, minY, maxX, maxY, surface.aroundMm];
  size.push(zones.length);
  if (drawn.kind !== "bands") return size;
  const { of } = drawn;
  if (of.kind === "rim") return [...size, surface.ring];
  if (of.kind === "cut-out") return [...size, surface.openings.find(({ id }) => id === of.id)?.ring];
  return [...size, dividers.find(({ id }) => id === of.id)?.drawn];
}

/** The regions of a divider, one for each of its zones, before those above it are taken off; and its stones. */
export function drawnRegions(divider: Divider, surface: Surface, division: Division): Drew {
  const last = lastDrawn(divider.drawn);
  const from = hangsOn(divider, surface, division);
  if (!last.known || !from.every((value, at) => value === last.known?.from[at])) {
    const { regions, stones } = draw(divider, surface, division);
    // A zone for each width and no more.
    last.known = { from, drew: { stones, regions: divider.zones.map((_, n) => regions[n] ?? []) } };
  }
  return last.known.drew;
}
