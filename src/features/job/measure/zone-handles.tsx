"use client";

import type { KeyboardEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { Divider, Division } from "@/core/geometry/zones/division";
import { pointsOf } from "@/core/geometry/zones/edit-division";
import {
  handlePlace,
  withoutPoint,
  withPointAfter,
  type ZoneHandle,
} from "@/core/geometry/zones/pull-divider";
import { drawnRegions, surfaceOf } from "@/core/geometry/zones/regions";
import { zoneMapOf, type ZoneMap } from "@/core/geometry/zones/zone-map";
import type { Frame } from "@/ui/dimension-lines";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";
import { ringsPath } from "@/ui/line-path";

/** A pointer that moves less than this picks rather than pulls. */
const PULL_FROM_PX = 3;
/** Stones of larger patterns are not moved one by one. */
const MOST_STONES = 400;

/**
 * What can be taken hold of of a divider: a shape as a whole and by its size, points of a line one by one, stones. A click on another zone picks
 * that one. Arrow keys nudge what has the focus (Shift: ten times as far), Enter on a point puts another behind it, Delete takes it out.
 */
export function ZoneHandles({
  piece,
  division,
  dividerId,
  frame,
  onPick,
  onPullStart,
  onPull,
  onPullEnd,
  onNudge,
  onEdit,
}: {
  piece: Piece;
  division: Division;
  dividerId: string;
  frame: Frame;
  onPick: (dividerId: string | null) => void;
  onPullStart: () => void;
  onPull: (handle: ZoneHandle, by: Point, free: boolean) => void;
  onPullEnd: () => void;
  onNudge: (handle: ZoneHandle, direction: Point, far: boolean) => void;
  onEdit: (next: (was: Divider) => Divider) => void;
}) {
  const pull = usePull();
  const divider = division.dividers.find(({ id }) => id === dividerId);
  const map = zoneMapOf(piece);
  if (!divider || !map) return null;
  const { drawn } = divider;
  const name = divider.zones[0]?.name ?? "Zone";
  const pointer = (handle: ZoneHandle) =>
    pull<{ handle: ZoneHandle; from: Point | null }, SVGElement>({
      fromPx: PULL_FROM_PX,
      begin: () => ({ handle, from: handlePlace(drawn, handle) }),
      start: onPullStart,
      move: ({ handle: held, from }, by, { altKey }) => onPull(held, wayOnPiece(frame, from, by), altKey),
      end: (_, { moved }) => {
        if (moved) onPullEnd();
      },
    });
  const keys = (handle: ZoneHandle) => (event: KeyboardEvent) => {
    const direction = arrowWay(event);
    if (direction) onNudge(handle, direction, event.shiftKey);
    else if (handle.kind === "point" && event.key === "Enter")
      onEdit((was) => withPointAfter(was, handle.index));
    else if (handle.kind === "point" && (event.key === "Delete" || event.key === "Backspace"))
      onEdit((was) => withoutPoint(was, handle.index));
    else return;
    event.preventDefault();
  };
  const grip = (handle: ZoneHandle, label: string, key: string, round = false) => {
    const place = handlePlace(drawn, handle);
    if (!place) return null;
    const { x, y } = frame.at(place);
    const shared = {
      role: "button",
      tabIndex: 0,
      "aria-label": label,
      fill: "var(--color-paper)",
      stroke: "var(--color-signal)",
      strokeWidth: 1.6,
      className: "cursor-move focus-visible:fill-signal outline-none",
      onKeyDown: keys(handle),
      ...pointer(handle),
    };
    return round ? (
      <circle key={key} cx={x} cy={y} r={handle.kind === "stone" ? 4 : 6} {...shared} />
    ) : (
      <rect key={key} x={x - 5.5} y={y - 5.5} width={11} height={11} {...shared} />
    );
  };
  const surface = surfaceOf(piece);
  const { box } = surface;
  const stones =
    drawn.kind === "pebbles"
      ? drawnRegions(divider, surface, division)
          .stones.filter(
            ({ middle: { x, y } }) => x > box.minX && x < box.maxX && y > box.minY && y < box.maxY,
          )
          .slice(0, MOST_STONES)
      : [];
  return (
    <g>
      {map.zones.map(({ zone, divider: own, rings }) => {
        const whole = own?.id === dividerId;
        const movable = whole && drawn.kind === "shape";
        return (
          <path
            key={zone.id}
            d={ringsPath(rings, frame)}
            fillRule="evenodd"
            fill="transparent"
            stroke={whole ? "var(--color-signal)" : "none"}
            strokeWidth="2.4"
            {...(movable
              ? {
                  role: "button",
                  tabIndex: 0,
                  "aria-label": `${zone.name}: pull it`,
                  className: "cursor-move outline-none focus-visible:fill-signal/20",
                  onKeyDown: keys({ kind: "all" }),
                  ...pointer({ kind: "all" }),
                }
              : whole
                ? { pointerEvents: "none" as const }
                : { className: "cursor-pointer", onClick: () => onPick(own?.id ?? null) })}
          />
        );
      })}
      {(pointsOf(drawn) ?? []).map((_, index) =>
        grip({ kind: "point", index }, `Point ${index + 1} of ${name}`, `point-${index}`, true),
      )}
      {grip({ kind: "size" }, `Size of ${name}`, "size")}
      {stones.map(({ number, middle }) =>
        grip({ kind: "stone", stone: number, at: middle }, `Stone ${number}`, `stone-${number}`, true),
      )}
    </g>
  );
}

/** How far a pointer has come on the piece, mm: from where the handle lay when it was taken, where the surface is bent. */
function wayOnPiece({ scale, at, bent }: Frame, from: Point | null, { x, y }: Point): Point {
  if (!bent || !from) return { x: x / scale, y: y / scale };
  const began = at(from);
  const to = bent.from({ x: began.x + x, y: began.y + y });
  return { x: to.x - from.x, y: to.y - from.y };
}

/** Zones that are picked by a click; readers and keys have them in the list. */
export function ZonePicks({
  map,
  frame,
  onPick,
}: {
  map: ZoneMap;
  frame: Frame;
  onPick: (dividerId: string | null) => void;
}) {
  return (
    <g>
      {map.zones.map(
        ({ zone, divider, rings }) =>
          divider && (
            <path
              key={zone.id}
              d={ringsPath(rings, frame)}
              fillRule="evenodd"
              fill="transparent"
              className="cursor-pointer"
              onClick={() => onPick(divider.id)}
            />
          ),
      )}
    </g>
  );
}
