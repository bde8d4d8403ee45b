import { escaped, n, pathOf } from "./svg-text";
import type { Point } from "../geometry/curves";
import { cutOutCentre, cutOutRing } from "../geometry/cut-out";
import { dimensionsOf } from "../geometry/dimensions";
import { outlineOf } from "../geometry/outline";
import { edgeOf, type Piece } from "../geometry/piece";
import type { UnitSystem } from "../units/dimension";
import { quantityText } from "../units/format-quantity";

/** Text and its distance from the line, as shares of the drawing's size. */
const TEXT_SHARE = 0.022;
/** Breadth of a letter as a share of its height, at the most. */
const LETTER_SHARE = 0.62;

/**
 * A piece as an SVG in true scale: one user unit is a millimetre, and so says its size.
 * Outline, edges by treatment, cut-outs and joints are groups of their own.
 * @param dimensioned adds dimension lines and names, in the given units
 */
export function pieceSvg(piece: Piece, dimensioned: UnitSystem | null): string {
  const outline = outlineOf(piece);
  const size = Math.max(outline.widthMm, outline.heightMm) * TEXT_SHARE;
  const dimensions = dimensioned
    ? dimensionsOf(piece).map((dimension) => ({
        ...dimension,
        words: `${dimension.prefix}${quantityText(dimension.mm, "length", dimensioned)}`,
      }))
    : [];
  // Beside the piece stand a line and the longest text.
  const longest = Math.max(0, ...dimensions.map(({ words }) => words.length));
  const room = dimensioned ? size * (3 + longest * LETTER_SHARE) : 1;
  const [wide, high] = [outline.widthMm + 2 * room, outline.heightMm + 2 * room];
  const line = n(Math.max(0.1, size / 24));
  const group = (id: string, content: string) => (content ? `<g id="${id}">${content}</g>` : "");
  const stroke = (d: string, more = "") =>
    `<path d="${d}" fill="none" stroke="#1e2124" stroke-width="${line}"${more}/>`;
  const edges = outline.sides
    .filter(({ name }) => edgeOf(piece, name).treatment !== "face")
    .map(({ name, path }) => stroke(pathOf(path, false), ` class="${edgeOf(piece, name).treatment}"`))
    .join("");
  const holes = piece.cutOuts
    .map((cutOut) => {
      if (cutOut.shape.kind !== "round") return stroke(pathOf(cutOutRing(cutOut, outline)));
      const { x, y } = cutOutCentre(cutOut, outline);
      return `<circle cx="${n(x)}" cy="${n(y)}" r="${n(cutOut.shape.diameterMm / 2)}" fill="none" stroke="#1e2124" stroke-width="${line}"/>`;
    })
    .join("");
  const joints = outline.joints
    .map((joint) => stroke(pathOf(joint, false), ' stroke-dasharray="8 4"'))
    .join("");
  const texts = dimensioned
    ? dimensions
        .map(({ from, to, side, words }) => {
          const long = Math.hypot(to.x - from.x, to.y - from.y) || 1;
          const [nx, ny] = [((to.y - from.y) / long) * side, (-(to.x - from.x) / long) * side];
          const out = (point: Point, by: number): Point => ({ x: point.x + nx * by, y: point.y + ny * by });
          const [a, b] = [out(from, size * 2), out(to, size * 2)];
          const at = out({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, size * 0.6);
          const ticks = [from, to]
            .map((end) => pathOf([out(end, size * 0.4), out(end, size * 2.4)], false))
            .join("");
          const anchor = Math.abs(nx) > 0.5 ? (nx < 0 ? "end" : "start") : "middle";
          return `${stroke(ticks + pathOf([a, b], false))}<text x="${n(at.x)}" y="${n(at.y + (ny > 0.5 ? size * 0.8 : Math.abs(nx) > 0.5 ? size * 0.35 : 0))}" font-size="${n(size)}" font-family="sans-serif" text-anchor="${anchor}" fill="#1e2124">${escaped(words)}</text>`;
        })
        .join("") +
      piece.cutOuts
        .map((cutOut) => {
          const { x, y } = cutOutCentre(cutOut, outline);
          return `<text x="${n(x)}" y="${n(y)}" font-size="${n(size * 0.8)}" font-family="sans-serif" text-anchor="middle" fill="#1e2124">${escaped(cutOut.name)}</text>`;
        })
        .join("")
    : "";
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(wide)}mm" height="${n(high)}mm" viewBox="${n(-room)} ${n(-room)} ${n(wide)} ${n(high)}"><title>${escaped(piece.name)}</title>${group("outline", stroke(pathOf(outline.corners)))}${group("cut-outs", holes)}${group("edges", edges)}${group("joints", joints)}${group("dimensions", texts)}</svg>
`;
}
