import type { Point } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { ZoneMap } from "@/core/geometry/zones/zone-map";
import { wallOnFan } from "@/core/geometry/wall-on-fan";
import { outlineOf } from "@/core/geometry/outline";
import { areaMiddle } from "@/core/geometry/zones/area-middle";
import type { Frame } from "./dimension-lines";
import { linePath, ringsPath } from "./line-path";

/** A step of what is drawn on a bent wall, mm. */
const BENT_STEP_MM = 3;

/** The frame of what is drawn on a piece: on a tumbler of its wall laid flat, bent as its fan is. */
export function surfaceFrame(piece: Piece, frame: Frame): Frame {
  const { shape } = piece;
  if (shape.kind !== "tumbler") return frame;
  const { toFan, toFlat } = wallOnFan(shape, outlineOf(piece).origin);
  const zero = frame.at({ x: 0, y: 0 });
  return {
    scale: frame.scale,
    at: (place) => frame.at(toFan(place)),
    bent: {
      from: ({ x, y }) => toFlat({ x: (x - zero.x) / frame.scale, y: (y - zero.y) / frame.scale }),
      stepMm: BENT_STEP_MM,
    },
  };
}

/** Paper tones that tell neighbours apart, in grey printing too. */
const TONES = ["#f3f0e9", "#dcd7ca", "#ece7db", "#cfc9ba", "#e5dfd1", "#f8f6f1", "#d5d0c2"];

/** Smaller than this on the screen a zone carries no name, px. */
const NAMED_FROM_PX = 34;
/** Breadth of a letter and height of a name, px. */
const LETTER_PX = 7;
const NAME_PX = 17;

/** The zones of a piece with their names, and what stands on the borders: tape broken, a bead or strip heavy. Colours meet wet along a thin line. */
export function ZoneDrawing({ map, frame, piece }: { map: ZoneMap; frame: Frame; piece: Piece }) {
  return (
    <g pointerEvents="none" aria-hidden>
      {map.zones.map(({ zone, rings }, index) => (
        <path
          key={zone.id}
          d={ringsPath(rings, frame)}
          fillRule="evenodd"
          fill={TONES[index % TONES.length]}
          fillOpacity={piece.underlay ? 0.45 : 1}
        />
      ))}
      {map.borders.flatMap(({ divider, lines, zoneIds }) =>
        lines.map((line, n) => {
          const { barrier } = divider;
          return (
            <path
              key={`${divider.id}-${zoneIds.join("-")}-${n}`}
              d={linePath(line, frame)}
              fill="none"
              stroke="var(--color-ink)"
              strokeLinejoin="round"
              strokeWidth={barrier ? (barrier.kind === "tape" ? 2.2 : 3.4) : 0.9}
              strokeDasharray={barrier?.kind === "tape" ? "7 4" : undefined}
            />
          );
        }),
      )}
      <ZoneNames
        zones={map.zones.map(({ zone, rings }) => ({ id: zone.id, name: zone.name, rings }))}
        frame={frame}
      />
    </g>
  );
}

type NamedZone = { id: string; name: string; rings: readonly (readonly Point[])[] };

/** Names where zones have room for them, none over another: those with most room first. */
export function ZoneNames({ zones, frame }: { zones: readonly NamedZone[]; frame: Frame }) {
  const roomy = zones
    .flatMap(({ id, name, rings }) => {
      const middle = areaMiddle(rings);
      return middle ? [{ id, name, clearPx: middle.clearMm * frame.scale, ...frame.at(middle.at) }] : [];
    })
    .filter(({ clearPx }) => 2 * clearPx >= NAMED_FROM_PX)
    .sort((a, b) => b.clearPx - a.clearPx);
  const half = (name: string) => (name.length * LETTER_PX) / 2 + 3;
  const shown = roomy.reduce<typeof roomy>((list, name) => {
    const clash = list.some(
      (other) =>
        Math.abs(other.x - name.x) < half(other.name) + half(name.name) &&
        Math.abs(other.y - name.y) < NAME_PX,
    );
    return clash ? list : [...list, name];
  }, []);
  return shown.map(({ id, name, x, y }) => (
    <text
      key={id}
      x={x}
      y={y + 4}
      textAnchor="middle"
      fontSize="13"
      fill="var(--color-ink)"
      stroke="var(--color-paper)"
      strokeWidth="3"
      paintOrder="stroke"
    >
      {name}
    </text>
  ));
}
