import type { Point } from "../geometry/curves";
import { cutOutRing } from "../geometry/cut-out";
import { bareOnWall, onUnrolled, unrolledBand, type Tumbler } from "../geometry/frustum";
import type { Measured } from "../geometry/measure";
import type { Outline } from "../geometry/outline";
import { boxOf, type Box } from "../geometry/ring";
import { unfoldedFaces } from "../geometry/unfold";
import type { PieceVein } from "../veins/tape";
import { ribbonRing } from "../veins/vein-map";

const n = (value: number) => String(Math.round(value * 1000) / 1000);
const pathOf = (points: readonly Point[], close: boolean) =>
  `M${points.map(({ x, y }) => `${n(x)} ${n(y)}`).join("L")}${close ? "Z" : ""}`;
const escaped = (text: string) =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`).replace(/[\u0000-\u001f]/g, " ");

/** Lines of a piece's vein template, mm: for a plotter, a saw or paper. */
export type TemplateLine = {
  layer: "outline" | "cut-out" | "face" | "vein" | "vein-edge";
  closed: boolean;
  points: readonly Point[];
  /** The vein's number on the map. */
  vein: number | null;
};

/** A tumbler's wall as paper around it would lie flat: its places on the sector, and what of it stays bare. */
function unrolled(shape: Tumbler, { widthMm, heightMm }: Outline) {
  const { rim, patch } = bareOnWall(shape);
  return {
    outline: unrolledBand(shape, [0, heightMm]),
    bare: [rim, patch].filter((ring) => ring !== null),
    at: <Place extends Point>(place: Place): Place => ({
      ...place,
      ...onUnrolled(shape, place.x / widthMm - 0.5, heightMm - place.y),
    }),
  };
}

/** Piece and veins as lines in true scale: a flat piece in its own coordinates with its faces folded out, a tumbler's wall unrolled. */
export function templateLines(piece: Measured, veins: readonly PieceVein[]): TemplateLine[] {
  const line = (
    layer: TemplateLine["layer"],
    points: readonly Point[],
    closed: boolean,
    vein: number | null = null,
  ) => ({
    layer,
    points,
    closed,
    vein,
  });
  const { shape } = piece.piece;
  const wall = shape.kind === "tumbler" ? unrolled(shape, piece.outline) : null;
  return [
    line("outline", wall?.outline ?? piece.outline.corners, true),
    ...(wall?.bare ?? piece.piece.cutOuts.map((cutOut) => cutOutRing(cutOut, piece.outline))).map((ring) =>
      line("cut-out", ring, true),
    ),
    ...unfoldedFaces(piece).map(({ ring }) => line("face", ring, true)),
    ...veins.flatMap(({ number, stretches }) =>
      stretches.flatMap(({ line: points }) => {
        const way = wall ? points.map(wall.at) : points;
        return [line("vein", way, false, number), line("vein-edge", ribbonRing(way), true, number)];
      }),
    ),
  ];
}

/** What the piece of a template takes, without the veins, whose sides may reach a little over its edges. */
const templateBox = (lines: readonly TemplateLine[]): Box =>
  boxOf(lines.filter(({ vein }) => vein === null).flatMap(({ points }) => points));

/** A piece with its veins as an SVG in true scale: one user unit is a millimetre, and so says its size. */
export function veinSvg(piece: Measured, veins: readonly PieceVein[]): string {
  const lines = templateLines(piece, veins);
  const { minX, minY, maxX, maxY } = templateBox(lines);
  const [wide, high] = [maxX - minX + 2, maxY - minY + 2];
  const look: Record<TemplateLine["layer"], string> = {
    outline: 'fill="none" stroke="#1e2124" stroke-width="0.6"',
    "cut-out": 'fill="none" stroke="#1e2124" stroke-width="0.6"',
    face: 'fill="none" stroke="#1e2124" stroke-width="0.3" stroke-dasharray="4 2"',
    vein: 'fill="none" stroke="#1e2124" stroke-width="0.25"',
    "vein-edge": 'fill="#1e2124" fill-opacity="0.25" stroke="none"',
  };
  const group = (layer: TemplateLine["layer"]) =>
    `<g id="${layer}">${lines
      .filter((line) => line.layer === layer)
      .map(
        ({ points, closed, vein }) =>
          `<path d="${pathOf(points, closed)}" ${look[layer]}${vein === null ? "" : ` data-vein="${vein}"`}/>`,
      )
      .join("")}</g>`;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(wide)}mm" height="${n(high)}mm" viewBox="${n(minX - 1)} ${n(minY - 1)} ${n(wide)} ${n(high)}"><title>${escaped(piece.name)}</title>${(["face", "vein-edge", "vein", "outline", "cut-out"] as const).map(group).join("")}</svg>
`;
}

/** One sheet of a template: what part of the piece it shows, mm. */
export type TemplateSheet = {
  column: number;
  row: number;
  fromX: number;
  fromY: number;
  wideMm: number;
  highMm: number;
};

/** Two sheets share so much, mm, to be laid over each other. */
export const OVERLAP_MM = 10;

/** The sheets of a piece's template in full scale, only those on which there is something. */
export function templateSheets(
  lines: readonly TemplateLine[],
  paper: { wideMm: number; highMm: number },
): { sheets: TemplateSheet[]; columns: number; rows: number } {
  const { minX, minY, maxX, maxY } = templateBox(lines);
  const [stepX, stepY] = [paper.wideMm - OVERLAP_MM, paper.highMm - OVERLAP_MM];
  const columns = Math.max(1, Math.ceil((maxX - minX - OVERLAP_MM) / stepX));
  const rows = Math.max(1, Math.ceil((maxY - minY - OVERLAP_MM) / stepY));
  const sheets = Array.from({ length: columns * rows }, (_, at): TemplateSheet => {
    const [column, row] = [at % columns, Math.floor(at / columns)];
    return {
      column: column + 1,
      row: row + 1,
      fromX: minX + column * stepX,
      fromY: minY + row * stepY,
      wideMm: paper.wideMm,
      highMm: paper.highMm,
    };
  });
  const shows = ({ fromX, fromY, wideMm, highMm }: TemplateSheet) =>
    lines.some(({ points, closed }) =>
      (closed ? [...points, points[0] as Point] : points).some((point, k, all) => {
        const before = all[k - 1] ?? point;
        return (
          Math.min(point.x, before.x) <= fromX + wideMm &&
          Math.max(point.x, before.x) >= fromX &&
          Math.min(point.y, before.y) <= fromY + highMm &&
          Math.max(point.y, before.y) >= fromY
        );
      }),
    );
  return { sheets: sheets.filter(shows), columns, rows };
}
