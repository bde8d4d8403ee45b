"use client";

import { useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Knot } from "@/core/geometry/handles";
import { throughPoints } from "@/core/geometry/through-points";
import { Button } from "@/ui/button";
import type { Frame } from "@/ui/dimension-lines";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";

/** A point is taken hold of within this, px. */
const NEAR_PX = 9;
const STEP_PX = 8;
/** So many points are a closed line. */
const LEAST = 3;

/** The line as it will be: smooth from corner to corner. */
function lineOf(knots: readonly Knot[]): Point[] {
  const at = knots.map((knot) => knot.at);
  const corners = knots.flatMap(({ corner }, index) => (corner ? [index] : []));
  if (corners.length < 2) return throughPoints(at, knots.length >= LEAST);
  return corners.flatMap((from, place) => {
    const to = corners[place + 1] ?? (corners[0] as number) + at.length;
    return throughPoints([...at, ...at].slice(from, to + 1), false);
  });
}

/**
 * Lies over a photo while its outline is traced: each click sets a point and the smooth line follows; a point is pulled, and clicked once more it
 * is a corner. Arrow keys move the cross, Enter sets a point.
 */
export function TraceTouch({
  knots,
  onKnots,
  onClose,
  frame,
  width,
  height,
}: {
  knots: readonly Knot[];
  onKnots: (next: Knot[]) => void;
  onClose: () => void;
  frame: Frame;
  width: number;
  height: number;
}) {
  const pull = usePull();
  const origin = frame.at({ x: 0, y: 0 });
  const [cross, setCross] = useState<Point | null>(null);
  const inMm = ({ x, y }: Point): Point => ({
    x: (x - origin.x) / frame.scale,
    y: (y - origin.y) / frame.scale,
  });
  const onScreen = (event: PointerEvent<SVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const near = (place: Point) =>
    knots.findIndex(({ at }) => {
      const shown = frame.at(at);
      return Math.hypot(shown.x - place.x, shown.y - place.y) <= NEAR_PX;
    });
  const put = (place: Point, corner: boolean) => onKnots([...knots, { at: inMm(place), corner }]);
  const turned = (index: number) =>
    onKnots(knots.map((knot, at) => (at === index ? { ...knot, corner: !knot.corner } : knot)));
  const touched = (place: Point, corner: boolean) => {
    const index = near(place);
    if (index === 0 && knots.length >= LEAST) onClose();
    else if (index >= 0) turned(index);
    else put(place, corner);
  };
  const keys = (event: KeyboardEvent) => {
    const middle = cross ?? { x: width / 2, y: height / 2 };
    const way = arrowWay(event);
    if (way) {
      const step = STEP_PX * (event.shiftKey ? 5 : 1);
      setCross({
        x: Math.max(0, Math.min(width, middle.x + way.x * step)),
        y: Math.max(0, Math.min(height, middle.y + way.y * step)),
      });
    } else if (event.key === "Enter" || event.key === " ") {
      setCross(middle);
      touched(middle, event.altKey);
    } else if (event.key === "Backspace") onKnots(knots.slice(0, -1));
    else return;
    event.preventDefault();
  };
  const line = lineOf(knots).map(frame.at);
  return (
    <g
      role="application"
      aria-label="Trace: arrow keys move the cross, Enter sets a point, Backspace takes it back"
      tabIndex={0}
      onKeyDown={keys}
      className="outline-none"
    >
      <rect
        width={width}
        height={height}
        fill="transparent"
        className="cursor-crosshair"
        {...pull<{ index: number; from: Point; place: Point; corner: boolean }, SVGRectElement>({
          fromPx: 4,
          begin: (event) => {
            const place = onScreen(event);
            const index = near(place);
            setCross(null);
            return { index, from: knots[index]?.at ?? place, place, corner: event.altKey };
          },
          move: ({ index, from }, by) => {
            if (index < 0) return;
            const at = { x: from.x + by.x / frame.scale, y: from.y + by.y / frame.scale };
            onKnots(knots.map((knot, place) => (place === index ? { ...knot, at } : knot)));
          },
          end: ({ index, place, corner }, { moved, calledOff }) => {
            if (!calledOff && (!moved || index < 0)) touched(place, corner);
          },
        })}
      />
      <g pointerEvents="none" stroke="var(--color-signal)" fill="none">
        {line.length > 1 && (
          <path
            strokeWidth="2"
            d={`M${line.map(({ x, y }) => `${x} ${y}`).join("L")}${knots.length >= LEAST ? "Z" : ""}`}
          />
        )}
        {knots.map(({ at, corner }, index) => {
          const { x, y } = frame.at(at);
          return corner ? (
            <rect
              key={index}
              x={x - 5}
              y={y - 5}
              width={10}
              height={10}
              fill="var(--color-paper)"
              strokeWidth="1.6"
            />
          ) : (
            <circle key={index} cx={x} cy={y} r={4.5} fill="var(--color-paper)" strokeWidth="1.6" />
          );
        })}
        {cross && (
          <path strokeWidth="1.6" d={`M${cross.x - 12} ${cross.y}h24M${cross.x} ${cross.y - 12}v24`} />
        )}
      </g>
    </g>
  );
}

/** What is said and can be done while an outline is traced. */
export function TraceControls({
  knots,
  onKnots,
  onClose,
  onLeave,
}: {
  knots: readonly Knot[];
  onKnots: (next: Knot[]) => void;
  onClose: () => void;
  onLeave: () => void;
}) {
  return (
    <span className="flex items-baseline gap-4">
      <span className="text-ink-soft">
        {knots.length < LEAST
          ? "Click along the edge of the piece."
          : "Pull a point to move it, click it to make it a corner."}
      </span>
      {knots.length > 0 && (
        <Button weight="quiet" onClick={() => onKnots(knots.slice(0, -1))}>
          take the last back
        </Button>
      )}
      {knots.length >= LEAST && (
        <Button weight="quiet" onClick={onClose}>
          close the outline
        </Button>
      )}
      <Button weight="quiet" onClick={onLeave}>
        leave it
      </Button>
    </span>
  );
}
