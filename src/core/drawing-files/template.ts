import type { Point } from "../geometry/curves";
import { cutOutRing } from "../geometry/cut-out";
import { bareOnWall, unrolledBand, wallSize, type Tumbler } from "../geometry/frustum";
import { wallOnFan } from "../geometry/wall-on-fan";
import type { Measured } from "../geometry/measure";
import { boxOf, type Box } from "../geometry/ring";
import { unfoldedFaces } from "../geometry/unfold";

/** Lines of a piece's template in true scale, mm: for a plotter, a saw or paper. */
export type TemplateLine = {
  layer: "outline" | "cut-out" | "face" | "vein" | "vein-edge" | "zone";
  closed: boolean;
  points: readonly Point[];
  /** The number of the vein or zone that it belongs to; null for the piece itself. */
  number: number | null;
  /** What that zone is called. */
  name?: string;
};

/** Words that stand on a template, their middle at a place. */
export type TemplateWords = { at: Point; words: string };

export type Template = { lines: readonly TemplateLine[]; words: readonly TemplateWords[] };

/** A place on a piece as it lies on the template: where it is on what is flat, unrolled on a tumbler's wall. */
export type OnTemplate = <Place extends Point>(place: Place) => Place;

/** A tumbler's wall as paper around it would lie flat: its places on the sector, and what of it stays bare. */
function unrolled(shape: Tumbler) {
  const { rim, patch } = bareOnWall(shape);
  const { slantMm } = wallSize(shape);
  const { toFan } = wallOnFan(shape, { x: 0, y: 0 });
  const at: OnTemplate = (place) => ({ ...place, ...toFan(place) });
  return {
    outline: unrolledBand(shape, [0, slantMm]),
    bare: [rim, patch].filter((ring) => ring !== null),
    at,
  };
}

/** The piece itself as lines: a flat one in its own coordinates with its faces folded out, a tumbler's wall unrolled. */
export function bodyLines(piece: Measured): { lines: TemplateLine[]; at: OnTemplate } {
  const { shape } = piece.piece;
  const wall = shape.kind === "tumbler" ? unrolled(shape) : null;
  const line = (layer: TemplateLine["layer"], points: readonly Point[]): TemplateLine => ({
    layer,
    points,
    closed: true,
    number: null,
  });
  const openings = wall?.bare ?? piece.piece.cutOuts.map((cutOut) => cutOutRing(cutOut, piece.outline));
  return {
    lines: [
      line("outline", wall?.outline ?? piece.outline.corners),
      ...openings.map((ring) => line("cut-out", ring)),
      ...unfoldedFaces(piece).map(({ ring }) => line("face", ring)),
    ],
    at: wall?.at ?? ((place) => place),
  };
}

/** What the lines of a layer belong to, as a file's layer is called; letters and digits alone, which every program takes. */
export function layerName({ layer, number, name }: TemplateLine): string {
  switch (layer) {
    case "outline":
      return "OUTLINE";
    case "cut-out":
      return "CUTOUTS";
    case "face":
      return "FACES";
    case "vein":
      return `VEIN-${number}`;
    case "vein-edge":
      return `VEIN-${number}-EDGES`;
    case "zone": {
      const word = (name ?? "").replace(/[^A-Za-z0-9]+/g, "-").replace(/^-+|-+$/g, "");
      return `ZONE-${number}${word ? `-${word.slice(0, 40)}` : ""}`;
    }
  }
}

/** What the piece of a template takes, without veins and zones; the sides of veins may reach a little over its edges. */
export const templateBox = (lines: readonly TemplateLine[]): Box =>
  boxOf(lines.filter(({ number }) => number === null).flatMap(({ points }) => points));

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
