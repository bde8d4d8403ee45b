"use client";

import { useState, type ReactNode } from "react";
import { MOST_MIX_ML } from "@/core/batch/given";
import { conflictWords, amountWords } from "@/core/schedule/amount-words";
import { freeAllCups, giveAmount, giveFilm } from "@/core/schedule/amounts";
import { isFill, type Coat } from "@/core/schedule/coat";
import { filmInAllUnits } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { giveCoat } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { AMOUNT_SOURCES, AmountSource, type AmountSourceId } from "./amount-sources";
import { FILM_SOURCES, FilmSource, type FilmSourceId } from "./film-sources";

/** How much of a coat: the film or the mix is given, in any way that people say it, and the other follows. */
export function AmountPanel({ coat }: { coat: Coat }) {
  const { plan, system, change } = useJob();
  const [source, setSource] = useState<FilmSourceId | AmountSourceId | null>(null);
  const batched = plan.coats.find((planned) => planned.coat.id === coat.id)?.batched ?? null;
  const give = (next: Coat) => change(giveCoat(next));
  const fills = isFill(coat);
  const { given } = coat;
  const follows = given?.by === "cups" ? "follows from the cups" : "follows";
  const sources = [...(fills ? [] : FILM_SOURCES), ...AMOUNT_SOURCES];
  return (
    <div>
      <div className="flex gap-4 items-start">
        {!fills && (
          <Given given={!given} follows={follows}>
            <QuantityField
              label="Wet film"
              value={coat.filmMm}
              dimension="film"
              system={system}
              bounds={{ min: 0.02, max: 60 }}
              onChange={(filmMm) => give(giveFilm(coat, filmMm))}
              keep={`${coat.id}.film`}
              size="large"
              bare
            />
          </Given>
        )}
        {batched && (
          <Given given={given !== undefined && given.by !== "cups"} follows={follows}>
            <QuantityField
              label="Mixed in all"
              value={given?.by === "mixed" ? given.ml : batched.mixMl.likely}
              dimension="volume"
              system={system}
              bounds={{ min: 0.5, max: MOST_MIX_ML }}
              onChange={(ml) => give(giveAmount(coat, { by: "mixed", ml }))}
              keep={`${coat.id}.mixed`}
              size="large"
              bare
            />
          </Given>
        )}
      </div>
      {!fills && (
        <p className="label mt-1.5">
          {filmInAllUnits(coat.filmMm)
            .map(({ number, unit }) => `${number} ${unit}`)
            .join(" · ")}
        </p>
      )}
      {batched && <p className="text-sm mt-1">{amountWords(coat, batched, system)}</p>}
      {batched?.conflict && (
        <div role="alert" className="border-l-2 border-danger pl-2 mt-2 text-sm">
          <p className="text-danger">{conflictWords(batched.conflict, system)}</p>
          <span className="flex gap-4">
            {batched.conflict.kind === "cups" && (
              <>
                <Button weight="quiet" onClick={() => give(giveAmount(coat, { by: "cups" }))}>
                  let {batched.conflict.against === "film" ? "the film" : "the mix"} follow the cups
                </Button>
                <Button weight="quiet" onClick={() => give(freeAllCups(coat))}>
                  let the cups follow
                </Button>
              </>
            )}
            {batched.conflict.kind !== "cups" && (
              <Button weight="quiet" onClick={() => give(giveFilm(coat, coat.filmMm))}>
                go by the film
              </Button>
            )}
          </span>
        </div>
      )}
      <div className="text-sm mt-1.5">
        <span className="text-ink-soft">or by </span>
        {sources.map(({ value, words }, at) => (
          <span key={value}>
            {at > 0 && <span className="text-ink-soft"> · </span>}
            <Button
              weight="quiet"
              aria-expanded={source === value}
              onClick={() => setSource(source === value ? null : value)}
            >
              {words}
            </Button>
          </span>
        ))}
        {source !== null && (
          <div className="bg-shade px-3 py-3 mt-2">
            {FILM_SOURCES.some(({ value }) => value === source) ? (
              <FilmSource
                source={source as FilmSourceId}
                onFilm={(filmMm) => {
                  give(giveFilm(coat, filmMm));
                  setSource(null);
                }}
              />
            ) : (
              <AmountSource source={source as AmountSourceId} coat={coat} onCoat={give} />
            )}
          </div>
        )}
      </div>
    </div>
  );
}

/** A field with a bar below that is drawn full where its number is given, and a word where it follows. */
function Given({ given, follows, children }: { given: boolean; follows: string; children: ReactNode }) {
  return (
    <div className="w-[172px]">
      {children}
      <div className={given ? "border-t-[3px] border-ink mt-1" : "border-t border-line-strong mt-1"}>
        <span className={given ? "text-xs font-semibold" : "label"}>{given ? "given" : follows}</span>
      </div>
    </div>
  );
}
