"use client";

import { useEffect, useRef } from "react";
import type { Measured } from "@/core/geometry/measure";
import type { Piece } from "@/core/geometry/piece";
import {
  zonesOf,
  type Barrier,
  type Divider,
  type Division,
  type Drawn,
} from "@/core/geometry/zones/division";
import {
  withBand,
  withDivider,
  withDividerMoved,
  withoutBand,
  withoutDivider,
  withZone,
} from "@/core/geometry/zones/edit-division";
import { LEAST_BAND_MM } from "@/core/geometry/zones/zone-faults";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { DrawnFields } from "./drawn-fields";
import { ZoneRow } from "./zone-row";

const KIND_WORDS: Record<Drawn["kind"], string> = {
  line: "line",
  shape: "shape",
  bands: "rings",
  stripes: "stripes",
  pebbles: "pebbles",
};

/** What stands on a border as it is first put there (common practice, no source). */
const BARRIERS: Record<Barrier["kind"], Barrier> = {
  tape: { kind: "tape", widthMm: 25 },
  bead: { kind: "bead", widthMm: 8, heightMm: 6, gPerMl: 1.7 },
  strip: { kind: "strip", widthMm: 2, heightMm: 6 },
};

/** One divider: its zones with their areas, and opened all that is typed of it. */
export function DividerForm({
  piece,
  division,
  divider,
  measured,
  open,
  onOpen,
  fault,
}: {
  piece: Piece;
  division: Division;
  divider: Divider;
  measured: Measured | null;
  open: boolean;
  onOpen: () => void;
  fault: string | null;
}) {
  const { change } = useJob();
  const edit = (next: (before: Divider) => Divider) =>
    change(editPiece(piece.id, (before) => withDivider(before, divider.id, next)));
  const { drawn, zones } = divider;
  const many = "widthsMm" in drawn || drawn.kind === "pebbles";
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (open) here.current?.scrollIntoView({ block: "nearest" });
  }, [open]);
  return (
    <div
      ref={here}
      className={`border-b border-line py-1 ${open ? "border-l-2 border-l-signal pl-3 -ml-3.5" : ""}`}
    >
      {zones.map((zone) => (
        <ZoneRow
          key={zone.id}
          piece={piece}
          zone={zone}
          laid={measured?.zones.find(({ id }) => id === zone.id) ?? null}
        />
      ))}
      {fault && (
        <p role="alert" className="text-xs text-danger border-l-2 border-danger pl-1.5 my-1">
          {fault}
        </p>
      )}
      <div className="flex items-baseline gap-4 text-sm">
        <Button weight="quiet" onClick={onOpen} aria-expanded={open}>
          {KIND_WORDS[drawn.kind]} {open ? "▴" : "▾"}
        </Button>
        {many && open && (
          <Button weight="quiet" onClick={() => edit((before) => withBand(before, division, newId))}>
            {drawn.kind === "pebbles"
              ? "another kind of stone"
              : drawn.kind === "bands"
                ? "add a ring"
                : "add a stripe"}
          </Button>
        )}
        <span className="ml-auto flex gap-4">
          {open && division.dividers.length > 1 && (
            <>
              <Button
                weight="quiet"
                onClick={() =>
                  change(editPiece(piece.id, (before) => withDividerMoved(before, divider.id, 1)))
                }
              >
                up
              </Button>
              <Button
                weight="quiet"
                onClick={() =>
                  change(editPiece(piece.id, (before) => withDividerMoved(before, divider.id, -1)))
                }
              >
                down
              </Button>
            </>
          )}
          <Button
            weight="quiet"
            onClick={() => change(editPiece(piece.id, (before) => withoutDivider(before, divider.id)))}
          >
            remove
          </Button>
        </span>
      </div>
      {open && (
        <div className="flex flex-col gap-3 pt-2 pb-3">
          <DrawnFields piece={piece} division={division} divider={divider} onEdit={edit} />
          <Widths divider={divider} onEdit={edit} />
          <Pools piece={piece} divider={divider} measured={measured} />
          <SelectField
            label="It takes from"
            value={divider.within ?? ""}
            onChange={(event) =>
              edit(({ within: _before, ...rest }) =>
                event.target.value ? { ...rest, within: event.target.value } : rest,
              )
            }
          >
            <option value="">whatever lies below it</option>
            {zonesOf(division)
              .filter((zone) => !zones.includes(zone))
              .map((zone) => (
                <option key={zone.id} value={zone.id}>
                  {zone.name} alone
                </option>
              ))}
          </SelectField>
          <BarrierFields divider={divider} measured={measured} onEdit={edit} />
        </div>
      )}
    </div>
  );
}

type Edit = (next: (before: Divider) => Divider) => void;

