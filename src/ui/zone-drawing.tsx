import type { Point } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { ZoneMap } from "@/core/geometry/zones/zone-map";
import { areaMiddle } from "@/core/geometry/zones/area-middle";
import type { Frame } from "./dimension-lines";

/** Closed lines as one path, filled where it is crossed an odd number of times. */
export const ringsPath = (rings: readonly (readonly Point[])[], frame: Frame): string =>
  rings
    .map((ring) => {
      const points = ring.map((point) => {
        const { x, y } = frame.at(point);
        return `${x.toFixed(2)} ${y.toFixed(2)}`;
      });
      return `M${points.join("L")}Z`;
    })
    .join("");

const linePath = (line: readonly Point[], frame: Frame): string =>
  `M${line
    .map((point) => {
      const { x, y } = frame.at(point);
      return `${x.toFixed(2)} ${y.toFixed(2)}`;
    })
    .join("L")}`;

/** Paper tones that tell neighbours apart, in grey printing too. */
const TONES = ["#f3f0e9", "#dcd7ca", "#ece7db", "#cfc9ba", "#e5dfd1", "#f8f6f1", "#d5d0c2"];

/** Smaller than this on the screen a zone carries no name, px. */
const NAMED_FROM_PX = 34;

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
      {map.zones.map(({ zone, rings }) => {
        const middle = areaMiddle(rings);
        if (!middle || 2 * middle.clearMm * frame.scale < NAMED_FROM_PX) return null;
        const { x, y } = frame.at(middle.at);
        return (
          <text
            key={zone.id}
            x={x}
            y={y + 4}
            textAnchor="middle"
            fontSize="13"
            fill="var(--color-ink)"
            stroke="var(--color-paper)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {zone.name}
          </text>
        );
      })}
    </g>
  );
}
