"use client";

import { splitParts } from "@/core/batch/parts";
import type { FittedResin } from "@/core/cure/fitted-resin";
import type { CombAt } from "@/core/inspect/inspection";
import type { FilmOnPiece } from "@/core/inspect/film-on-piece";
import { SHOWN_UNIT, type UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText, rangeText, trimmed } from "@/core/units/format-quantity";
import { Figure } from "@/ui/figure";
import { QuantityField } from "@/ui/quantity-field";
import { CombDrawing } from "./comb-drawing";

/** Film by comb: a place is touched on the drawing, then the last tooth that came up wet. */
export function FilmPanel({
  film,
  resin,
  combs,
  teethMm,
  placeWords,
  placeOf,
  minMm,
  system,
  onMin,
  onRead,
  onTakeBack,
}: {
  film: FilmOnPiece | null;
  resin: FittedResin | null;
  combs: readonly CombAt[];
  teethMm: readonly number[];
  /** The place that was touched, in words; null before. */
  placeWords: string | null;
  placeOf: (comb: CombAt) => string;
  minMm: number | null;
  system: UnitSystem;
  onMin: (mm: number | null) => void;
  onRead: (wetted: number) => void;
  onTakeBack: (comb: CombAt) => void;
}) {
  if (!film || !resin)
    return (
      <p className="text-ink-soft">
        A film map needs a flat piece, and a coat on it that was mixed. On a wall that turns, the comb is read
        by hand.
      </p>
    );
  const { map, volumeMl, missingMl, mixMl } = film;
  const mean = map.meanOfAllUm / 1000;
  const few = film.readings.length === 0;
  const parts = splitParts(mixMl.high, resin);
  const grams = (g: number) => `${trimmed(g, g < 100 ? 1 : 0)} g`;
  const short = missingMl.likely >= 0.5;
  return (
    <section aria-label="Film">
      <p className="mb-1">
        {placeWords === null ? (
          "Touch a place on the drawing, stand the comb there, square to the face."
        ) : (
          <>
            <span className="font-semibold">{placeWords}.</span> Touch the last tooth that came up wet.
          </>
        )}
      </p>
      <fieldset disabled={placeWords === null} className="disabled:opacity-45">
        <CombDrawing teethMm={teethMm} wetted={null} system={system} onRead={onRead} />
      </fieldset>
      <p className="label mt-1">
        Teeth of the shop&apos;s comb, {SHOWN_UNIT.comb[system]}. They are set on Bench.
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-4 mt-5">
        <div>
          <div className="label">missing to the smallest film</div>
          <Figure value={missingMl.likely} dimension="volume" system={system} size="large" />
          <div className="label">
            eight in ten: {rangeText(missingMl, "volume", system)}, on {trimmed(map.areaBelowShare * 100, 0)}{" "}
            % of it
          </div>
        </div>
        <div>
          <div className="label">mean film</div>
          <Figure value={mean} dimension="comb" system={system} size="large" />
          <div className="label">
            planned {quantityText(film.plannedUm / 1000, "comb", system)}; by the cups{" "}
            {quantityText(volumeMl.likely, "volume", system)} lie on it (
            {rangeText(volumeMl, "volume", system)})
          </div>
        </div>
      </div>
      <QuantityField
        label="Smallest film wanted"
        value={minMm ?? film.minUm / 1000}
        dimension="comb"
        system={system}
        bounds={{ min: 0.01, max: 100 }}
        onChange={onMin}
        className="w-44 mt-4"
      />
      {short && (
        <div className="border-l-[3px] border-ink pl-3 mt-4">
          <p>
            To bring it up mix{" "}
            <span className="figure text-xl">{quantityText(mixMl.high, "volume", system)}</span>{" "}
            <span className="text-ink-soft">({quantityText(mixMl.high, "volume", otherSystem(system))})</span>
            :{" "}
            <span className="figure">
              A {grams(parts.aG)}, B {grams(parts.bG)}
              {parts.cG > 0 && `, C ${grams(parts.cG)}`}
            </span>
            . The likely need is {quantityText(mixMl.likely, "volume", system)}; so much is enough in nine of
            ten.
          </p>
          <p className="text-sm text-ink-soft mt-1">
            Only while it still runs together, or inside the recoat window of the card; after that as a coat
            of its own, sanded. Losses of a small cup and a brush are in it.
          </p>
        </div>
      )}
      <p className="text-sm text-ink-soft mt-4">
        {few
          ? "No reading yet: the map knows only the volume. "
          : "Dotted: no reading near enough to say. Hatched: likely below the smallest film. "}
        The next reading tells most where the drawing says.
      </p>
      {combs.length > 0 && (
        <table className="w-full text-sm mt-4">
          <thead>
            <tr className="label text-left">
              <th className="font-normal py-1">Where</th>
              <th className="font-normal">Wet to</th>
              <th className="font-normal">Dry at</th>
              <th aria-label="Take back" />
            </tr>
          </thead>
          <tbody>
            {combs.map((comb) => (
              <tr key={comb.id} className="border-t border-line">
                <td className="py-1">{placeOf(comb)}</td>
                <td className="figure">
                  {comb.wetMm === null ? "none" : quantityText(comb.wetMm, "comb", system)}
                </td>
                <td className="figure">
                  {comb.dryMm === null ? "all wet" : quantityText(comb.dryMm, "comb", system)}
                </td>
                <td className="text-right">
                  <button
                    type="button"
                    onClick={() => onTakeBack(comb)}
                    className="underline underline-offset-4 decoration-line-strong hover:decoration-ink min-h-8"
                  >
                    take back
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
