"use client";

import { useId, useMemo } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import {
  ribbonRing,
  waysOnPiece,
  type MapVein,
  type PiecePlace,
  type VeinMap,
  type VeinSet,
} from "@/core/pattern/vein-map";
import { veinWays } from "@/core/pattern/vein";

export const pathOf = (points: readonly Point[], close: boolean) =>
  points.length === 0
    ? ""
    : `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}${close ? "Z" : ""}`;

/** The veins of a set: on the pieces as they will be seen, beside them as thin lines, so that they can be taken hold of. */
export function VeinLines({
  set,
  colour,
  chosenId,
  onChoose,
}: {
  set: VeinSet;
  colour: string;
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  return (
    <g>
      {set.veins.map((vein, n) => (
        <VeinLine
          key={vein.id}
          vein={vein}
          manner={set.manner}
          colour={colour}
          name={`${set.name} vein ${n + 1}${vein.locked ? ", locked" : ""}`}
          chosen={vein.id === chosenId}
          onChoose={onChoose}
        />
      ))}
    </g>
  );
}

function VeinLine({
  vein,
  manner,
  colour,
  name,
  chosen,
  onChoose,
}: {
  vein: MapVein;
  manner: VeinSet["manner"];
  colour: string;
  name: string;
  chosen: boolean;
  onChoose: (id: string) => void;
}) {
  const ways = useMemo(
    () =>
      veinWays(
        { seed: vein.seed, thickMm: vein.thickMm, points: vein.points.map(([x, y]) => ({ x, y })) },
        manner,
      ),
    [vein, manner],
  );
  const shape = ways.map(({ points }) => pathOf(ribbonRing(points), true)).join("");
  const main = ways[0]?.points ?? [];
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={chosen}
      className="cursor-pointer focus:outline-none [&:focus-visible>path:last-of-type]:stroke-signal"
      onPointerDown={(event) => {
        event.stopPropagation();
        onChoose(vein.id);
      }}
      onKeyDown={(event) => (event.key === "Enter" || event.key === " ") && onChoose(vein.id)}
    >
      <path
        d={pathOf(main, false)}
        fill="none"
        stroke={colour}
        strokeOpacity="0.35"
        strokeDasharray="3 4"
        vectorEffect="non-scaling-stroke"
      />
      <g clipPath="url(#vein-pieces)">
        <path d={shape} fill={colour} />
      </g>
      <path
        d={pathOf(main, false)}
        fill="none"
        stroke={chosen ? "var(--color-signal)" : "transparent"}
        strokeOpacity={chosen ? 0.9 : 1}
        strokeWidth={chosen ? 1.5 : 12}
        vectorEffect="non-scaling-stroke"
        pointerEvents="stroke"
      />
    </g>
  );
}

/** The veins on a tumbler's wall laid flat, which go around it: what leaves over the seam comes in again at the other side. */
export function WallVeins({
  map,
  piece,
  place,
  colourOf,
}: {
  map: VeinMap;
  piece: Measured;
  place: PiecePlace;
  colourOf: (set: VeinSet) => string;
}) {
  const id = useId();
  const shapes = useMemo(
    () =>
      map.sets.map((set) => ({
        set,
        shape: set.veins
          .flatMap((vein) => waysOnPiece(vein, set.manner, piece, place))
          .map(({ points }) => pathOf(ribbonRing(points), true))
          .join(""),
      })),
    [map.sets, piece, place],
  );
  return (
    <g
      transform={`translate(${place.xMm} ${place.yMm}) rotate(${place.turnDeg})`}
      className="pointer-events-none"
    >
      <clipPath id={id}>
        <path d={pathOf(piece.outline.corners, true)} />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        {shapes.map(({ set, shape }) => (
          <path key={set.id} d={shape} fill={colourOf(set)} />
        ))}
      </g>
    </g>
  );
}
