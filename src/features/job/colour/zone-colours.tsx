"use client";

import type { PlaceColours } from "@/core/plan/place-colours";
import { useJob } from "../workspace/use-job";

/** What is seen of each zone when a coat is on, and when all are: over what lies in that zone. */
export function ZoneColours({ coatId }: { coatId: string }) {
  const { plan } = useJob();
  const zones = plan.places.flatMap((place) => {
    const piece = plan.pieces.find(({ id }) => id === place.pieceId);
    const zone = piece?.zones.find(({ id }) => id === place.zoneId);
    return piece && zone ? [{ place, words: zone.name, pieceName: piece.name }] : [];
  });
  if (zones.length === 0) return null;
  return (
    <section aria-label="Zone by zone" className="mt-6">
      <h2 className="heading border-b border-line pb-1 mb-3">Zone by zone, each over what lies there</h2>
      <ul className="flex gap-x-5 gap-y-4 flex-wrap">
        {zones.map(({ place, words, pieceName }) => (
          <li key={place.zoneId} className="w-[148px]" title={pieceName}>
            <ZoneSwatch place={place} coatId={coatId} />
            <p className="font-semibold mt-1.5 truncate">{words}</p>
            <p className="label">
              {place.after.get(coatId)?.here ? "after this coat" : "this coat is not here"} · all coats on
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** After this coat on the left, fainter where it does not go; finished on the right. */
function ZoneSwatch({ place, coatId }: { place: PlaceColours; coatId: string }) {
  const seen = place.after.get(coatId);
  return (
    <span className="flex h-12 border border-ink">
      <span
        className="flex-1"
        style={{ background: seen?.average.hex, opacity: seen?.here === false ? 0.32 : 1 }}
      />
      <span className="flex-1" style={{ background: place.finished.hex }} />
    </span>
  );
}
