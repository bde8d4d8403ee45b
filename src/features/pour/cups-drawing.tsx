"use client";

import type { Cup } from "@/core/batch/batch-coat";
import { fillHeightMm, type Vessel } from "@/core/batch/vessel";
import type { CoatColour } from "@/core/batch/coat-colour";
import { cupTitle } from "@/core/pour/step-words";
import { cupsMl } from "@/core/pour/weigh-lines";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { scaleToHeight, vesselLines } from "@/ui/vessel-outline";

const GAP_PX = 26;
const WORDS_PX = 74;
/** Two parts mixed, without a colour. */
const CLEAR = "#d9cfb2";

type Shown = { id: string; title: string; vessel: Vessel; ml: number; hex: string };

/** Into which cups a pot is split, how high each is filled, in the order of the numbers; the pot alone where it is not split. */
export function CupsDrawing({
  cups,
  colours,
  pot,
  potMl,
  system,
  width,
  height,
}: {
  cups: readonly Cup[];
  colours: readonly CoatColour[];
  pot: Vessel;
  potMl: number;
  system: UnitSystem;
  width: number;
  height: number;
}) {
  const volumes = cupsMl(cups, system);
  const shown: Shown[] =
    cups.length > 1
      ? cups.map((cup, n) => ({
          id: cup.colourId,
          title: cupTitle(cup),
          vessel: cup.vessel,
          ml: volumes[n] ?? cup.ml,
          hex: colours.find(({ id }) => id === cup.colourId)?.hex ?? CLEAR,
        }))
      : [{ id: "pot", title: "Pot", vessel: pot, ml: potMl, hex: CLEAR }];
  const rows = shown.length > 4 ? 2 : 1;
  const perRow = Math.ceil(shown.length / rows);
  const cell = { width: (width - GAP_PX * (perRow - 1)) / perRow, height: height / rows };
  const scale = Math.min(
    scaleToHeight(
      shown.map(({ vessel }) => vessel),
      cell.height - WORDS_PX - 14,
    ),
    cell.width / Math.max(...shown.map(({ vessel }) => 2 * vessel.topRadiusMm)),
  );
  return (
    <div className="flex flex-wrap content-start" style={{ columnGap: GAP_PX }}>
      {shown.map(({ id, title, vessel, ml, hex }, n) => {
        const lines = vesselLines(vessel, ml, scale);
        const top = cell.height - WORDS_PX - 8 - lines.height;
        const y = top + lines.height - fillHeightMm(vessel, ml) * scale;
        return (
          <figure key={id} style={{ width: cell.width, height: cell.height }} className="min-w-0">
            <svg
              width={cell.width}
              height={cell.height - WORDS_PX}
              role="img"
              aria-label={`${title}, ${quantityText(ml, "volume", system)}`}
              className="block"
            >
              <g transform={`translate(2 ${top})`}>
                <path d={lines.fill} fill={hex} stroke="var(--color-night-soft)" className="vessel-fill" />
                <path d={lines.wall} fill="none" stroke="var(--color-night-ink)" strokeWidth="2.5" />
              </g>
              <path d={`M${lines.width - 2} ${y}h14`} stroke="var(--color-night-ink)" strokeWidth="2.5" />
            </svg>
            <figcaption>
              <span className="figure text-2xl block leading-tight">
                {quantityText(ml, "volume", system)}
              </span>
              <span className="text-lg block leading-tight truncate">
                {shown.length > 1 ? `${n + 1} ` : ""}
                {title}
              </span>
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
