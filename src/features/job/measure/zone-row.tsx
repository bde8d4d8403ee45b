"use client";

import type { Piece } from "@/core/geometry/piece";
import type { Zone } from "@/core/geometry/zones/division";
import { withZone } from "@/core/geometry/zones/edit-division";
import type { MeasuredZone } from "@/core/geometry/zones/measured-zones";
import { quantityText } from "@/core/units/format-quantity";
import { TextField } from "@/ui/text-field";
import { editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** A zone by its name, its area and its share of the piece. */
export function ZoneRow({
  piece,
  zone,
  laid,
  rest = false,
}: {
  piece: Piece;
  zone: Zone;
  laid: MeasuredZone | null;
  rest?: boolean;
}) {
  const { system, change } = useJob();
  return (
    <div className="flex items-end gap-3 py-1.5">
      <TextField
        label={rest ? "What is left" : "Zone"}
        value={zone.name}
        maxLength={80}
        onChange={(event) =>
          change(
            editPiece(piece.id, (before) =>
              withZone(before, zone.id, (was) => ({ ...was, name: event.target.value })),
            ),
          )
        }
        frame="flex-1"
      />
      {laid && (
        <p className="text-right pb-1.5 w-32">
          <span className="figure text-lg">{quantityText(laid.topAreaMm2, "area", system)}</span>
          <span className="label block">{Math.round(100 * laid.share)} % of it</span>
        </p>
      )}
    </div>
  );
}
