"use client";

import type { Fault } from "@/core/geometry/fault";
import type { Measured } from "@/core/geometry/measure";
import type { Piece } from "@/core/geometry/piece";
import type { Drawn } from "@/core/geometry/zones/division";
import { withNewDivider } from "@/core/geometry/zones/edit-division";
import { Menu, MenuItem } from "@/ui/menu";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { DividerForm } from "./divider-form";
import { ZoneRow } from "./zone-row";

/** What a piece is divided by, in words. */
const KINDS: [Drawn["kind"], string][] = [
  ["line", "A line from edge to edge"],
  ["shape", "A round or square shape"],
  ["bands", "Rings along an edge"],
  ["stripes", "Stripes"],
  ["pebbles", "Pebbles"],
];

/** How a piece is divided: what is left of it and what was taken out, uppermost first, with areas and what stands on the borders. */
export function ZoneList({
  piece,
  measured,
  faults,
  picked,
  onPick,
  onTrace,
}: {
  piece: Piece;
  measured: Measured | null;
  faults: Fault[];
  picked: string | null;
  onPick: (dividerId: string | null) => void;
  onTrace: () => void;
}) {
  const { change } = useJob();
  const { division } = piece;
  const add = (kind: Drawn["kind"]) => {
    const { piece: after, divider } = withNewDivider(piece, kind, newId);
    change(editPiece(piece.id, (before) => ({ ...before, division: after.division })));
    onPick(divider.id);
  };
  const measuredOf = (zoneId: string) => measured?.zones.find(({ id }) => id === zoneId) ?? null;
  return (
    <section aria-label="Zones">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h3 className="heading">Zones</h3>
        <Menu label="divide it">
          {KINDS.map(([kind, words]) => (
            <MenuItem key={kind} onSelect={() => add(kind)}>
              {words}
            </MenuItem>
          ))}
          <MenuItem onSelect={onTrace}>A shape, point by point</MenuItem>
        </Menu>
      </div>
      {division && (
        <>
          {[...division.dividers].reverse().map((divider) => (
            <DividerForm
              key={divider.id}
              piece={piece}
              division={division}
              divider={divider}
              measured={measured}
              open={picked === divider.id}
              onOpen={() => onPick(picked === divider.id ? null : divider.id)}
              fault={faults.find(({ at }) => at === `division.${divider.id}`)?.message ?? null}
            />
          ))}
          <ZoneRow piece={piece} zone={division.rest} laid={measuredOf(division.rest.id)} rest />
          <p className="label mt-1">What stands higher in the list takes from what stands below it.</p>
        </>
      )}
    </section>
  );
}
