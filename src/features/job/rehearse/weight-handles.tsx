"use client";

import type { KeyboardEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import { storedMm } from "@/core/geometry/stored";
import { WEIGHT_WORDS, type ColourWeight } from "@/core/geometry/weights";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";
import { pictureFrame } from "@/pictures/picture-frame";

/** An arrow key moves a place so far, mm; with Shift ten times as far. */
const KEY_MM = 10;
const LEAST_REACH_MM = 5;
const radians = (deg: number) => (deg * Math.PI) / 180;

/** Where a place is pulled larger: at its right, or where a fade ends. */
const reachPlace = ({ kind, xMm, yMm, reachMm, angleDeg = 0 }: ColourWeight): Point => {
  const angle = kind === "fade" ? radians(angleDeg) : 0;
  return { x: xMm + reachMm * Math.cos(angle), y: yMm + reachMm * Math.sin(angle) };
};

/** A place as it is when its reach is pulled to somewhere. */
function reaching(weight: ColourWeight, to: Point): ColourWeight {
  const [dx, dy] = [to.x - weight.xMm, to.y - weight.yMm];
  const reachMm = Math.max(LEAST_REACH_MM, Math.round(Math.hypot(dx, dy)));
  if (weight.kind !== "fade") return { ...weight, reachMm };
  return { ...weight, reachMm, angleDeg: Math.round((Math.atan2(dy, dx) * 180) / Math.PI) };
}

/** The line around a soft place, or of a fade the line from where it begins to where it ends. */
function linePath(weight: ColourWeight, at: (place: Point) => Point): string {
  const { xMm, yMm, reachMm, kind } = weight;
  const points =
    kind === "fade"
      ? [{ x: xMm, y: yMm }, reachPlace(weight)]
      : Array.from({ length: 61 }, (_, n) => ({
          x: xMm + reachMm * Math.cos((n * Math.PI) / 30),
          y: yMm + reachMm * Math.sin((n * Math.PI) / 30),
        }));
  return `M${points
    .map((point) => {
      const { x, y } = at(point);
      return `${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join("L")}`;
}

/**
 * The soft places of a colour on the picture: pulled by their middle and by how far they reach, nudged by arrow keys, taken away by Delete.
 */
export function WeightHandles({
  piece,
  weights,
  width,
  height,
  onHold,
  onChange,
  onRemove,
}: {
  piece: Measured;
  weights: readonly ColourWeight[];
  width: number;
  height: number;
  onHold: (pulling: boolean) => void;
  onChange: (weight: ColourWeight) => void;
  onRemove: (id: string) => void;
}) {
  const frame = pictureFrame(piece, width);
  const pull = usePull();
  const pulled = (from: Point, to: (place: Point) => ColourWeight) =>
    pull<Point, SVGElement>({
      begin: () => frame.at(from),
      start: () => onHold(true),
      move: (began, { x, y }) => {
        const place = frame.from({ x: began.x + x, y: began.y + y });
        onChange(to({ x: storedMm(place.x), y: storedMm(place.y) }));
      },
      end: () => onHold(false),
      fromPx: 2,
    });
  const keys =
    (weight: ColourWeight, nudged: (by: Point) => ColourWeight) => (event: KeyboardEvent<SVGElement>) => {
      const direction = arrowWay(event);
      const step = KEY_MM * (event.shiftKey ? 10 : 1);
      if (direction) onChange(nudged({ x: direction.x * step, y: direction.y * step }));
      else if (event.key === "Delete" || event.key === "Backspace") onRemove(weight.id);
      else return;
      event.preventDefault();
    };
  const shared = {
    role: "button",
    tabIndex: 0,
    fill: "var(--color-paper)",
    stroke: "var(--color-ink)",
    strokeWidth: 1.6,
    className: "cursor-move outline-none focus-visible:fill-signal",
  };
  return (
    <svg
      width={width}
      height={height}
      className="absolute inset-0 touch-none overflow-visible"
      role="group"
      aria-label="Where colours go"
    >
      {weights.map((weight, n) => {
        const middle = { x: weight.xMm, y: weight.yMm };
        const [at, end] = [frame.at(middle), frame.at(reachPlace(weight))];
        const words = WEIGHT_WORDS[weight.kind];
        const moved = (to: Point) => ({ ...weight, xMm: to.x, yMm: to.y });
        const line = linePath(weight, frame.at);
        return (
          <g key={weight.id}>
            <path d={line} fill="none" stroke="var(--color-paper)" strokeWidth="4.5" pointerEvents="none" />
            <path
              d={line}
              fill="none"
              stroke="var(--color-ink)"
              strokeWidth="1.8"
              strokeDasharray={weight.kind === "none" ? "3 4" : undefined}
              pointerEvents="none"
            />
            <rect
              {...shared}
              x={end.x - 5.5}
              y={end.y - 5.5}
              width={11}
              height={11}
              aria-label={`${n + 1}: how far it reaches`}
              onKeyDown={keys(weight, (by) => {
                const place = reachPlace(weight);
                return reaching(weight, { x: place.x + by.x, y: place.y + by.y });
              })}
              {...pulled(reachPlace(weight), (to) => reaching(weight, to))}
            />
            <circle
              {...shared}
              cx={at.x}
              cy={at.y}
              r={12}
              aria-label={`${n + 1}: ${words}, pull it`}
              onKeyDown={keys(weight, (by) => moved({ x: weight.xMm + by.x, y: weight.yMm + by.y }))}
              {...pulled(middle, moved)}
            />
            <path
              d={`M${at.x - 5} ${at.y}h10${weight.kind === "more" ? `M${at.x} ${at.y - 5}v10` : ""}`}
              stroke="var(--color-ink)"
              strokeWidth="2"
              pointerEvents="none"
            />
          </g>
        );
      })}
    </svg>
  );
}
