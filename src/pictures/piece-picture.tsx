"use client";

import { useEffect, useRef, type ReactNode } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import { bareOnWall, onUnrolled, wallSize, type Tumbler } from "@/core/geometry/frustum";
import type { Measured } from "@/core/geometry/measure";
import type { Box } from "@/core/geometry/ring";
import { unfoldedBox, unfoldedFaces } from "@/core/geometry/unfold";
import { classNames } from "@/ui/class-names";
import type { Picture } from "./use-picture";

/** What is seen of a piece, mm: its top with its faces folded out, or its wall unrolled. */
export function seenSize(piece: Measured): {
  widthMm: number;
  heightMm: number;
  fromX: number;
  fromY: number;
} {
  if (piece.piece.shape.kind === "tumbler")
    return { widthMm: piece.outline.widthMm, heightMm: piece.outline.heightMm, fromX: 0, fromY: 0 };
  const { minX, minY, maxX, maxY } = unfoldedBox(piece);
  return { widthMm: maxX - minX, heightMm: maxY - minY, fromX: minX, fromY: minY };
}

/** Slices in which a wall is laid around its sector. */
const SLICES = 240;
const FACE_SHADE = "rgba(30, 33, 36, 0.16)";
const FOLD = "rgba(30, 33, 36, 0.55)";

type Drawing = CanvasRenderingContext2D;
const trace = (drawing: Drawing, ring: readonly Point[]) => {
  ring.forEach(({ x, y }, n) => (n === 0 ? drawing.moveTo(x, y) : drawing.lineTo(x, y)));
  drawing.closePath();
};

/** The flat picture within the outline, faces folded out, a little darker since they stand away from the light; cut-outs open. */
function drawFlat(drawing: Drawing, canvas: HTMLCanvasElement, seen: Measured): void {
  const { outline, piece } = seen;
  const { widthMm, heightMm, fromX, fromY } = seenSize(seen);
  const faces = unfoldedFaces(seen);
  const within = (rings: readonly (readonly Point[])[]) => {
    drawing.save();
    drawing.beginPath();
    for (const ring of rings) trace(drawing, ring);
    drawing.clip();
    drawing.drawImage(canvas, fromX, fromY, widthMm, heightMm);
    drawing.restore();
  };
  for (const { ring } of faces.filter(({ inside }) => !inside)) within([ring]);
  within([outline.corners]);
  drawing.globalCompositeOperation = "destination-out";
  for (const cutOut of piece.cutOuts) {
    drawing.beginPath();
    trace(drawing, cutOutRing(cutOut, outline));
    drawing.fill();
  }
  drawing.globalCompositeOperation = "source-over";
  for (const { ring } of faces.filter(({ inside }) => inside)) within([ring]);
  // All at once: where two faces lie over each other at an inner corner it is no darker.
  drawing.beginPath();
  for (const { ring } of faces) trace(drawing, ring);
  drawing.fillStyle = FACE_SHADE;
  drawing.fill("nonzero");
  for (const { fold } of faces) {
    drawing.beginPath();
    fold.forEach(({ x, y }, n) => (n === 0 ? drawing.moveTo(x, y) : drawing.lineTo(x, y)));
    drawing.strokeStyle = FOLD;
    drawing.lineWidth = widthMm / 1400;
    drawing.stroke();
  }
}

/** A tumbler's wall laid around the sector that it unrolls to, the rim outside; the patch for the decal stays blank. */
function drawWall(drawing: Drawing, canvas: HTMLCanvasElement, shape: Tumbler, origin: Point): void {
  const { slantMm } = wallSize(shape);
  const at = (around: number, up: number) => {
    const { x, y } = onUnrolled(shape, around, up);
    return { x: x - origin.x, y: y - origin.y };
  };
  const slice = canvas.width / SLICES;
  for (let n = 0; n < SLICES; n += 1) {
    const [from, to] = [n / SLICES - 0.5, (n + 1) / SLICES - 0.5];
    const [rim, next, base] = [at(from, slantMm), at(to, slantMm), at(from, 0)];
    drawing.save();
    drawing.transform(
      (next.x - rim.x) / slice,
      (next.y - rim.y) / slice,
      (base.x - rim.x) / canvas.height,
      (base.y - rim.y) / canvas.height,
      rim.x,
      rim.y,
    );
    // Half a sample over, so that no hairline shows between two.
    drawing.drawImage(canvas, n * slice, 0, slice + 0.5, canvas.height, 0, 0, slice + 0.5, canvas.height);
    drawing.restore();
  }
  const moved = (ring: readonly Point[]) => ring.map(({ x, y }) => ({ x: x - origin.x, y: y - origin.y }));
  drawing.globalCompositeOperation = "destination-out";
  const { rim, patch } = bareOnWall(shape);
  for (const ring of [rim, patch]) {
    if (!ring) continue;
    drawing.beginPath();
    trace(drawing, moved(ring));
    drawing.fill();
  }
  drawing.globalCompositeOperation = "source-over";
}

