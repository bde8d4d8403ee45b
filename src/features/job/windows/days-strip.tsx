"use client";

import { cutText } from "@/core/units/cut-text";
import type { KeyboardEvent } from "react";
import { DAY_MIN, type Hours } from "@/core/schedule/hours";
import type { Taken } from "@/core/schedule/hands";
import type { DayPlan } from "@/core/schedule/plan-days";
import { timeAxis } from "@/ui/time-axis";
import { usePull } from "@/ui/use-pull";
import { useSize } from "@/ui/use-size";
import { FilmBar } from "@/ui/film-bar";
import { useClockWords } from "@/ui/shop-clock";

const LEFT = 150;
const HEAD = 34;
const ROW = 26;
/** From this width on a day has room for its hours. */
const DAY_PX = 170;
/** A start is moved in steps of a quarter of an hour. */
const STEP_MIN = 15;

/** All coats over the days: each a thin beam, the shop's closed hours shaded; the first start can be pulled. */
export function DaysStrip({
  days,
  startMin,
  startOn,
  hours,
  nowMin,
  taken,
  pickedId,
  onPick,
  onStart,
}: {
  days: DayPlan;
  startMin: number;
  startOn: string | undefined;
  hours: Hours;
  nowMin: number | null;
  /** When other work of the shop has the hands. */
  taken: readonly Taken[];
  pickedId: string | null;
  onPick: (coatId: string) => void;
  /** Null where the start stands as it is, as on paper. */
  onStart: ((startMin: number) => void) | null;
}) {
  const { style, dayText, hourText, momentText } = useClockWords();
  const { ref, width } = useSize<HTMLDivElement>();
  const pull = usePull();
  const firstDay = Math.floor(startMin / DAY_MIN);
  const lastDay = Math.max(firstDay + 1, Math.ceil(days.endMin / DAY_MIN));
  const [fromMin, untilMin] = [firstDay * DAY_MIN, lastDay * DAY_MIN];
  const axis = timeAxis({ fromMin, untilMin, leftPx: LEFT, rightPx: width });
  const { x } = axis;
  const others = taken.filter((taken) => taken.toMin > fromMin && taken.fromMin < untilMin);
  const height = HEAD + (days.coats.length + (others.length > 0 ? 1 : 0)) * ROW + 10;
  const moveTo = (next: number) => onStart?.(Math.max(0, Math.round(next / STEP_MIN) * STEP_MIN));
  const keys = (event: KeyboardEvent<SVGGElement>) => {
    const by = { ArrowLeft: -STEP_MIN, ArrowRight: STEP_MIN, PageUp: -60, PageDown: 60 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    moveTo(startMin + by);
  };
  const everyDay = Array.from({ length: lastDay - firstDay }, (_, index) => firstDay + index);
  return (
    <div ref={ref} className="w-full" style={{ height }}>
      {width > 0 && (
        <svg width={width} height={height} role="group" aria-label="The days" className="block select-none">
          {everyDay.map((day) => {
            const at = day * DAY_MIN;
            return (
              <g key={day}>
                <rect
                  x={x(at)}
                  y={HEAD - 8}
                  width={x(at + hours.openMin) - x(at)}
                  height={height - HEAD + 8}
                  fill="var(--color-shade)"
                />
                <rect
                  x={x(at + hours.closeMin)}
                  y={HEAD - 8}
                  width={x(at + DAY_MIN) - x(at + hours.closeMin)}
                  height={height - HEAD + 8}
                  fill="var(--color-shade)"
                />
                <line x1={x(at)} x2={x(at)} y1={4} y2={height} stroke="var(--color-line-strong)" />
                <text x={x(at) + 5} y={15} fontSize="13" fontWeight="600" fill="var(--color-ink)">
                  {dayText(day, startOn)}
                </text>
                {axis.pixelsPerMin * DAY_MIN > DAY_PX &&
                  [6, 12, 18].map((hour) => (
                    <text
                      key={hour}
                      x={x(at + hour * 60)}
                      y={HEAD - 11}
                      fontSize="12"
                      textAnchor="middle"
                      fill="var(--color-ink-soft)"
                    >
                      {style === "12h" ? hourText(hour * 60) : hour}
                    </text>
                  ))}
              </g>
            );
          })}
          {days.coats.map((coat, index) => {
            const top = HEAD + index * ROW;
            const on = coat.coatId === pickedId;
            const bad = days.troubles.filter(({ coatId }) => coatId === coat.coatId).length;
            return (
              <g
                key={coat.coatId}
                role="button"
                tabIndex={0}
                aria-pressed={on}
                aria-label={`${coat.name}, mixed ${momentText(coat.mixedAtMin, startOn)}${bad > 0 ? `, ${bad} to look at` : ""}`}
                className="cursor-pointer"
                onClick={() => onPick(coat.coatId)}
                onKeyDown={(event) => (event.key === "Enter" || event.key === " ") && onPick(coat.coatId)}
              >
                <rect x={0} y={top} width={width} height={ROW} fill="transparent" />
                <text
                  x={0}
                  y={top + 17}
                  fontSize="14"
                  fontWeight={on ? 650 : 400}
                  fill={on ? "var(--color-signal)" : "var(--color-ink)"}
                >
                  {coat.name.length > 20 ? `${cutText(coat.name, 19)}…` : coat.name}
                </text>
                <FilmBar
                  life={coat.life}
                  mixedAtMin={coat.mixedAtMin}
                  x={x}
                  untilMin={untilMin}
                  top={top + 6}
                  height={12}
                />
                {coat.windows.map(({ pass, atMin }) =>
                  Number.isFinite(atMin) && atMin < untilMin ? (
                    <g key={pass.id}>
                      <line
                        x1={x(atMin)}
                        x2={x(atMin)}
                        y1={top + 3}
                        y2={top + 21}
                        stroke="var(--color-ink)"
                        strokeWidth="1.5"
                      />
                      {days.troubles.some(({ passId }) => passId === pass.id) && (
                        <rect x={x(atMin) - 2.5} y={top} width="5" height="5" fill="var(--color-ink)" />
                      )}
                    </g>
                  ) : null,
                )}
              </g>
            );
          })}
          {others.length > 0 && (
            <OtherWork
              taken={others}
              top={HEAD + days.coats.length * ROW}
              x={x}
              fromMin={fromMin}
              untilMin={untilMin}
            />
          )}
          {nowMin !== null && nowMin >= fromMin && nowMin <= untilMin && (
            <line x1={x(nowMin)} x2={x(nowMin)} y1={HEAD - 8} y2={height} stroke="var(--color-signal)" />
          )}
          {onStart && (
            <g
              role="slider"
              tabIndex={0}
              aria-label="Start of the first coat"
              aria-valuenow={startMin}
              aria-valuemin={0}
              aria-valuetext={momentText(startMin, startOn)}
              className="cursor-ew-resize touch-none"
              onKeyDown={keys}
              {...pull<number, SVGGElement>({
                begin: () => startMin,
                move: (from, by) => moveTo(from + axis.minutesIn(by.x)),
              })}
            >
              <rect
                x={x(startMin) - 14}
                y={HEAD - 16}
                width="28"
                height={height - HEAD + 16}
                fill="transparent"
              />
              <line
                x1={x(startMin)}
                x2={x(startMin)}
                y1={HEAD - 6}
                y2={height}
                stroke="var(--color-signal)"
                strokeWidth="2"
              />
              <path d={`M${x(startMin) - 8} ${HEAD - 16}h16v6l-8 8-8-8z`} fill="var(--color-signal)" />
            </g>
          )}
        </svg>
      )}
    </div>
  );
}

/** When the hands are on other work. */
function OtherWork({
  taken,
  top,
  x,
  fromMin,
  untilMin,
}: {
  taken: readonly Taken[];
  top: number;
  x: (atMin: number) => number;
  fromMin: number;
  untilMin: number;
}) {
  const names = [...new Set(taken.map(({ by }) => by))].join(", ");
  return (
    <g role="img" aria-label={`Hands on other work: ${names}`}>
      <title>{names}</title>
      <text x={0} y={top + 17} fontSize="14" fill="var(--color-ink-soft)">
        hands elsewhere
      </text>
      {taken.map(({ fromMin: from, toMin, by }) => (
        <rect
          key={`${from} ${by}`}
          x={x(Math.max(from, fromMin))}
          y={top + 8}
          width={Math.max(1.5, x(Math.min(toMin, untilMin)) - x(Math.max(from, fromMin)))}
          height="10"
          fill="var(--color-ink-soft)"
        />
      ))}
    </g>
  );
}
