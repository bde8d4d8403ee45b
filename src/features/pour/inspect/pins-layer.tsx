"use client";

import type { Place } from "@/core/pour/place";
import type { PictureFrame } from "@/pictures/picture-frame";

/** A mark on a piece: its number, and whether it still stands. */
export type Mark = { id: string; place: Place; words: string; name: string; quiet?: boolean };

/** Marks on the drawing of a piece; the chosen one is filled with the signal colour. */
export function PinsLayer({
  marks,
  frame,
  chosen,
}: {
  marks: readonly Mark[];
  frame: PictureFrame;
  chosen: string | null;
}) {
  return (
    <g>
      {marks.map(({ id, place, words, name, quiet }) => {
        const { x, y } = frame.at({ x: place.xMm, y: place.yMm });
        const isChosen = id === chosen;
        const wide = Math.max(24, 10 + words.length * 8);
        return (
          <g key={id} transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`} opacity={quiet ? 0.5 : 1}>
            <title>{name}</title>
            <path
              d={`M0 0L-5 -9H${-wide / 2}V-33H${wide / 2}V-9H5Z`}
              fill={isChosen ? "var(--color-signal)" : "var(--color-ink)"}
              stroke="var(--color-paper)"
              strokeWidth="1.5"
            />
            <text
              y="-15"
              textAnchor="middle"
              fontSize="15"
              className="figure"
              fill="var(--color-paper)"
              textDecoration={quiet ? "line-through" : undefined}
            >
              {words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
