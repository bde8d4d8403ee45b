"use client";

import { boardWidthMm } from "@/core/geometry/board";
import type { Piece } from "@/core/geometry/piece";
import { quantityText } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";

/** Whether the board goes through the shop's planer, where both are known and the piece is planed. */
export function Planing({ piece, planerMm }: { piece: Piece; planerMm: number | null }) {
  const { document, system } = useJob();
  const boardMm = boardWidthMm(piece);
  const planed = document.coats.some(({ passes }) => passes.some(({ kind }) => kind === "plane"));
  if (boardMm === null || planerMm === null || !(planed || piece.shape.kind === "river")) return null;
  const length = (mm: number) => quantityText(mm, "length", system);
  if (boardMm <= planerMm)
    return (
      <p className="label mb-4">
        {length(boardMm)} wide: it goes through the planer, which takes {length(planerMm)}.
      </p>
    );
  return (
    <p role="note" className="text-sm mb-4 border-l-[3px] border-ink pl-3">
      {length(boardMm)} wide, and the planer takes {length(planerMm)}. Flatten it with a router on a sled, or
      cast it in two boards and glue them.
    </p>
  );
}
