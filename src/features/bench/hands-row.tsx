import type { LaidJob } from "@/core/schedule/shop-days";
import { nth } from "@/core/numerics/nth";

/** When the hands have work; more work than hands stands out. */
export function HandsRow({
  laid,
  hands,
  top,
  x,
  left,
  fromMin,
  untilMin,
}: {
  laid: readonly LaidJob[];
  hands: number;
  top: number;
  x: (atMin: number) => number;
  left: number;
  fromMin: number;
  untilMin: number;
}) {
  const busy = laid
    .flatMap((job) => job.busy)
    .filter((stretch) => stretch.toMin > fromMin && stretch.fromMin < untilMin);
  const edges = [...new Set(busy.flatMap((stretch) => [stretch.fromMin, stretch.toMin]))].sort(
    (a, b) => a - b,
  );
  const stretches = edges.slice(1).map((to, index) => {
    const from = nth(edges, index);
    const used = busy
      .filter((stretch) => stretch.fromMin < to && stretch.toMin > from)
      .reduce((sum, stretch) => sum + stretch.hands, 0);
    return { from, to, used };
  });
  const tall = 16;
  return (
    <g role="img" aria-label="When the hands have work">
      <line x1={0} x2={x(untilMin)} y1={top - 4} y2={top - 4} stroke="var(--color-line-strong)" />
      <text x={0} y={top + 15} fontSize="14" fill="var(--color-ink)">
        hands{hands > 1 ? `, ${hands} pairs` : ""}
      </text>
      <line
        x1={left}
        x2={x(untilMin)}
        y1={top + tall + 2}
        y2={top + tall + 2}
        stroke="var(--color-line-strong)"
      />
      {stretches
        .filter(({ used, from, to }) => used > 0 && x(to) > x(from))
        .map(({ from, to, used }) => {
          const full = Math.min(1, used / hands) * tall;
          return (
            <rect
              key={from}
              x={x(from)}
              y={top + tall + 2 - full}
              width={Math.max(1, x(to) - x(from))}
              height={full}
              fill={used > hands ? "var(--color-ink)" : "var(--color-ink-soft)"}
            />
          );
        })}
    </g>
  );
}
