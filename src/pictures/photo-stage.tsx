"use client";

import type { ReactNode } from "react";
import { useSize } from "@/ui/use-size";
import type { TouchedPhoto } from "./use-touched-photo";

/** The photo, as large as its room; the places that are asked for are touched on it. */
export function PhotoStage({
  asked: { url, bitmap, points, next, touch },
  children,
}: {
  asked: Pick<TouchedPhoto, "url" | "bitmap" | "points" | "next" | "touch">;
  /** Stands above it. */
  children?: ReactNode;
}) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const scale = bitmap ? Math.min((width - 40) / bitmap.width, (height - 40) / bitmap.height) : 0;
  return (
    <div className="flex-1 min-w-0 flex flex-col min-h-[320px]">
      {children}
      <div ref={ref} className="relative flex-1 min-h-[280px] grid place-items-center overflow-hidden">
        {url && bitmap && scale > 0 && (
          <div className="relative" style={{ width: bitmap.width * scale, height: bitmap.height * scale }}>
            {/* eslint-disable-next-line @next/next/no-img-element -- of this browser only */}
            <img src={url} alt="The photo" className="size-full block" />
            <svg className="absolute inset-0 size-full overflow-visible" aria-hidden>
              {points.map(({ x, y }, n) => (
                <g key={n} transform={`translate(${x * scale} ${y * scale})`}>
                  <circle r="11" fill="none" stroke="var(--color-paper)" strokeWidth="5" />
                  <circle r="11" fill="none" stroke="var(--color-signal)" strokeWidth="2.5" />
                  <path d="M-4 0H4M0 -4V4" stroke="var(--color-signal)" strokeWidth="2" />
                </g>
              ))}
            </svg>
            {next && (
              <button
                type="button"
                aria-label={`Touch the ${next}`}
                className="absolute inset-0 cursor-crosshair"
                onClick={(event) => {
                  const box = event.currentTarget.getBoundingClientRect();
                  // By the keyboard it is the middle.
                  const byKey = event.detail === 0;
                  touch({
                    x: (byKey ? box.width / 2 : event.clientX - box.left) / scale,
                    y: (byKey ? box.height / 2 : event.clientY - box.top) / scale,
                  });
                }}
              />
            )}
          </div>
        )}
      </div>
    </div>
  );
}
