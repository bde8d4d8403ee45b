"use client";

import { useId, useState, type KeyboardEvent } from "react";
import { GROUNDS } from "@/core/batch/grounds";
import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import { surfaceOf } from "@/core/geometry/zones/regions";
import { zonesAlong } from "@/core/geometry/zones/zones-along";
import type { PlaceColours } from "@/core/plan/place-colours";
import { sectionAlong, type SectionStretch } from "@/core/plan/section-along";
import { quantityText } from "@/core/units/format-quantity";
import { classNames } from "@/ui/class-names";
import { FilmTexture } from "@/ui/film-texture";
import { arrowWay } from "@/ui/arrow-keys";
import { usePull } from "@/ui/use-pull";
import type { SectionProps } from "./cross-section";
import { ringsPath } from "@/ui/line-path";
import { ZoneNames } from "@/ui/zone-drawing";

/** Left of the section stand the coats' names; on a narrow screen above it. */
const NAMES_PX = 190;
const NARROW_PX = 560;
const NAMES_ABOVE_PX = 48;
const RIGHT = 24;
const leftOf = (width: number) => (width < NARROW_PX ? 12 : NAMES_PX);
const AXIS_PX = 38;
const GROUND_PX = 34;
const LOOKS = ["opaque", "metallic", "tint", "clear"] as const;
/** An arrow key moves an end so far, mm; with Shift ten times as far. */
const KEY_MM = 10;

type Line = [Point, Point];

/** Heights at which a first line is tried, as parts of the piece. */
const TRIED = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8];

/** Across the piece where it crosses most zones, the middle first. */
function firstLine(piece: Measured): Line {
  const { minX, maxX, minY, maxY } = surfaceOf(piece.piece).box;
  const lines = TRIED.map((part): Line => {
    const y = minY + part * (maxY - minY);
    return [
      { x: minX, y },
      { x: maxX, y },
    ];
  });
  const zonesOn = (line: Line) => new Set(zonesAlong(piece.zones, ...line).map(({ zoneId }) => zoneId)).size;
  return lines.reduce((best, line) => (zonesOn(line) > zonesOn(best) ? line : best));
}

/** A divided piece with a line across it, and the coats along that line; the line is pulled by its ends. */
export function SectionAlong({
  piece,
  places,
  coats,
  ground,
  system,
  selectedId,
  onSelect,
  width,
  height,
}: SectionProps & { piece: Measured; places: readonly PlaceColours[] }) {
  const [line, setLine] = useState<Line>(() => firstLine(piece));
  const mapHeight = Math.round(height * 0.44);
  const section = sectionAlong(piece, coats, ...line);
  return (
    <div className="relative" style={{ width, height }}>
      <PieceMap
        piece={piece}
        places={places}
        selectedId={selectedId}
        line={line}
        onLine={setLine}
        width={width}
        height={mapHeight}
      />
      <Section
        section={section}
        coats={coats}
        ground={ground}
        system={system}
        selectedId={selectedId}
        onSelect={onSelect}
        width={width}
        height={height - mapHeight}
      />
    </div>
  );
}

/** The piece as it is seen after the picked coat, faintly where that coat does not go; over it the line. */
function PieceMap({
  piece,
  places,
  selectedId,
  line,
  onLine,
  width,
  height,
}: {
  piece: Measured;
  places: readonly PlaceColours[];
  selectedId: string | null;
  line: Line;
  onLine: (line: Line) => void;
  width: number;
  height: number;
}) {
  const pull = usePull();
  const { box } = surfaceOf(piece.piece);
  const { minX, minY, maxX, maxY } = box;
  const from = leftOf(width);
  const scale = Math.min((width - from - RIGHT) / (maxX - minX), (height - 24) / (maxY - minY));
  const left = from + (width - from - RIGHT - (maxX - minX) * scale) / 2 - minX * scale;
  const top = 10 - minY * scale;
  const frame = { scale, at: ({ x, y }: Point) => ({ x: left + x * scale, y: top + y * scale }) };
  const within = ({ x, y }: Point): Point => ({
    x: Math.min(maxX, Math.max(minX, x)),
    y: Math.min(maxY, Math.max(minY, y)),
  });
  const put = (end: 0 | 1, to: Point) => onLine(end === 0 ? [within(to), line[1]] : [line[0], within(to)]);
  const keys = (end: 0 | 1) => (event: KeyboardEvent) => {
    const direction = arrowWay(event);
    if (!direction) return;
    event.preventDefault();
    const step = KEY_MM * (event.shiftKey ? 10 : 1);
    put(end, { x: line[end].x + direction.x * step, y: line[end].y + direction.y * step });
  };
  const [a, b] = line.map(frame.at) as Line;
  return (
    <svg
      width={width}
      height={height}
      className="block touch-none"
      role="group"
      aria-label="Where the section lies"
    >
      <text x={0} y={14} fontSize="12" fill="var(--color-ink-soft)">
        {piece.name}
      </text>
      {piece.zones.map(({ id, rings }) => {
        const seen = places.find(({ zoneId }) => zoneId === id)?.after.get(selectedId ?? "");
        return (
          <path
            key={id}
            d={ringsPath(rings, frame)}
            fillRule="evenodd"
            fill={seen?.average.hex ?? "var(--color-paper)"}
            fillOpacity={seen?.here === false ? 0.32 : 1}
            stroke="var(--color-ink)"
            strokeWidth="0.9"
          />
        );
      })}
      {[5, 2].map((wide) => (
        <path
          key={wide}
          d={`M${a.x} ${a.y}L${b.x} ${b.y}`}
          stroke={wide > 2 ? "var(--color-paper)" : "var(--color-signal)"}
          strokeWidth={wide}
        />
      ))}
      <g pointerEvents="none">
        <ZoneNames zones={piece.zones} frame={frame} />
      </g>
      {([0, 1] as const).map((end) => {
        const { x, y } = frame.at(line[end]);
        return (
          <circle
            key={end}
            role="button"
            tabIndex={0}
            aria-label={end === 0 ? "Start of the section" : "End of the section"}
            cx={x}
            cy={y}
            r={8}
            fill="var(--color-paper)"
            stroke="var(--color-signal)"
            strokeWidth="2"
            className="cursor-move outline-none focus-visible:fill-signal"
            onKeyDown={keys(end)}
            {...pull<Point, SVGCircleElement>({
              begin: () => line[end],
              move: (from, by) => put(end, { x: from.x + by.x / scale, y: from.y + by.y / scale }),
            })}
          />
        );
      })}
    </svg>
  );
}

