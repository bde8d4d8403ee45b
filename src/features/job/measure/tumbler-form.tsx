"use client";

import type { Fault } from "@/core/geometry/fault";
import { tumblerAreas, type Tumbler } from "@/core/geometry/frustum";
import type { SizeName } from "@/core/geometry/sizes";
import type { Piece } from "@/core/geometry/piece";
import { MM_PER_INCH } from "@/core/units/constants";
import { trimmed } from "@/core/units/format-quantity";
import { Checkbox } from "@/ui/checkbox";
import { QuantityField } from "@/ui/quantity-field";
import { editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

const SIZES: [SizeName<Tumbler>, string, number][] = [
  ["topDiameterMm", "Diameter at the top", 10],
  ["bottomDiameterMm", "Diameter at the base", 10],
  ["heightMm", "Height", 10],
  ["rimBandMm", "Bare band at the rim", 0],
];
const PATCH = { widthMm: 60, heightMm: 30, fromBottomMm: 60 };

/** A tumbler by its two diameters and height; the band at the rim and a patch for the decal stay bare. */
export function TumblerForm({ piece, shape, faults }: { piece: Piece; shape: Tumbler; faults: Fault[] }) {
  const { system, change } = useJob();
  const set = (next: Partial<Tumbler>) =>
    change(editPiece(piece.id, (before) => ({ ...before, shape: { ...shape, ...next } })));
  const fault = (field: string) => faults.find((found) => found.at === `shape.${field}`)?.message ?? null;
  const { patch } = shape;
  const areas = tumblerAreas(shape);
  const small = (mm2: number) =>
    system === "us" ? `${trimmed(mm2 / MM_PER_INCH ** 2, 1)} in²` : `${trimmed(mm2 / 100, 0)} cm²`;
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {SIZES.map(([field, words, least]) => (
          <QuantityField
            key={field}
            label={words}
            value={shape[field]}
            dimension="length"
            system={system}
            bounds={{ min: least, max: 2000 }}
            onChange={(value) => set({ [field]: value })}
            fault={fault(field)}
            keep={`${piece.id}.${field}`}
          />
        ))}
      </div>
      <Checkbox label="the base is coated too" checked={shape.base} onChange={(base) => set({ base })} />
      <Checkbox
        label="a patch for the decal stays blank"
        checked={patch !== null}
        onChange={(blank) => set({ patch: blank ? PATCH : null })}
      />
      {patch && (
        <div className="grid grid-cols-3 gap-3">
          {(
            [
              ["widthMm", "Width", 1],
              ["heightMm", "Height", 1],
              ["fromBottomMm", "Above the base", 0],
            ] as const
          ).map(([field, words, least]) => (
            <QuantityField
              key={field}
              label={words}
              value={patch[field]}
              dimension="length"
              system={system}
              bounds={{ min: least, max: 2000 }}
              onChange={(value) => set({ patch: { ...patch, [field]: value } })}
              fault={field === "widthMm" ? fault("patch") : null}
              keep={`${piece.id}.patch.${field}`}
            />
          ))}
        </div>
      )}
      <p className="label">
        Wall {small(areas.wall.areaMm2)}
        {areas.bandMm2 > 0 && ` − band ${small(areas.bandMm2)}`}
        {areas.baseMm2 > 0 && ` + base ${small(areas.baseMm2)}`}
        {areas.patchMm2 > 0 && ` − patch ${small(areas.patchMm2)}`} = {small(areas.coatedMm2)}. Drinking rims
        stay bare: what may touch lips is for the product&apos;s own approval.
      </p>
    </>
  );
}
