"use client";

import { useMemo } from "react";
import { faceForecast, minuteForFace, type FaceFilm } from "@/core/film/face-timing";
import type { Coat } from "@/core/schedule/coat";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { useDraft } from "@/ui/use-draft";
import { useJob } from "../workspace/use-job";
import { COURSE_MINUTES, SpreadCourse } from "./spread-course";

/** What is left at the foot of an upright face, by the minute it is brushed, and from when on it keeps a wished film. */
export function FaceTiming({ coat }: { coat: Coat }) {
  const { document, plan, system } = useJob();
  const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === coat.id);
  const { faceAreaMm2, faceLengthMm } = plan.totals;
  const faceMm = faceLengthMm > 0 ? faceAreaMm2 / faceLengthMm : 0;
  const { draft, set } = useDraft(`faces.${coat.id}`, { minute: 30, wishedMm: 0.1 });
  const film = useMemo<FaceFilm | null>(
    () =>
      planned?.resin && planned.resin.kind !== "paint" && faceMm > 0
        ? {
            resin: planned.resin,
            tempC: document.work.tempC,
            faceMm,
            laidMm: coat.filmMm,
          }
        : null,
    [planned, faceMm, document.work.tempC, coat.filmMm],
  );
  const course = useMemo(
    () => (film ? COURSE_MINUTES.map((minute) => ({ minute, value: faceForecast(film, minute) })) : []),
    [film],
  );
  if (!film) return null;
  const left = faceForecast(film, draft.minute);
  const when = minuteForFace(film, draft.wishedMm);
  // So thin a film is read off a comb: not by what a square foot takes.
  const thick = (mm: number) => (system === "us" ? `${decimal(mm / 0.0254, 1)} mil` : `${decimal(mm, 2)} mm`);
  return (
    <section aria-label="Faces" className="mt-5">
      <h3 className="heading border-b border-line pb-1 mb-2">What a face keeps</h3>
      <div className="grid grid-cols-3 gap-3">
        <QuantityField
          label="Brushed at minute"
          value={draft.minute}
          dimension="minutes"
          system={system}
          bounds={{ min: 0, max: 1000 }}
          onChange={(minute) => set({ minute })}
          bare
        />
        <QuantityField
          label="Film to keep"
          value={draft.wishedMm}
          dimension="film"
          system={system}
          bounds={{ min: 0.01, max: 3 }}
          onChange={(wishedMm) => set({ wishedMm })}
          bare
        />
      </div>
      <div className="flex items-baseline gap-4 mt-3">
        <span className="figure text-3xl leading-none">{thick(left.likely)}</span>
        <span className="label">
          {thick(left.low)} to {thick(left.high)} at the foot of {quantityText(faceMm, "length", system)}
        </span>
      </div>
      <SpreadCourse course={course} minute={draft.minute} name="Film left by the minute of brushing" />
      <p className="text-sm mt-1">
        {when.kind === "at" && (
          <>
            It keeps {thick(draft.wishedMm)} when brushed at minute{" "}
            <span className="figure">{decimal(when.minutes, 0)}</span> or later.
          </>
        )}
        {when.kind === "at once" && `It keeps ${thick(draft.wishedMm)} as it is first laid.`}
        {when.kind === "too thin" &&
          `The coat is laid at ${thick(when.laidMm)}: more than that no face keeps.`}
      </p>
      <p className="label mt-1">
        Higher up it is thinner, but fed from the top while that still flows: brush again, corners first,
        outside before inside.
      </p>
    </section>
  );
}
