"use client";

import type { PourNote } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import type { PictureFrame } from "@/pictures/picture-frame";

/** Places of a piece about which something was noted, numbered; a touch elsewhere notes something about that place. */
export function PlaceLayer({
  pieceId,
  name,
  notes,
  frame,
  onPlace,
}: {
  pieceId: string;
  name: string;
  notes: readonly PourNote[];
  frame: PictureFrame;
  onPlace: (place: Place) => void;
}) {
  const here = notes.flatMap(({ place, text }) => (place?.pieceId === pieceId ? [{ place, text }] : []));
  return (
    <>
      <button
        type="button"
        aria-label={`Write about a place on ${name}`}
        title="Touch a place to note something about it"
        className="absolute inset-0 cursor-crosshair"
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          // By the keyboard it is the middle.
          const byKey = event.detail === 0;
          const { x, y } = frame.from({
            x: byKey ? box.width / 2 : event.clientX - box.left,
            y: byKey ? box.height / 2 : event.clientY - box.top,
          });
          onPlace({ pieceId, xMm: x, yMm: y });
        }}
      />
      {here.map(({ place, text }, index) => {
        const { x, y } = frame.at({ x: place.xMm, y: place.yMm });
        return (
          <span
            key={`${place.xMm} ${place.yMm} ${index}`}
            title={text}
            className="absolute size-7 -ml-3.5 -mt-3.5 grid place-items-center border-2 border-night bg-night-ink text-night font-semibold pointer-events-none"
            style={{ left: x, top: y }}
          >
            {index + 1}
          </span>
        );
      })}
    </>
  );
}
