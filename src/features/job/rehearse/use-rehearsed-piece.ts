"use client";

import { useMemo, useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import { standing } from "@/core/veins/standing";
import { rehearsalOf, type PieceRehearsal } from "@/core/rehearsal/rehearse";
import { useJob } from "../workspace/use-job";

/** A piece that can be looked at. */
export type Choosable = { id: string; name: string };

/**
 * The piece of the job that is rehearsed, of those that can be, and what is rehearsed of it. On a vein map several of a kind lie on different
 * parts of the stone: each of them can be looked at then, under its own name.
 */
export function useRehearsedPiece(): {
  pieces: Choosable[];
  /** Which of them is looked at. */
  chosen: string;
  piece: Measured | undefined;
  of: PieceRehearsal | null;
  choose: (id: string) => void;
} {
  const { document, plan } = useJob();
  const [wanted, choose] = useState<string | null>(null);
  const all = useMemo(
    () =>
      plan.pieces.flatMap((piece) => {
        const of = rehearsalOf(plan, document, piece);
        const each = document.veinMap ? standing([piece]) : [piece];
        return of ? each.map(({ id, name }) => ({ id, name, piece, of })) : [];
      }),
    [plan, document],
  );
  const chosen = all.find(({ id }) => id === wanted) ?? all[0];
  const [id, name, kind] = [chosen?.id, chosen?.name, chosen?.piece];
  const piece = useMemo(
    () => (kind && name !== undefined && name !== kind.name ? { ...kind, name } : kind),
    [kind, name],
  );
  const first = chosen?.of ?? null;
  const of = useMemo(
    () => (kind && id !== undefined && id !== kind.id ? rehearsalOf(plan, document, kind, id) : first),
    [plan, document, kind, id, first],
  );
  return { pieces: all, chosen: id ?? "", piece, of, choose };
}
