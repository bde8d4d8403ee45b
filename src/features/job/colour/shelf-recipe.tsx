"use client";

import { useMemo } from "react";
import type { CoatColour, ColourPart } from "@/core/batch/coat-colour";
import type { CoatLooks, ColourLooks } from "@/core/plan/colour-plan";
import { remixed } from "@/core/plan/shelf-colour";
import { editColour } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { SolvePanel } from "./solve-panel";

/** A mass to look for recipes in where the cup is not batched, g. */
const USUAL_CUP_G = 100;

/** A colour mixed from the shelf: what is in its cup, and the way to change its parts. */
export function useCupMix({ coat, under }: CoatLooks, { colour }: ColourLooks) {
  const { colours: shelf, plan, change } = useJob();
  const cards = useMemo(() => new Map(shelf.map((card) => [card.id, card])), [shelf]);
  const batch = plan.coats.find((planned) => planned.coat.id === coat.id)?.batched?.batches[0];
  const cupG = batch?.cups.find((cup) => cup.colourId === colour.id)?.g ?? null;
  const setParts = (next: readonly ColourPart[]) =>
    change(
      editColour(coat.id, colour.id, (before: CoatColour) =>
        remixed(before, next, cards, { filmMm: coat.filmMm, under }),
      ),
    );
  return { cards, cupG, setParts };
}

/** Recipes from the shelf for a cup, in grams that its scale can weigh; one is taken as the colour's doses. */
export function ShelfRecipe({ coat, looks }: { coat: CoatLooks; looks: ColourLooks }) {
  const { plan } = useJob();
  const { cards, cupG, setParts } = useCupMix(coat, looks);
  const inG = cupG ?? USUAL_CUP_G;
  return (
    <SolvePanel
      coat={coat}
      looks={looks}
      cupG={inG}
      stepG={plan.atHand.scaleStepG}
      onTake={({ parts }) =>
        setParts(
          parts.flatMap(({ id, grams }) => {
            const card = cards.get(id);
            if (!card) return [];
            return [{ cardId: id, name: card.name, gPer100G: (100 * grams) / inG, measure: card.measure }];
          }),
        )
      }
    />
  );
}
