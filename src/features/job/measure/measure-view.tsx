"use client";

import { useState } from "react";
import type { BenchSettings } from "@/contracts/bench";
import { withHeight, type EdgeName, type Piece, type Shape } from "@/core/geometry/piece";
import type { Knot } from "@/core/geometry/handles";
import { withPiece } from "@/core/job/new-job";
import { newPiece, SHAPE_GROUPS, SHAPE_WORDS } from "@/core/geometry/new-piece";
import { Button } from "@/ui/button";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { Amounts } from "./amounts";
import { ImportDialog } from "./import-dialog";
import { PieceForm } from "./piece-form";
import { PieceStage } from "./piece-stage";
import { Planing } from "./planing";
import { PieceStrip } from "./piece-strip";

/** What the shop's pieces usually are, and what its machines take. */
type ShopSizes = Pick<BenchSettings, "faceMm" | "planerMm">;

/** Pieces of a job from typed sizes, drawn to scale while typing. */
export function MeasureView({ jobId, shop }: { jobId: string; shop: ShopSizes }) {
  const { document, plan, change } = useJob();
  const [pickedId, setPickedId] = useState<string | null>(null);
  const [edge, setEdge] = useState<EdgeName | null>(null);
  const [divider, setDivider] = useState<string | null>(null);
  const [tracing, setTracing] = useState<Knot[] | null>(null);
  const [importing, setImporting] = useState(false);
  const piece = document.pieces.find((shown) => shown.id === pickedId) ?? document.pieces[0];
  const measured = plan.pieces.find((shown) => shown.id === piece?.id);
  const faults = plan.faults.filter((fault) => fault.pieceId === piece?.id);

  const pick = (pieceId: string | null) => {
    setPickedId(pieceId);
    setEdge(null);
    setDivider(null);
    setTracing(null);
  };
  const put = (fresh: Piece) => {
    change((before) => withPiece(before, fresh));
    pick(fresh.id);
  };
  const { faceMm } = shop;
  const add = (kind: Shape["kind"]) => {
    const alike = document.pieces.filter((piece) => piece.shape.kind === kind).length;
    const fresh = newPiece(kind, alike > 0 ? `${SHAPE_WORDS[kind]} ${alike + 1}` : SHAPE_WORDS[kind], newId);
    put(faceMm !== null && kind !== "sample" ? withHeight(fresh, faceMm) : fresh);
  };

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section aria-label="Drawing" className="flex-1 min-w-0 flex flex-col">
        {piece ? (
          <PieceStage
            key={piece.id}
            piece={piece}
            jobId={jobId}
            faults={faults}
            edge={edge}
            onEdge={setEdge}
            divider={divider}
            onDivider={setDivider}
            tracing={tracing}
            onTracing={setTracing}
            onImport={() => setImporting(true)}
          />
        ) : (
          <div className="flex-1 min-h-[340px] grid place-items-center px-8">
            <div className="max-w-xl">
              <p className="heading text-xl mb-2">What is coated?</p>
              <p className="text-ink-soft mb-4">
                Choose a kind and type its size as you read it off the tape: 25 1/2 in, 2&apos; 1.5&quot;, 648
                mm. Or{" "}
                <Button weight="quiet" onClick={() => setImporting(true)}>
                  read an SVG or DXF file
                </Button>
                .
              </p>
              {SHAPE_GROUPS.map((group) => (
                <div
                  key={group.words}
                  className="flex gap-2 flex-wrap items-baseline border-t border-line py-2"
                >
                  <span className="label w-24">{group.words}</span>
                  {group.kinds.map((kind) => (
                    <Button key={kind} onClick={() => add(kind)}>
                      {SHAPE_WORDS[kind]}
                    </Button>
                  ))}
                </div>
              ))}
            </div>
          </div>
        )}
        {piece && <PieceStrip pickedId={piece.id} onPick={pick} onAdd={add} />}
      </section>
      <section
        aria-label="Sizes"
        className="w-[404px] max-lg:w-full shrink-0 border-l border-line px-7 pt-4 pb-8 overflow-y-auto"
      >
        <Amounts measured={measured ?? null} pieces={plan.pieces} totals={plan.totals} />
        {piece && <Planing piece={piece} planerMm={shop.planerMm} />}
        {piece && (
          <PieceForm
            key={piece.id}
            piece={piece}
            measured={measured ?? null}
            faults={faults}
            edge={edge}
            onEdge={setEdge}
            onPick={pick}
            divider={divider}
            onDivider={setDivider}
            onTrace={() => setTracing([])}
          />
        )}
      </section>
      {importing && <ImportDialog piece={piece ?? null} onClose={() => setImporting(false)} onPiece={put} />}
    </main>
  );
}
