"use client";

import { GROUNDS, type Ground } from "@/core/batch/grounds";
import { rangeText } from "@/core/units/format-quantity";
import { Dialog } from "@/ui/dialog";
import { SelectField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

/** The ground under each piece, with what it drinks. */
export function GroundDialog({ onClose }: { onClose: () => void }) {
  const { document, system, change } = useJob();
  const set = (pieceId: string, ground: Ground) =>
    change((job) => {
      const { [pieceId]: _before, ...rest } = job.groundByPiece ?? {};
      return { ...job, groundByPiece: ground === job.ground ? rest : { ...rest, [pieceId]: ground } };
    });
  return (
    <Dialog open onClose={onClose} title="What each piece is made of">
      {document.pieces.map((piece) => {
        const ground = document.groundByPiece?.[piece.id] ?? document.ground;
        const drinks = GROUNDS[ground].mlPerM2;
        return (
          <div key={piece.id} className="flex items-end gap-4 border-b border-line py-2">
            <SelectField
              label={piece.name || "unnamed"}
              value={ground}
              onChange={(event) => set(piece.id, event.target.value as Ground)}
              frame="flex-1"
            >
              {Object.entries(GROUNDS).map(([value, { words }]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </SelectField>
            <span className="label flex-1 pb-1">
              drinks {rangeText(drinks, "spray", system)}. {GROUNDS[ground].prepare}
            </span>
          </div>
        );
      })}
    </Dialog>
  );
}
