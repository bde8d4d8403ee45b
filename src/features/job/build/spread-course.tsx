import type { Spread } from "@/core/numerics/spread";

const CHART = { width: 356, height: 96, left: 4, foot: 18, untilMin: 150 };
/** Minutes at which a course is worked out. */
export const COURSE_MINUTES = Array.from({ length: 16 }, (_, index) => index * 10);

/** A quantity by the minute at which something is done, with its spread. */
export function SpreadCourse({
  course,
  minute,
  name,
}: {
  course: { minute: number; value: Spread }[];
  minute: number;
  name: string;
}) {
  const most = Math.max(...course.map(({ value }) => value.high)) || 1;
  const x = (at: number) =>
    CHART.left + (Math.min(CHART.untilMin, at) / CHART.untilMin) * (CHART.width - CHART.left);
  const y = (value: number) => (CHART.height - CHART.foot) * (1 - value / most);
  const line = (of: (value: Spread) => number) =>
    course.map((moment) => `${x(moment.minute)} ${y(of(moment.value))}`).join("L");
  const back = [...course]
    .reverse()
    .map((moment) => `${x(moment.minute)} ${y(moment.value.low)}`)
    .join("L");
  return (
    <svg
      width={CHART.width}
      height={CHART.height}
      viewBox={`0 0 ${CHART.width} ${CHART.height}`}
      role="img"
      aria-label={name}
      className="block mt-2 max-w-full"
    >
      <path d={`M${line((value) => value.high)}L${back}Z`} fill="var(--color-shade)" />
      <path d={`M${line((value) => value.likely)}`} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      <line x1={CHART.left} x2={CHART.width} y1={y(0)} y2={y(0)} stroke="var(--color-ink)" />
      {[0, 30, 60, 90, 120].map((tick) => (
        <text key={tick} x={x(tick)} y={CHART.height - 3} fontSize="12" fill="var(--color-ink-soft)">
          {tick === 0 ? "0 min" : tick}
        </text>
      ))}
      <line x1={x(minute)} x2={x(minute)} y1={0} y2={y(0)} stroke="var(--color-ink)" strokeDasharray="3 3" />
    </svg>
  );
}
