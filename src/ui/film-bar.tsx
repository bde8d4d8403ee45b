import { useId } from "react";
import type { StateStart } from "@/core/cure/film-states";
import { StateTexture, STATE_SHADE } from "./beam";

/** The life of a film on an axis of its own: shade and texture tell the state. */
export function FilmBar({
  life,
  mixedAtMin,
  x,
  untilMin,
  top,
  height,
}: {
  life: readonly StateStart[];
  mixedAtMin: number;
  x: (atMin: number) => number;
  untilMin: number;
  top: number;
  height: number;
}) {
  const id = useId();
  const parts = life
    .map(({ state, fromMin }, index) => ({
      state,
      from: mixedAtMin + fromMin.likely,
      to: Math.min(untilMin, mixedAtMin + (life[index + 1]?.fromMin.likely ?? Infinity)),
    }))
    .filter(({ from, to }) => from < untilMin && to > from);
  return (
    <g>
      <defs>
        {parts.map(({ state }) => (
          <StateTexture key={state} id={`${id}-${state}`} state={state} ink="#1e2124" />
        ))}
      </defs>
      {parts.map(({ state, from, to }) => (
        <g key={state}>
          <rect
            x={x(from)}
            y={top}
            width={Math.max(0.5, x(to) - x(from))}
            height={height}
            fill={STATE_SHADE[state].light}
          />
          <rect
            x={x(from)}
            y={top}
            width={Math.max(0.5, x(to) - x(from))}
            height={height}
            fill={`url(#${id}-${state})`}
          />
        </g>
      ))}
    </g>
  );
}
