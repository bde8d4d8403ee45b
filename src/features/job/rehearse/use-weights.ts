"use client";

import { useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import type { CoatColour } from "@/core/batch/coat-colour";
import { goesOn } from "@/core/batch/placed-colours";
import { wallSize } from "@/core/geometry/frustum";
import { MOST_WEIGHTS, MOST_WEIGHTS_EACH, type ColourWeight, type SoftPlace } from "@/core/geometry/weights";
import { areaMiddle } from "@/core/geometry/zones/area-middle";
import { coversZone, type Coat } from "@/core/schedule/coat";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** One more place beside those that there are, in the largest zone that the colour goes on, of a reach that shows. */
function nextPlace(
  { id, piece, outline, zones }: Measured,
  coat: Coat,
  colour: CoatColour | undefined,
  already: number,
): Pick<ColourWeight, "xMm" | "yMm" | "reachMm"> {
  const on = zones.filter(
    (zone) => coversZone(coat, id, zone.id) && (!colour || goesOn(colour, { pieceId: id, zoneId: zone.id })),
  );
  const [largest] = [...on].sort((a, b) => b.topAreaMm2 - a.topAreaMm2);
  const middle = largest && areaMiddle(largest.rings);
  const [wide, high] =
    piece.shape.kind === "tumbler"
      ? [wallSize(piece.shape).aroundMm, wallSize(piece.shape).slantMm]
      : [outline.widthMm, outline.heightMm];
  const reachMm = Math.max(5, Math.round(0.35 * Math.min(wide, high)));
  const { x, y } = middle?.at ?? { x: wide / 2, y: high / 2 };
  // To the right of the last, and on from the left where the piece ends.
  const along = x + 0.8 * reachMm * already;
  return { xMm: Math.round(along % wide), yMm: Math.round(y), reachMm };
}

/** The soft places of one colour of a coat on a piece, and what is done to them. */
export function useWeights(piece: Measured | undefined, coatId: string | null) {
  const { document, change } = useJob();
  const [picked, setPicked] = useState<string | null>(null);
  const coat = document.coats.find(({ id }) => id === coatId) ?? null;
  // The first colour is the coat's ground; the next one is what people place.
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
  // Places of colours that are gone make room.
  const known = new Set(document.coats.flatMap(({ colours }) => colours.map(({ id }) => id)));
  const kept = all.filter((weight) => known.has(weight.colourId));
  const weights = kept.filter((weight) => weight.colourId === colourId);
  return {
    coat,
    colourId,
    weights,
    full: weights.length >= MOST_WEIGHTS_EACH || kept.length >= MOST_WEIGHTS,
    placed: (id: string) => kept.filter((weight) => weight.colourId === id).length,
    onColour: setPicked,
    onAdd: (kind: SoftPlace["kind"]) => {
      if (!piece || !coat || colourId === null) return;
      const colour = coat.colours.find(({ id }) => id === colourId);
      const place = nextPlace(piece, coat, colour, weights.length);
      const added = { id: newId(), colourId, kind, ...place, ...(kind === "fade" && { angleDeg: 0 }) };
      edit((before) => [...before.filter((weight) => known.has(weight.colourId)), added]);
    },
    onChange: (weight: ColourWeight) =>
      edit((before) => before.map((was) => (was.id === weight.id ? weight : was))),
    onRemove: (id: string) => edit((before) => before.filter((weight) => weight.id !== id)),
  };
}

export type Weights = ReturnType<typeof useWeights>;
