"use client";

import { useState } from "react";
import { withBuildOf, withOwnBuild } from "@/core/job/builds";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Menu, MenuItem } from "@/ui/menu";
import { SelectField } from "@/ui/text-field";
import { KeepDialog } from "../recipe/keep-dialog";
import { TakeDialog } from "../recipe/take-dialog";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { CompareDialog } from "./compare-dialog";
import { GroundDialog } from "./ground-dialog";

type Open = null | "own" | "copy" | "compare" | "ground" | "keep" | "take";

/** What is done with a build as a whole: compared, taken from another job, given to single pieces. */
export function BuildMenu() {
  const { document } = useJob();
  const [open, setOpen] = useState<Open>(null);
  const close = () => setOpen(null);
  const several = document.pieces.length > 1;
  const divided = document.pieces.some(({ division }) => division);
  return (
    <>
      <Menu label="this build">
        {document.coats.length > 0 && (
          <MenuItem onSelect={() => setOpen("keep")}>Keep it as a recipe</MenuItem>
        )}
        <MenuItem onSelect={() => setOpen("take")}>Take a recipe</MenuItem>
        <MenuItem onSelect={() => setOpen("compare")}>Compare with another job, or take its build</MenuItem>
        {several && <MenuItem onSelect={() => setOpen("own")}>A build of its own for one piece</MenuItem>}
        {several && (
          <MenuItem onSelect={() => setOpen("copy")}>Copy the build of one piece to another</MenuItem>
        )}
        {(several || divided) && (
          <MenuItem onSelect={() => setOpen("ground")}>
            {divided ? "Another ground under some pieces or zones" : "Another ground under some pieces"}
          </MenuItem>
        )}
      </Menu>
      {open === "compare" && <CompareDialog onClose={close} />}
      {open === "keep" && <KeepDialog parent={null} onClose={close} />}
      {open === "take" && <TakeDialog onClose={close} />}
      {open === "ground" && <GroundDialog onClose={close} />}
      {open === "own" && <OwnBuild onClose={close} />}
      {open === "copy" && <CopyBuild onClose={close} />}
    </>
  );
}

function PieceSelect({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (id: string) => void;
}) {
  const { document } = useJob();
  return (
    <SelectField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      frame="flex-1"
    >
      {document.pieces.map((piece) => (
        <option key={piece.id} value={piece.id}>
          {piece.name || "unnamed"}
        </option>
      ))}
    </SelectField>
  );
}

function OwnBuild({ onClose }: { onClose: () => void }) {
  const { document, change } = useJob();
  const [pieceId, setPieceId] = useState(document.pieces[0]?.id ?? "");
  return (
    <Dialog open onClose={onClose} title="A build of its own">
      <p className="text-ink-soft mb-3">
        The coats that it shares are copied for this piece alone, and can then be changed there. They are
        mixed by themselves: colours may differ a little from those of the other pieces.
      </p>
      <PieceSelect label="Piece" value={pieceId} onChange={setPieceId} />
      <Button
        weight="primary"
        className="mt-4"
        onClick={() => {
          change((job) => withOwnBuild(job, pieceId, newId));
          onClose();
        }}
      >
        Copy its coats
      </Button>
    </Dialog>
  );
}

function CopyBuild({ onClose }: { onClose: () => void }) {
  const { document, change } = useJob();
  const [from, setFrom] = useState(document.pieces[0]?.id ?? "");
  const [to, setTo] = useState(document.pieces[1]?.id ?? "");
  return (
    <Dialog open onClose={onClose} title="The same build on another piece">
      <div className="flex gap-3">
        <PieceSelect label="From" value={from} onChange={setFrom} />
        <PieceSelect label="To" value={to} onChange={setTo} />
      </div>
      <Button
        weight="primary"
        className="mt-4"
        disabled={from === to}
        onClick={() => {
          change((job) => withBuildOf(job, from, to));
          onClose();
        }}
      >
        Lay the same coats
      </Button>
    </Dialog>
  );
}
