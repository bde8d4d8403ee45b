import { LIMITS, type ReadDrawing } from "@/core/drawing-files/drawing";
import type { ReadRequest } from "@/workers/read-drawing.worker";

/** A file that takes longer is let go; its worker is ended with it. */
const PATIENCE_MS = 1800;

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
  const worker = new Worker(new URL("../../../workers/read-drawing.worker.ts", import.meta.url));
  try {
    return await new Promise<ReadDrawing>((resolve) => {
      const late = setTimeout(
        () =>
          resolve({
            ok: false,
            reason: "The file takes too long to read. Simplify the drawing and try again.",
          }),
        PATIENCE_MS,
      );
      const answer = (drawing: ReadDrawing) => {
        clearTimeout(late);
        resolve(drawing);
      };
      worker.onmessage = ({ data }: MessageEvent<ReadDrawing>) => answer(data);
      worker.onerror = () => answer({ ok: false, reason: "The file cannot be read." });
      worker.postMessage({ name: file.name, text, toleranceMm } satisfies ReadRequest);
    });
  } finally {
    worker.terminate();
  }
}
