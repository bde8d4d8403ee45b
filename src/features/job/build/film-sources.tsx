"use client";

import { useState } from "react";
import { FACTORS, factorSpread } from "@/core/batch/factors";
import { combFilm, NOTCH_WORDS, notchedFilm, type NotchShape } from "@/core/film/film-sources";
import type { Spread } from "@/core/numerics/spread";
import { MM_PER_INCH } from "@/core/units/constants";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";

export type FilmSourceId = "notch" | "comb";

export const FILM_SOURCES: { value: FilmSourceId; words: string }[] = [
  { value: "notch", words: "notch" },
  { value: "comb", words: "comb" },
];

/** A film found by what is at hand: a notched edge, or the reading of a comb. */
export function FilmSource({ source, onFilm }: { source: FilmSourceId; onFilm: (filmMm: number) => void }) {
  return source === "notch" ? <ByNotch onFilm={onFilm} /> : <ByComb onFilm={onFilm} />;
}

/** What was found, with its spread, to be taken over. */
function Found({ film, why, onFilm }: { film: Spread; why: string; onFilm: (filmMm: number) => void }) {
  const { system } = useJob();
  const written = (mm: number) => quantityText(mm, "film", system);
  return (
    <div className="flex items-end gap-4 mt-3">
      <div className="flex-1">
        <span className="figure text-xl">{written(film.likely)}</span>
        <span className="label ml-2">
          {written(film.low)} to {written(film.high)}
        </span>
        <p className="label">{why}</p>
      </div>
      <Button onClick={() => onFilm(Number(film.likely.toFixed(3)))}>take it</Button>
    </div>
  );
}

function ByNotch({ onFilm }: { onFilm: (filmMm: number) => void }) {
  const { document, system, change } = useJob();
  const [shape, setShape] = useState<NotchShape>("square");
  const [size, setSize] = useState({
    widthMm: MM_PER_INCH / 8,
    depthMm: MM_PER_INCH / 8,
    gapMm: MM_PER_INCH / 8,
  });
  const share = factorSpread("notchShare", document.factors);
  return (
    <>
      <Choice
        label="Shape of the notch"
        value={shape}
        options={(Object.keys(NOTCH_WORDS) as NotchShape[]).map((value) => ({
          value,
          words: NOTCH_WORDS[value],
        }))}
        onChange={setShape}
      />
      <div className="grid grid-cols-4 gap-2 mt-2">
        {(
          [
            ["widthMm", "Wide"],
            ["depthMm", "Deep"],
            ["gapMm", "Land between"],
          ] as const
        ).map(([field, words]) => (
          <QuantityField
            key={field}
            label={words}
            value={size[field]}
            dimension="length"
            system={system}
            bounds={{ min: field === "gapMm" ? 0 : 0.2, max: 60 }}
            onChange={(value) => setSize({ ...size, [field]: value })}
          />
        ))}
        <QuantityField
          label="Stays"
          value={share.likely * 100}
          dimension="percent"
          system={system}
          bounds={{ min: 5, max: 150 }}
          onChange={(percent) =>
            change((job) => ({ ...job, factors: { ...job.factors, notchShare: percent / 100 } }))
          }
          keep="job.notchShare"
          bare
        />
      </div>
      <Found film={notchedFilm({ shape, ...size }, share)} why={FACTORS.notchShare.why} onFilm={onFilm} />
    </>
  );
}

function ByComb({ onFilm }: { onFilm: (filmMm: number) => void }) {
  const { system } = useJob();
  const [teeth, setTeeth] = useState({ wet: 0.9, dry: 1.1 });
  const wrong = teeth.dry <= teeth.wet ? "The first dry tooth stands above the last wet one." : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          label="Last tooth that is wet"
          value={teeth.wet}
          dimension="film"
          system="metric"
          bounds={{ min: 0, max: 20 }}
          onChange={(wet) => setTeeth({ ...teeth, wet })}
          bare
        />
        <QuantityField
          label="First tooth that is dry"
          value={teeth.dry}
          dimension="film"
          system="metric"
          bounds={{ min: 0.01, max: 20 }}
          onChange={(dry) => setTeeth({ ...teeth, dry })}
          fault={wrong}
          bare
        />
      </div>
      {!wrong && (
        <Found
          film={combFilm(teeth.wet, teeth.dry)}
          why={`A comb tells an interval: above ${quantityText(teeth.wet, "film", system)}, not above ${quantityText(teeth.dry, "film", system)} (ISO 2808, ASTM D4414). Read in several places.`}
          onFilm={onFilm}
        />
      )}
    </>
  );
}
