"use client";

import { useState, type PointerEvent } from "react";
import type { Point } from "@/core/geometry/curves";
import { outlineOf } from "@/core/geometry/outline";
import type { Piece, Underlay as UnderlayOf } from "@/core/geometry/piece";
import { Button } from "@/ui/button";
import type { Frame } from "@/ui/dimension-lines";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { usePull } from "@/ui/use-pull";
import { useFileChooser } from "@/ui/use-file-chooser";
import { useJob } from "../workspace/use-job";
import { addPicture } from "@/contracts/add-picture";
import type { Knot } from "@/core/geometry/handles";
import { TraceControls } from "./trace-outline";

/** What is done to the picture: it is moved, two points of it are shown for its scale, or the piece is traced along it. */
export type UnderlayMode = null | "move" | { points: Point[] } | { knots: Knot[] };

/** Points shown for the scale so far, or the outline's; null while that is not done. */
const pointsOf = (mode: UnderlayMode) =>
  typeof mode === "object" && mode && "points" in mode ? mode.points : null;
export const knotsOf = (mode: UnderlayMode) =>
  typeof mode === "object" && mode && "knots" in mode ? mode.knots : null;

type Shared = {
  piece: Piece;
  mode: UnderlayMode;
  onMode: (mode: UnderlayMode) => void;
  onEdit: (edit: (before: Piece) => Piece) => void;
};

/** What is drawn by its sizes alone is not traced. */
const NOT_TRACED = new Set(["tumbler", "river"]);

const changed =
  (next: Partial<UnderlayOf>) =>
  (before: Piece): Piece =>
    before.underlay ? { ...before, underlay: { ...before.underlay, ...next } } : before;

const placed = (underlay: UnderlayOf, frame: Frame) => ({
  corner: frame.at({ x: underlay.xMm, y: underlay.yMm }),
  scale: underlay.mmPerPx * frame.scale,
});

/** A photograph or scan under the drawing, at its natural size and then scaled: nothing is drawn before that is known. */
export function Underlay({ underlay, frame }: { underlay: UnderlayOf; frame: Frame }) {
  const { corner, scale } = placed(underlay, frame);
  return (
    <image
      href={`/pictures/${underlay.pictureId}`}
      transform={`translate(${corner.x} ${corner.y}) scale(${scale})`}
      opacity={underlay.opacity}
    />
  );
}

/** Lies over the drawing while the picture is moved or two points of it are shown. */
export function UnderlayTouch({
  underlay,
  frame,
  mode,
  onMode,
  onEdit,
  width,
  height,
}: Omit<Shared, "piece"> & { underlay: UnderlayOf; frame: Frame; width: number; height: number }) {
  const pull = usePull();
  const points = pointsOf(mode);
  const { corner, scale } = placed(underlay, frame);
  const inPicture = (event: PointerEvent<SVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: (event.clientX - box.left - corner.x) / scale,
      y: (event.clientY - box.top - corner.y) / scale,
    };
  };
  return (
    <g>
      <rect
        width={width}
        height={height}
        fill="transparent"
        className={mode === "move" ? "cursor-grab" : "cursor-crosshair"}
        {...pull<{ xMm: number; yMm: number }, SVGRectElement>({
          begin: (event) => {
            if (mode === "move") return { xMm: underlay.xMm, yMm: underlay.yMm };
            if (points && points.length < 2) onMode({ points: [...points, inPicture(event)] });
            return null;
          },
          move: (from, by) =>
            onEdit(changed({ xMm: from.xMm + by.x / frame.scale, yMm: from.yMm + by.y / frame.scale })),
        })}
      />
      {points &&
        points.map((point, index) => {
          const [x, y] = [corner.x + point.x * scale, corner.y + point.y * scale];
          return (
            <path
              key={index}
              d={`M${x - 9} ${y}h18M${x} ${y - 9}v18`}
              stroke="var(--color-signal)"
              strokeWidth="2"
              pointerEvents="none"
            />
          );
        })}
    </g>
  );
}

/** Lays a picture under the piece, scales it by two points and their distance, moves it, makes it fainter. */
export function UnderlayControls({
  piece,
  mode,
  onMode,
  onEdit,
  onTraced,
  frame,
}: Shared & { frame: Frame | null; onTraced: () => void }) {
  const { system } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { underlay } = piece;
  const load = async (file: File) => {
    setBusy(true);
    setProblem(null);
    const result = await addPicture(file);
    setBusy(false);
    if (!result.ok) return setProblem(result.error.message);
    const { pictureId, widthPx } = result.value;
    const { widthMm } = outlineOf(piece);
    onEdit((before) => ({
      ...before,
      underlay: { pictureId, xMm: 0, yMm: 0, mmPerPx: widthMm / widthPx, opacity: 0.8 },
    }));
    onMode({ points: [] });
  };
  const chooser = useFileChooser({
    label: "Photograph or scan to lay under the drawing",
    accept: "image/*",
    onFile: (file) => void load(file),
  });
  const points = pointsOf(mode);
  const knots = knotsOf(mode);
  const [a, b] = points ?? [];
  return (
    <>
      {chooser.input}
      {!underlay && (
        <Button weight="quiet" disabled={busy || frame === null} onClick={chooser.choose}>
          {busy ? "laying it under…" : "lay a photo under it"}
        </Button>
      )}
      {underlay && mode === null && (
        <Menu label="photo" align="start">
          <MenuItem onSelect={() => onMode({ points: [] })}>Scale it by two points</MenuItem>
          {!NOT_TRACED.has(piece.shape.kind) && (
            <MenuItem onSelect={() => onMode({ knots: [] })}>Trace the piece along it</MenuItem>
          )}
          <MenuItem onSelect={() => onMode("move")}>Move it</MenuItem>
          <MenuItem onSelect={() => onEdit(changed({ opacity: underlay.opacity > 0.5 ? 0.35 : 0.8 }))}>
            {underlay.opacity > 0.5 ? "Fainter" : "Stronger"}
          </MenuItem>
          <MenuItem onSelect={chooser.choose}>Another photo</MenuItem>
          <MenuItem danger onSelect={() => onEdit(({ underlay: _gone, ...rest }) => rest)}>
            Take it away
          </MenuItem>
        </Menu>
      )}
      {knots && (
        <TraceControls
          knots={knots}
          onKnots={(next) => onMode({ knots: next })}
          onClose={onTraced}
          onLeave={() => onMode(null)}
        />
      )}
      {mode === "move" && (
        <span>
          <span className="text-ink-soft">Drag the photo. </span>
          <Button weight="quiet" onClick={() => onMode(null)}>
            done
          </Button>
        </span>
      )}
      {points !== null && (
        <span className="flex items-center gap-3">
          <span className="text-ink-soft">
            {points.length === 0 && "Click one end of a length you know."}
            {points.length === 1 && "Click its other end."}
            {a && b && "How long is it?"}
          </span>
          {a && b && (
            <QuantityField
              label="Length between the two points"
              hideLabel
              value={null}
              dimension="length"
              system={system}
              bounds={{ min: 1, max: 100_000 }}
              onChange={(mm) =>
                onEdit(changed({ mmPerPx: mm / Math.max(1, Math.hypot(b.x - a.x, b.y - a.y)) }))
              }
              className="w-28"
              bare
              autoFocus
            />
          )}
          <Button weight="quiet" onClick={() => onMode(null)}>
            done
          </Button>
        </span>
      )}
      {problem && (
        <span role="alert" className="text-danger">
          {problem}
        </span>
      )}
    </>
  );
}