/** Draws a rehearsed picture as its piece is seen, into a canvas of a width, px. */
export function drawPiece(
  canvas: HTMLCanvasElement,
  picture: HTMLCanvasElement,
  piece: Measured,
  width: number,
): void {
  const { widthMm, heightMm, fromX, fromY } = seenSize(piece);
  const scale = width / widthMm;
  canvas.width = width;
  canvas.height = Math.max(1, Math.round(heightMm * scale));
  const drawing = canvas.getContext("2d");
  if (!drawing) return;
  drawing.imageSmoothingQuality = "high";
  drawing.setTransform(scale, 0, 0, scale, -fromX * scale, -fromY * scale);
  const { shape } = piece.piece;
  if (shape.kind === "tumbler") drawWall(drawing, picture, shape, piece.outline.origin);
  else drawFlat(drawing, picture, piece);
}

/** A place on the piece that something is said about. */
export type Mark = { words: string; x: number; y: number };

/** The strips in the order in which they are poured, along the edge of the picture: a tick where each meets the wet edge of the one before. */
function StripEdges({ strips, seen }: { strips: readonly Box[]; seen: ReturnType<typeof seenSize> }) {
  const lengthwise = runsAlong(strips);
  const share = (mm: number, whole: number) => `${(100 * mm) / whole}%`;
  return strips.map(({ minX, minY, maxX, maxY }, n) => (
    <span
      key={n}
      style={
        lengthwise
          ? { left: share(minX - seen.fromX, seen.widthMm), width: share(maxX - minX, seen.widthMm) }
          : { top: share(minY - seen.fromY, seen.heightMm), height: share(maxY - minY, seen.heightMm) }
      }
      className={classNames(
        "absolute label leading-none grid place-items-center border-ink-soft",
        lengthwise ? "-top-4 h-3 border-l" : "-left-14 w-12 border-t",
        n === strips.length - 1 && (lengthwise ? "border-r" : "border-b"),
      )}
    >
      strip {n + 1}
    </span>
  ));
}

const runsAlong = ([first, second]: readonly Box[]) => Boolean(first && second && second.minX > first.minX);

/** A rehearsed picture within the outline of its piece, with numbered marks where something is said of a place. */
export function PiecePicture({
  picture,
  piece,
  name,
  width,
  marks = [],
  strips = [],
  children,
}: {
  picture: Picture | null;
  piece: Measured;
  name: string;
  width: number;
  marks?: readonly Mark[];
  /** Where it is poured one after the other: told at their wet edges. */
  strips?: readonly Box[];
  /** Lies over it: what can be taken hold of. */
  children?: ReactNode;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const { widthMm, heightMm, fromX, fromY } = seenSize(piece);
  const height = Math.max(1, Math.round((width * heightMm) / widthMm));
  useEffect(() => {
    if (ref.current && picture) drawPiece(ref.current, picture.canvas, piece, width);
  }, [picture, piece, width]);
  return (
    <div
      className={classNames("relative", strips.length > 1 && (runsAlong(strips) ? "mt-4" : "ml-14"))}
      style={{ width, height }}
    >
      <StripEdges strips={strips} seen={{ widthMm, heightMm, fromX, fromY }} />
      <canvas ref={ref} role="img" aria-label={name} style={{ width, height }} className="block" />
      {marks.map(({ words, x, y }, n) => (
        <span
          key={n}
          title={words}
          aria-hidden
          className="absolute -translate-x-1/2 -translate-y-1/2 figure text-xs leading-none size-5 grid place-items-center rounded-full bg-paper text-ink border border-ink"
          style={{
            left: `${(100 * (x - fromX)) / widthMm}%`,
            top: `${(100 * (y - fromY)) / heightMm}%`,
          }}
        >
          {n + 1}
        </span>
      ))}
      {children}
    </div>
  );
}
