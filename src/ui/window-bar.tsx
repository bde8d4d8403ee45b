import type { Spread } from "@/core/numerics/spread";

/** From when to when something is right: sure dark, unsure ends light. */
export function WindowBar({
  from,
  end,
  x,
  middle,
  height,
}: {
  from: Spread;
  end: Spread;
  x: (atMin: number) => number;
  middle: number;
  height: number;
}) {
  return (
    <>
      <rect
        x={x(from.low)}
        y={middle - height / 2}
        width={Math.max(0, x(end.high) - x(from.low))}
        height={height}
        fill="var(--color-line-strong)"
        opacity="0.55"
      />
      {end.low > from.high && (
        <rect
          x={x(from.high)}
          y={middle - height / 2}
          width={x(end.low) - x(from.high)}
          height={height}
          fill="var(--color-ink-soft)"
        />
      )}
    </>
  );
}
