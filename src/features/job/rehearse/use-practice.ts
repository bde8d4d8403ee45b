"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import type { Critique, Practice } from "@/core/rehearsal/critique";
import type { PracticeStroke } from "@/core/rehearsal/practised-on";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import type { PracticeAnswer, PracticeQuestion } from "@/workers/practice.worker";

/** The wet piece in a worker: what is drawn on it is sent there, and its picture comes back in parts. */
export function usePractice(
  of: PieceRehearsal | null,
  passes: number,
  widthPx: number,
): {
  canvas: HTMLCanvasElement | null;
  drawn: number;
  /** Time that the last part took, ms. */
  partMs: number | null;
  pull: (stroke: PracticeStroke, number: number, lifted: boolean) => void;
  keep: (pulls: number) => void;
  judge: (piece: Measured, practice: Practice) => Promise<Critique>;
} {
  const [shown, setShown] = useState<{ canvas: HTMLCanvasElement; drawn: number; partMs: number } | null>(
    null,
  );
  const worker = useRef<Worker | null>(null);
  const judged = useRef<((critique: Critique) => void) | null>(null);
  // One part is asked for at a time; of what is drawn meanwhile only the latest is sent.
  const waiting = useRef<PracticeQuestion | null>(null);
  const busy = useRef(false);
  const say = useCallback((question: PracticeQuestion) => {
    busy.current = question.kind !== "judge";
    worker.current?.postMessage(question);
  }, []);
  useEffect(() => {
    if (!of || widthPx < 8) return;
    const { minX, minY, maxX, maxY } = of.rehearsal.box;
    const canvas = document.createElement("canvas");
    canvas.width = widthPx;
    canvas.height = Math.max(2, Math.round((widthPx * (maxY - minY)) / (maxX - minX)));
    const drawing = canvas.getContext("2d");
    const practice = new Worker(new URL("../../../workers/practice.worker.ts", import.meta.url));
    worker.current = practice;
    let drawn = 0;
    practice.onmessage = ({ data }: MessageEvent<PracticeAnswer>) => {
      if (data.kind === "judged") {
        judged.current?.(data.critique);
        return;
      }
      drawing?.putImageData(new ImageData(data.rgba, data.widthPx, data.heightPx), data.leftPx, data.topPx);
      drawn += 1;
      setShown({ canvas, drawn, partMs: data.ms });
      busy.current = false;
      const next = waiting.current;
      waiting.current = null;
      if (next) say(next);
    };
    say({ kind: "begin", of, passes, widthPx });
    return () => {
      practice.terminate();
      worker.current = null;
      busy.current = false;
      waiting.current = null;
    };
  }, [of, passes, widthPx, say]);
  const pull = useCallback(
    (stroke: PracticeStroke, number: number, lifted: boolean) => {
      const question: PracticeQuestion = { kind: "pull", stroke, number, lifted };
      if (!busy.current || lifted) {
        waiting.current = null;
        say(question);
      } else waiting.current = question;
    },
    [say],
  );
  const keep = useCallback((pulls: number) => say({ kind: "keep", pulls }), [say]);
  const judge = useCallback(
    (piece: Measured, practice: Practice) =>
      new Promise<Critique>((resolve) => {
        judged.current = resolve;
        say({ kind: "judge", piece, practice });
      }),
    [say],
  );
  return {
    canvas: shown?.canvas ?? null,
    drawn: shown?.drawn ?? 0,
    partMs: shown?.partMs ?? null,
    pull,
    keep,
    judge,
  };
}
