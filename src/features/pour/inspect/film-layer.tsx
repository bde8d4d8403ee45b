"use client";

import { useId } from "react";
import { isTold, type FilmOnPiece } from "@/core/inspect/film-on-piece";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import type { PictureFrame } from "@/pictures/picture-frame";

/** How dark the thinnest and the thickest film are drawn. */
const THIN = 0.06;
const THICK = 0.62;
/** Films from so much to so much of the planned one fill the scale. */
const FROM = 0.5;
const TO = 1.5;

export const shadeOf = (share: number): number =>
  THIN + (THICK - THIN) * Math.min(1, Math.max(0, (share - FROM) / (TO - FROM)));

/** A film over its piece: the darker the thicker; hatched where it is likely too thin, dotted where no reading is near enough to tell. */
export function FilmLayer({
  film,
  frame,
  system,
}: {
  film: FilmOnPiece;
  frame: PictureFrame;
  system: UnitSystem;
}) {
  const hatch = useId();
  const dots = useId();
  const { cells, map, plannedUm, minUm, readings, next } = film;
  const side = cells.sideMm * frame.pxPerMm;
  const thin: string[] = [];
  const untold: string[] = [];
  const squares = cells.places.map((place, at) => {
    const { x, y } = frame.at({ x: place.x - cells.sideMm / 2, y: place.y - cells.sideMm / 2 });
    // Whole pixels: no line shows between two.
    const [left, top] = [Math.round(x), Math.round(y)];
    const square = `M${left} ${top}H${Math.round(x + side)}V${Math.round(y + side)}H${left}Z`;
    const um = map.meanUm[at] as number;
    if (!isTold(film, place)) untold.push(square);
    else if (um < minUm) thin.push(square);
    return (
      <path
        key={at}
        d={square}
        fill="var(--color-ink)"
        fillOpacity={isTold(film, place) ? shadeOf(um / plannedUm).toFixed(3) : 0}
      />
    );
  });
  const to = next && frame.at(next);
  return (
    <g pointerEvents="none">
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--color-ink)" strokeWidth="2" />
        </pattern>
        <pattern id={dots} width="9" height="9" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="0.9" fill="var(--color-line-strong)" />
        </pattern>
      </defs>
      <g shapeRendering="crispEdges">{squares}</g>
      <path d={untold.join("")} fill={`url(#${dots})`} />
      <path d={thin.join("")} fill={`url(#${hatch})`} fillOpacity="0.75" />
      {to && (
        <g transform={`translate(${to.x.toFixed(1)} ${to.y.toFixed(1)})`}>
          <circle r="13" fill="var(--color-paper)" stroke="var(--color-signal)" strokeWidth="3" />
          <path d="M-6 0H6M0 -6V6" stroke="var(--color-signal)" strokeWidth="2.5" />
          <text
            x="18"
            y="5"
            fontSize="13"
            fill="var(--color-signal)"
            stroke="var(--color-paper)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            next reading
          </text>
        </g>
      )}
      {readings.map(({ x, y, lo, hi }, at) => {
        const px = frame.at({ x, y });
        const words =
          lo === null
            ? `< ${quantityText((hi ?? 0) / 1000, "comb", system)}`
            : hi === null
              ? `> ${quantityText(lo / 1000, "comb", system)}`
              : quantityText((lo + hi) / 2000, "comb", system);
        return (
          <g key={at} transform={`translate(${px.x.toFixed(1)} ${px.y.toFixed(1)})`}>
            <path d="M-4 -4L4 4M-4 4L4 -4" stroke="var(--color-ink)" strokeWidth="2" />
            <text
              y="-8"
              textAnchor="middle"
              fontSize="14"
              className="figure"
              fill="var(--color-ink)"
              stroke="var(--color-paper)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              {words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
