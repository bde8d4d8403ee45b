"use client";

import type { FillMark, FillVessel } from "@/core/pour/act-picture";
import { fillHeightMm } from "@/core/batch/vessel";
import { scaleToHeight, vesselLines } from "@/ui/vessel-outline";

/** Lines of text beside a vessel stand so far from each other, px. */
const LINE_PX = 62;
/** Room for them, px. */
const WORDS_PX = 210;
const MOST_SHOWN = 4;

/** The vessels of a weighing as they fill: each line rises to its mark, the one that is next stands out. */
export function WeighDrawing({
  vessels,
  width,
  height,
}: {
  vessels: readonly FillVessel[];
  width: number;
  height: number;
}) {
  const next = vessels.find(({ marks }) => marks.some(({ isIn }) => !isIn)) ?? vessels.at(-1);
  if (!next) return null;
  // One vessel at a time, large; where there is room those beside it.
  const at = vessels.indexOf(next);
  const room = Math.max(1, Math.min(MOST_SHOWN, Math.floor(width / (WORDS_PX + 120))));
  const from = Math.max(0, Math.min(at, vessels.length - room));
  const shown = vessels.slice(from, from + room);
  const each = width / shown.length;
  const wide = Math.max(...shown.map(({ vessel }) => 2 * vessel.topRadiusMm));
  const names = vessels.length > 1 ? 34 : 0;
  const scale = Math.min(
    scaleToHeight(
      shown.map(({ vessel }) => vessel),
      height - names - 24,
    ),
    (each - WORDS_PX) / wide,
  );
  return (
    <div className="flex">
      {shown.map((vessel) => (
        <Filling
          key={vessel.id}
          filling={vessel}
          isNext={vessel === next}
          width={each}
          height={height}
          scale={scale}
        />
      ))}
    </div>
  );
}

/** Where each line's words stand: at its mark, or so far above the ones below that both can be read. */
function wordsAt(marks: readonly FillMark[], yOf: (ml: number) => number): number[] {
  let below = Infinity;
  return marks.map(({ toMl }) => {
    const y = Math.min(yOf(toMl), below - LINE_PX);
    below = y;
    return y;
  });
}

function Filling({
  filling: { name, vessel, marks, filledMl },
  isNext,
  width,
  height,
  scale,
}: {
  filling: FillVessel;
  isNext: boolean;
  width: number;
  height: number;
  scale: number;
}) {
  const lines = vesselLines(vessel, Math.max(0, filledMl), scale);
  const top = height - lines.height - 8;
  const yOf = (ml: number) => top + lines.height - fillHeightMm(vessel, ml) * scale;
  const next = isNext ? marks.find(({ isIn }) => !isIn) : undefined;
  const words = wordsAt(marks, yOf);
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${name ?? "The pot"} as it fills`}
      className="block overflow-visible"
    >
      {name && (
        <text x="0" y={Math.max(20, top - 16)} className="heading text-2xl" fill="var(--color-night-ink)">
          {name}
        </text>
      )}
      <g transform={`translate(1 ${top})`}>
        {filledMl > 0 && <path d={lines.fill} fill="var(--color-night-soft)" className="vessel-fill" />}
        <path d={lines.wall} fill="none" stroke="var(--color-night-ink)" strokeWidth="3" />
      </g>
      {marks.map((mark, n) => {
        const y = yOf(mark.toMl);
        const isDue = mark === next;
        const colour = isDue
          ? "var(--color-signal-night)"
          : mark.isIn
            ? "var(--color-night-soft)"
            : "var(--color-night-ink)";
        const at = words[n] ?? y;
        const right = lines.width + 6;
        return (
          <g key={mark.line} stroke={colour} fill={colour}>
            <path
              d={`M6 ${y}H${right}L${right + 22} ${at}H${right + 34}`}
              fill="none"
              strokeWidth={isDue ? 3.5 : 1.6}
              strokeDasharray={mark.isIn || isDue ? undefined : "6 5"}
            />
            <text x={right + 42} y={at + 2} stroke="none" className="figure text-3xl">
              {mark.shown} g
            </text>
            <text x={right + 42} y={at + 22} stroke="none" className="text-lg">
              {mark.label}
              {mark.isIn ? ", in" : ""}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
