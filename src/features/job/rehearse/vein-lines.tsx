"use client";

import { memo, useId, useMemo } from "react";
import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import type { VeinWay } from "@/core/pattern/passes/vein";
import type { PiecePlace } from "@/core/veins/places";
import {
  ribbonRing,
  waysOnMap,
  waysOnPiece,
  type MapVein,
  type VeinMap,
  type VeinSet,
} from "@/core/veins/vein-map";

const tenth = (mm: number) => Math.round(10 * mm) / 10;

export const pathOf = (points: readonly Point[], close: boolean) =>
  points.length === 0
    ? ""
    : `M${points.map(({ x, y }) => `${tenth(x)} ${tenth(y)}`).join("L")}${close ? "Z" : ""}`;

const shapeOf = (ways: readonly VeinWay[]) =>
  ways.map(({ points }) => pathOf(ribbonRing(points), true)).join("");

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
  const { shape, main } = useMemo(() => {
    const ways = waysOnMap(vein, manner);
    return { shape: shapeOf(ways), main: pathOf(ways[0]?.points ?? [], false) };
  }, [vein, manner]);
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
        d={main}
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
        d={main}
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
  return (
    <g
      transform={`translate(${place.xMm} ${place.yMm}) rotate(${place.turnDeg})`}
      className="pointer-events-none"
    >
      <clipPath id={id}>
        <path d={pathOf(piece.outline.corners, true)} />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        {map.sets.flatMap((set) =>
          set.veins.map((vein) => (
            <WallVein
              key={vein.id}
              vein={vein}
              manner={set.manner}
              piece={piece}
              place={place}
              colour={colourOf(set)}
            />
          )),
        )}
      </g>
    </g>
  );
}

/** One vein on one wall: drawn anew only where one of them is changed. */
const WallVein = memo(function WallVein({
  vein,
  manner,
  piece,
  place,
  colour,
}: {
  vein: MapVein;
  manner: VeinSet["manner"];
  piece: Measured;
  place: PiecePlace;
  colour: string;
}) {
  const ways = waysOnPiece(vein, manner, piece, place);
  return ways.length > 0 && <path d={shapeOf(ways)} fill={colour} />;
});
