"use client";

import { useEffect, useState } from "react";
import type { Light } from "@/core/pattern/engine/lit";
import type { PictureMeasures } from "@/core/rehearsal/judge-picture";
import type { DrawnRows, Pictured } from "@/workers/rehearse.worker";
import { LIST_PX, pictureList, printOf } from "./listed";
import { askFor, askToKeep, callOff } from "./picture-pool";

/** First a picture of so many samples across, at once; then the sharp one, some rows at a time. */
const COARSE_PX = 400;
/** A picture that is no wider than this, px, is soon enough there as it is. */
const SMALL_PX = 220;
/** Wide enough to tell mud, px. */
const MEASURE_PX = 500;
/** What is kept for later changes is so wide, px. */
const KEPT_PX = 640;
/** Rows in one part, two tiles high: a worker is free again soon when something newer is asked. */
const PART_ROWS = 96;
/** The same of a lit one, whose parts are worked out with those beside them: the larger it is, the less is done twice. */
const LIT_ROWS = 240;
/** Samples of all pictures of lists that are kept: 24 MB. */
const MOST_LISTED = 6e6;

/** A picture as it comes: a canvas that grows sharper, and how often it has. */
export type Picture = {
  /** Whose it is, and after how many passes: while another one is asked for, the last one stands. */
  of: Pictured;
  passes: number;
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

/** What was measured of a rehearsal, by passes and width: another light on it asks for nothing anew. */
const measuredBefore = new WeakMap<Pictured, Map<string, PictureMeasures>>();

/** Pictures of lists, which need no measures. */
const listed = pictureList<HTMLCanvasElement>(MOST_LISTED);

/**
 * The picture of a piece after some of its passes, drawn by the workers: the coarse one first, its measures, then the sharp one in parts. A newer
 * question calls the older one off; the last picture stands until the new one has begun.
 * @param keepBefore so many passes are kept drawn when all is done: those after them may be changed next
 */
export function usePicture(
  of: Pictured | null,
  passes: number,
  widthPx: number,
  {
    measured = true,
    keepBefore = null,
    light = null,
  }: {
    measured?: boolean;
    keepBefore?: number | null;
    /** Under a lamp; the plain picture where there is none. Another object is another light. */
    light?: Light | null;
  } = {},
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
    const measuredPx = Math.min(MEASURE_PX, widthPx);
    const asked = `${passes} ${measuredPx}`;
    const known = measuredBefore.get(of) ?? new Map<string, PictureMeasures>();
    measuredBefore.set(of, known);
    let measures: PictureMeasures | null = (measured && known.get(asked)) || null;
    // A picture of a list is drawn by one worker at once, and kept for the next time that it is shown.
    const inList = !measured && widthPx <= LIST_PX;
    const print = inList ? printOf([of.rehearsal, of.palette, passes, widthPx, light]) : "";
    const before = inList ? listed.find(print) : null;
    if (before) {
      let wanted = true;
      queueMicrotask(() => {
        if (wanted)
          setPicture({ of, passes, canvas: before, drawn: 1, sharp: true, measures: null, measured: false });
      });
      return () => {
        wanted = false;
      };
    }
    const partRows = inList ? canvas.height : light ? LIT_ROWS : PART_ROWS;
    const parts = Math.ceil(canvas.height / partRows);
    /** Those that are not drawn sharp yet. */
    const open = new Set(Array.from({ length: parts }, (_, n) => n));
    const show = () => {
      drawn += 1;
      setPicture((before) => ({
        of,
        passes,
        canvas,
        drawn,
        sharp: open.size === 0,
        measures: measures ?? before?.measures ?? null,
        measured: measures !== null,
      }));
    };
    const coarse = Math.min(COARSE_PX, widthPx);
    const coarseRows = high(coarse);
    const half = Math.ceil(coarseRows / 2);
    const first = [
      [0, half],
      [half, coarseRows],
    ].filter(([from = 0, to = 0]) => !inList && widthPx > SMALL_PX && from < to);
    let coming = first.length;
    const ready = () => {
      if (open.size === 0 && (measures || !measured) && keepBefore !== null)
        askToKeep(owner, of, keepBefore, Math.min(KEPT_PX, widthPx));
    };
    askFor(owner, of, [
      // Half of the first picture for each worker.
      ...first.map(([from = 0, to = 0]) => ({
        kind: "rows" as const,
        passes,
        widthPx: coarse,
        from,
        to,
        rough: true,
        ...(light && { light }),
        done: ({ rgba, topPx, widthPx: wide, heightPx }: DrawnRows) => {
          const small = canvasOf(wide, heightPx);
          small.getContext("2d")?.putImageData(new ImageData(rgba, wide, heightPx), 0, 0);
          // Late, it lies under what the other worker has drawn sharp meanwhile.
          drawing.save();
          drawing.beginPath();
          for (const n of open) drawing.rect(0, n * partRows, canvas.width, partRows);
          drawing.clip();
          drawing.imageSmoothingQuality = "high";
          const scale = canvas.width / wide;
          drawing.drawImage(small, 0, topPx * scale, canvas.width, heightPx * scale);
          drawing.restore();
          coming -= 1;
          if (coming === 0) show();
        },
      })),
      ...Array.from({ length: parts }, (_, n) => ({
        kind: "rows" as const,
        passes,
        widthPx,
        from: n * partRows,
        to: Math.min(canvas.height, (n + 1) * partRows),
        ...(light && { light }),
        done: ({ rgba, topPx, widthPx: wide, heightPx }: DrawnRows) => {
          drawing.putImageData(new ImageData(rgba, wide, heightPx), 0, topPx);
          open.delete(n);
          if (inList) listed.keep(print, canvas);
          show();
          ready();
        },
      })),
      ...(measured && !measures
        ? [
            {
              kind: "measure" as const,
              passes,
              widthPx: measuredPx,
              done: (found: PictureMeasures) => {
                measures = found;
                known.set(asked, found);
                show();
                ready();
              },
            },
          ]
        : []),
    ]);
    return () => callOff(owner);
  }, [of, passes, widthPx, measured, keepBefore, light]);
  if (!of || !picture) return null;
  const asked = picture.of === of && picture.passes === passes;
  return asked ? picture : { ...picture, sharp: false, measured: false };
}
