"use client";

import type { Batch, BatchedCoat } from "@/core/batch/batch-coat";
import type { Vessel } from "@/core/batch/vessel";
import type { PlannedCoat } from "@/core/plan/timed";
import { sectionWords } from "@/core/pour/step-words";
import { cupsMl, dosesWords, doseWords, partText, weighable } from "@/core/pour/weigh-lines";
import { Choice } from "@/ui/choice";
import { Figure } from "@/ui/figure";
import { useSize } from "@/ui/use-size";
import { VesselDrawing } from "@/ui/vessel-drawing";
import { quantityText } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";

/** Colours of the two parts as they stand in their buckets. */
const PART_HEX = { a: "#e9dfc2", b: "#f3e7b8", mixed: "#ede3c4", filler: "#cfcabd" };
const TALLEST_PX = 150;

/** Least breadth of a vessel's column: its name and figures stand below. Gap between columns. */
const COLUMN_PX = 112;
const GAP_PX = 26;

/** The largest scale at which a row of vessels, each with its words, fits its height and width. */
function scaleOf(vessels: readonly Vessel[], width: number): number {
  let scale = TALLEST_PX / Math.max(1, ...vessels.map((vessel) => vessel.heightMm));
  const wide = () =>
    vessels.reduce(
      (sum, vessel) => sum + Math.max(COLUMN_PX, vessel.topRadiusMm * 2 * scale + 20) + GAP_PX,
      0,
    );
  while (wide() > width && scale > 0.05) {
    const before = wide();
    scale *= 0.95;
    // Words alone fill the row: it will wrap, and smaller vessels would not help.
    if (wide() === before) break;
  }
  return scale;
}

