"use client";

import type { ReactNode } from "react";
import { cutOutRing } from "@/core/geometry/cut-out";
import type { Measured } from "@/core/geometry/measure";
import type { Place } from "@/core/pour/place";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { pictureFrame, type PictureFrame } from "@/pictures/picture-frame";
import { usePicture } from "@/pictures/use-picture";
import { Choice } from "@/ui/choice";
import { ringsPath } from "@/ui/line-path";
import { useSize } from "@/ui/use-size";

/** Room around a piece, px: for the words of a mark at its edge. */
const AROUND = { across: 96, down: 92 };
const SHARPEST_PX = 1000;

/** Which of several pieces is looked at. */
export function PieceChoice({
  pieces,
  piece,
  onPiece,
}: {
  pieces: readonly Measured[];
  piece: Measured;
  onPiece: (id: string) => void;
}) {
  if (pieces.length < 2) return null;
  return (
    <div className="px-6 pt-3">
      <Choice
        label="Piece"
        value={piece.id}
        options={pieces.map(({ id, name }) => ({ value: id, words: name }))}
        onChange={onPiece}
        className="max-w-full flex-wrap"
      />
    </div>
  );
}

/** The piece that is looked at, as large as its room, as it was rehearsed or bare; a touch tells a place on it. */
export function Stage({
  pieces,
  piece,
  onPiece,
  pictured,
  touch,
  children,
}: {
  pieces: readonly Measured[];
  piece: Measured;
  onPiece: (id: string) => void;
  /** What was rehearsed of it; null where it is drawn bare. */
  pictured: PieceRehearsal | null;
  /** What a touch is for; null where none is asked for. */
  touch: { asks: string; onPlace: (place: Place) => void } | null;
  children: (frame: PictureFrame) => ReactNode;
}) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const size = seenSize(piece);
  const wide = Math.floor(
    Math.min(width - AROUND.across, ((height - AROUND.down) * size.widthMm) / size.heightMm),
  );
  const picture = usePicture(
    wide > 8 ? pictured : null,
    pictured?.passes.length ?? 0,
    Math.min(SHARPEST_PX, wide),
    { measured: false },
  );
  const frame = wide > 8 ? pictureFrame(piece, wide) : null;
  const isWall = piece.piece.shape.kind === "tumbler";
  const flat = frame && {
    scale: frame.pxPerMm,
    at: isWall
      ? ({ x, y }: { x: number; y: number }) => ({ x: x * frame.pxPerMm, y: y * frame.pxPerMm })
      : frame.at,
  };
  const rings = [
    piece.outline.corners,
    ...piece.piece.cutOuts.map((cutOut) => cutOutRing(cutOut, piece.outline)),
  ];
  return (
    <div className="flex-1 min-w-0 flex flex-col min-h-[320px] max-md:min-h-[240px]">
      <PieceChoice pieces={pieces} piece={piece} onPiece={onPiece} />
      <div
        ref={ref}
        className="relative flex-1 min-h-[280px] max-md:min-h-[220px] max-md:flex-none max-md:h-[240px] grid place-items-center overflow-hidden"
      >
        {frame && flat && (
          <PiecePicture
            key={`${piece.id} ${pictured === null}`}
            picture={pictured ? picture : null}
            piece={piece}
            name={piece.name}
            width={wide}
          >
            <svg width={wide} className="absolute inset-0 overflow-visible h-full" aria-hidden>
              <path
                d={ringsPath(rings, flat)}
                fillRule="evenodd"
                fill={pictured ? "none" : "var(--color-paper)"}
                stroke="var(--color-ink)"
                strokeWidth="1.4"
              />
              {children(frame)}
            </svg>
            {touch && (
              <button
                type="button"
                aria-label={`${touch.asks} on ${piece.name}`}
                className="absolute -inset-3 cursor-crosshair"
                onClick={(event) => {
                  const box = event.currentTarget.getBoundingClientRect();
                  // By the keyboard it is the middle.
                  const byKey = event.detail === 0;
                  const { x, y } = frame.from({
                    x: (byKey ? box.width / 2 : event.clientX - box.left) - TOUCH_PX,
                    y: (byKey ? box.height / 2 : event.clientY - box.top) - TOUCH_PX,
                  });
                  touch.onPlace({ pieceId: piece.id, xMm: x, yMm: y });
                }}
              />
            )}
          </PiecePicture>
        )}
      </div>
    </div>
  );
}

/** A touch counts so far beyond the piece, px: a glove is wide (as `-inset-3`). */
const TOUCH_PX = 12;
