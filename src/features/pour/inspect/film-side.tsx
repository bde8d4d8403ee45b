"use client";

import { readCombAt } from "@/core/inspect/combs";
import type { FilmOnPiece } from "@/core/inspect/film-on-piece";
import type { LoggedPour } from "@/core/inspect/logged-pour";
import type { Measured } from "@/core/geometry/measure";
import type { PlannedCoat } from "@/core/plan/timed";
import type { PourEvent } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import type { UnitSystem } from "@/core/units/dimension";
import { Choice } from "@/ui/choice";
import type { Act } from "../pour-store";
import { FilmPanel } from "./film-panel";
import { TeachPanel } from "./teach-panel";

/** The film of one coat: by the comb, and what else can be read of it that teaches. */
export function FilmSide({
  logged: { plan, document, inspection },
  events,
  film,
  coats,
  coat,
  piece,
  combPlace,
  placeWords,
  teethMm,
  minMm,
  isWet,
  system,
  onCoat,
  onMin,
  onRead,
  record,
}: {
  logged: LoggedPour;
  events: readonly PourEvent[];
  film: FilmOnPiece | null;
  coats: readonly { id: string; name: string }[];
  coat: PlannedCoat;
  piece: Measured;
  /** Where the comb stands; null before a place is touched. */
  combPlace: Place | null;
  placeWords: (place: Place) => string;
  teethMm: readonly number[];
  minMm: number | null;
  isWet: boolean;
  system: UnitSystem;
  onCoat: (id: string) => void;
  onMin: (mm: number | null) => void;
  /** The comb was read: another place is touched next. */
  onRead: () => void;
  record: (act: Act) => Promise<void>;
}) {
  const coatId = coat.coat.id;
  return (
    <>
      {coats.length > 1 && (
        <Choice
          label="Coat"
          value={coatId}
          options={coats.map(({ id, name }) => ({ value: id, words: name }))}
          onChange={onCoat}
          className="mb-4 max-w-full flex-wrap"
        />
      )}
      <FilmPanel
        film={film}
        resin={coat.resin}
        combs={inspection.combs.filter(
          ({ place, coatId: of }) => place.pieceId === piece.id && of === coatId,
        )}
        teethMm={teethMm}
        placeWords={combPlace && placeWords(combPlace)}
        placeOf={({ place }) => placeWords(place)}
        minMm={minMm}
        system={system}
        onMin={onMin}
        onRead={(wetted) => {
          if (!combPlace) return;
          void record({ kind: "comb", place: combPlace, coatId, ...readCombAt(teethMm, wetted) });
          onRead();
        }}
        onTakeBack={({ id }) => void record({ kind: "comb-ends", combId: id })}
      />
      <TeachPanel
        key={coatId}
        coat={coat}
        plan={plan}
        factors={document.factors}
        events={events}
        isWet={isWet}
        system={system}
        record={record}
      />
    </>
  );
}
