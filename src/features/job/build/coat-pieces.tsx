"use client";

import { coatFor, piecesOf } from "@/core/job/builds";
import { isFill, type Coat } from "@/core/schedule/coat";
import { Checkbox } from "@/ui/checkbox";
import { QuantityField } from "@/ui/quantity-field";
import { giveCoat } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** Which pieces a coat goes on, and its film on each where it differs. One mix serves them all. */
export function CoatPieces({ coat }: { coat: Coat }) {
  const { document, system, change } = useJob();
  const on = piecesOf(document, coat);
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
  const film = (pieceId: string, filmMm: number | null) => {
    const { [pieceId]: _before, ...rest } = coat.filmByPieceMm ?? {};
    change(giveCoat({ ...coat, filmByPieceMm: filmMm === null ? rest : { ...rest, [pieceId]: filmMm } }));
  };
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-1">
        <h3 className="heading">On which pieces</h3>
        <span className="label">
          {on.length === document.pieces.length
            ? "all, one mix"
            : `${on.length} of ${document.pieces.length}, one mix`}
        </span>
      </div>
      {document.pieces.map((piece) => (
        <div key={piece.id} className="flex items-center gap-3 min-h-9">
          <span className="flex-1 min-w-0 truncate">
            <Checkbox
              label={piece.name || "unnamed"}
              checked={on.includes(piece.id)}
              onChange={(wanted) => put(piece.id, wanted)}
            />
          </span>
          {on.includes(piece.id) && !isFill(coat) && (
            <QuantityField
              label={`Film on ${piece.name}`}
              hideLabel
              value={coat.filmByPieceMm?.[piece.id] ?? coat.filmMm}
              dimension="film"
              system={system}
              bounds={{ min: 0.02, max: 60 }}
              onChange={(filmMm) => film(piece.id, filmMm === coat.filmMm ? null : filmMm)}
              onClear={() => film(piece.id, null)}
              keep={`${coat.id}.film.${piece.id}`}
              className="w-24"
              bare
            />
          )}
        </div>
      ))}
    </div>
  );
}
