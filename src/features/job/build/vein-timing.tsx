"use client";

import { useMemo } from "react";
import { beadAreaMm2 } from "@/core/film/flow";
import { minuteForVein, veinForecast, type VeinInFilm } from "@/core/film/vein-timing";
import type { Spread } from "@/core/numerics/spread";
import type { Coat } from "@/core/schedule/coat";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { useDraft } from "@/ui/use-draft";
import { useJob } from "../workspace/use-job";

const CHART = { width: 356, height: 96, left: 4, foot: 18, untilMin: 150 };
const MINUTES = Array.from({ length: 16 }, (_, index) => index * 10);

/** How wide a vein ends, by the minute it is laid, and when to lay one that should end at a width. */
export function VeinTiming({ coat }: { coat: Coat }) {
  const { document, plan, system } = useJob();
  const at = plan.coats.findIndex((one) => one.coat.id === coat.id);
  const into = plan.coats
    .slice(0, at + (coat.kind === "vein" ? 0 : 1))
    .findLast((one) => one.coat.kind === "colour" || one.coat.kind === "base");
  const { draft, set } = useDraft(`veins.${coat.id}`, { laidMm: 3, heightMm: 1, minute: 45, wishedMm: 6 });
  const film = useMemo<VeinInFilm | null>(
    () =>
      into?.card && into.calibration
        ? {
            vein: { widthMm: draft.laidMm, areaMm2: beadAreaMm2(draft.laidMm, draft.heightMm) },
            card: into.card,
            calibration: into.calibration,
            tempC: document.work.tempC,
            filmMm: into.coat.filmMm,
          }
        : null,
    [into, draft.laidMm, draft.heightMm, document.work.tempC],
  );
  const course = useMemo(
    () => (film ? MINUTES.map((minute) => ({ minute, width: veinForecast(film, minute) })) : []),
    [film],
  );
  if (!film || !into) return null;
  const width = veinForecast(film, draft.minute);
  const when = minuteForVein(film, draft.wishedMm);
  const length = (mm: number) => quantityText(mm, "length", system);
  const field = (label: string, value: number, max: number, change: (mm: number) => void) => (
    <QuantityField
      label={label}
      value={value}
      dimension="length"
      system={system}
      bounds={{ min: 0.2, max }}
      onChange={change}
      bare
    />
  );
  return (
    <section aria-label="Vein timing" className="mt-5">
      <h3 className="heading border-b border-line pb-1 mb-2">How wide a vein ends</h3>
      <div className="grid grid-cols-3 gap-3">
        {field("Laid width", draft.laidMm, 100, (laidMm) => set({ laidMm }))}
        {field("Its height", draft.heightMm, 20, (heightMm) => set({ heightMm }))}
        <QuantityField
          label="Laid at minute"
          value={draft.minute}
          dimension="minutes"
          system={system}
          bounds={{ min: 0, max: 1000 }}
          onChange={(minute) => set({ minute })}
          bare
        />
      </div>
      <div className="flex items-baseline gap-4 mt-3">
        <span className="figure text-3xl leading-none">{length(width.likely)}</span>
        <span className="label">
          {length(width.low)} to {length(width.high)}, in {into.coat.name},{" "}
          {quantityText(film.filmMm, "film", system)}
        </span>
      </div>
      <WidthCourse course={course} minute={draft.minute} />
      <div className="grid grid-cols-[110px_1fr] gap-3 items-end mt-2">
        {field("Wished width", draft.wishedMm, 200, (wishedMm) => set({ wishedMm }))}
        <p className="text-sm pb-1.5">
          {when.kind === "at" && (
            <>
              Lay it at minute <span className="figure">{decimal(when.minutes, 0)}</span>.
            </>
          )}
          {when.kind === "too wide" && `Its own liquid comes to ${length(when.leastMm)}: lay less.`}
          {when.kind === "never so wide" &&
            `Even in the fresh film it comes to ${length(when.mostMm)}: lay more.`}
        </p>
      </div>
      <p className="label mt-1">
        How far surface tension draws it out is assumed, by a factor of two; measure one of your own and keep
        the minute.
      </p>
    </section>
  );
}

/** Final width by the minute of laying, with its spread. */
function WidthCourse({ course, minute }: { course: { minute: number; width: Spread }[]; minute: number }) {
  const most = Math.max(...course.map(({ width }) => width.high)) || 1;
  const x = (at: number) =>
    CHART.left + (Math.min(CHART.untilMin, at) / CHART.untilMin) * (CHART.width - CHART.left);
  const y = (mm: number) => (CHART.height - CHART.foot) * (1 - mm / most);
  const line = (of: (width: Spread) => number) =>
    course.map((one) => `${x(one.minute)} ${y(of(one.width))}`).join("L");
  const back = [...course]
    .reverse()
    .map((one) => `${x(one.minute)} ${y(one.width.low)}`)
    .join("L");
  return (
    <svg
      width={CHART.width}
      height={CHART.height}
      viewBox={`0 0 ${CHART.width} ${CHART.height}`}
      role="img"
      aria-label="Final width by the minute of laying"
      className="block mt-2 max-w-full"
    >
      <path d={`M${line((width) => width.high)}L${back}Z`} fill="var(--color-shade)" />
      <path d={`M${line((width) => width.likely)}`} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      <line x1={CHART.left} x2={CHART.width} y1={y(0)} y2={y(0)} stroke="var(--color-ink)" />
      {[0, 30, 60, 90, 120].map((tick) => (
        <text key={tick} x={x(tick)} y={CHART.height - 3} fontSize="12" fill="var(--color-ink-soft)">
          {tick === 0 ? "0 min" : tick}
        </text>
      ))}
      <line x1={x(minute)} x2={x(minute)} y1={0} y2={y(0)} stroke="var(--color-ink)" strokeDasharray="3 3" />
    </svg>
  );
}
