"use client";

import { useId } from "react";
import type { FilmInRoom } from "@/core/cure/film-in-room";
import type { UnitSystem } from "@/core/units/dimension";
import { FilmMoment } from "./film-moment";
import { SHORT_WORDS, STATE_WORDS, type FilmState, type StateStart } from "@/core/cure/film-states";

type Props = {
  life: readonly StateStart[];
  /** Minutes after mixing; null when nothing is marked. */
  nowMin: number | null;
  /** Right end of the beam, minutes after mixing. */
  untilMin: number;
  width: number;
  height: number;
  dark?: boolean;
  labels?: boolean;
  /** Set where any moment of it can be asked. */
  moment?: { film: FilmInRoom; name: string; system: UnitSystem };
};

/** "2 h 10". */
const sinceText = (minutes: number) => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")}`;
};

/** Room for one letter of a state's name. */
const LETTER_PX = 6.6;

export const STATE_SHADE: Record<FilmState, { light: string; dark: string }> = {
  runny: { light: "#f3f0e9", dark: "#2c3033" },
  flowing: { light: "#d8d4c9", dark: "#454a4d" },
  heavy: { light: "#b0aca0", dark: "#63676a" },
  gummy: { light: "#7f7c74", dark: "#8b8d8b" },
  set: { light: "#2b2f33", dark: "#dcd8cc" },
  recoat: { light: "#2b2f33", dark: "#dcd8cc" },
  sandable: { light: "#1e2124", dark: "#ebe7dc" },
  hard: { light: "#15171a", dark: "#f3f0e9" },
};

/** The texture of a state: waves, level lines, hatching, cross-hatching, solid. */
export function StateTexture({ id, state, ink }: { id: string; state: FilmState; ink: string }) {
  const line = { stroke: ink, strokeWidth: 1, fill: "none" };
  switch (state) {
    case "runny":
      return (
        <pattern id={id} width="16" height="9" patternUnits="userSpaceOnUse">
          <path d="M0 5Q4 1 8 5T16 5" {...line} opacity="0.55" />
        </pattern>
      );
    case "flowing":
      return (
        <pattern id={id} width="8" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 3.5H8" {...line} opacity="0.55" />
        </pattern>
      );
    case "heavy":
      return (
        <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" {...line} opacity="0.6" />
        </pattern>
      );
    case "gummy":
      return (
        <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7M0 0H7" {...line} opacity="0.7" />
        </pattern>
      );
    default:
      return <pattern id={id} width="4" height="4" patternUnits="userSpaceOnUse" />;
  }
}

/**
 * The beam: the life of a film from left to right. State is told by shade, by texture and by name;
 * the short line under each border is the spread of when it comes.
 */
export function Beam({ life, nowMin, untilMin, width, height, dark = false, labels = true, moment }: Props) {
  const id = useId();
  const x = (minutes: number) => Math.max(0, Math.min(width, (minutes / untilMin) * width));
  const top = labels ? 20 : 8;
  const ink = dark ? "#f3f0e9" : "#1e2124";
  const parts = life
    .map((start, index) => ({ ...start, toMin: life[index + 1]?.fromMin.likely ?? Infinity }))
    .filter((part) => part.toMin > part.fromMin.likely && part.fromMin.likely < untilMin);
  const now = nowMin === null ? null : x(nowMin);
  const state = nowMin === null ? null : parts.findLast((part) => part.fromMin.likely <= nowMin)?.state;
  return (
    <svg
      width={width}
      height={top + height + 8}
      viewBox={`0 0 ${width} ${top + height + 8}`}
      role={moment ? "group" : "img"}
      aria-label={moment?.name ?? (state ? `The film is ${STATE_WORDS[state]} now` : "The life of the film")}
      className="block overflow-visible"
    >
      <defs>
        {parts.map((part) => (
          <StateTexture key={part.state} id={`${id}-${part.state}`} state={part.state} ink={ink} />
        ))}
      </defs>
      {parts.map((part, index) => {
        const left = x(part.fromMin.likely);
        const right = x(part.toMin);
        const room = right - left;
        // A film that may be recoated as soon as it has set has no stretch of its own for "set".
        const merged = part.state === "recoat" && !parts.some((other) => other.state === "set");
        const words = [
          `${merged ? "set · " : ""}${STATE_WORDS[part.state]}`,
          `${merged ? "set · " : ""}${SHORT_WORDS[part.state]}`,
          SHORT_WORDS[part.state],
        ];
        const word = words.find((tried) => tried.length * LETTER_PX < room);
        return (
          <g key={part.state}>
            <rect
              x={left}
              y={top}
              width={Math.max(0, room - 1)}
              height={height}
              fill={STATE_SHADE[part.state][dark ? "dark" : "light"]}
            />
            <rect
              x={left}
              y={top}
              width={Math.max(0, room - 1)}
              height={height}
              fill={`url(#${id}-${part.state})`}
            />
            {labels && word && (
              <text x={left + 2} y={top - 6} fontSize="12" fontWeight="600" fill={ink}>
                {word}
              </text>
            )}
            {index > 0 && (
              <line
                x1={x(part.fromMin.low)}
                x2={x(part.fromMin.high)}
                y1={top + height + 3}
                y2={top + height + 3}
                stroke={ink}
                strokeWidth="1"
                opacity="0.6"
              />
            )}
          </g>
        );
      })}
      {moment && (
        <FilmMoment
          {...moment}
          life={life}
          windows={[]}
          x={(atMin) => x(atMin - moment.film.mixedAtMin)}
          fromMin={moment.film.mixedAtMin}
          untilMin={moment.film.mixedAtMin + untilMin}
          area={{ top, height }}
          line={{ top, bottom: top + height }}
          box={top + height + 6}
          timeText={(atMin) => `after ${sinceText(atMin - moment.film.mixedAtMin)}`}
        />
      )}
      {now !== null && (
        <g>
          <line
            x1={now}
            x2={now}
            y1={top - 4}
            y2={top + height + 8}
            stroke={dark ? "var(--color-signal-night)" : "var(--color-signal)"}
            strokeWidth="2"
          />
          <path
            d={`M${now - 6} ${top - 6}h12l-6 7z`}
            fill={dark ? "var(--color-signal-night)" : "var(--color-signal)"}
          />
        </g>
      )}
    </svg>
  );
}
