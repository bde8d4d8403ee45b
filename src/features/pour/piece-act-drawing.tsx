"use client";

import { useId, useState } from "react";
import { endWords, widthWords } from "@/core/veins/tape-words";
import { picturedAround, type ActPiece } from "@/core/pour/act-picture";
import type { PourNote } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import type { RunStep } from "@/core/pour/run-sheet";
import { seamWords } from "@/core/pour/seams";
import type { UnitSystem } from "@/core/units/dimension";
import type { Measured } from "@/core/geometry/measure";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { classNames } from "@/ui/class-names";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { pictureFrame } from "@/pictures/picture-frame";
import { usePicture } from "@/pictures/use-picture";
import { ActOverlay } from "./act-overlay";
import { PlaceLayer } from "./place-layer";

/** The picture before stands beside the one after, so much smaller. */
const BEFORE_SHARE = 0.3;
const LONG_BEFORE_SHARE = 0.6;
/** Longer than so many times its depth. */
const LONG = 1.7;
const GAP_PX = 18;
const CAPTION_PX = 26;
const SHARPEST_PX = 1200;

const big = "min-w-[72px] min-h-[60px] border border-night-soft text-2xl px-4 disabled:opacity-40";

/** An act on its piece: what it looks like after it, beside how it was, with where it is done: its section, edges, zones, or vein by vein. */
export function PieceActDrawing({
  pieces,
  rehearsed,
  plain,
  step,
  steps,
  notes,
  onPlace,
  system,
  width,
  height,
}: {
  pieces: readonly ActPiece[];
  /** What is rehearsed of a piece as it stands; null for one that nothing coloured is poured on. */
  rehearsed: (piece: Measured, standingId: string) => PieceRehearsal | null;
  /** What a piece looks like of which there is no picture yet. */
  plain: string;
  step: RunStep;
  steps: readonly RunStep[];
  notes: readonly PourNote[];
  /** A place on a piece is touched; null where a touch says done. */
  onPlace: ((place: Place) => void) | null;
  system: UnitSystem;
  width: number;
  height: number;
}) {
  const [chosen, setChosen] = useState(0);
  const [vein, setVein] = useState(0);
  const id = useId();
  const at = Math.min(chosen, pieces.length - 1);
  const here = pieces[at];
  const of = here ? rehearsed(here.piece, here.standingId) : null;
  const { before, after } = of ? picturedAround(of.passes, steps, step) : { before: 0, after: 0 };
  const size = here ? seenSize(here.piece) : { widthMm: 1, heightMm: 1 };
  const named = pieces.length > 1 || (here?.copies ?? null) !== null;
  const veins = here?.veins ?? [];
  const shownVein = veins[Math.min(vein, veins.length - 1)];
  const seamed = here ? seamWords(here.seams, here.piece, system) : null;
  const under = (named ? 40 : 0) + (shownVein ? 104 : 0) + (seamed ? CAPTION_PX : 0);
  const withBefore = of !== null && after > before && before > 0;
  // A long piece has the picture before below it, a deep one beside it.
  const isLong = size.widthMm > LONG * size.heightMm;
  const fit = (most: number, high: number) =>
    Math.max(40, Math.floor(Math.min(most, (high * size.widthMm) / size.heightMm)));
  const room = height - under - (withBefore && isLong ? GAP_PX + CAPTION_PX : 0);
  const small = withBefore ? fit(width * (isLong ? LONG_BEFORE_SHARE : BEFORE_SHARE), room) : 0;
  const wide = isLong
    ? fit(width, room - (small * size.heightMm) / size.widthMm)
    : fit(width - (withBefore ? small + GAP_PX : 0), room);
  const pictured = of !== null && after > 0;
  const picture = usePicture(pictured ? of : null, after, Math.min(SHARPEST_PX, wide), { measured: false });
  const last = usePicture(withBefore ? of : null, before, small, { measured: false });
  if (!here) return null;
  const { piece } = here;
  const go = (by: number) => {
    setChosen((at + by + pieces.length) % pieces.length);
    setVein(0);
  };
  return (
    <div>
      {named && (
        <p className="text-xl h-10 flex items-baseline gap-3">
          <span className="heading truncate">{piece.name}</span>
          {here.copies && <span className="text-night-soft">{here.copies}</span>}
          {pieces.length > 1 && (
            <button
              type="button"
              onClick={() => go(1)}
              className="ml-auto underline underline-offset-4 whitespace-nowrap"
            >
              next piece, {at + 1} of {pieces.length}
            </button>
          )}
        </p>
      )}
      <div className={classNames("flex", isLong ? "flex-col" : "items-end")} style={{ gap: GAP_PX }}>
        <PiecePicture picture={picture} piece={piece} name={`${piece.name}, ${step.title}`} width={wide}>
          <ActOverlay
            here={here}
            frame={pictureFrame(piece, wide)}
            width={wide}
            plain={pictured ? null : plain}
            vein={shownVein?.veinId ?? null}
            clipId={id}
          />
          {onPlace && (
            <PlaceLayer
              pieceId={piece.id}
              name={piece.name}
              notes={notes}
              frame={pictureFrame(piece, wide)}
              onPlace={onPlace}
            />
          )}
        </PiecePicture>
        {withBefore && (
          <figure className="shrink-0" style={{ width: small }}>
            <PiecePicture picture={last} piece={piece} name={`${piece.name} before`} width={small} />
            <figcaption className="text-lg text-night-soft">as it is</figcaption>
          </figure>
        )}
      </div>
      {seamed && <p className="text-lg text-night-soft leading-tight">{seamed}</p>}
      {shownVein && (
        <div className="flex gap-3 mt-3 items-start h-[92px]">
          <button
            type="button"
            className={big}
            disabled={vein === 0}
            onClick={() => setVein(vein - 1)}
            aria-label="Vein before"
          >
            ‹
          </button>
          <p role="status" className="flex-1 leading-tight text-lg min-w-0">
            <span className="heading text-xl block">
              Vein {shownVein.number}, {shownVein.name}{" "}
              <span className="text-night-soft">
                {Math.min(vein, veins.length - 1) + 1} of {veins.length}
              </span>
            </span>
            {shownVein.stretches
              .filter(({ kind }) => kind === "main")
              .slice(0, 1)
              .map((stretch) => (
                <span key="main" className="line-clamp-3">
                  {[
                    endWords(stretch.enters, "enters", system),
                    endWords(stretch.leaves, "leaves", system),
                    widthWords(stretch, system),
                  ].join("; ")}
                </span>
              ))}
          </p>
          <button
            type="button"
            className={big}
            disabled={vein >= veins.length - 1}
            onClick={() => setVein(vein + 1)}
            aria-label="Next vein"
          >
            ›
          </button>
        </div>
      )}
    </div>
  );
}
