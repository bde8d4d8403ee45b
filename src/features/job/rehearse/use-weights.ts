"use client";

import { useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import { wallSize } from "@/core/geometry/frustum";
import { MOST_WEIGHTS, type ColourWeight, type SoftPlace } from "@/core/geometry/weights";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** Middle of a piece and a reach that shows, mm. */
function firstPlace({ piece, outline }: Measured): { xMm: number; yMm: number; reachMm: number } {
  const [wide, high] =
    piece.shape.kind === "tumbler"
      ? [wallSize(piece.shape).aroundMm, wallSize(piece.shape).slantMm]
      : [outline.widthMm, outline.heightMm];
  return {
    xMm: Math.round(wide / 2),
    yMm: Math.round(high / 2),
    reachMm: Math.max(5, Math.round(0.35 * Math.min(wide, high))),
  };
}

/** The soft places of one colour of a coat on a piece, and what is done to them. */
export function useWeights(piece: Measured | undefined, coatId: string | null) {
  const { document, change } = useJob();
  const [picked, setPicked] = useState<string | null>(null);
  const coat = document.coats.find(({ id }) => id === coatId) ?? null;
  // The one there is least to say of is the ground; the next one is what people place.
  const colourId =
    coat?.colours.find(({ id }) => id === picked)?.id ?? coat?.colours[1]?.id ?? coat?.colours[0]?.id ?? null;
  const all = document.pieces.find(({ id }) => id === piece?.piece.id)?.weights ?? [];
  const edit = (next: (before: ColourWeight[]) => ColourWeight[]) => {
    if (!piece) return;
    change(
      editPiece(piece.piece.id, ({ weights: before = [], ...rest }) => {
        const weights = next(before);
        return weights.length > 0 ? { ...rest, weights } : rest;
      }),
    );
  };
  return {
    coat,
    colourId,
    weights: all.filter((weight) => weight.colourId === colourId),
    onColour: setPicked,
    onAdd: (kind: SoftPlace["kind"]) => {
      if (!piece || colourId === null) return;
      // Places of colours that are gone make room.
      const known = new Set(document.coats.flatMap(({ colours }) => colours.map(({ id }) => id)));
      const added: ColourWeight = {
        id: newId(),
        colourId,
        kind,
        ...firstPlace(piece),
        ...(kind === "fade" && { angleDeg: 0 }),
      };
      edit((before) =>
        [...before.filter((weight) => known.has(weight.colourId)), added].slice(-MOST_WEIGHTS),
      );
    },
    onChange: (weight: ColourWeight) =>
      edit((before) => before.map((was) => (was.id === weight.id ? weight : was))),
    onRemove: (id: string) => edit((before) => before.filter((weight) => weight.id !== id)),
  };
}
