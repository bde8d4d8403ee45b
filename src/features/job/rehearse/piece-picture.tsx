"use client";

import { useEffect, useRef } from "react";
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
    drawing.save();
    drawing.beginPath();
    outline.corners.forEach(({ x, y }, at) =>
      at === 0 ? drawing.moveTo(x * scale, y * scale) : drawing.lineTo(x * scale, y * scale),
    );
    drawing.closePath();
    drawing.clip();
    drawing.imageSmoothingQuality = "high";
    drawing.drawImage(buffer, 0, 0, width, height);
    drawing.restore();
    drawing.globalCompositeOperation = "destination-out";
    for (const { shape, fromLeftMm, fromFrontMm } of piece.cutOuts) {
      const [x, y] = [fromLeftMm * scale, (outline.heightMm - fromFrontMm) * scale];
      drawing.beginPath();
      if (shape.kind === "round") drawing.arc(x, y, (shape.diameterMm / 2) * scale, 0, 2 * Math.PI);
      else if (shape.kind === "rectangle")
        drawing.rect(
          x - (shape.lengthMm / 2) * scale,
          y - (shape.depthMm / 2) * scale,
          shape.lengthMm * scale,
          shape.depthMm * scale,
        );
      drawing.fill();
    }
    drawing.globalCompositeOperation = "source-over";
  }, [picture, outline, piece.cutOuts, width, height]);
  return <canvas ref={ref} role="img" aria-label={name} style={{ width, height }} className="block" />;
}
