import { useMemo } from "react";
import { flowLeftIn, type FilmInRoom } from "@/core/cure/film-in-room";
import type { StateStart } from "@/core/cure/film-states";
import { startOf } from "@/core/schedule/coat-windows";
import { decimal } from "@/core/units/format-quantity";
import { FLOW, LEFT } from "@/ui/axis-geometry";

/** How far the film can still move, as a share of what it could when fresh. */
export function FlowCurve({
  film,
  life,
  x,
  untilMin,
}: {
  film: FilmInRoom;
  life: readonly StateStart[];
  x: (atMin: number) => number;
  untilMin: number;
}) {
  const points = useMemo(() => {
    const last = Math.min(untilMin - film.mixedAtMin, startOf(life, "set").likely);
    const minutes = Array.from({ length: 41 }, (_, index) => (index * last) / 40);
    const flow = flowLeftIn(film, minutes);
    return minutes.map((minute, index) => ({ minute, share: (flow[index] ?? 0) / (flow[0] || 1) }));
  }, [film, life, untilMin]);
  const y = (share: number) => FLOW.top + FLOW.height * (1 - share);
  const marks = [0.75, 0.5, 0.2].flatMap((wanted) => points.find(({ share }) => share <= wanted) ?? []);
  return (
    <g>
      <text x={0} y={FLOW.top + FLOW.height - 4} fontSize="14" fill="var(--color-ink)">
        flow left
      </text>
      <line x1={LEFT} x2={x(untilMin)} y1={y(0)} y2={y(0)} stroke="var(--color-line-strong)" />
      <path
        d={`M${points.map(({ minute, share }) => `${x(film.mixedAtMin + minute)} ${y(share)}`).join("L")}`}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="2"
      />
      {marks.map(({ minute, share }) => (
        <g key={minute}>
          <circle cx={x(film.mixedAtMin + minute)} cy={y(share)} r="3" fill="var(--color-ink)" />
          <text x={x(film.mixedAtMin + minute) + 7} y={y(share) - 3} fontSize="12" fill="var(--color-ink)">
            {decimal(share * 100, 0)} %
          </text>
        </g>
      ))}
    </g>
  );
}
