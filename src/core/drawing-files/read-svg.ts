import type { Pair } from "../geometry/curves";
import { SaxesParser, type SaxesTagPlain } from "saxes";
import svgpath from "svgpath";

import {
  FILE_UNITS,
  LIMITS,
  mustBeText,
  pointBudget,
  reading,
  tidied,
  Unreadable,
  type DrawnPath,
  type FileUnit,
  type ReadDrawing,
} from "./drawing";
import { flattenCubic, flattenSvgArc, type SvgArc } from "./flatten";
import { nth } from "../numerics/nth";

/** Elements whose content is not drawn where it stands. */
const NOT_DRAWN = new Set([
  "defs",
  "clippath",
  "mask",
  "symbol",
  "pattern",
  "marker",
  "lineargradient",
  "radialgradient",
  "metadata",
  "title",
  "desc",
  "style",
]);
const REFUSED: Record<string, string> = {
  script: "The file carries a script. Export the drawing again without it.",
  foreignobject: "The file carries a web page inside. Export the drawing again without it.",
};

type Level = { transform: string; layer: string; drawn: boolean };

const numberIn = (text: string | undefined, otherwise = 0): number => {
  const value = Number.parseFloat(text ?? "");
  return Number.isFinite(value) ? value : otherwise;
};

/** "600mm" as 600 and its unit; null without a number. */
function lengthIn(text: string | undefined): { value: number; unit: string } | null {
  const found = /^\s*([0-9.eE+-]+)\s*([a-z%]*)\s*$/.exec(text ?? "");
  const value = Number(found?.[1]);
  return found && Number.isFinite(value) && value > 0 ? { value, unit: found[2] ?? "" } : null;
}

/** Units that say how long something is on paper; px and none are a screen's and must be asked. */
function mmPerUnit(attributes: Record<string, string>): number | null {
  const width = lengthIn(attributes.width);
  if (!width || width.unit === "px" || !(width.unit in FILE_UNITS)) return null;
  const box = (attributes.viewBox ?? "").split(/[\s,]+/).map(Number);
  const wide = box.length === 4 && Number.isFinite(box[2]) && nth(box, 2) > 0 ? nth(box, 2) : null;
  const mm = width.value * FILE_UNITS[width.unit as FileUnit];
  return wide === null ? FILE_UNITS[width.unit as FileUnit] : mm / wide;
}

/** The path data of a drawn element; null for one that is no line. */
function dataOf(name: string, a: Record<string, string>): string | null {
  const n = (key: string, otherwise = 0) => numberIn(a[key], otherwise);
  switch (name) {
    case "path":
      return a.d ?? null;
    case "rect": {
      const [x, y, w, h] = [n("x"), n("y"), n("width"), n("height")];
      const rx = Math.min(n("rx", n("ry")), w / 2);
      const ry = Math.min(n("ry", n("rx")), h / 2);
      if (!(w > 0 && h > 0)) return null;
      if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}z`;
      const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${arc(rx, ry)}v${h - 2 * ry}${arc(-rx, ry)}h${2 * rx - w}${arc(-rx, -ry)}v${2 * ry - h}${arc(rx, -ry)}z`;
    }
    case "circle":
    case "ellipse": {
      const [rx, ry] = name === "circle" ? [n("r"), n("r")] : [n("rx"), n("ry")];
      if (!(rx > 0 && ry > 0)) return null;
      return `M${n("cx") - rx} ${n("cy")}a${rx} ${ry} 0 1 1 ${2 * rx} 0a${rx} ${ry} 0 1 1 ${-2 * rx} 0z`;
    }
    case "line":
      return `M${n("x1")} ${n("y1")}L${n("x2")} ${n("y2")}`;
    case "polyline":
    case "polygon": {
      const numbers = (a.points ?? "").match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/g) ?? [];
      return numbers.length >= 4 ? `M${numbers.join(" ")}${name === "polygon" ? "z" : ""}` : null;
    }
    default:
      return null;
  }
}

