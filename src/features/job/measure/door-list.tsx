"use client";

import { outlineOf } from "@/core/geometry/outline";
import { edgesOf, edgeWords, type Door, type EdgeName, type Piece } from "@/core/geometry/piece";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { WayOutWords } from "../workspace/way-out-words";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** The doors of a floor: by which one leaves when the last of it is laid. */
export function DoorList({ piece }: { piece: Piece }) {
  const { system, change } = useJob();
  const doors = piece.doors ?? [];
  const { sides } = outlineOf(piece);
  const set = (next: (before: Door[]) => Door[]) =>
    change(editPiece(piece.id, (before) => ({ ...before, doors: next(before.doors ?? []) })));
  const edit = (id: string, next: Partial<Door>) =>
    set((before) => before.map((door) => (door.id === id ? { ...door, ...next } : door)));
  const lengthOf = (edge: EdgeName) => sides.find(({ name }) => name === edge)?.lengthMm ?? 0;
  const names = edgesOf(piece.shape);
  return (
    <section aria-label="Doors">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h3 className="heading">Doors</h3>
        {doors.length < 8 && (
          <Button
            weight="quiet"
            onClick={() =>
              set((before) => {
                const edge = names[before.length % names.length] ?? "side-1";
                return [...before, { id: newId(), edge, atMm: Math.round(lengthOf(edge) / 2) }];
              })
            }
          >
            add a door
          </Button>
        )}
      </div>
      {doors.map((door, index) => (
        <div key={door.id} className="flex items-end gap-3 border-b border-line py-2">
          <SelectField
            label={`Door ${index + 1}, in`}
            value={door.edge}
            onChange={(event) => edit(door.id, { edge: event.target.value as EdgeName })}
            frame="flex-1"
          >
            {names.map((name) => (
              <option key={name} value={name}>
                {edgeWords(name)}
              </option>
            ))}
          </SelectField>
          <QuantityField
            label={`Along it, door ${index + 1}`}
            value={door.atMm}
            dimension="length"
            system={system}
            bounds={{ min: 0, max: Math.max(1, lengthOf(door.edge)) }}
            onChange={(atMm) => edit(door.id, { atMm })}
            keep={`${door.id}.at`}
            className="w-32"
            bare
          />
          <Button
            weight="quiet"
            className="pb-1"
            aria-label={`Remove door ${index + 1}`}
            onClick={() => set((before) => before.filter(({ id }) => id !== door.id))}
          >
            remove
          </Button>
        </div>
      ))}
      <WayOutWords piece={piece} />
    </section>
  );
}
