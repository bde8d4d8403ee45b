import type { Point } from "@/core/geometry/curves";
import type { Outline } from "@/core/geometry/outline";
import type { Piece } from "@/core/geometry/piece";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";

/** Where the millimetres of a piece stand on the screen. */
export type Frame = { scale: number; at: (point: Point) => Point };

/** A dimension line with serifs, its text in the person's units and the other system one step quieter. */
function Dimension({
  from,
  to,
  offset,
  mm,
  system,
  prefix = "",
}: {
  from: Point;
  to: Point;
  offset: number;
  mm: number;
  system: UnitSystem;
  prefix?: string;
}) {
  const along = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const normal = { x: (to.y - from.y) / along, y: -(to.x - from.x) / along };
  const shift = (point: Point, by: number) => ({ x: point.x + normal.x * by, y: point.y + normal.y * by });
  const [a, b] = [shift(from, offset), shift(to, offset)];
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const upright = Math.abs(normal.x) > 0.5;
  const outward = Math.sign(offset);
  const text = { x: middle.x + normal.x * outward * 10, y: middle.y + normal.y * outward * 10 };
  return (
    <g>
      <path
        d={
          [from, to]
            .map(
              (end) =>
                `M${shift(end, outward * 6).x} ${shift(end, outward * 6).y}L${shift(end, offset + outward * 5).x} ${shift(end, offset + outward * 5).y}`,
            )
            .join("") + `M${a.x} ${a.y}L${b.x} ${b.y}`
        }
        stroke="var(--color-ink-soft)"
        strokeWidth="0.8"
        fill="none"
      />
      <text
        x={text.x}
        y={text.y + (upright ? -2 : outward * normal.y > 0 ? 12 : -16)}
        textAnchor={upright ? (normal.x * outward < 0 ? "end" : "start") : "middle"}
        fill="var(--color-ink)"
        className="figure"
        fontSize="15"
      >
        {prefix}
        {quantityText(mm, "length", system)}
      </text>
      <text
        x={text.x}
        y={text.y + (upright ? 13 : outward * normal.y > 0 ? 26 : -2)}
        textAnchor={upright ? (normal.x * outward < 0 ? "end" : "start") : "middle"}
        fill="var(--color-ink-soft)"
        fontSize="12"
      >
        {quantityText(mm, "length", otherSystem(system))}
      </text>
    </g>
  );
}

/** Distance of the dimension lines from the piece, px. */
const OFF = 46;

/** The dimension lines of a piece, each size where the tape was laid. */
export function DimensionLines({
  piece,
  outline,
  frame,
  system,
}: {
  piece: Piece;
  outline: Outline;
  frame: Frame;
  system: UnitSystem;
}) {
  const { at } = frame;
  const { shape } = piece;
  const [wide, high] = [outline.widthMm, outline.heightMm];
  const across = (y: number, from: number, to: number, offset: number, prefix = "") => (
    <Dimension
      from={at({ x: from, y })}
      to={at({ x: to, y })}
      offset={offset}
      mm={to - from}
      system={system}
      prefix={prefix}
    />
  );
  const down = (x: number, from: number, to: number, offset: number) => (
    <Dimension
      from={at({ x, y: from })}
      to={at({ x, y: to })}
      offset={offset}
      mm={to - from}
      system={system}
    />
  );
  switch (shape.kind) {
    case "round":
      return across(high, 0, wide, -OFF, "⌀ ");
    case "l-run": {
      const left = shape.turn === "left";
      return (
        <>
          {across(0, 0, wide, 22)}
          {left ? down(0, 0, shape.returnLengthMm, -OFF) : down(wide, 0, shape.returnLengthMm, OFF)}
          {left ? down(wide, 0, shape.depthMm, OFF) : down(0, 0, shape.depthMm, -OFF)}
          {left
            ? across(shape.returnLengthMm, 0, shape.returnDepthMm, -OFF)
            : across(shape.returnLengthMm, wide - shape.returnDepthMm, wide, -OFF)}
        </>
      );
    }
    case "u-run":
      return (
        <>
          {across(0, 0, wide, 22)}
          {down(0, 0, shape.leftLengthMm, -OFF)}
          {down(wide, 0, shape.rightLengthMm, OFF)}
          {across(shape.leftLengthMm, 0, shape.leftDepthMm, -OFF)}
          {across(shape.rightLengthMm, wide - shape.rightDepthMm, wide, -OFF)}
          {down((shape.leftDepthMm + wide - shape.rightDepthMm) / 2, 0, shape.depthMm, 1)}
        </>
      );
    default:
      return (
        <>
          {across(high, 0, wide, -OFF)}
          {down(0, 0, high, -OFF)}
        </>
      );
  }
}
