"use client";

import { useState } from "react";
import type { CoatColour } from "@/core/batch/coat-colour";
import { gramsPerCount } from "@/core/batch/dose";
import { opticsOf, type ColourCard } from "@/core/colour/colour-card";
import { blackForGrey, ladderAround } from "@/core/colour/grey-ladder";
import { hexOfLab } from "@/core/colour/spaces";
import { decimal, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";

/** White and black to a wished grey, in grams and drops for this cup, and what one drop more does. */
export function GreyLadder({
  colour,
  cards,
  cupG,
  onDose,
}: {
  colour: CoatColour;
  cards: ReadonlyMap<string, ColourCard>;
  cupG: number | null;
  onDose: (cardId: string, gPer100G: number) => void;
}) {
  const [wished, setWished] = useState(70);
  const known = (colour.parts ?? []).flatMap((part) => {
    const card = cards.get(part.cardId);
    const optics = card && opticsOf(card);
    return card && optics ? [{ part, card, matter: optics.matter, strength: optics.strength }] : [];
  });
  const white = known.find(({ card }) => card.index === "PW6");
  const black = known.find(({ card }) => card.index === "PBk7");
  if (!white || !black || known.length !== 2 || cupG === null || !(white.part.gPer100G > 0)) return null;
  const whiteG = (white.part.gPer100G * cupG) / 100;
  const { measure } = black.card;
  const dropG = measure.unit === "drop" ? gramsPerCount(measure) : 0.05;
  const grams = blackForGrey(white.matter, whiteG, black.matter, wished);
  const now = Math.round((black.part.gPer100G * cupG) / 100 / dropG);
  // Only the proportion of both counts: the less sure of the two leaves it open.
  const strength = Math.max(white.strength, black.strength);
  const rungs = ladderAround(white.matter, whiteG, black.matter, dropG, now, strength);
  return (
    <div>
      <h3 className="heading border-b border-line pb-1 mb-2">Grey ladder</h3>
      <div className="flex items-end gap-3">
        <QuantityField
          label="Wished grey, L*"
          value={wished}
          dimension="number"
          system="metric"
          bounds={{ min: 3, max: 96 }}
          onChange={setWished}
          className="w-28"
          bare
        />
        {grams === null ? (
          <p className="text-sm pb-1.5">This white and this black do not reach it.</p>
        ) : (
          <p className="text-sm pb-1.5">
            <span className="figure">{trimmed(grams, grams < 1 ? 3 : 2)} g</span> of{" "}
            {black.card.name.toLowerCase()} to {trimmed(whiteG, 1)} g of white, {trimmed(grams / dropG, 1)}{" "}
            drops.{" "}
            <span className="label">
              {trimmed(grams / strength, 3)} to {trimmed(grams * strength, 2)} g as strong as their cards
              leave it open: begin with the least.
            </span>{" "}
            <Button weight="quiet" onClick={() => onDose(black.card.id, (100 * grams) / cupG)}>
              take it
            </Button>
          </p>
        )}
      </div>
      <ol className="flex mt-3 border border-ink">
        {rungs.map((rung) => (
          <li key={rung.drops} className="flex-1">
            <div className="h-9" style={{ background: hexOfLab([rung.lightness.likely, 0, 0]) }} />
            <div className={`px-1.5 py-1 text-xs ${rung.drops === now ? "font-semibold" : ""}`}>
              {rung.drops} {rung.drops === 1 ? "drop" : "drops"}
              <br />
              L* {decimal(rung.lightness.likely, 0)}
              <span className="label block">
                {decimal(rung.lightness.low, 0)} to {decimal(rung.lightness.high, 0)}
              </span>
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
