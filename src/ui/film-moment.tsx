"use client";

import { cutText } from "@/core/units/cut-text";
import { useMemo, useState } from "react";
import { filmMoment, flowLeftIn, flowShareIn, type FilmInRoom } from "@/core/cure/film-in-room";
import {
  STATE_ALLOWS,
  STATE_WORDS,
  stateAt,
  viscosityWords,
  type FilmState,
  type StateStart,
} from "@/core/cure/film-states";
import { longestLevelledMm } from "@/core/film/flow";
import type { PassWindow } from "@/core/schedule/coat-windows";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { useClockWords } from "./shop-clock";

/** Steps of the looked-at moment by keys, min. */
const LOOK_MIN = 5;
const WIDE = 424;

/** Names of passes in a row, short enough for one line. */
function row(words: string, passes: readonly PassWindow[]): string {
  if (passes.length === 0) return "";
  const names = passes.slice(0, 3).map((pass) => pass.words.toLowerCase());
  return `${words}: ${names.join(", ")}${passes.length > 3 ? ` and ${passes.length - 3} more` : ""}`;
}

/** What may be done to a film at a minute, and what must not. */
function mayWords(windows: readonly PassWindow[], atMin: number): { may: string; mustNot: string } {
  const open = windows.filter(({ from, to }) => from.likely <= atMin && (to === null || to.likely > atMin));
  const early = windows.filter(({ from }) => from.likely > atMin);
  const over = windows.filter(({ to }) => to !== null && to.likely <= atMin);
  return {
    may: row("right now", open) || "nothing is right now",
    mustNot: [row("not yet", early), row("too late", over)].filter(Boolean).join(" · "),
  };
}

/** The same where no pass is planned. */
function stateAllows(state: FilmState): { may: string; mustNot: string } {
  const { may, mustNot } = STATE_ALLOWS[state];
  return { may: `you may: ${may}`, mustNot: mustNot && `not: ${mustNot}` };
}

/** Marks narrower than this are told; wider ones are no marks of a tool. */
const WIDEST_MARK_MM = 400;

/** Which marks of a tool, left now, are still gone by gel: down to a tenth of their height (Orchard 1962). */
function levelWords(film: FilmInRoom, filmMm: number, minutes: number, system: UnitSystem): string | null {
  const [flow = 0] = flowLeftIn(film, [minutes]);
  if (flow <= 0) return "marks stay";
  const widest = longestLevelledMm(filmMm, flow);
  if (widest > WIDEST_MARK_MM) return null;
  return widest < 1 ? "marks stay" : `marks up to ${quantityText(widest, "length", system)} wide level out`;
}

/** Any moment that is pointed at, or walked to by arrow keys: how warm, how thick, how much it still flows, what may be done and what must not. */
export function FilmMoment({
  film,
  life,
  windows,
  name,
  filmMm,
  system,
  x,
  fromMin,
  untilMin,
  area,
  line,
  box,
  timeText,
}: {
  film: FilmInRoom;
  life: readonly StateStart[];
  windows: readonly PassWindow[];
  name: string;
  /** Thickness of the film, mm, where it is known: then it is told which marks still level out. */
  filmMm?: number;
  system: UnitSystem;
  x: (atMin: number) => number;
  fromMin: number;
  untilMin: number;
  /** Where it is pointed at. */
  area: { top: number; height: number };
  /** How far down the moment's line goes. */
  line: { top: number; bottom: number };
  /** Top of the words. */
  box: number;
  /** A minute in words; its hour where it is not told. */
  timeText?: (atMin: number) => string;
}) {
  const { hourText } = useClockWords();
  const inWords = timeText ?? hourText;
  const [atMin, setAtMin] = useState<number | null>(null);
  const begin = film.mixedAtMin;
  const within = (at: number) => Math.min(untilMin, Math.max(begin, at));
  const told = useMemo(() => {
    if (atMin === null) return null;
    const minutes = atMin - begin;
    const { tempC, viscosityPaS } = filmMoment(film, minutes);
    const { low, likely, high } = flowShareIn(film, minutes);
    const percent = (share: number) => decimal(100 * share, 0);
    const { may, mustNot } =
      windows.length > 0 ? mayWords(windows, atMin) : stateAllows(stateAt(life, minutes));
    const level = filmMm === undefined ? null : levelWords(film, filmMm, minutes, system);
    return {
      words: [
        quantityText(tempC, "temperature", system),
        STATE_WORDS[stateAt(life, minutes)],
        viscosityWords(viscosityPaS),
        `flow left ${percent(likely)} %${high - low > 0.005 ? ` (${percent(low)} to ${percent(high)})` : ""}`,
      ].join(" · "),
      may,
      mustNot: [mustNot, level].filter(Boolean).join(" · "),
    };
  }, [atMin, begin, film, life, windows, filmMm, system]);
  const perMin = (x(untilMin) - x(fromMin)) / (untilMin - fromMin);
  const left = atMin === null ? 0 : x(atMin);
  const right = left > (x(fromMin) + x(untilMin)) / 2;
  const boxLeft = right ? left - WIDE - 8 : left + 8;
  const cut = (text: string) => (text.length > 66 ? `${cutText(text, 65)}…` : text);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`A moment of the film: ${name}`}
      aria-valuemin={Math.round(begin)}
      aria-valuemax={Math.round(untilMin)}
      aria-valuenow={Math.round(atMin ?? begin)}
      aria-valuetext={
        told && atMin !== null
          ? `${inWords(atMin)}: ${[told.words, told.may, told.mustNot].filter(Boolean).join("; ")}`
          : "not looked at"
      }
      onPointerMove={(event) => {
        const frame = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
        if (frame) setAtMin(within(fromMin + (event.clientX - frame.left - x(fromMin)) / perMin));
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
        y={area.top}
        width={x(untilMin) - x(fromMin)}
        height={area.height}
        fill="transparent"
      />
      {told && atMin !== null && (
        <g pointerEvents="none">
          <line
            x1={left}
            x2={left}
            y1={line.top}
            y2={line.bottom}
            stroke="var(--color-ink)"
            strokeDasharray="3 3"
          />
          <rect
            x={boxLeft}
            y={box}
            width={WIDE}
            height={told.mustNot ? 57 : 40}
            fill="var(--color-paper)"
            stroke="var(--color-ink)"
          />
          <text x={boxLeft + 8} y={box + 16} fontSize="13" fontWeight="600" fill="var(--color-ink)">
            {inWords(atMin)} · {told.words}
          </text>
          <text x={boxLeft + 8} y={box + 33} fontSize="12" fill="var(--color-ink)">
            {cut(told.may)}
          </text>
          {told.mustNot && (
            <text x={boxLeft + 8} y={box + 50} fontSize="12" fill="var(--color-ink-soft)">
              {cut(told.mustNot)}
            </text>
          )}
        </g>
      )}
    </g>
  );
}
