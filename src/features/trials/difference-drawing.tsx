import { scaleLinear } from "d3-scale";
import type { TrialPlan, TrialRead } from "@/core/learning/trial";
import { trimmed } from "@/core/units/format-quantity";

const WIDE = 380;
const HIGH = 62;
const ASIDE = 16;
const MARKS = 5;

/** The differences of the pairs on a rule, tried less now, with the ends between which eight in ten lie. */
export function DifferenceDrawing({ plan: { measure }, read }: { plan: TrialPlan; read: TrialRead }) {
  if (!read.measure) return null;
  const { between, mean } = read.measure;
  const differences = read.pairs.flatMap(({ difference }) => (difference === null ? [] : [difference]));
  const [least, most] = [Math.min(0, ...differences), Math.max(0, ...differences)];
  const x = scaleLinear([least, most > least ? most : 1], [ASIDE, WIDE - ASIDE]).nice(MARKS);
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="w-full mt-3"
      role="img"
      aria-label={`Differences of ${differences.length} pairs, ${measure?.name ?? ""}`}
    >
      {between && (
        <rect
          x={x(between.low)}
          y="8"
          width={Math.max(2, x(between.high) - x(between.low))}
          height="22"
          fill="#a9a59b"
        />
      )}
      <line x1={ASIDE} x2={WIDE - ASIDE} y1="38.5" y2="38.5" stroke="var(--color-ink)" />
      {x.ticks(MARKS).map((mark) => (
        <g key={mark} transform={`translate(${x(mark).toFixed(1)} 38)`}>
          <line y2={mark === 0 ? -32 : -6} stroke="var(--color-ink)" />
          <text y="16" textAnchor="middle" fontSize="11" fill="var(--color-ink-soft)">
            {mark > 0 ? "+" : mark < 0 ? "−" : ""}
            {trimmed(Math.abs(mark), 2)}
          </text>
        </g>
      ))}
      {differences.map((value, n) => (
        <circle key={n} cx={x(value)} cy="19" r="4" fill="var(--color-ink)" />
      ))}
      <line x1={x(mean)} x2={x(mean)} y1="4" y2="34" stroke="var(--color-signal)" strokeWidth="2.5" />
    </svg>
  );
}
