"use client";

import { copyName } from "@/core/units/copy-name";
import { cutOutSize } from "@/core/geometry/cut-out";
import type { Fault } from "@/core/geometry/fault";
import type { Measured } from "@/core/geometry/measure";
import { edgesOf, type EdgeName, type Piece, type Shape } from "@/core/geometry/piece";
import { copiedDivision } from "@/core/geometry/zones/edit-division";
import { asFree, mirrored, rotated } from "@/core/geometry/transform";
import { newCutOut, reshaped, SHAPE_GROUPS, SHAPE_WORDS } from "@/core/geometry/new-piece";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { CutOutForm } from "./cut-out-form";
import { DoorList } from "./door-list";
import { EdgeList } from "./edge-list";
import { ShapeForm } from "./shape-form";
import { VoidList } from "./void-list";
import { ZoneList } from "./zone-list";

type Props = {
  piece: Piece;
  measured: Measured | null;
  faults: Fault[];
  edge: EdgeName | null;
  onEdge: (edge: EdgeName | null) => void;
  onPick: (pieceId: string | null) => void;
  divider: string | null;
  onDivider: (dividerId: string | null) => void;
  onTrace: () => void;
};

/** Kinds with a flat top that can be coated on both sides, and be cut into. */
const isFlat = ({ shape }: Piece) =>
  shape.kind !== "tumbler" && shape.kind !== "mould" && shape.kind !== "river" && shape.kind !== "floor";

/** All that is typed of one piece. */
export function PieceForm({
  piece,
  measured,
  faults,
  edge,
  onEdge,
  onPick,
  divider,
  onDivider,
  onTrace,
}: Props) {
  const { system, change } = useJob();
  const faultAt = (at: string) => faults.find((fault) => fault.at === at)?.message ?? null;
  const edit = (next: (before: Piece) => Piece) => change(editPiece(piece.id, next));
  const cuts = piece.shape.kind !== "tumbler" && piece.shape.kind !== "mould" && piece.shape.kind !== "river";

  return (
    <div className="flex flex-col gap-4">
      <div className="flex gap-3 items-start">
        <TextField
          label="Piece"
          value={piece.name}
          maxLength={80}
          onChange={(event) => edit((before) => ({ ...before, name: event.target.value }))}
          frame="flex-1"
        />
        <QuantityField
          label="How many"
          value={piece.count}
          dimension="number"
          system={system}
          bounds={{ min: 1, max: 500, whole: true }}
          onChange={(count) => edit((before) => ({ ...before, count }))}
          fault={faultAt("count")}
          keep={`${piece.id}.count`}
          className="w-20"
          bare
        />
      </div>
      <div className="flex gap-3 items-end">
        <SelectField
          label="Kind"
          value={piece.shape.kind}
          onChange={(event) => {
            edit((before) => reshaped(before, event.target.value as Shape["kind"]));
            onEdge(null);
          }}
          frame="flex-1"
        >
          {SHAPE_GROUPS.map((group) => (
            <optgroup key={group.words} label={group.words}>
              {group.kinds.map((kind) => (
                <option key={kind} value={kind}>
                  {SHAPE_WORDS[kind]}
                </option>
              ))}
            </optgroup>
          ))}
        </SelectField>
        <div className="pb-1 text-sm">
          <PieceMenu piece={piece} onPick={onPick} />
        </div>
      </div>
      <ShapeForm piece={piece} measured={measured} faults={faults} />
      {isFlat(piece) && (
        <Checkbox
          label="both sides are coated"
          checked={piece.bothSides ?? false}
          onChange={(bothSides) => edit((before) => ({ ...before, bothSides }))}
        />
      )}
      {edgesOf(piece.shape).length > 0 && (
        <EdgeList piece={piece} faults={faults} picked={edge} onPick={onEdge} />
      )}
      {cuts && (
        <div>
          <div className="flex items-baseline justify-between border-b border-line pb-1">
            <h3 className="heading">{piece.shape.kind === "floor" ? "Fixed things" : "Cut-outs"}</h3>
            <Button
              weight="quiet"
              onClick={() =>
                edit((before) => ({
                  ...before,
                  cutOuts: [
                    ...before.cutOuts,
                    newCutOut(
                      `${before.shape.kind === "floor" ? "Fixed thing" : "Cut-out"} ${before.cutOuts.length + 1}`,
                      before,
                      newId,
                    ),
                  ],
                }))
              }
            >
              {piece.shape.kind === "floor" ? "add a fixed thing" : "add a cut-out"}
            </Button>
          </div>
          {piece.cutOuts.map((cutOut) => (
            <CutOutForm
              key={cutOut.id}
              piece={piece}
              cutOut={cutOut}
              size={cutOutSize(cutOut)}
              faults={faults.filter((fault) => fault.at.startsWith(`cutOuts.${cutOut.id}`))}
            />
          ))}
        </div>
      )}
      <ZoneList
        piece={piece}
        measured={measured}
        faults={faults}
        picked={divider}
        onPick={onDivider}
        onTrace={onTrace}
      />
      {piece.shape.kind === "floor" && <DoorList piece={piece} />}
      <VoidList piece={piece} faults={faults} />
    </div>
  );
}

/** Copies, mirrors and turns: what is done to a piece as a whole. */
function PieceMenu({ piece, onPick }: { piece: Piece; onPick: (pieceId: string | null) => void }) {
  const { document, change } = useJob();
  const edit = (next: (before: Piece) => Piece) => change(editPiece(piece.id, next));
  const copyOf = (from: Piece, words = ""): Piece => ({
    ...structuredClone(from),
    ...(from.division && { division: copiedDivision(from.division, newId) }),
    id: newId(),
    name: copyName(
      from.name,
      document.pieces.map(({ name }) => name),
      words,
    ),
  });
  const putBehind = (copy: Piece) => {
    change((document) => ({
      ...document,
      pieces: document.pieces.flatMap((shown) => (shown.id === piece.id ? [shown, copy] : [shown])),
    }));
    onPick(copy.id);
  };
  const free = piece.shape.kind === "free" || piece.shape.kind === "floor" ? null : asFree(piece);
  const turned = rotated(piece, 90);
  return (
    <Menu label="this piece">
      <MenuItem onSelect={() => putBehind(copyOf(piece))}>Copy</MenuItem>
      <MenuItem onSelect={() => putBehind(copyOf(mirrored(piece), ", mirrored"))}>Copy, mirrored</MenuItem>
      <MenuItem onSelect={() => edit(mirrored)}>Mirror</MenuItem>
      {turned && (
        <MenuItem onSelect={() => edit((before) => rotated(before, 90) ?? before)}>Turn by 90°</MenuItem>
      )}
      {turned && (
        <MenuItem onSelect={() => edit((before) => rotated(before, 15) ?? before)}>Turn by 15°</MenuItem>
      )}
      {free && (
        <MenuItem onSelect={() => edit((before) => asFree(before) ?? before)}>
          Make it a free outline
        </MenuItem>
      )}
      <MenuItem
        danger
        onSelect={() => {
          change((document) => ({
            ...document,
            pieces: document.pieces.filter((shown) => shown.id !== piece.id),
          }));
          onPick(null);
        }}
      >
        Remove
      </MenuItem>
    </Menu>
  );
}
