"use client";

import { useEffect, useState } from "react";
import type { PieceRehearsal } from "@/core/plan/rehearse";
import type { RehearseAnswer, RehearseQuestion } from "@/workers/rehearse.worker";

/** Sharper, one after the other: the first at once. */
const WIDTHS_PX = [240, 560, 1230];

/** The picture of a piece after some of its passes, worked out in a worker, first coarse, then sharper; a newer question ends an older one. */
export function usePicture(
  of: PieceRehearsal | null,
  passes: number,
  widthsPx: number[] = WIDTHS_PX,
): RehearseAnswer | null {
  const [found, setFound] = useState<RehearseAnswer | null>(null);
  useEffect(() => {
    if (!of) return;
    const worker = new Worker(new URL("../../../workers/rehearse.worker.ts", import.meta.url));
    worker.onmessage = ({ data }: MessageEvent<RehearseAnswer>) => {
      setFound(data);
      if (data.last) worker.terminate();
    };
    const question: RehearseQuestion = { rehearsal: of.rehearsal, palette: of.palette, widthsPx, passes };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [of, passes, widthsPx]);
  return of ? found : null;
}
