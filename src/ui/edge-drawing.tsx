import { besides } from "@/core/geometry/besides";
import type { Point } from "@/core/geometry/curves";
import type { EdgeTreatment } from "@/core/geometry/piece";
import type { Frame } from "./dimension-lines";

export const pointsText = (points: readonly Point[], { at }: Frame) =>
  points.map((point) => `${at(point).x},${at(point).y}`).join(" ");

const lineOf = (points: readonly Point[]) => `M${points.map(({ x, y }) => `${x} ${y}`).join("L")}`;

/**
 * What is drawn outside an edge: the face unfolded, the wall's hatching, the dam's strip, the open edge's drops,
 * the joint's chain line, the tape of a masked edge.
 * @param path the edge in px; @param turn +1 where its left hand is outside
 */
export function EdgeBand({
  path,
  turn,
  treatment,
  depth,
  hatch,
}: {
  path: readonly Point[];
  turn: 1 | -1;
  treatment: EdgeTreatment;
  depth: number;
  hatch: string;
}) {
  const out = (by: number) => besides(path, turn * by);
  const band = (from: number, to: number) =>
    `${lineOf(out(from))}L${lineOf([...out(to)].reverse()).slice(1)}Z`;
  const stroke = { fill: "none", stroke: "var(--color-ink)" } as const;
  switch (treatment) {
    case "face":
    case "dam":
      return (
        <g>
          {depth > 0 && (
            <path d={band(0, depth)} fill="var(--color-shade)" stroke="var(--color-ink)" strokeWidth="0.8" />
          )}
          {treatment === "dam" && <path {...stroke} d={lineOf(out(depth + 3))} strokeWidth="3.5" />}
        </g>
      );
    case "wall":
      return <path d={band(0, 9)} fill={`url(#${hatch})`} />;
    case "open":
      return (
        <path {...stroke} d={lineOf(out(6))} strokeWidth="2" strokeDasharray="0.1 7" strokeLinecap="round" />
      );
    case "joint":
      return <path {...stroke} d={lineOf(out(5))} strokeWidth="1.2" strokeDasharray="12 3 2 3" />;
    case "masked":
      return (
        <g>
          <path d={band(1, 7)} fill="var(--color-ground)" stroke="var(--color-ink)" strokeWidth="0.8" />
          <path {...stroke} d={lineOf(out(4))} strokeWidth="0.8" strokeDasharray="2 3" />
        </g>
      );
  }
}
