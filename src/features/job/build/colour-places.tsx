"use client";

import { goesOn } from "@/core/batch/placed-colours";
import type { CoatColour } from "@/core/batch/coat-colour";
import { zonesOf } from "@/core/geometry/zones/division";
import { covers, coversZone, type Coat } from "@/core/schedule/coat";
import { Checkbox } from "@/ui/checkbox";
import { editColour } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

type Place = { pieceId: string; zoneId: string | null; name: string };

/** Which pieces and zones of its coat a colour goes on; there it shares the place with the others that do. Nothing where there is but one place. */
export function ColourPlaces({ coat, colour }: { coat: Coat; colour: CoatColour }) {
  const { document, change } = useJob();
  const places = document.pieces
    .filter((piece) => covers(coat, piece.id))
    .flatMap((piece): Place[] =>
      piece.division
        ? zonesOf(piece.division)
            .filter((zone) => coversZone(coat, piece.id, zone.id))
            .map((zone) => ({ pieceId: piece.id, zoneId: zone.id, name: `${piece.name}, ${zone.name}` }))
        : [{ pieceId: piece.id, zoneId: null, name: piece.name }],
    );
  if (places.length < 2) return null;
  const idOf = ({ pieceId, zoneId }: Place) => zoneId ?? pieceId;
  const put = (placeId: string, wanted: boolean) =>
    change(
      editColour(coat.id, colour.id, (before) => {
        const on = places.filter((place) => (idOf(place) === placeId ? wanted : goesOn(before, place)));
        const { placeIds: _before, ...rest } = before;
        return on.length === places.length ? rest : { ...rest, placeIds: on.map(idOf) };
      }),
    );
  return (
    <fieldset className="col-span-2">
      <legend className="label mb-1">Goes on</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {places.map((place) => (
          <Checkbox
            key={idOf(place)}
            label={place.name}
            checked={goesOn(colour, place)}
            onChange={(wanted) => put(idOf(place), wanted)}
          />
        ))}
      </div>
    </fieldset>
  );
}
