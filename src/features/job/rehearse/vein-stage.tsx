"use client";

import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import type { Measured } from "@/core/geometry/measure";
import { unfoldedFaces } from "@/core/geometry/unfold";
import { aroundOf } from "@/core/veins/standing";
import { mapBox, snapped, toMap, type PiecePlace } from "@/core/veins/places";
import type { VeinMap, VeinSet } from "@/core/veins/vein-map";
import { pathOf, VeinLines, WallVeins } from "./vein-lines";

/** Room around the pieces, px, and within what distance a pulled one snaps, px. */
const ROOM_PX = 26;
const SNAP_PX = 12;
const STEP_MM = 5;
const LETTER_PX = 6.5;

type Pull =
  | { kind: "piece"; id: string; from: PiecePlace; start: Point }
  | { kind: "point"; setId: string; veinId: string; at: number; from: [number, number]; start: Point };

/** All pieces as they will stand, the veins across them as one stone. Pieces and points are pulled, or moved by arrow keys. */
export function VeinStage({
  map,
  pieces,
  places,
  colourOf,
  ground,
  width,
  height,
  chosen,
  onChoose,
  onPlace,
  onPoint,
  onHold,
  onRemove,
  drawing,
  onDrawn,
}: {
  map: VeinMap;
  pieces: readonly Measured[];
  places: ReadonlyMap<string, PiecePlace>;
  colourOf: (set: VeinSet) => string;
  /** Colour of the tops. */
  ground: string;
  width: number;
  height: number;
  chosen: { kind: "piece" | "vein"; id: string } | null;
  onChoose: (chosen: { kind: "piece" | "vein"; id: string } | null) => void;
  onPlace: (pieceId: string, place: PiecePlace) => void;
  onPoint: (setId: string, veinId: string, at: number, to: [number, number]) => void;
  /** A pull begins, and ends. */
  onHold: (pulling: boolean) => void;
  onRemove: () => void;
  /** The colour of the vein that is being drawn by hand; null while pieces and points are pulled. */
  drawing: string | null;
  onDrawn: (line: Point[]) => void;
}) {
  const [drawn, setDrawn] = useState<Point[]>([]);
  const [held, setHeld] = useState<ReturnType<typeof mapBox> | null>(null);
  const pull = useRef<Pull | null>(null);
  // The frame is held while something is pulled, or it would run away under the hand.
  const box = held ?? mapBox(pieces, places);
  const scale = Math.max(
    1e-6,
    Math.min((width - 2 * ROOM_PX) / (box.maxX - box.minX), (height - 2 * ROOM_PX) / (box.maxY - box.minY)),
  );
  const left = (width - (box.maxX - box.minX) * scale) / 2 - box.minX * scale;
  const top = (height - (box.maxY - box.minY) * scale) / 2 - box.minY * scale;
  const at = (event: PointerEvent): Point => ({ x: event.clientX / scale, y: event.clientY / scale });
  const begin = (event: PointerEvent<SVGElement>, next: Pull) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    pull.current = next;
    setHeld(mapBox(pieces, places));
    onHold(true);
  };
  const move = (event: PointerEvent<SVGElement>) => {
    const now = pull.current;
    if (!now) return;
    const { x, y } = at(event);
    const [dx, dy] = [x - now.start.x, y - now.start.y];
    if (now.kind === "point") {
      onPoint(now.setId, now.veinId, now.at, [Math.round(now.from[0] + dx), Math.round(now.from[1] + dy)]);
      return;
    }
    const piece = pieces.find(({ id }) => id === now.id);
    if (!piece) return;
    const others = pieces.flatMap((other) => {
      const place = other.id === now.id ? undefined : places.get(other.id);
      return place ? [{ piece: other, place }] : [];
    });
    const wanted = { ...now.from, xMm: now.from.xMm + dx, yMm: now.from.yMm + dy };
    onPlace(now.id, event.altKey ? wanted : snapped(piece, wanted, others, SNAP_PX / scale));
  };
  const end = () => {
    if (!pull.current) return;
    pull.current = null;
    setHeld(null);
    onHold(false);
  };
  const arrow = (event: KeyboardEvent): Point | null => {
    const step = event.shiftKey ? 10 * STEP_MM : STEP_MM;
    switch (event.key) {
      case "ArrowLeft":
        return { x: -step, y: 0 };
      case "ArrowRight":
        return { x: step, y: 0 };
      case "ArrowUp":
        return { x: 0, y: -step };
      case "ArrowDown":
        return { x: 0, y: step };
      default:
        return null;
    }
  };
  /** A place on the map under the pointer. */
  const under = (event: PointerEvent<SVGElement>): Point => {
    const frame = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - frame.left - left) / scale, y: (event.clientY - frame.top - top) / scale };
  };
  const pulling = { onPointerMove: move, onPointerUp: end, onPointerCancel: end };
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label="Pieces and veins as they will stand"
      onPointerDown={() => onChoose(null)}
      className="touch-none select-none block"
    >
      <g transform={`translate(${left} ${top}) scale(${scale})`}>
        <defs>
          <clipPath id="vein-pieces">
            {pieces.map((piece) => {
              const place = places.get(piece.id);
              if (!place || aroundOf(piece) !== null) return null;
              const rings = [
                piece.outline.corners,
                ...unfoldedFaces(piece).flatMap(({ ring, inside }) => (inside ? [] : [ring])),
              ];
              return rings.map((ring, n) => (
                <path
                  key={`${piece.id} ${n}`}
                  d={pathOf(
                    ring.map((corner) => toMap(place, corner)),
                    true,
                  )}
                />
              ));
            })}
          </clipPath>
        </defs>
        {pieces.map((piece) => {
          const place = places.get(piece.id);
          if (!place) return null;
          const onMap = (ring: readonly Point[]) =>
            pathOf(
              ring.map((corner) => toMap(place, corner)),
              true,
            );
          const own = chosen?.kind === "piece" && chosen.id === piece.id;
          return (
            <g
              key={piece.id}
              role="button"
              tabIndex={0}
              aria-label={`${piece.name}: pull it to where it will stand`}
              aria-pressed={own}
              className="cursor-move focus:outline-none [&:focus-visible>path:first-of-type]:stroke-[3px]"
              onPointerDown={(event) => {
                onChoose({ kind: "piece", id: piece.id });
                begin(event, { kind: "piece", id: piece.id, from: place, start: at(event) });
              }}
              onFocus={() => onChoose({ kind: "piece", id: piece.id })}
              onKeyDown={(event) => {
                const by = arrow(event);
                if (by) {
                  event.preventDefault();
                  onPlace(piece.id, { ...place, xMm: place.xMm + by.x, yMm: place.yMm + by.y });
                }
                if (event.key === "r") onPlace(piece.id, { ...place, turnDeg: (place.turnDeg + 90) % 360 });
              }}
              {...pulling}
            >
              <path
                d={onMap(piece.outline.corners)}
                fill={ground}
                stroke="var(--color-ink)"
                strokeWidth={own ? 2.5 : 1}
                vectorEffect="non-scaling-stroke"
              />
              {unfoldedFaces(piece)
                .filter(({ inside }) => !inside)
                .map(({ ring, name }) => (
                  <path
                    key={name}
                    d={onMap(ring)}
                    fill={ground}
                    stroke="var(--color-line-strong)"
                    vectorEffect="non-scaling-stroke"
                  />
                ))}
              {piece.piece.cutOuts.map((cutOut) => (
                <path
                  key={cutOut.id}
                  d={onMap(cutOutRing(cutOut, piece.outline))}
                  fill="var(--color-ground)"
                  stroke="var(--color-ink)"
                  vectorEffect="non-scaling-stroke"
                />
              ))}
            </g>
          );
        })}
        {pieces.map((piece) => {
          const place = places.get(piece.id);
          return (
            place &&
            aroundOf(piece) !== null && (
              <WallVeins key={piece.id} map={map} piece={piece} place={place} colourOf={colourOf} />
            )
          );
        })}
        {map.sets.map((set) => (
          <VeinLines
            key={set.id}
            set={set}
            colour={colourOf(set)}
            chosenId={chosen?.kind === "vein" ? chosen.id : null}
            onChoose={(id) => onChoose({ kind: "vein", id })}
          />
        ))}
        {map.sets.flatMap((set) =>
          set.veins
            .filter(({ id }) => chosen?.kind === "vein" && chosen.id === id)
            .flatMap((vein) =>
              vein.points.map(([x, y], n) => (
                <circle
                  key={`${vein.id} ${n}`}
                  cx={x}
                  cy={y}
                  r={7 / scale}
                  role="button"
                  tabIndex={0}
                  aria-label={`Point ${n + 1} of ${vein.points.length}`}
                  fill="var(--color-paper)"
                  stroke="var(--color-signal)"
                  strokeWidth="2"
                  vectorEffect="non-scaling-stroke"
                  className="cursor-grab focus:outline-none focus-visible:fill-[var(--color-signal)]"
                  onPointerDown={(event) =>
                    begin(event, {
                      kind: "point",
                      setId: set.id,
                      veinId: vein.id,
                      at: n,
                      from: [x, y],
                      start: at(event),
                    })
                  }
                  onKeyDown={(event) => {
                    const by = arrow(event);
                    if (by) {
                      event.preventDefault();
                      onPoint(set.id, vein.id, n, [x + by.x, y + by.y]);
                    }
                    if (event.key === "Delete" || event.key === "Backspace") onRemove();
                  }}
                  {...pulling}
                />
              )),
            ),
        )}
        {pieces.map((piece) => {
          const place = places.get(piece.id);
          // Where there is no room for a name, the numbers of several stand alone.
          const several = piece.piece.count > 1;
          const longest = piece.piece.name.length + (several ? 3 : 0);
          const room = 0.8 * piece.outline.widthMm * scale;
          const label =
            several && longest * LETTER_PX > room
              ? piece.name.slice(piece.piece.name.length + 1)
              : piece.name;
          const middle =
            place && toMap(place, { x: piece.outline.widthMm / 2, y: piece.outline.heightMm + 0 });
          return (
            middle && (
              <text
                key={piece.id}
                x={middle.x}
                y={middle.y - 8 / scale}
                fontSize={12 / scale}
                textAnchor="middle"
                className="pointer-events-none fill-ink"
                stroke="var(--color-paper)"
                strokeWidth={3 / scale}
                paintOrder="stroke"
              >
                {label}
              </text>
            )
          );
        })}
      </g>
      {drawing && (
        <g>
          <rect
            width={width}
            height={height}
            fill="transparent"
            className="cursor-crosshair"
            onPointerDown={(event) => {
              if (event.button !== 0) return;
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              setDrawn([under(event)]);
            }}
            onPointerMove={(event) => {
              const place = under(event);
              setDrawn((before) => (before.length > 0 ? [...before, place] : before));
            }}
            onPointerUp={() => {
              if (drawn.length > 1) onDrawn(drawn);
              setDrawn([]);
            }}
            onPointerCancel={() => setDrawn([])}
          />
          <path
            d={pathOf(drawn, false)}
            transform={`translate(${left} ${top}) scale(${scale})`}
            fill="none"
            stroke={drawing}
            strokeWidth="2.5"
            vectorEffect="non-scaling-stroke"
            className="pointer-events-none"
          />
        </g>
      )}
    </svg>
  );
}
