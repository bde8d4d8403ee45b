"use client";

import { useEffect, useRef } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import type { Measured } from "@/core/geometry/measure";
import type { RehearseAnswer } from "@/workers/rehearse.worker";

/** A rehearsed picture within the outline of its piece; cut-outs are open. */
export function PiecePicture({
  picture,
  piece: { outline, piece },
  name,
  width,
}: {
  picture: RehearseAnswer | null;
  piece: Measured;
  name: string;
  width: number;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const height = Math.max(1, Math.round((width * outline.heightMm) / outline.widthMm));
  useEffect(() => {
    const canvas = ref.current;
    const drawing = canvas?.getContext("2d");
    if (!canvas || !drawing || !picture) return;
    const { widthPx, heightPx, rgba } = picture;
    const buffer = document.createElement("canvas");
    buffer.width = widthPx;
    buffer.height = heightPx;
    buffer.getContext("2d")?.putImageData(new ImageData(rgba, widthPx, heightPx), 0, 0);
    canvas.width = width;
    canvas.height = height;
    const scale = width / outline.widthMm;
    const trace = (ring: readonly Point[]) => {
      drawing.beginPath();
      for (const { x, y } of ring) drawing.lineTo(x * scale, y * scale);
      drawing.closePath();
    };
    drawing.save();
    trace(outline.corners);
    drawing.clip();
    drawing.imageSmoothingQuality = "high";
    drawing.drawImage(buffer, 0, 0, width, height);
    drawing.restore();
    drawing.globalCompositeOperation = "destination-out";
    for (const cutOut of piece.cutOuts) {
      trace(cutOutRing(cutOut, outline));
      drawing.fill();
    }
    drawing.globalCompositeOperation = "source-over";
  }, [picture, outline, piece.cutOuts, width, height]);
  return <canvas ref={ref} role="img" aria-label={name} style={{ width, height }} className="block" />;
}
