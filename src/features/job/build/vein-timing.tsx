"use client";

import { useMemo } from "react";
import { beadAreaMm2 } from "@/core/film/flow";
import { minuteForVein, veinForecast, type VeinInFilm } from "@/core/film/vein-timing";
import type { Coat } from "@/core/schedule/coat";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { useDraft } from "@/ui/use-draft";
import { useJob } from "../workspace/use-job";
import { COURSE_MINUTES, SpreadCourse } from "./spread-course";

/** How wide a vein ends, by the minute it is laid, and when to lay one that should end at a width. */
export function VeinTiming({ coat }: { coat: Coat }) {
  const { document, plan, system } = useJob();
  const at = plan.coats.findIndex((planned) => planned.coat.id === coat.id);
  const into = plan.coats
    .slice(0, at + (coat.kind === "vein" ? 0 : 1))
    .findLast((planned) => planned.coat.kind === "colour" || planned.coat.kind === "base");
  const { draft, set } = useDraft(`veins.${coat.id}`, { laidMm: 3, heightMm: 1, minute: 45, wishedMm: 6 });
  const film = useMemo<VeinInFilm | null>(
    () =>
      into?.resin
        ? {
            vein: { widthMm: draft.laidMm, areaMm2: beadAreaMm2(draft.laidMm, draft.heightMm) },
            resin: into.resin,
            tempC: document.work.tempC,
            filmMm: into.coat.filmMm,
          }
        : null,
    [into, draft.laidMm, draft.heightMm, document.work.tempC],
  );
  const course = useMemo(
    () => (film ? COURSE_MINUTES.map((minute) => ({ minute, value: veinForecast(film, minute) })) : []),
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
      <SpreadCourse course={course} minute={draft.minute} name="Final width by the minute of laying" />
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
