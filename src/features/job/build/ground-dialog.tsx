"use client";

import { GROUND_ML_PER_M2, GROUND_WORDS, type Ground } from "@/core/batch/factors";
import { Dialog } from "@/ui/dialog";
import { SelectField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

/** The ground under each piece, with what it drinks. */
export function GroundDialog({ onClose }: { onClose: () => void }) {
  const { document, change } = useJob();
  const set = (pieceId: string, ground: Ground) =>
    change((job) => {
      const { [pieceId]: _before, ...rest } = job.groundByPiece ?? {};
      return { ...job, groundByPiece: ground === job.ground ? rest : { ...rest, [pieceId]: ground } };
    });
  return (
    <Dialog open onClose={onClose} title="What each piece is made of">
      {document.pieces.map((piece) => {
        const ground = document.groundByPiece?.[piece.id] ?? document.ground;
        const drinks = GROUND_ML_PER_M2[ground];
        return (
          <div key={piece.id} className="flex items-end gap-4 border-b border-line py-2">
            <SelectField
              label={piece.name || "unnamed"}
              value={ground}
              onChange={(event) => set(piece.id, event.target.value as Ground)}
              frame="flex-1"
            >
              {Object.entries(GROUND_WORDS).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </SelectField>
            <span className="label w-32 pb-2">
              drinks {drinks.likely} ml/m²
              <br />
              {drinks.low} to {drinks.high}
            </span>
          </div>
        );
      })}
    </Dialog>
  );
}