/** The coats along the line, films to one exaggerated scale, each zone with its own. */
function Section({
  section,
  coats,
  ground,
  system,
  selectedId,
  onSelect,
  width,
  height,
}: SectionProps & { section: readonly SectionStretch[] }) {
  const id = useId();
  const longMm = section.at(-1)?.toMm ?? 1;
  const highMm = Math.max(0.1, ...section.map(({ layers, groundMm }) => layers.at(-1)?.topMm ?? groundMm));
  const deepMm = Math.max(0, ...section.map(({ groundMm }) => -groundMm));
  const left = leftOf(width);
  const isNarrow = left < NAMES_PX;
  const drawn = isNarrow ? height - NAMES_ABOVE_PX : height;
  const room = drawn - AXIS_PX - GROUND_PX - 14;
  const pxPerMm = Math.min(90, room / (highMm + deepMm));
  const zeroY = 14 + highMm * pxPerMm;
  const floorY = zeroY + deepMm * pxPerMm + GROUND_PX;
  const x = (mm: number) => left + ((width - left - RIGHT) * mm) / longMm;
  const y = (mm: number) => zeroY - mm * pxPerMm;
  const laid = coats.filter(({ id: coatId }) =>
    section.some(({ layers }) => layers.some((layer) => layer.coatId === coatId)),
  );
  return (
    <div
      className={classNames("relative", isNarrow && "flex flex-col-reverse justify-end")}
      style={{ height }}
    >
      <svg width={width} height={drawn} aria-hidden className="block">
        <defs>
          {LOOKS.map((look) => (
            <FilmTexture key={look} id={`${id}-${look}`} look={look} />
          ))}
        </defs>
        {section.map(({ zoneId, name, fromMm, toMm, groundMm, layers }) => {
          const [from, to] = [x(fromMm), x(toMm)];
          if (zoneId === null) return null;
          return (
            <g key={fromMm}>
              <rect
                x={from}
                y={y(groundMm)}
                width={to - from}
                height={floorY - y(groundMm)}
                fill={`color-mix(in srgb, ${GROUNDS[ground].hex} 62%, #f6f3ec)`}
              />
              {layers.map(({ coatId, bottomMm, topMm, colours }) => {
                let low = bottomMm;
                return (
                  <g key={coatId} onClick={() => onSelect(coatId)} className="cursor-pointer">
                    {colours.map(({ id: colourId, hex, look, share }) => {
                      const high = low + share * (topMm - bottomMm);
                      const box = { x: from, y: y(high), width: to - from, height: y(low) - y(high) };
                      low = high;
                      return (
                        <g key={colourId}>
                          <rect {...box} fill={hex} />
                          <rect {...box} fill={`url(#${id}-${look})`} />
                        </g>
                      );
                    })}
                    <rect
                      x={from}
                      y={y(topMm)}
                      width={to - from}
                      height={Math.max(1, y(bottomMm) - y(topMm))}
                      fill="none"
                      stroke={coatId === selectedId ? "var(--color-signal)" : "var(--color-ink)"}
                      strokeWidth={coatId === selectedId ? 2 : 0.7}
                    />
                  </g>
                );
              })}
              <path d={`M${from} ${floorY}v7M${to} ${floorY}v7`} stroke="var(--color-ink)" />
              {to - from > 7 * name.length && (
                <text x={(from + to) / 2} y={floorY + 18} textAnchor="middle" fontSize="12">
                  {name}
                </text>
              )}
            </g>
          );
        })}
        <path d={`M${left} ${floorY}H${width - RIGHT}`} stroke="var(--color-ink)" />
        <text x={width - RIGHT} y={floorY + 33} textAnchor="end" fontSize="12" fill="var(--color-ink-soft)">
          {quantityText(longMm, "length", system)} across; films drawn {Math.round(pxPerMm / (96 / 25.4))}{" "}
          times too thick
        </text>
      </svg>
      <ol
        className={
          isNarrow
            ? "flex flex-wrap gap-x-4 gap-y-1"
            : "absolute left-0 top-1 w-[164px] flex flex-col-reverse gap-1"
        }
        style={isNarrow ? { minHeight: NAMES_ABOVE_PX } : undefined}
      >
        {(isNarrow ? [...laid].reverse() : laid).map((coat) => (
          <li key={coat.id}>
            <button
              type="button"
              aria-pressed={coat.id === selectedId}
              onClick={() => onSelect(coat.id)}
              className={classNames(
                "w-full text-left leading-[17px] flex items-baseline gap-2 hover:underline underline-offset-4",
                coat.id === selectedId && "text-signal",
              )}
            >
              <span
                className="size-2.5 border border-line-strong shrink-0"
                style={{ background: coat.colours[0]?.hex }}
              />
              <span className="font-semibold truncate">{coat.name}</span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}