/** Widths of rings and stripes, one by one. */
function Widths({ divider, onEdit }: { divider: Divider; onEdit: Edit }) {
  const { system } = useJob();
  const { drawn, zones } = divider;
  if (!("widthsMm" in drawn)) return null;
  return (
    <div className="grid grid-cols-2 gap-3">
      {drawn.widthsMm.map((wideMm, at) => (
        <div key={zones[at]?.id ?? at} className="flex items-end gap-2">
          <QuantityField
            label={`Width of ${zones[at]?.name ?? "it"}`}
            value={wideMm}
            dimension="length"
            system={system}
            bounds={{ min: LEAST_BAND_MM, max: 10_000 }}
            onChange={(next) =>
              onEdit((before) =>
                "widthsMm" in before.drawn
                  ? {
                      ...before,
                      drawn: {
                        ...before.drawn,
                        widthsMm: before.drawn.widthsMm.map((was, n) => (n === at ? next : was)),
                      },
                    }
                  : before,
              )
            }
            keep={`${divider.id}.width.${at}`}
            className="flex-1"
          />
          {drawn.widthsMm.length > 1 && (
            <Button
              weight="quiet"
              className="text-sm pb-5"
              aria-label={`Remove ${zones[at]?.name ?? "it"}`}
              onClick={() => onEdit((before) => withoutBand(before, at))}
            >
              remove
            </Button>
          )}
        </div>
      ))}
    </div>
  );
}

/** How deep the ground of its zones lies, and what that holds. */
function Pools({ piece, divider, measured }: { piece: Piece; divider: Divider; measured: Measured | null }) {
  const { system, change } = useJob();
  const set = (zoneId: string, poolMm: number | null) =>
    change(
      editPiece(piece.id, (before) =>
        withZone(before, zoneId, ({ poolMm: _before, ...zone }) => (poolMm ? { ...zone, poolMm } : zone)),
      ),
    );
  return (
    <div className="grid grid-cols-2 gap-3">
      {divider.zones.map((zone) => {
        const ml = measured?.zones.find(({ id }) => id === zone.id)?.poolMl ?? 0;
        return (
          <QuantityField
            key={zone.id}
            label={
              ml > 0
                ? `Depth of ${zone.name}: ${quantityText(ml, "volume", system)}`
                : `Recess or pool, ${zone.name}`
            }
            value={zone.poolMm ?? 0}
            dimension="film"
            system={system}
            bounds={{ min: 0, max: 500 }}
            onChange={(poolMm) => set(zone.id, poolMm)}
            keep={`${zone.id}.pool`}
            bare
          />
        );
      })}
    </div>
  );
}

/** What stands on its borders, how long that is, and what it takes. */
function BarrierFields({
  divider,
  measured,
  onEdit,
}: {
  divider: Divider;
  measured: Measured | null;
  onEdit: Edit;
}) {
  const { system } = useJob();
  const { barrier } = divider;
  const found = measured?.barriers.find((laid) => laid.divider.id === divider.id);
  const set = (next: Barrier) => onEdit((before) => ({ ...before, barrier: next }));
  const size = (label: string, value: number, onChange: (mm: number) => void, key: string) => (
    <QuantityField
      label={label}
      value={value}
      dimension="length"
      system={system}
      bounds={{ min: 0, max: 2000 }}
      onChange={onChange}
      keep={`${divider.id}.${key}`}
    />
  );
  return (
    <>
      <SelectField
        label="On its borders"
        value={barrier?.kind ?? ""}
        onChange={(event) =>
          onEdit(({ barrier: _before, ...rest }) => {
            const kind = event.target.value as Barrier["kind"] | "";
            return kind ? { ...rest, barrier: BARRIERS[kind] } : rest;
          })
        }
      >
        <option value="">nothing: colours meet wet</option>
        <option value="tape">tape</option>
        <option value="bead">a bead of putty</option>
        <option value="strip">a strip</option>
      </SelectField>
      {barrier && (
        <div className="grid grid-cols-2 gap-3">
          {size("Width of it", barrier.widthMm, (widthMm) => set({ ...barrier, widthMm }), "barrier-wide")}
          {barrier.kind !== "tape" &&
            size(
              "Height of it",
              barrier.heightMm,
              (heightMm) => set({ ...barrier, heightMm }),
              "barrier-high",
            )}
        </div>
      )}
      {found && (
        <p className="text-sm">
          <span className="figure">{quantityText(found.lengthMm, "length", system)}</span> along its borders
          {found.ml > 0 && (
            <>
              , <span className="figure">{quantityText(found.ml, "volume", system)}</span>
            </>
          )}
          {found.g > 0 && <> or {quantityText(found.g, "mass", system)} of putty</>}
        </p>
      )}
    </>
  );
}
