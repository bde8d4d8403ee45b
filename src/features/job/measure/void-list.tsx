"use client";

import type { Fault } from "@/core/geometry/fault";
import { voidVolumeMl } from "@/core/geometry/measure";
import type { Piece } from "@/core/geometry/piece";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

type Void = NonNullable<Piece["voids"]>[number];

/** Knots, cracks and wormholes by the box that they fit, to be filled before the coats. */
export function VoidList({ piece, faults }: { piece: Piece; faults: Fault[] }) {
  const { system, change } = useJob();
  const voids = piece.voids ?? [];
  const set = (next: (before: Void[]) => Void[]) =>
    change(editPiece(piece.id, (before) => ({ ...before, voids: next(before.voids ?? []) })));
  const edit = (id: string, next: Partial<Void>) =>
    set((before) => before.map((hollow) => (hollow.id === id ? { ...hollow, ...next } : hollow)));
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h3 className="heading">Voids to fill first</h3>
        <Button
          weight="quiet"
          onClick={() =>
            set((before) => [
              ...before,
              {
                id: newId(),
                name: `Void ${before.length + 1}`,
                lengthMm: 40,
                widthMm: 15,
                depthMm: 15,
                count: 1,
              },
            ])
          }
        >
          add a void
        </Button>
      </div>
      {voids.map((hollow, index) => (
        <div key={hollow.id} className="border-b border-line py-2">
          <div className="grid grid-cols-4 gap-2">
            {(
              [
                ["lengthMm", "Length"],
                ["widthMm", "Width"],
                ["depthMm", "Depth"],
              ] as const
            ).map(([field, words]) => (
              <QuantityField
                key={field}
                label={`${words}, void ${index + 1}`}
                value={hollow[field]}
                dimension="length"
                system={system}
                bounds={{ min: 0.5, max: 10_000 }}
                onChange={(value) => edit(hollow.id, { [field]: value })}
                keep={`${hollow.id}.${field}`}
                bare
              />
            ))}
            <QuantityField
              label="How many"
              value={hollow.count}
              dimension="number"
              system={system}
              bounds={{ min: 1, max: 999, whole: true }}
              onChange={(count) => edit(hollow.id, { count })}
              keep={`${hollow.id}.count`}
              bare
            />
          </div>
          <div className="flex justify-between text-xs mt-1">
            <span className="figure font-normal">{quantityText(voidVolumeMl(hollow), "volume", system)}</span>
            <Button
              weight="quiet"
              onClick={() => set((before) => before.filter((void_) => void_.id !== hollow.id))}
            >
              remove
            </Button>
          </div>
          {faults.some((fault) => fault.at === `voids.${hollow.id}`) && (
            <p role="alert" className="text-xs text-danger border-l-2 border-danger pl-1.5">
              {hollow.name} has no size.
            </p>
          )}
        </div>
      ))}
    </div>
  );
}
