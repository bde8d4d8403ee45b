"use client";

import { useState } from "react";
import { outlineOf } from "@/core/geometry/outline";
import type { EdgeName, Piece, Shape } from "@/core/geometry/piece";
import { newPiece, SHAPE_WORDS } from "@/core/plan/new-piece";
import { Button } from "@/ui/button";
import { Figure } from "@/ui/figure";
import { PieceDrawing, PieceSilhouette } from "@/ui/piece-drawing";
import { useSize } from "@/ui/use-size";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { PieceForm } from "./piece-form";

const KINDS = Object.keys(SHAPE_WORDS) as Shape["kind"][];

/** Width and height of the largest thumbnail, px. */
const THUMB = { width: 120, height: 44 };

/** As it reads inside a line; the letters L and U stay shapes. */
const lowerFirst = (words: string) => (/^[LU] /.test(words) ? words : words.toLowerCase());

function sizeOf({ shape }: Piece): { wide: number; high: number } {
  const { widthMm, heightMm } = outlineOf(shape);
  return { wide: widthMm, high: heightMm };
}

/** Pieces of a job from typed sizes, drawn to scale while typing. */
export function MeasureView() {
  const { document, plan, system, change } = useJob();
  const [pickedId, setPickedId] = useState<string | null>(null);
  const [edge, setEdge] = useState<EdgeName | null>(null);
  const { ref: stageRef, width: stageWidth, height: stageHeight } = useSize<HTMLDivElement>();
  const piece = document.pieces.find((one) => one.id === pickedId) ?? document.pieces[0];

  const add = (kind: Shape["kind"]) => {
    const alike = document.pieces.filter((one) => one.shape.kind === kind).length;
    const fresh = newPiece(kind, alike > 0 ? `${SHAPE_WORDS[kind]} ${alike + 1}` : SHAPE_WORDS[kind], newId);
    change((before) => ({ ...before, pieces: [...before.pieces, fresh] }));
    setPickedId(fresh.id);
    setEdge(null);
  };
  const largest = document.pieces.map(sizeOf);
  const pxPerMm = Math.min(
    THUMB.width / Math.max(1, ...largest.map((size) => size.wide)),
    THUMB.height / Math.max(1, ...largest.map((size) => size.high)),
  );
  const faults = plan.faults.filter((fault) => fault.pieceId === piece?.id);

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section aria-label="Drawing" className="flex-1 min-w-0 flex flex-col">
        <div ref={stageRef} className="flex-1 min-h-[340px] relative">
          {piece && stageWidth > 0 && (
            <div className="absolute inset-0">
              <PieceDrawing
                piece={piece}
                system={system}
                width={stageWidth}
                height={stageHeight}
                selectedEdge={edge}
                onSelectEdge={(name) => setEdge(name === edge ? null : name)}
                faultyIds={faults.flatMap((fault) =>
                  fault.at.startsWith("cutOuts.") ? [fault.at.split(".")[1] ?? ""] : [],
                )}
              />
            </div>
          )}
          {!piece && (
            <div className="absolute inset-0 grid place-items-center px-8">
              <div className="max-w-md">
                <p className="heading text-xl mb-2">What is coated?</p>
                <p className="text-ink-soft mb-4">
                  Choose a kind and type its size as you read it off the tape: 25 1/2 in, 2&apos; 1.5&quot;,
                  648 mm.
                </p>
                <div className="flex gap-2 flex-wrap">
                  {KINDS.map((kind) => (
                    <Button key={kind} onClick={() => add(kind)}>
                      {SHAPE_WORDS[kind]}
                    </Button>
                  ))}
                </div>
              </div>
            </div>
          )}
        </div>
        {piece && (
          <div className="border-t border-line px-7 py-3 flex items-end gap-6 overflow-x-auto">
            {document.pieces.map((one) => (
              <button
                key={one.id}
                type="button"
                aria-pressed={one.id === piece.id}
                onClick={() => {
                  setPickedId(one.id);
                  setEdge(null);
                }}
                className={`text-left shrink-0 pt-1 border-t-4 ${one.id === piece.id ? "border-signal" : "border-transparent hover:border-line"}`}
              >
                <div className="h-12 flex items-end">
                  <PieceSilhouette piece={one} pxPerMm={pxPerMm} />
                </div>
                <div className="text-xs mt-1 max-w-32 truncate">
                  {one.name}
                  {one.count > 1 && <span className="figure"> × {one.count}</span>}
                  {plan.faults.some((fault) => fault.pieceId === one.id) && (
                    <span className="text-danger"> !</span>
                  )}
                </div>
              </button>
            ))}
            <div className="flex items-baseline gap-3 text-sm pb-0.5 pl-4 shrink-0">
              <span className="text-ink-soft">add</span>
              {KINDS.map((kind) => (
                <Button key={kind} weight="quiet" onClick={() => add(kind)}>
                  {lowerFirst(SHAPE_WORDS[kind])}
                </Button>
              ))}
            </div>
          </div>
        )}
      </section>
      <section
        aria-label="Sizes"
        className="w-[404px] max-lg:w-full shrink-0 border-l border-line px-7 pt-4 pb-8 overflow-y-auto"
      >
        <div className="flex gap-8 pb-4 mb-4 border-b border-line">
          <div>
            <div className="label mb-1">Top, all pieces</div>
            <Figure value={plan.totals.topAreaMm2} dimension="area" system={system} size="large" />
          </div>
          <div>
            <div className="label mb-1">Faces</div>
            <Figure value={plan.totals.faceAreaMm2} dimension="area" system={system} size="large" />
          </div>
        </div>
        {piece && (
          <PieceForm
            key={piece.id}
            piece={piece}
            faults={faults}
            edge={edge}
            onEdge={setEdge}
            onGone={() => setPickedId(null)}
            onCopied={setPickedId}
          />
        )}
      </section>
    </main>
  );
}
