"use client";

import { useMemo, useState } from "react";
import { filmMoment, flowLeftIn } from "@/core/cure/film-in-room";
import { STATE_WORDS, stateAt, viscosityWords } from "@/core/cure/film-states";
import type { CoatWindows, Settings, WindowCoat } from "@/core/schedule/windows";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";
import { BEAM, FLOW } from "./axis-geometry";
import { hourText } from "./clock-words";

/** Steps of the looked-at moment by keys, min. */
const LOOK_MIN = 5;

/** Any moment that is pointed at, or walked to by arrow keys: how warm, how thick, how much it still flows, and what it is. */
export function Moment({
  coat,
  of,
  settings,
  x,
  fromMin,
  untilMin,
  height,
}: {
  coat: CoatWindows;
  of: WindowCoat;
  settings: Settings;
  x: (atMin: number) => number;
  fromMin: number;
  untilMin: number;
  height: number;
}) {
  const { system } = useJob();
  const [atMin, setAtMin] = useState<number | null>(null);
  const begin = coat.mixedAtMin;
  const within = (at: number) => Math.min(untilMin, Math.max(begin, at));
  const told = useMemo(() => {
    if (atMin === null) return null;
    const minutes = atMin - begin;
    const film = { card: of.card, calibration: of.calibration, room: settings.room, mixedAtMin: begin };
    const { tempC, viscosityPaS } = filmMoment(film, minutes);
    const [fresh = 1, left = 0] = flowLeftIn(film, [0, minutes]);
    const open = coat.windows
      .filter(({ from, to }) => from.likely <= atMin && (to === null || to.likely > atMin))
      .map(({ words }) => words.toLowerCase());
    return {
      words: [
        quantityText(tempC, "temperature", system),
        STATE_WORDS[stateAt(coat.life, minutes)],
        viscosityWords(viscosityPaS),
        `${decimal((100 * left) / fresh, 0)} % of its flow left`,
      ].join(" · "),
      open: open.length > 0 ? `right for: ${open.slice(0, 3).join(", ")}` : "nothing is right now",
    };
  }, [atMin, begin, coat, of, settings.room, system]);
  const pixel = room(x, fromMin, untilMin);
  const left = atMin === null ? 0 : x(atMin);
  const right = left > (x(fromMin) + x(untilMin)) / 2;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="A moment of the film"
      aria-valuemin={Math.round(begin)}
      aria-valuemax={Math.round(untilMin)}
      aria-valuenow={Math.round(atMin ?? begin)}
      aria-valuetext={
        told && atMin !== null ? `${hourText(atMin)}: ${told.words}; ${told.open}` : "not looked at"
      }
      onPointerMove={(event) => {
        const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
        if (box) setAtMin(within(fromMin + (event.clientX - box.left - x(fromMin)) / pixel));
      }}
      onPointerLeave={() => setAtMin(null)}
      onFocus={(event) => event.currentTarget.matches(":focus-visible") && setAtMin((at) => at ?? begin)}
      onBlur={() => setAtMin(null)}
      onKeyDown={(event) => {
        const by = { ArrowLeft: -LOOK_MIN, ArrowRight: LOOK_MIN, PageUp: -60, PageDown: 60 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        setAtMin((at) => within((at ?? begin) + by));
      }}
    >
      <rect
        x={x(fromMin)}
        y={BEAM.top}
        width={x(untilMin) - x(fromMin)}
        height={FLOW.top + FLOW.height - BEAM.top}
        fill="transparent"
      />
      {told && atMin !== null && (
        <g pointerEvents="none">
          <line
            x1={left}
            x2={left}
            y1={BEAM.top - 2}
            y2={height}
            stroke="var(--color-ink)"
            strokeDasharray="3 3"
          />
          <rect
            x={right ? left - 372 : left + 8}
            y={FLOW.top - 4}
            width="364"
            height="40"
            fill="var(--color-paper)"
            stroke="var(--color-ink)"
          />
          <text
            x={right ? left - 364 : left + 16}
            y={FLOW.top + 12}
            fontSize="13"
            fontWeight="600"
            fill="var(--color-ink)"
          >
            {hourText(atMin)} · {told.words}
          </text>
          <text
            x={right ? left - 364 : left + 16}
            y={FLOW.top + 29}
            fontSize="12"
            fill="var(--color-ink-soft)"
          >
            {told.open.length > 58 ? `${told.open.slice(0, 57)}…` : told.open}
          </text>
        </g>
      )}
    </g>
  );
}

/** Pixels to a minute. */
const room = (x: (atMin: number) => number, fromMin: number, untilMin: number) =>
  (x(untilMin) - x(fromMin)) / (untilMin - fromMin);
