import { cutText } from "@/core/units/cut-text";
import { type Trouble } from "@/core/schedule/troubles";
import { TROUBLE_WORDS } from "@/core/schedule/trouble-words";
import type { PassWindow } from "@/core/schedule/coat-windows";
import { manyWords } from "@/core/schedule/turns";
import { useClockWords } from "./shop-clock";
import { WindowBar } from "./window-bar";

/** A pass: from when to when it is right, the unsure parts lighter, and when the hands come to it. */
export function Bracket({
  window: { words, from, to, atMin, untilMin: doneMin, turns, turnOf },
  trouble,
  x,
  untilMin,
  top,
}: {
  window: PassWindow;
  trouble: Trouble | undefined;
  x: (atMin: number) => number;
  untilMin: number;
  top: number;
}) {
  const { hourText } = useClockWords();
  const middle = top + 11;
  const end = to ?? { low: untilMin, likely: untilMin, high: untilMin };
  const rounds = turnOf === "round" && turns.length > 1;
  /** When hands are on it: each round, or all of it at once. */
  const hands = rounds ? turns : [{ number: 1, atMin, untilMin: doneMin, maybe: false }];
  const never = !Number.isFinite(from.likely);
  const weight = trouble ? 650 : 400;
  return (
    <g
      aria-label={`${words} ${hourText(atMin)}${rounds ? `, ${manyWords(turns)} rounds` : ""}${trouble ? `. ${trouble.words}` : ""}`}
      role="img"
    >
      <text x={0} y={top + 16} fontSize="14" fontWeight={weight} fill="var(--color-ink)">
        {words.length > 27 ? `${cutText(words, 26)}…` : words}
      </text>
      {!never && (
        <>
          <WindowBar from={from} end={end} x={x} middle={middle} height={10} />
          <path
            d={`M${x(from.likely)} ${middle - 9}v18M${x(end.likely)} ${middle - 9}v18`}
            stroke="var(--color-ink)"
            strokeWidth="1.5"
          />
          {hands.map(({ number, atMin, untilMin, maybe }) => (
            <rect
              key={number}
              x={x(atMin)}
              y={middle - 11}
              width={Math.max(3, x(untilMin) - x(atMin))}
              height="22"
              fill="none"
              stroke="var(--color-ink)"
              strokeWidth={maybe ? 1 : 2}
              strokeDasharray={maybe ? "2 2" : undefined}
            />
          ))}
        </>
      )}
      <text
        x={Math.min(x(end.high), x(untilMin)) + 8}
        y={top + 16}
        fontSize="12"
        fontWeight={weight}
        fill={trouble ? "var(--color-ink)" : "var(--color-ink-soft)"}
      >
        {trouble
          ? `${hourText(atMin)} ${TROUBLE_WORDS[trouble.kind]}`
          : x(end.high) < x(untilMin) - 90
            ? hourText(atMin)
            : ""}
      </text>
    </g>
  );
}