/** One batch: A and B, the pot, and its cups with fill lines. */
export function BatchPanel({
  planned,
  batch,
  grown,
  onBatch,
}: {
  planned: PlannedCoat & { batched: BatchedCoat };
  batch: Batch;
  /** Its size over the planned, after what the scale showed. */
  grown: number;
  onBatch: (number: number) => void;
}) {
  const { system, plan } = useJob();
  const stepG = plan.atHand.scaleStepG;
  const { ref: rowRef, width: rowWidth } = useSize<HTMLDivElement>();
  const { batched, coat, resin } = planned;
  const paint = resin?.kind === "paint";
  const many = batched.batches.length > 1;
  const { aG, bG, cG, mixG } = weighable(batch.parts, stepG);
  const volumes = cupsMl(batch.cups, system);
  const lookOf = (colourId: string) => coat.colours.find((colour) => colour.id === colourId);
  const ownParts = batch.cups.some((cup) => cup.parts !== null);
  const potScale = scaleOf(
    batch.parts.cG > 0 ? [batch.pot, batch.pot, batch.pot, batch.pot] : [batch.pot, batch.pot, batch.pot],
    (rowWidth || 620) - 90,
  );
  const cupScale = Math.min(
    potScale * 1.6,
    scaleOf(
      batch.cups.map((cup) => cup.vessel),
      rowWidth || 620,
    ),
  );
  const tallestCup = Math.max(...batch.cups.map((cup) => cup.vessel.heightMm)) * cupScale + 4;
  const lives = batched.potLifeMin
    ? `lives ${Math.round(batched.potLifeMin.low)} to ${Math.round(batched.potLifeMin.high)} min in the ${ownParts ? "cup" : "pot"}`
    : "";
  const single = batch.cups.length === 1 ? batch.cups[0] : undefined;
  const singleLook = single ? lookOf(single.colourId) : undefined;

  return (
    <div ref={rowRef}>
      <div className="flex items-baseline gap-4 flex-wrap mb-3">
        <h2 className="heading text-xl">
          {many ? `Batch ${batch.number} of ${batched.batches.length}` : "One batch"}
        </h2>
        <span className="text-ink-soft">{sectionWords(batch.sections, system)}</span>
        {Math.abs(grown - 1) > 0.0005 && (
          <span className="text-sm border-l-[3px] border-ink pl-2">
            as weighed: {Math.round(grown * 100)} % of the plan
          </span>
        )}
        {many && (
          <Choice
            label="Batch"
            value={String(batch.number)}
            options={batched.batches.map((batch) => ({
              value: String(batch.number),
              words: String(batch.number),
            }))}
            onChange={(number) => onBatch(Number(number))}
            className="ml-auto"
          />
        )}
      </div>

      {!ownParts && (
        <div className="flex items-start gap-5 mb-5 overflow-hidden">
          {!paint && (
            <>
              <VesselWithFigure
                vessel={batch.pot}
                fillMl={batch.parts.aMl}
                hex={PART_HEX.a}
                look="clear"
                pxPerMm={potScale}
                name="A"
                grams={aG}
                ml={batch.parts.aMl}
              />
              <span aria-hidden className="text-2xl text-ink-soft pt-14">
                +
              </span>
              <VesselWithFigure
                vessel={batch.pot}
                fillMl={batch.parts.bMl}
                hex={PART_HEX.b}
                look="clear"
                pxPerMm={potScale}
                name="B"
                grams={bG}
                ml={batch.parts.bMl}
              />
              {batch.parts.cG > 0 && (
                <>
                  <span aria-hidden className="text-2xl text-ink-soft pt-14">
                    +
                  </span>
                  <VesselWithFigure
                    vessel={batch.pot}
                    fillMl={batch.parts.cMl}
                    hex={PART_HEX.filler}
                    look="opaque"
                    pxPerMm={potScale}
                    name="C, filler"
                    grams={cG}
                    ml={batch.parts.cMl}
                  />
                </>
              )}
              <svg width="34" height="14" viewBox="0 0 34 14" aria-hidden className="mt-[70px] shrink-0">
                <path d="M0 7h32M24 1l9 6-9 6" fill="none" stroke="var(--color-ink-soft)" strokeWidth="1.3" />
              </svg>
            </>
          )}
          <VesselWithFigure
            vessel={batch.pot}
            fillMl={batch.parts.mixMl}
            hex={singleLook?.hex ?? PART_HEX.mixed}
            look={singleLook?.look ?? "clear"}
            pxPerMm={potScale}
            name={paint ? single?.name || "Paint" : "Pot"}
            grams={mixG}
            ml={batch.parts.mixMl}
            beside={[single && single.doses.length > 0 ? dosesWords(single, stepG) : null, lives]
              .filter(Boolean)
              .join(" · ")}
          />
        </div>
      )}

      {(batch.cups.length > 1 || ownParts) && (
        <div className="flex items-start gap-x-6 gap-y-4 flex-wrap border-b border-line pb-4">
          {batch.cups.map((cup, index) => {
            const colour = lookOf(cup.colourId);
            return (
              <div key={cup.colourId} className="min-w-[84px]">
                <div className="flex items-end" style={{ height: tallestCup }}>
                  <VesselDrawing
                    vessel={cup.vessel}
                    fillMl={cup.ml}
                    hex={colour?.hex ?? PART_HEX.mixed}
                    look={colour?.look ?? "clear"}
                    pxPerMm={cupScale}
                    label={`${cup.name}, ${quantityText(volumes[index] ?? cup.ml, "volume", system)}`}
                  />
                </div>
                <div className="font-semibold mt-1.5 text-sm">
                  {index + 1} {cup.name}
                </div>
                {cup.places.map((place) => (
                  <div key={place} className="label max-w-[140px]">
                    {place}
                  </div>
                ))}
                <Figure
                  value={volumes[index] ?? cup.ml}
                  dimension="volume"
                  system={system}
                  size="medium"
                  only
                />
                <div className="label">
                  {quantityText(cup.g, "mass", system)} · {Math.round((cup.ml / batch.parts.mixMl) * 100)} %
                </div>
                {cup.doses.map((dose) => (
                  <div key={dose.id} className="label">
                    {cup.doses.length > 1 ? `${dose.name} ` : ""}
                    {doseWords(dose, stepG)}
                  </div>
                ))}
                {cup.parts && (
                  <div className="label">
                    A {partText(weighable(cup.parts, stepG).aG)} g + B{" "}
                    {partText(weighable(cup.parts, stepG).bG)} g
                  </div>
                )}
              </div>
            );
          })}
        </div>
      )}
    </div>
  );
}

function VesselWithFigure({
  name,
  grams,
  ml,
  beside,
  ...drawing
}: {
  vessel: Vessel;
  fillMl: number;
  hex: string;
  look: "opaque" | "metallic" | "tint" | "clear";
  pxPerMm: number;
  name: string;
  grams: number;
  ml: number;
  beside?: string;
}) {
  const { system } = useJob();
  return (
    <div>
      <VesselDrawing {...drawing} label={`${name}, ${quantityText(ml, "volume", system)}`} />
      <div className="font-semibold mt-1.5 text-sm">{name}</div>
      <Figure value={grams} dimension="mass" system={system} size="medium" only />
      <div className="label whitespace-nowrap">
        {quantityText(ml, "volume", "metric")} · {quantityText(ml, "volume", "us")}
      </div>
      {beside && <div className="label">{beside}</div>}
    </div>
  );
}
