"use client";

import type { Fault } from "@/core/geometry/fault";
import type { CutOut, Piece } from "@/core/geometry/piece";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { pieceOfCutOut } from "@/core/geometry/new-piece";
import { editCutOut, editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** A basin, a tap, a hob: its size and place, and whether its inner edge is coated. */
export function CutOutForm({
  piece,
  cutOut,
  size,
  faults,
}: {
  piece: Piece;
  cutOut: CutOut;
  size: { widthMm: number; heightMm: number };
  faults: Fault[];
}) {
  const { system, change } = useJob();
  const edit = (next: (before: CutOut) => CutOut) => change(editCutOut(piece.id, cutOut.id, next));
  const { shape } = cutOut;
  const reshape = (next: CutOut["shape"]) => edit((before) => ({ ...before, shape: next }));
  const length = (
    label: string,
    value: number,
    keep: string,
    onChange: (value: number) => void,
    least = 1,
  ) => (
    <QuantityField
      label={label}
      value={value}
      dimension="length"
      system={system}
      bounds={{ min: least, max: 100_000 }}
      onChange={onChange}
      keep={`${cutOut.id}.${keep}`}
    />
  );
  const outer = faults.find((fault) => fault.at === `cutOuts.${cutOut.id}`);
  const inner = faults.find((fault) => fault.at.endsWith(".innerFace"));
  return (
    <div className="border-b border-line py-3 flex flex-col gap-3">
      <div className="flex gap-3 items-end">
        <TextField
          label="Cut-out"
          value={cutOut.name}
          maxLength={80}
          onChange={(event) => edit((before) => ({ ...before, name: event.target.value }))}
          frame="flex-1"
        />
        <Choice
          label="Shape of the cut-out"
          value={shape.kind}
          options={[
            { value: "round", words: "round" },
            { value: "oval", words: "oval" },
            { value: "rectangle", words: "rectangle" },
            ...(shape.kind === "free" ? [{ value: "free" as const, words: "traced" }] : []),
          ]}
          onChange={(kind) => {
            const { widthMm, heightMm } = size;
            if (kind === "round") reshape({ kind, diameterMm: Math.min(widthMm, heightMm) });
            else if (kind === "oval" || kind === "rectangle")
              reshape({ kind, lengthMm: widthMm, depthMm: heightMm });
          }}
          className="mb-0.5"
        />
      </div>
      <div className="grid grid-cols-2 gap-3">
        {shape.kind === "round" &&
          length("Diameter", shape.diameterMm, "diameter", (diameterMm) =>
            reshape({ kind: "round", diameterMm }),
          )}
        {(shape.kind === "rectangle" || shape.kind === "oval") &&
          length("Length", shape.lengthMm, "length", (lengthMm) => reshape({ ...shape, lengthMm }))}
        {(shape.kind === "rectangle" || shape.kind === "oval") &&
          length("Depth", shape.depthMm, "depth", (depthMm) => reshape({ ...shape, depthMm }))}
        {shape.kind === "rectangle" &&
          length(
            "Radius of its corners",
            shape.radiusMm ?? 0,
            "radius",
            (radiusMm) => reshape({ ...shape, radiusMm }),
            0,
          )}
        {shape.kind === "free" && (
          <p className="label col-span-2">{shape.points.length} corners, from a file</p>
        )}
        {(shape.kind === "round" || shape.kind === "rectangle") && <span />}
        {length(
          "Centre from the left",
          cutOut.fromLeftMm,
          "left",
          (fromLeftMm) => edit((before) => ({ ...before, fromLeftMm })),
          0,
        )}
        {length(
          "Centre from the front",
          cutOut.fromFrontMm,
          "front",
          (fromFrontMm) => edit((before) => ({ ...before, fromFrontMm })),
          0,
        )}
      </div>
      {outer && (
        <p role="alert" className="text-xs text-danger border-l-2 border-danger pl-1.5">
          {outer.message}
        </p>
      )}
      <div className="flex items-center justify-between">
        <Checkbox
          label="inner face is coated"
          checked={cutOut.innerFace !== null}
          onChange={(coated) =>
            edit((before) => ({ ...before, innerFace: coated ? { heightMm: 38, roundingMm: 3 } : null }))
          }
        />
        <Button
          weight="quiet"
          className="ml-auto mr-4"
          onClick={() => change((job) => ({ ...job, pieces: [...job.pieces, pieceOfCutOut(cutOut, newId)] }))}
        >
          a piece of it
        </Button>
        <Button
          weight="quiet"
          onClick={() =>
            change(
              editPiece(piece.id, (before) => ({
                ...before,
                cutOuts: before.cutOuts.filter((opening) => opening.id !== cutOut.id),
              })),
            )
          }
        >
          remove
        </Button>
      </div>
      {cutOut.innerFace && (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Height of the inner face"
            value={cutOut.innerFace.heightMm}
            dimension="length"
            system={system}
            bounds={{ min: 0, max: 2000 }}
            fault={inner?.message ?? null}
            onChange={(heightMm) =>
              edit((before) => ({
                ...before,
                innerFace: before.innerFace && { ...before.innerFace, heightMm },
              }))
            }
            keep={`${cutOut.id}.inner`}
          />
          <QuantityField
            label="Rounding, 0 is square"
            value={cutOut.innerFace.roundingMm}
            dimension="length"
            system={system}
            bounds={{ min: 0, max: 200 }}
            onChange={(roundingMm) =>
              edit((before) => ({
                ...before,
                innerFace: before.innerFace && { ...before.innerFace, roundingMm },
              }))
            }
            keep={`${cutOut.id}.inner-rounding`}
          />
        </div>
      )}
    </div>
  );
}
