import { LIMITS, type ReadDrawing } from "@/core/drawing-files/drawing";
import { inTime, workerClient } from "@/workers/client";
import type { DrawingCalls } from "@/workers/read-drawing.worker";

/** A file that takes longer is let go. */
const PATIENCE_MS = 1800;

const drawingWorker = workerClient<DrawingCalls>(
  () => new Worker(new URL("../../../workers/read-drawing.worker.ts", import.meta.url)),
);

/** Reads a drawing file off the main thread; a file that takes too long is refused like one that is damaged. */
export async function readDrawing(file: File, toleranceMm: number): Promise<ReadDrawing> {
  if (!/\.(svg|dxf)$/i.test(file.name))
    return { ok: false, reason: "Choose a file that ends in .svg or .dxf." };
  if (file.size > LIMITS.bytes)
    return {
      ok: false,
      reason: `The file has ${Math.round(file.size / 1e6)} MB; ${LIMITS.bytes / 1e6} MB is the most.`,
    };
  const text = await file.text();
  const asked = performance.now();
  const drawing = await inTime(
    drawingWorker.ask("read", { name: file.name, text, toleranceMm }),
    PATIENCE_MS,
  );
  if (drawing) return drawing;
  return {
    ok: false,
    reason:
      performance.now() - asked < PATIENCE_MS
        ? "The file cannot be read."
        : "The file takes too long to read. Simplify the drawing and try again.",
  };
}
