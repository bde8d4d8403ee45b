import type { Point } from "@/core/geometry/curves";
import { edgeOf, type EdgeTreatment, type Piece } from "@/core/geometry/piece";
import type { Frame } from "./dimension-lines";

/** What is drawn outside a straight edge: the face unfolded, the wall's hatching, the dam's strip, the open edge's drops. */
export function EdgeBand({
  from,
  to,
  outward,
  treatment,
  depth,
  hatch,
}: {
  from: Point;
  to: Point;
  outward: Point;
  treatment: EdgeTreatment;
  depth: number;
  hatch: string;
}) {
  const out = (point: Point, by: number) => `${point.x + outward.x * by} ${point.y + outward.y * by}`;
  if (treatment === "face" || (treatment === "dam" && depth > 0)) {
    return (
      <g>
        <path
          d={`M${out(from, 0)}L${out(to, 0)}L${out(to, depth)}L${out(from, depth)}Z`}
          fill="var(--color-shade)"
          stroke="var(--color-ink)"
          strokeWidth="0.8"
        />
        {treatment === "dam" && (
          <path
            d={`M${out(from, depth + 3)}L${out(to, depth + 3)}`}
            stroke="var(--color-ink)"
            strokeWidth="3.5"
            fill="none"
          />
        )}
      </g>
    );
  }
  if (treatment === "dam")
    return (
      <path d={`M${out(from, 3)}L${out(to, 3)}`} stroke="var(--color-ink)" strokeWidth="3.5" fill="none" />
    );
  if (treatment === "wall") {
    return (
      <path d={`M${out(from, 0)}L${out(to, 0)}L${out(to, 9)}L${out(from, 9)}Z`} fill={`url(#${hatch})`} />
    );
  }
  return (
    <path
      d={`M${out(from, 6)}L${out(to, 6)}`}
      stroke="var(--color-ink)"
      strokeWidth="2"
      strokeDasharray="0.1 7"
      strokeLinecap="round"
      fill="none"
    />
  );
}

/** A piece with one curved rim. What lies outside it is drawn as broad lines under it: a line of twice the breadth shows half. */
export function CurvedPiece({
  piece,
  corners,
  frame,
  depth,
}: {
  piece: Piece;
  corners: readonly Point[];
  frame: Frame;
  depth: number;
}) {
  const points = pointsText(corners, frame);
  const { treatment } = edgeOf(piece, "rim");
  const rim = { points, fill: "none", stroke: "var(--color-ink)", strokeLinejoin: "round" } as const;
  const face = (treatment === "face" || treatment === "dam") && depth > 0 ? depth : 0;
  return (
    <g>
      {treatment === "dam" && <polygon {...rim} strokeWidth={2 * (face + 5)} />}
      {treatment === "dam" && (
        <polygon {...rim} stroke="var(--color-ground)" strokeWidth={2 * (face + 1.5)} />
      )}
      {face > 0 && <polygon {...rim} strokeWidth={2 * face + 1.6} />}
      {face > 0 && <polygon {...rim} stroke="var(--color-shade)" strokeWidth={2 * face} />}
      {treatment === "open" && (
        <polygon
          {...rim}
          strokeWidth={2}
          strokeDasharray="0.1 7"
          strokeLinecap="round"
          transform={grown(corners, frame, 6)}
        />
      )}
      <polygon points={points} fill="var(--color-paper)" stroke="var(--color-ink)" strokeWidth="1.4" />
    </g>
  );
}

export const pointsText = (corners: readonly Point[], { at }: Frame) =>
  corners.map((corner) => `${at(corner).x},${at(corner).y}`).join(" ");

/** A transform that lets a drawn outline stand out by some pixels all round. */
function grown(corners: readonly Point[], { at, scale }: Frame, by: number): string {
  const [wide, high] = [
    Math.max(...corners.map((corner) => corner.x)),
    Math.max(...corners.map((corner) => corner.y)),
  ];
  const centre = at({ x: wide / 2, y: high / 2 });
  const [sx, sy] = [1 + (2 * by) / (wide * scale), 1 + (2 * by) / (high * scale)];
  return `translate(${centre.x * (1 - sx)} ${centre.y * (1 - sy)}) scale(${sx} ${sy})`;
}