/** Path data through its transforms, as flattened lines. */
function linesOf(
  data: string,
  transforms: string,
  tolerance: number,
  spend: (points: number) => void,
): { points: Pair[]; closed: boolean }[] {
  const path = svgpath(data).transform(transforms).abs().unshort();
  // The package keeps what it understood and remembers the fault.
  if ((path as unknown as { err?: string }).err)
    throw new Unreadable("A line of the file is damaged: its path cannot be read.");
  const lines: { points: Pair[]; closed: boolean }[] = [];
  let points: Pair[] = [];
  const end = (closed: boolean) => {
    const kept = tidied(points, closed, tolerance / 100);
    if (kept.length > 1) lines.push({ points: kept, closed });
    points = [];
  };
  path.iterate((segment, _index, x, y) => {
    const [command, ...n] = segment as [string, ...number[]];
    const here: Pair = [x, y];
    const before = points.length;
    switch (command) {
      case "M":
        end(false);
        points = [[nth(n, 0), nth(n, 1)]];
        break;
      case "Z":
        end(true);
        points = [];
        return;
      default:
        if (points.length === 0) points = [here];
        if (command === "L") points.push([nth(n, 0), nth(n, 1)]);
        else if (command === "H") points.push([nth(n, 0), y]);
        else if (command === "V") points.push([x, nth(n, 0)]);
        else if (command === "C")
          points.push(...flattenCubic(here, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!], tolerance));
        else if (command === "A") points.push(...flattenSvgArc(here, n as SvgArc, tolerance));
        else if (command === "Q") {
          const [q, to]: [Pair, Pair] = [
            [n[0]!, n[1]!],
            [n[2]!, n[3]!],
          ];
          const toward = (from: Pair): Pair => [
            from[0] + (2 / 3) * (q[0] - from[0]),
            from[1] + (2 / 3) * (q[1] - from[1]),
          ];
          points.push(...flattenCubic(here, toward(here), toward(to), to, tolerance));
        }
    }
    spend(Math.max(1, points.length - before));
  });
  end(false);
  for (const line of lines) {
    const [first, last] = [line.points[0] as Pair, line.points[line.points.length - 1] as Pair];
    if (
      !line.closed &&
      line.points.length > 3 &&
      Math.hypot(first[0] - last[0], first[1] - last[1]) <= tolerance
    ) {
      line.closed = true;
      line.points.pop();
    }
  }
  if (lines.some(({ points: all }) => all.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))))
    throw new Unreadable("A line of the file is damaged: it has no numbers for coordinates.");
  return lines;
}

/** A whole circle that stayed one through its transforms, told by all its points standing equally far from the middle. */
function circleOf(name: string, points: readonly Pair[]): DrawnPath["circle"] {
  if (name !== "circle" || points.length < 4) return undefined;
  const [left, right] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))];
  const [top, bottom] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))];
  const radius = (right - left) / 2;
  return Math.abs(bottom - top - 2 * radius) < radius * 1e-3
    ? { x: (left + right) / 2, y: (top + bottom) / 2, radius }
    : undefined;
}

/**
 * The lines of an SVG. Groups are layers; transforms are applied; curves are flattened.
 * Nothing outside the file is fetched, entities of its own are refused, scripts are refused.
 * @param toleranceMm largest distance of a chord from its curve; where the file gives no unit, one unit is taken for a millimetre
 */
export function readSvg(text: string, toleranceMm: number): ReadDrawing {
  return reading("SVG", () => {
    mustBeText(text, "SVG");
    const paths: DrawnPath[] = [];
    const leftOut = new Set<string>();
    const levels: Level[] = [{ transform: "", layer: "", drawn: true }];
    const spend = pointBudget();
    let scale: number | null = null;
    let elements = 0;
    let roots = 0;
    const parser = new SaxesParser();
    parser.on("error", () => {
      throw new Unreadable("This SVG is damaged: its tags do not fit together.");
    });
    parser.on("doctype", (doctype) => {
      if (/<!ENTITY|\[/.test(doctype))
        throw new Unreadable(
          "The file defines entities of its own, which a drawing does not need. It is not read.",
        );
    });
    parser.on("opentag", (tag: SaxesTagPlain) => {
      elements += 1;
      if (elements > LIMITS.elements)
        throw new Unreadable(`The SVG has more than ${LIMITS.elements} elements.`);
      if (levels.length > LIMITS.nesting)
        throw new Unreadable(`The SVG is nested more than ${LIMITS.nesting} deep.`);
      const name = tag.name.replace(/^svg:/, "").toLowerCase();
      const { attributes } = tag;
      if (levels.length === 1) {
        roots += 1;
        if (name !== "svg") throw new Unreadable("This is no SVG: it does not begin as one.");
        scale = mmPerUnit(attributes);
      }
      if (REFUSED[name]) throw new Unreadable(REFUSED[name]);
      if (Object.keys(attributes).some((key) => /^on[a-z]+$/i.test(key)))
        throw new Unreadable(REFUSED.script as string);
      const level = levels[levels.length - 1] as Level;
      const hidden = /display\s*:\s*none/.test(attributes.style ?? "") || attributes.display === "none";
      const label = attributes["inkscape:label"] ?? attributes.id ?? "";
      const inner: Level = {
        transform: `${level.transform} ${name === "svg" ? "" : (attributes.transform ?? "")}`,
        layer: name === "g" && level.layer === "" ? label : level.layer,
        drawn: level.drawn && !hidden && !NOT_DRAWN.has(name),
      };
      levels.push(inner);
      if (!inner.drawn) return;
      if (name === "text" || name === "image" || name === "use")
        leftOut.add({ text: "writing", image: "pictures", use: "copies by reference" }[name]);
      const data = dataOf(name, attributes);
      if (!data) return;
      const tolerance = toleranceMm / (scale ?? 1);
      for (const line of linesOf(data, inner.transform, tolerance, spend)) {
        const circle = circleOf(name, line.points);
        paths.push({ layer: inner.layer || "no layer", ...line, ...(circle ? { circle } : {}) });
      }
    });
    parser.on("closetag", () => {
      levels.pop();
    });
    parser.write(text).close();
    if (roots === 0) throw new Unreadable("This is no SVG: it does not begin as one.");
    return { ok: true, paths, mmPerUnit: scale, leftOut: [...leftOut] };
  });
}
