"use client";

import { useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import type { Measured } from "@/core/geometry/measure";
import { unfoldedFaces } from "@/core/geometry/unfold";
import { aroundOf } from "@/core/veins/standing";
import { mapBox, snapped, toMap, type PiecePlace } from "@/core/veins/places";
import type { VeinMap, VeinSet } from "@/core/veins/vein-map";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull, type Way } from "@/ui/use-pull";
import { pathOf, VeinLines, WallVeins } from "./vein-lines";

/** Room around the pieces, px, and within what distance a pulled one snaps, px. */
const ROOM_PX = 26;
const SNAP_PX = 12;
const STEP_MM = 5;
const LETTER_PX = 6.5;

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
  const pull = usePull();
  // The frame is held while something is pulled, or it would run away under the hand.
  const box = held ?? mapBox(pieces, places);
  const scale = Math.max(
    1e-6,
    Math.min((width - 2 * ROOM_PX) / (box.maxX - box.minX), (height - 2 * ROOM_PX) / (box.maxY - box.minY)),
  );
  const left = (width - (box.maxX - box.minX) * scale) / 2 - box.minX * scale;
  const top = (height - (box.maxY - box.minY) * scale) / 2 - box.minY * scale;
  const hold = () => {
    setHeld(mapBox(pieces, places));
    onHold(true);
  };
  const letGo = () => {
    setHeld(null);
    onHold(false);
  };
  const wayMm = ({ x, y }: Way): Point => ({ x: x / scale, y: y / scale });
  const pullPiece = (piece: Measured, place: PiecePlace) =>
    pull<PiecePlace, SVGGElement>({
      begin: (event) => {
        event.stopPropagation();
        onChoose({ kind: "piece", id: piece.id });
        hold();
        return place;
      },
      move: (from, by, { altKey }) => {
        const way = wayMm(by);
        const wanted = { ...from, xMm: from.xMm + way.x, yMm: from.yMm + way.y };
        const others = pieces.flatMap((other) => {
          const lies = other.id === piece.id ? undefined : places.get(other.id);
          return lies ? [{ piece: other, place: lies }] : [];
        });
        onPlace(piece.id, altKey ? wanted : snapped(piece, wanted, others, SNAP_PX / scale));
      },
      end: letGo,
    });
  const pullPoint = (setId: string, veinId: string, at: number, place: [number, number]) =>
    pull<[number, number], SVGCircleElement>({
      begin: (event) => {
        event.stopPropagation();
        hold();
        return place;
      },
      move: ([x, y], by) => {
        const way = wayMm(by);
        onPoint(setId, veinId, at, [Math.round(x + way.x), Math.round(y + way.y)]);
      },
      end: letGo,
    });
  const arrow = (event: KeyboardEvent): Point | null => {
    const way = arrowWay(event);
    const step = event.shiftKey ? 10 * STEP_MM : STEP_MM;
    return way ? { x: step * way.x, y: step * way.y } : null;
  };
  /** A place on the map under the pointer. */
  const under = (event: PointerEvent<SVGElement>): Point => {
    const frame = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - frame.left - left) / scale, y: (event.clientY - frame.top - top) / scale };
  };
  const draw = pull<true, SVGRectElement>({
    begin: (event) => {
      event.stopPropagation();
      setDrawn([under(event)]);
      return true;
    },
    move: (_, _by, event) => {
      const place = under(event);
      setDrawn((before) => [...before, place]);
    },
    end: (_, { calledOff }) => {
      if (!calledOff && drawn.length > 1) onDrawn(drawn);
      setDrawn([]);
    },
  });
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
          const isChosen = chosen?.kind === "piece" && chosen.id === piece.id;
          return (
            <g
              key={piece.id}
              role="button"
              tabIndex={0}
              aria-label={`${piece.name}: pull it to where it will stand`}
              aria-pressed={isChosen}
              className="cursor-move focus:outline-none [&:focus-visible>path:first-of-type]:stroke-[3px]"
              onFocus={() => onChoose({ kind: "piece", id: piece.id })}
              onKeyDown={(event) => {
                const by = arrow(event);
                if (by) {
                  event.preventDefault();
                  onPlace(piece.id, { ...place, xMm: place.xMm + by.x, yMm: place.yMm + by.y });
                }
                if (event.key === "r") onPlace(piece.id, { ...place, turnDeg: (place.turnDeg + 90) % 360 });
              }}
              {...pullPiece(piece, place)}
            >
              <path
                d={onMap(piece.outline.corners)}
                fill={ground}
                stroke="var(--color-ink)"
                strokeWidth={isChosen ? 2.5 : 1}
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
                  onKeyDown={(event) => {
                    const by = arrow(event);
                    if (by) {
                      event.preventDefault();
                      onPoint(set.id, vein.id, n, [x + by.x, y + by.y]);
                    }
                    if (event.key === "Delete" || event.key === "Backspace") onRemove();
                  }}
                  {...pullPoint(set.id, vein.id, n, [x, y])}
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
          <rect width={width} height={height} fill="transparent" className="cursor-crosshair" {...draw} />
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
