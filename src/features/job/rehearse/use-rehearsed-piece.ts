"use client";

import { useMemo, useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import { rehearsalOf, type PieceRehearsal } from "@/core/plan/rehearse";
import { useJob } from "../workspace/use-job";

/** The piece of the job that is rehearsed, of those that can be, and what is rehearsed of it. */
export function useRehearsedPiece(): {
  pieces: Measured[];
  piece: Measured | undefined;
  of: PieceRehearsal | null;
  choose: (id: string) => void;
} {
  const { document, plan } = useJob();
  const [pieceId, choose] = useState<string | null>(null);
  const all = useMemo(
    () =>
      plan.pieces.flatMap((piece) => {
        const of = rehearsalOf(plan, document, piece);
        return of ? [{ piece, of }] : [];
      }),
    [plan, document],
  );
  const chosen = all.find(({ piece }) => piece.id === pieceId) ?? all[0];
  return { pieces: all.map(({ piece }) => piece), piece: chosen?.piece, of: chosen?.of ?? null, choose };
}
