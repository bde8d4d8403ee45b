"use client";

import { useState, type ReactNode } from "react";
import { covers } from "@/core/schedule/coat";
import { Button } from "@/ui/button";
import { useJob } from "../workspace/use-job";
import { LooksDialog } from "./looks-dialog";
import { PieceChoice } from "./piece-choice";
import { RehearseNav } from "./rehearse-nav";
import type { Choosable } from "./use-rehearsed-piece";

/** The head of each way of rehearsing: which piece, which way, and what can be done. */
export function RehearseHead({
  title,
  pieces = [],
  chosen,
  choose,
  children,
}: {
  title: string;
  pieces?: readonly Choosable[];
  /** Which of them is looked at. */
  chosen?: string;
  choose?: (id: string) => void;
  children?: ReactNode;
}) {
  return (
    <div className="flex items-end gap-x-6 gap-y-2 flex-wrap mb-3">
      <div>
        <RehearseNav />
        <h1 className="heading text-2xl leading-tight mt-1">{title}</h1>
      </div>
      {chosen !== undefined && choose && pieces.length > 1 && (
        <PieceChoice pieces={pieces} chosen={chosen} choose={choose} className="mb-0.5" />
      )}
      <span className="ml-auto flex items-end gap-3 flex-wrap">{children}</span>
    </div>
  );
}

export function NothingToRehearse() {
  const { document, plan } = useJob();
  const [looks, setLooks] = useState(false);
  const colour = document.coats.find(({ kind }) => kind === "colour");
  const piece = colour && plan.pieces.find(({ id }) => covers(colour, id));
  return (
    <main className="flex-1 px-7 py-8 text-ink-soft">
      <p className="heading text-xl text-ink mb-1">Nothing to rehearse yet.</p>
      {piece ? (
        <>
          <p className="mb-4">
            {colour.name} has no passes: take a look of the trade to begin with, or add passes in Build.
          </p>
          <Button weight="primary" onClick={() => setLooks(true)}>
            Looks
          </Button>
        </>
      ) : (
        <p>
          Measure a piece and give it a colour coat with passes in Build: the pour is seen here before it is
          poured.
        </p>
      )}
      {looks && piece && <LooksDialog piece={piece} onClose={() => setLooks(false)} />}
    </main>
  );
}
