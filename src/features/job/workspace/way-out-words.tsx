"use client";

import type { Piece } from "@/core/geometry/piece";
import { isTrap, wayOut } from "@/core/geometry/way-out";
import { quantityText } from "@/core/units/format-quantity";
import { useJob } from "./use-job";

/** Where the work on a floor begins and ends, and whether somebody is shut in by what is wet. */
export function WayOutWords({ piece }: { piece: Piece }) {
  const { document, system } = useJob();
  if (piece.shape.kind !== "floor") return null;
  const way = wayOut(piece);
  if (!way) return <p className="label mt-1.5">Where is the door? Strips begin far from it and end at it.</p>;
  const door = (piece.doors ?? []).findIndex(({ id }) => id === way.doorId) + 1;
  if (isTrap(way) && way.inArm)
    return (
      <p role="alert" className="text-sm text-danger border-l-[3px] border-danger pl-3 mt-2">
        A trap: an arm of the room goes on {quantityText(way.behindMm, "length", system)} where what is wet
        cuts it off from door {door}. Lay that arm first as a floor of its own, or leave over boards or on
        spiked shoes.
      </p>
    );
  if (isTrap(way))
    return (
      <p role="alert" className="text-sm text-danger border-l-[3px] border-danger pl-3 mt-2">
        A trap: the floor goes on {quantityText(way.behindMm, "length", system)} behind door {door}, and who
        lays that end stands in it. Lay that end first as a floor of its own, or leave over boards or on
        spiked shoes.
      </p>
    );
  return (
    <p className="text-sm border-l-[3px] border-ink pl-3 mt-2">
      Strips begin far from door {door} and end at it: the last is laid from the doorway, on spiked shoes or a
      board across.{" "}
      {document.work.people > 1
        ? "One mixes outside while the other lays: the edge stays wet."
        : "Alone you mix at the door: lay out cups and tools there first. With two the edge waits less."}
    </p>
  );
}
