"use client";

import type { Piece } from "@/core/geometry/piece";
import { zonesOf } from "@/core/geometry/zones/division";
import { BARRIER_WORDS } from "@/core/geometry/zones/zone-table";
import { coatFor, coatForZone, piecesOf } from "@/core/job/builds";
import { coversZone, filmOn, isFill, type Coat } from "@/core/schedule/coat";
import { zoneMeetings, type ZoneMeeting } from "@/core/plan/zone-borders";
import { Checkbox } from "@/ui/checkbox";
import { QuantityField } from "@/ui/quantity-field";
import { giveCoat } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** Which pieces a coat goes on, and its film on each where it differs. One mix serves them all. */
export function CoatPieces({ coat }: { coat: Coat }) {
  const { document, change } = useJob();
  const on = piecesOf(document, coat);
  const divided = document.pieces.some(({ division }) => division);
  const put = (pieceId: string, wanted: boolean) =>
    change((job) => ({
      ...job,
      coats: job.coats.map((planned) =>
        planned.id === coat.id
          ? coatFor(
              job,
              planned,
              job.pieces.map((piece) => piece.id).filter((id) => (id === pieceId ? wanted : on.includes(id))),
            )
          : planned,
      ),
    }));
  const putZone = (piece: Piece, zoneId: string, wanted: boolean) =>
    change((job) => ({
      ...job,
      coats: job.coats.map((planned) =>
        planned.id === coat.id ? coatForZone(planned, piece, zoneId, wanted) : planned,
      ),
    }));
  const film = (pieceId: string, filmMm: number | null) => {
    const { [pieceId]: _before, ...rest } = coat.filmByPieceMm ?? {};
    change(giveCoat({ ...coat, filmByPieceMm: filmMm === null ? rest : { ...rest, [pieceId]: filmMm } }));
  };
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-1">
        <h3 className="heading">{divided ? "On which pieces and zones" : "On which pieces"}</h3>
        <span className="label">
          {on.length === document.pieces.length
            ? "all, one mix"
            : `${on.length} of ${document.pieces.length}, one mix`}
        </span>
      </div>
      {document.pieces.map((piece) => (
        <div key={piece.id}>
          <div className="flex items-center gap-3 min-h-9">
            <span className="flex-1 min-w-0 truncate">
              <Checkbox
                label={piece.name || "unnamed"}
                checked={on.includes(piece.id)}
                onChange={(wanted) => put(piece.id, wanted)}
              />
            </span>
            {on.includes(piece.id) && !isFill(coat) && (
              <FilmField
                coat={coat}
                placeId={piece.id}
                name={piece.name}
                filmMm={filmOn(coat, piece.id)}
                usualMm={coat.filmMm}
                onFilm={film}
              />
            )}
          </div>
          {on.includes(piece.id) &&
            piece.division &&
            zonesOf(piece.division).map((zone) => {
              const covered = coversZone(coat, piece.id, zone.id);
              return (
                <div key={zone.id} className="flex items-center gap-3 min-h-9 pl-6">
                  <span className="flex-1 min-w-0 truncate">
                    <Checkbox
                      label={zone.name || "unnamed"}
                      checked={covered}
                      onChange={(wanted) => putZone(piece, zone.id, wanted)}
                    />
                  </span>
                  {covered && !isFill(coat) && (
                    <FilmField
                      coat={coat}
                      placeId={zone.id}
                      name={`${piece.name}, ${zone.name}`}
                      filmMm={filmOn(coat, piece.id, zone.id)}
                      usualMm={filmOn(coat, piece.id)}
                      onFilm={film}
                    />
                  )}
                </div>
              );
            })}
        </div>
      ))}
      <Meetings coat={coat} />
    </div>
  );
}

/** How a zone meets its neighbour in this coat, in words. */
function meetingWords(meeting: ZoneMeeting): string {
  const [one, other] = meeting.zones;
  switch (meeting.how) {
    case "melt":
      return `${one} and ${other} are wet beside each other: their colours melt over the border.`;
    case "held":
      return `${one} and ${other} are held apart by ${BARRIER_WORDS[meeting.by]}.`;
    case "before":
      return `${one} runs up to ${other}, which ${meeting.coat} has coated before.`;
    case "later":
      return `${one} runs up to ${other}, which ${meeting.coat} coats later.`;
    case "bare":
      return `${one} runs up to ${other}, which no coat of its own covers.`;
  }
}

function Meetings({ coat }: { coat: Coat }) {
  const { document, plan } = useJob();
  const meetings = zoneMeetings(coat, document.coats, plan.pieces);
  if (meetings.length === 0) return null;
  return (
    <ul aria-label="How zones meet" className="text-sm border-t border-line pt-2 mt-1">
      {meetings.map((meeting) => (
        <li key={`${meeting.zoneIds.join(" ")} ${meeting.how}`}>{meetingWords(meeting)}</li>
      ))}
    </ul>
  );
}

/** The film of a coat on one piece or zone; emptied it is again that of what it is part of. */
function FilmField({
  coat,
  placeId,
  name,
  filmMm,
  usualMm,
  onFilm,
}: {
  coat: Coat;
  placeId: string;
  name: string;
  filmMm: number;
  usualMm: number;
  onFilm: (placeId: string, filmMm: number | null) => void;
}) {
  const { system } = useJob();
  return (
    <QuantityField
      label={`Film on ${name}`}
      hideLabel
      value={filmMm}
      dimension="film"
      system={system}
      bounds={{ min: 0.02, max: 60 }}
      onChange={(next) => onFilm(placeId, next === usualMm ? null : next)}
      onClear={() => onFilm(placeId, null)}
      keep={`${coat.id}.film.${placeId}`}
      className="w-24"
      bare
    />
  );
}
