"use client";

import { useEffect, useState } from "react";
import type { PictureMeasures } from "@/core/plan/judge-picture";
import type { Pictured } from "@/workers/rehearse.worker";
import { askFor, callOff } from "./picture-pool";

/** First a picture of so many samples across, at once; then the sharp one, some rows of tiles at a time. */
const COARSE_PX = 260;
/** Wide enough to tell mud, px. */
const MEASURE_PX = 500;
const TILE_PX = 48;
/** Rows of tiles in one part: a worker is free again soon when something newer is asked. */
const PART_ROWS = 2;

/** A picture as it comes: a canvas that grows sharper, and how often it has. */
export type Picture = {
  canvas: HTMLCanvasElement;
  drawn: number;
  sharp: boolean;
  /** The last ones there were, until those of this picture are there. */
  measures: PictureMeasures | null;
  measured: boolean;
};

const canvasOf = (widthPx: number, heightPx: number): HTMLCanvasElement => {
  const canvas = document.createElement("canvas");
  canvas.width = widthPx;
  canvas.height = heightPx;
  return canvas;
};

/**
 * The picture of a piece after some of its passes, drawn by the workers: the coarse one first, its measures, then the sharp one in parts. A newer
 * question calls the older one off; the last picture stands until the new one has begun.
 */
export function usePicture(
  of: Pictured | null,
  passes: number,
  widthPx: number,
  { measured = true }: { measured?: boolean } = {},
): Picture | null {
  const [picture, setPicture] = useState<Picture | null>(null);
  useEffect(() => {
    if (!of || widthPx < 8) return;
    const owner = {};
    const { minX, minY, maxX, maxY } = of.rehearsal.box;
    const ratio = (maxY - minY) / (maxX - minX);
    const high = (wide: number) => Math.max(2, Math.round(wide * ratio));
    const canvas = canvasOf(widthPx, high(widthPx));
    const drawing = canvas.getContext("2d");
    if (!drawing) return;
    let drawn = 0;
    let measures: PictureMeasures | null = null;
    const rows = Math.ceil(canvas.height / TILE_PX);
    const parts = Math.ceil(rows / PART_ROWS);
    let left = parts;
    const show = () => {
      drawn += 1;
      setPicture((before) => ({
        canvas,
        drawn,
        sharp: left === 0,
        measures: measures ?? before?.measures ?? null,
        measured: measures !== null,
      }));
    };
    const coarse = Math.min(COARSE_PX, widthPx);
    askFor(owner, of, [
      {
        kind: "rows",
        passes,
        widthPx: coarse,
        from: 0,
        to: Math.ceil(high(coarse) / TILE_PX),
        done: ({ rgba, widthPx: wide, heightPx }) => {
          const small = canvasOf(wide, heightPx);
          small.getContext("2d")?.putImageData(new ImageData(rgba, wide, heightPx), 0, 0);
          drawing.imageSmoothingQuality = "high";
          drawing.drawImage(small, 0, 0, canvas.width, canvas.height);
          show();
        },
      },
      ...Array.from({ length: parts }, (_, n) => ({
        kind: "rows" as const,
        passes,
        widthPx,
        from: n * PART_ROWS,
        to: Math.min(rows, (n + 1) * PART_ROWS),
        done: ({
          rgba,
          topPx,
          widthPx: wide,
          heightPx,
        }: {
          rgba: Uint8ClampedArray<ArrayBuffer>;
          topPx: number;
          widthPx: number;
          heightPx: number;
        }) => {
          drawing.putImageData(new ImageData(rgba, wide, heightPx), 0, topPx);
          left -= 1;
          show();
        },
      })),
      ...(measured
        ? [
            {
              kind: "measure" as const,
              passes,
              widthPx: Math.min(MEASURE_PX, widthPx),
              done: (found: PictureMeasures) => {
                measures = found;
                show();
              },
            },
          ]
        : []),
    ]);
    return () => callOff(owner);
  }, [of, passes, widthPx, measured]);
  return of ? picture : null;
}
