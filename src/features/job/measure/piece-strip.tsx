"use client";

import { outlineOf } from "@/core/geometry/outline";
import type { Shape } from "@/core/geometry/piece";
import { SHAPE_GROUPS, SHAPE_WORDS } from "@/core/geometry/new-piece";
import { Menu, MenuHeading, MenuItem } from "@/ui/menu";
import { PieceSilhouette } from "@/ui/piece-drawing";
import { useJob } from "../workspace/use-job";

/** Width and height of the largest thumbnail, px. */
const THUMB = { width: 120, height: 44 };

/** The pieces of a job side by side at one scale, and what can be added to them. */
export function PieceStrip({
  pickedId,
  onPick,
  onAdd,
}: {
  pickedId: string;
  onPick: (pieceId: string) => void;
  onAdd: (kind: Shape["kind"]) => void;
}) {
  const { document, plan } = useJob();
  const outlines = document.pieces.map(outlineOf);
  const pxPerMm = Math.min(
    THUMB.width / Math.max(1, ...outlines.map(({ widthMm }) => widthMm)),
    THUMB.height / Math.max(1, ...outlines.map(({ heightMm }) => heightMm)),
  );
  return (
    <div className="border-t border-line px-7 py-3 flex items-end gap-6">
      <div className="flex items-end gap-6 overflow-x-auto min-w-0">
        {document.pieces.map((piece) => (
          <button
            key={piece.id}
            type="button"
            aria-pressed={piece.id === pickedId}
            onClick={() => onPick(piece.id)}
            className={`text-left shrink-0 pt-1 border-t-4 ${piece.id === pickedId ? "border-signal" : "border-transparent hover:border-line"}`}
          >
            <div className="h-12 flex items-end">
              <PieceSilhouette piece={piece} pxPerMm={pxPerMm} />
            </div>
            <div className="text-xs mt-1 max-w-32 truncate">
              {piece.name}
              {piece.count > 1 && <span className="figure"> × {piece.count}</span>}
              {plan.faults.some((fault) => fault.pieceId === piece.id) && (
                <span className="text-danger"> !</span>
              )}
            </div>
          </button>
        ))}
      </div>
      <div className="shrink-0 text-sm pl-2">
        <Menu label="add a piece" align="start">
          {SHAPE_GROUPS.map((group) => (
            <div key={group.words}>
              <MenuHeading>{group.words}</MenuHeading>
              {group.kinds.map((kind) => (
                <MenuItem key={kind} onSelect={() => onAdd(kind)}>
                  {SHAPE_WORDS[kind]}
                </MenuItem>
              ))}
            </div>
          ))}
        </Menu>
      </div>
    </div>
  );
}
