"use client";

import type { KeyboardEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import { freeOutlineOf } from "@/core/geometry/free-outline";
import type { Handle } from "@/core/geometry/handles";
import type { Outline } from "@/core/geometry/outline";
import { edgeOf, edgeWords, TREATMENT_WORDS, type EdgeName, type Piece } from "@/core/geometry/piece";
import type { Frame } from "@/ui/dimension-lines";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";
import { besides } from "@/core/geometry/besides";

/** Half the breadth within which an edge is picked, px. */
const PICK_PX = 10;
/** A pointer that moves less than this picks an edge rather than pulling it. */
const PULL_FROM_PX = 3;
/** Corners of larger outlines are moved by their edges. */
const MOST_CORNERS = 80;

/** A strip along a line: unlike a line it has an area, so that it can be pointed at and found by readers. */
function strip(path: readonly Point[], half: number): string {
  const ring = [...besides(path, half), ...[...besides(path, -half)].reverse()];
  return `M${ring.map(({ x, y }) => `${x} ${y}`).join("L")}Z`;
}

type Pull = { handle: Handle; by: Point; free: boolean };

/**
 * What can be taken hold of on a drawing: edges, and the corners of a free outline.
 * A click picks an edge, a pull moves it; arrow keys nudge what has the focus (Shift: ten times as far).
 */
export function PieceHandles({
  piece,
  outline,
  frame,
  selected,
  onSelect,
  onPullStart,
  onPull,
  onPullEnd,
  onNudge,
  onRemoveCorner,
}: {
  piece: Piece;
  outline: Outline;
  frame: Frame;
  selected: EdgeName | null;
  onSelect: (edge: EdgeName) => void;
  onPullStart: () => void;
  onPull: (pull: Pull) => void;
  onPullEnd: () => void;
  onNudge: (handle: Handle, direction: Point, far: boolean) => void;
  onRemoveCorner: (index: number) => void;
}) {
  const pull = usePull();
  const pointer = (handle: Handle) =>
    pull<Handle, SVGElement>({
      fromPx: PULL_FROM_PX,
      begin: () => handle,
      start: onPullStart,
      move: (_, { x, y }, { altKey }) =>
        onPull({ handle, by: { x: x / frame.scale, y: y / frame.scale }, free: altKey }),
      end: (_, { moved, calledOff }) => {
        if (moved) onPullEnd();
        else if (handle.kind === "side" && !calledOff) onSelect(handle.name);
      },
    });
  const keys = (handle: Handle) => (event: KeyboardEvent) => {
    const found = arrowWay(event);
    if (found) {
      event.preventDefault();
      onNudge(handle, found, event.shiftKey);
    } else if (handle.kind === "side" && (event.key === "Enter" || event.key === " ")) {
      event.preventDefault();
      onSelect(handle.name);
    } else if (handle.kind === "corner" && (event.key === "Delete" || event.key === "Backspace")) {
      event.preventDefault();
      onRemoveCorner(handle.index);
    }
  };
  const drawn = freeOutlineOf(piece);
  const corners = drawn && drawn.points.length <= MOST_CORNERS ? drawn.points : [];

  return (
    <g>
      {outline.sides.map(({ name, path }) => {
        const on = selected === name;
        const line = path.map(frame.at);
        return (
          <path
            key={name}
            role="button"
            tabIndex={0}
            aria-label={`${edgeWords(name)}: ${TREATMENT_WORDS[edgeOf(piece, name).treatment]}`}
            aria-pressed={on}
            d={strip(line, PICK_PX)}
            fill="transparent"
            className="cursor-move outline-none focus-visible:fill-signal/20"
            onKeyDown={keys({ kind: "side", name })}
            {...pointer({ kind: "side", name })}
          />
        );
      })}
      {outline.sides.map(
        ({ name, path }) =>
          selected === name && (
            <polyline
              key={name}
              points={path.map((point) => `${frame.at(point).x},${frame.at(point).y}`).join(" ")}
              fill="none"
              stroke="var(--color-signal)"
              strokeWidth="4"
              pointerEvents="none"
            />
          ),
      )}
      {corners.map(([x, y], index) => {
        const at = frame.at({ x: x - outline.origin.x, y: y - outline.origin.y });
        return (
          <rect
            key={index}
            role="button"
            tabIndex={0}
            aria-label={`Corner ${index + 1}`}
            x={at.x - 5}
            y={at.y - 5}
            width={10}
            height={10}
            fill="var(--color-paper)"
            stroke="var(--color-ink)"
            strokeWidth="1.2"
            className="cursor-move focus-visible:fill-signal"
            onKeyDown={keys({ kind: "corner", index })}
            {...pointer({ kind: "corner", index })}
          />
        );
      })}
    </g>
  );
}
