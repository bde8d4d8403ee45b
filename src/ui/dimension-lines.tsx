import type { Point } from "@/core/geometry/curves";
import { dimensionsOf, type Dimension } from "@/core/geometry/dimensions";
import type { Piece } from "@/core/geometry/piece";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";

/** Where the millimetres of a piece stand on the screen. */
export type Frame = {
  scale: number;
  at: (point: Point) => Point;
  /** And back, where it is not straight: on a tumbler's wall. Lines are followed in steps of so many mm there, so that they bend. */
  bent?: { from: (px: Point) => Point; stepMm: number };
};

/** Distance of the dimension lines from the piece, px: beyond faces, and for one that stands inside. */
const OFF_PX = 46;
const OFF_BACK_PX = 24;
const INSIDE_PX = 1;

/** Paper behind a text, so that no line runs through it. */
const HALO = { stroke: "var(--color-ground)", strokeWidth: 4, paintOrder: "stroke" } as const;

/** Where a dimension line and its text stand on the screen. */
function placed(dimension: Dimension, frame: Frame) {
  const [from, to] = [frame.at(dimension.from), frame.at(dimension.to)];
  const along = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const { side } = dimension;
  const normal = { x: ((to.y - from.y) / along) * side, y: (-(to.x - from.x) / along) * side };
  const offset = dimension.inside ? INSIDE_PX : normal.y < -0.5 ? OFF_BACK_PX : OFF_PX;
  const shift = (point: Point, by: number) => ({ x: point.x + normal.x * by, y: point.y + normal.y * by });
  const [a, b] = [shift(from, offset), shift(to, offset)];
  const serifs = [from, to].map((end) => [shift(end, 6), shift(end, offset + 5)] as const);
  const lines = [...serifs, [a, b] as const];
  return {
    normal,
    path: lines.map(([a, b]) => `M${a.x} ${a.y}L${b.x} ${b.y}`).join(""),
    text: shift({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, 10),
  };
}

/** A size in the person's units, and the other system one step quieter. */
function DimensionText({
  dimension,
  frame,
  system,
}: {
  dimension: Dimension;
  frame: Frame;
  system: UnitSystem;
}) {
  const { mm, prefix } = dimension;
  const { normal, text } = placed(dimension, frame);
  const upright = Math.abs(normal.x) > 0.25;
  const anchor = upright ? (normal.x < 0 ? "end" : "start") : "middle";
  const below = normal.y > 0;
  return (
    <g textAnchor={anchor} {...HALO}>
      <text
        x={text.x}
        y={text.y + (upright ? -2 : below ? 12 : -16)}
        fill="var(--color-ink)"
        className="figure"
        fontSize="15"
      >
        {prefix}
        {quantityText(mm, "length", system)}
      </text>
      <text
        x={text.x}
        y={text.y + (upright ? 13 : below ? 26 : -2)}
        fill="var(--color-ink-soft)"
        fontSize="12"
      >
        {quantityText(mm, "length", otherSystem(system))}
      </text>
    </g>
  );
}

/** The dimension lines of a piece, each size where the tape was laid; their texts over all lines. */
export function DimensionLines({ piece, frame, system }: { piece: Piece; frame: Frame; system: UnitSystem }) {
  const dimensions = dimensionsOf(piece);
  return (
    <g pointerEvents="none">
      {dimensions.map((dimension, index) => (
        <path
          key={index}
          d={placed(dimension, frame).path}
          stroke="var(--color-ink-soft)"
          strokeWidth="0.8"
          fill="none"
        />
      ))}
      {dimensions.map((dimension, index) => (
        <DimensionText key={index} dimension={dimension} frame={frame} system={system} />
      ))}
    </g>
  );
}
