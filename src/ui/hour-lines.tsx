import { useClockWords } from "./shop-clock";

/** The hours of an axis: a line through the drawing and the hour over it. */
export function HourLines({
  ticks,
  x,
  top,
  bottom,
}: {
  ticks: readonly number[];
  x: (atMin: number) => number;
  top: number;
  bottom: number;
}) {
  const { hourText } = useClockWords();
  return ticks.map((at) => (
    <g key={at}>
      <line x1={x(at)} x2={x(at)} y1={top - 4} y2={bottom} stroke="var(--color-line)" />
      <text x={x(at)} y={top - 10} fontSize="13" textAnchor="middle" fill="var(--color-ink-soft)">
        {hourText(at)}
      </text>
    </g>
  ));
}
