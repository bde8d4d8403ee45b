"use client";

import type { KeyboardEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { Divider, Division, Drawn } from "@/core/geometry/zones/division";
import { pointsOf } from "@/core/geometry/zones/edit-division";
import {
  handlePlace,
  withoutPoint,
  withPointAfter,
  type ZoneHandle,
} from "@/core/geometry/zones/pull-divider";
import { drawnRegions, lineOf, surfaceOf } from "@/core/geometry/zones/regions";
import { zoneMapOf } from "@/core/geometry/zones/zone-map";
import type { Frame } from "@/ui/dimension-lines";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";
import { useJobState } from "../workspace/use-job";
import { linePath, ringsPath } from "@/ui/line-path";

/** A pointer that moves less than this picks rather than pulls. */
const PULL_FROM_PX = 3;
/** Stones of larger patterns are not moved one by one. */
const MOST_STONES = 400;

type Pulls = {
  onPullStart: () => void;
  onPull: (handle: ZoneHandle, by: Point, free: boolean) => void;
  onPullEnd: () => void;
  onNudge: (handle: ZoneHandle, direction: Point, far: boolean) => void;
  onEdit: (next: (was: Divider) => Divider) => void;
};

/**
 * What a hand and keys do with what can be taken hold of of a divider: arrow keys nudge it (Shift: ten times as far), Enter on a point puts
 * another behind it, Delete takes it out.
 */
function useGrip(
  drawn: Drawn | null,
  frame: Frame,
  { onPullStart, onPull, onPullEnd, onNudge, onEdit }: Pulls,
) {
  const pull = usePull();
  return (handle: ZoneHandle) => ({
    role: "button",
    tabIndex: 0,
    ...pull<{ handle: ZoneHandle; from: Point | null }, SVGElement>({
      fromPx: PULL_FROM_PX,
      begin: () => ({ handle, from: drawn && handlePlace(drawn, handle) }),
      start: onPullStart,
      move: ({ handle: held, from }, by, { altKey }) => onPull(held, wayOnPiece(frame, from, by), altKey),
      end: (_, { moved }) => {
        if (moved) onPullEnd();
      },
    }),
    onKeyDown: (event: KeyboardEvent) => {
      const direction = arrowWay(event);
      if (direction) onNudge(handle, direction, event.shiftKey);
      else if (handle.kind === "point" && event.key === "Enter")
        onEdit((was) => withPointAfter(was, handle.index));
      else if (handle.kind === "point" && (event.key === "Delete" || event.key === "Backspace"))
        onEdit((was) => withoutPoint(was, handle.index));
      else return;
      event.preventDefault();
    },
  });
}

/** Zones as they are laid out: a click on one picks it, that of a closed shape is pulled as a whole. */
export function ZoneTargets({
  piece,
  divider,
  pulled,
  frame,
  onPick,
  ...pulls
}: Pulls & {
  piece: Piece;
  /** The one that is picked. */
  divider: Divider | null;
  pulled: boolean;
  frame: Frame;
  onPick: (dividerId: string | null) => void;
}) {
  const grip = useGrip(divider?.drawn ?? null, frame, pulls);
  const map = zoneMapOf(piece);
  return (
    <g>
      {map?.zones.map(({ zone, divider: own, rings }) => {
        const whole = divider !== null && own?.id === divider.id;
        // What is left is picked only to leave another.
        if (!own && !divider) return null;
        return (
          <path
            key={zone.id}
            d={ringsPath(rings, frame)}
            fillRule="evenodd"
            fill="none"
            pointerEvents={whole && divider.drawn.kind !== "shape" ? "none" : "all"}
            // While it is pulled its line is drawn where the hand is.
            stroke={whole && !pulled ? "var(--color-signal)" : "none"}
            strokeWidth="2.4"
            {...(whole
              ? divider.drawn.kind === "shape" && {
                  "aria-label": `${zone.name}: pull it`,
                  className: "cursor-move outline-none focus-visible:fill-signal/20",
                  ...grip({ kind: "all" }),
                }
              : { className: "cursor-pointer", onClick: () => onPick(own?.id ?? null) })}
          />
        );
      })}
    </g>
  );
}

/**
 * What can be taken hold of of a divider, on a drawing of its own over that of the piece, where it is now: points of a line one by one, the
 * size of a shape, stones. The drawing below follows when its zones are laid out.
 */
export function ZoneGrips({
  pieceId,
  dividerId,
  pulled,
  frame,
  width,
  height,
  ...pulls
}: Pulls & {
  pieceId: string;
  dividerId: string;
  pulled: boolean;
  frame: Frame;
  width: number;
  height: number;
}) {
  const piece = useJobState(({ document }) => document.pieces.find(({ id }) => id === pieceId));
  const divider = piece?.division?.dividers.find(({ id }) => id === dividerId);
  const gripOf = useGrip(divider?.drawn ?? null, frame, pulls);
  if (!piece?.division || !divider) return null;
  const { drawn } = divider;
  const name = divider.zones[0]?.name ?? "Zone";
  const surface = surfaceOf(piece);
  const { box } = surface;
  const grip = (handle: ZoneHandle, label: string, key: string, round = false) => {
    const place = handlePlace(drawn, handle);
    if (!place) return null;
    const { x, y } = frame.at(place);
    const shared = {
      "aria-label": label,
      fill: "var(--color-paper)",
      stroke: "var(--color-signal)",
      strokeWidth: 1.6,
      className: "pointer-events-auto cursor-move focus-visible:fill-signal outline-none",
      ...gripOf(handle),
    };
    return round ? (
      <circle key={key} cx={x} cy={y} r={handle.kind === "stone" ? 4 : 6} {...shared} />
    ) : (
      <rect key={key} x={x - 5.5} y={y - 5.5} width={11} height={11} {...shared} />
    );
  };
  const stones =
    drawn.kind === "pebbles"
      ? drawnRegions(divider, surface, piece.division)
          .stones.filter(
            ({ middle: { x, y } }) => x > box.minX && x < box.maxX && y > box.minY && y < box.maxY,
          )
          .slice(0, MOST_STONES)
      : [];
  return (
    <svg
      width={width}
      height={height}
      className="absolute inset-0 pointer-events-none touch-none will-change-transform"
    >
      {pulled && (
        <path
          d={ownLines(divider, piece, piece.division)
            .map((line) => linePath(line, frame))
            .join("")}
          fill="none"
          stroke="var(--color-signal)"
          strokeWidth="2.4"
        />
      )}
      {(pointsOf(drawn) ?? []).map((_, index) =>
        grip({ kind: "point", index }, `Point ${index + 1} of ${name}`, `point-${index}`, true),
      )}
      {grip({ kind: "size" }, `Size of ${name}`, "size")}
      {stones.map(({ number, middle }) =>
        grip({ kind: "stone", stone: number, at: middle }, `Stone ${number}`, `stone-${number}`, true),
      )}
    </svg>
  );
}

/** The lines of a divider as it is drawn, whatever lies over it. */
function ownLines(divider: Divider, piece: Piece, division: Division): Point[][] {
  const surface = surfaceOf(piece);
  if (divider.drawn.kind === "line") return [lineOf(divider.drawn, surface.aroundMm)];
  return drawnRegions(divider, surface, division)
    .regions.flat()
    .map((ring) => [...ring, ...ring.slice(0, 1)]);
}

/** How far a pointer has come on the piece, mm: from where the handle lay when it was taken, where the surface is bent. */
function wayOnPiece({ scale, at, bent }: Frame, from: Point | null, { x, y }: Point): Point {
  if (!bent || !from) return { x: x / scale, y: y / scale };
  const began = at(from);
  const to = bent.from({ x: began.x + x, y: began.y + y });
  return { x: to.x - from.x, y: to.y - from.y };
}
