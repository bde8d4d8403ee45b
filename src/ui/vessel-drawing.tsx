"use client";

import { useId } from "react";
import { fillHeightMm, type Vessel } from "@/core/batch/vessel";
import { vesselLines } from "./vessel-outline";
import { FilmTexture } from "./film-texture";

type Props = {
  vessel: Vessel;
  fillMl: number;
  hex: string;
  look: "opaque" | "metallic" | "tint" | "clear";
  pxPerMm: number;
  label: string;
};

/** Room beside the vessel for its fill mark, px. */
const MARK = 16;

/** A cup or bucket to scale, with graduations and the fill line. */
export function VesselDrawing({ vessel, fillMl, hex, look, pxPerMm, label }: Props) {
  const id = useId();
  const { width, height, wall, fill, fillY: y, fillFrom } = vesselLines(vessel, fillMl, pxPerMm);
  const inset = (vessel.topRadiusMm - vessel.bottomRadiusMm) * pxPerMm;
  const leftAt = (level: number) => inset * (1 - level / vessel.heightMm);
  const marks = Array.from({ length: 9 }, (_, index) => ((index + 1) / 10) * vessel.nominalMl);
  return (
    <svg
      width={width + MARK + 2}
      height={height + 3}
      viewBox={`-1 -1 ${width + MARK + 2} ${height + 3}`}
      role="img"
      aria-label={label}
      className="block overflow-visible"
    >
      <defs>
        <FilmTexture id={id} look={look} />
      </defs>
      {fillMl > 0 && (
        <>
          <path d={fill} fill={hex} className="vessel-fill" />
          <path d={fill} fill={`url(#${id})`} />
        </>
      )}
      {marks.map((ml, index) => {
        const at = fillHeightMm(vessel, ml);
        return (
          <line
            key={ml}
            x1={leftAt(at)}
            x2={leftAt(at) + (index % 2 ? 9 : 5)}
            y1={height - at * pxPerMm}
            y2={height - at * pxPerMm}
            stroke="var(--color-ink)"
            strokeWidth="0.8"
            opacity="0.55"
          />
        );
      })}
      <path d={wall} fill="none" stroke="var(--color-ink)" strokeWidth="1.4" />
      {fillMl > 0 && (
        <line x1={fillFrom} x2={width + MARK} y1={y} y2={y} stroke="var(--color-ink)" strokeWidth="1.1" />
      )}
    </svg>
  );
}
