"use client";

import type { Fault } from "@/core/geometry/faults";
import type { EdgeName, Piece, Shape } from "@/core/geometry/piece";
import { newCutOut, reshaped, SHAPE_WORDS } from "@/core/plan/new-piece";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { CutOutForm } from "./cut-out-form";
import { EdgeList } from "./edge-list";

type SizeName =
  | "lengthMm"
  | "depthMm"
  | "returnLengthMm"
  | "returnDepthMm"
  | "leftLengthMm"
  | "leftDepthMm"
  | "rightLengthMm"
  | "rightDepthMm"
  | "sideMm"
  | "diameterMm";

const LENGTH_AND_DEPTH: [SizeName, string][] = [
  ["lengthMm", "Length"],
  ["depthMm", "Depth"],
];

const SIZES: Record<Shape["kind"], [SizeName, string][]> = {
  straight: LENGTH_AND_DEPTH,
  rectangle: LENGTH_AND_DEPTH,
  oval: LENGTH_AND_DEPTH,
  racetrack: LENGTH_AND_DEPTH,
  polygon: [["sideMm", "One side"]],
  "u-run": [
    ["lengthMm", "Run, along the wall"],
    ["depthMm", "Its depth"],
    ["leftLengthMm", "Left return, from the corner"],
    ["leftDepthMm", "Its depth"],
    ["rightLengthMm", "Right return, from the corner"],
    ["rightDepthMm", "Its depth"],
  ],
  "l-run": [
    ["lengthMm", "Long leg, along the wall"],
    ["depthMm", "Its depth"],
    ["returnLengthMm", "Return, from the corner"],
    ["returnDepthMm", "Its depth"],
  ],
  round: [["diameterMm", "Diameter"]],
};

type Props = {
  piece: Piece;
  faults: Fault[];
  edge: EdgeName | null;
  onEdge: (edge: EdgeName | null) => void;
  onGone: () => void;
  onCopied: (pieceId: string) => void;
};

/** All that is typed of one piece. */
export function PieceForm({ piece, faults, edge, onEdge, onGone, onCopied }: Props) {
  const { system, change } = useJob();
  const faultAt = (at: string) => faults.find((fault) => fault.at === at)?.message ?? null;
  const edit = (next: (before: Piece) => Piece) => change(editPiece(piece.id, next));
  const sizes = piece.shape as unknown as Record<SizeName, number>;

  return (
    <div className="flex flex-col gap-4">
      <div className="flex gap-3">
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
          onChange={(event) => edit((before) => reshaped(before, event.target.value as Shape["kind"]))}
          frame="flex-1"
        >
          {Object.entries(SHAPE_WORDS).map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </SelectField>
        {piece.shape.kind === "l-run" && (
          <Choice
            label="Side of the return"
            value={piece.shape.turn}
            options={[
              { value: "left", words: "return left" },
              { value: "right", words: "right" },
            ]}
            onChange={(turn) =>
              edit((before) =>
                before.shape.kind === "l-run" ? { ...before, shape: { ...before.shape, turn } } : before,
              )
            }
            className="mb-0.5"
          />
        )}
      </div>
      <div className="grid grid-cols-2 gap-3">
        {piece.shape.kind === "polygon" && (
          <QuantityField
            label="Sides"
            value={piece.shape.sides}
            dimension="number"
            system={system}
            bounds={{ min: 3, max: 24, whole: true }}
            onChange={(sides) =>
              edit((before) =>
                before.shape.kind === "polygon" ? { ...before, shape: { ...before.shape, sides } } : before,
              )
            }
            fault={faultAt("shape.sides")}
            keep={`${piece.id}.sides`}
            bare
          />
        )}
        {SIZES[piece.shape.kind].map(([field, words]) => (
          <QuantityField
            key={field}
            label={words}
            value={sizes[field]}
            dimension="length"
            system={system}
            bounds={{ min: 10, max: 100_000 }}
            onChange={(value) =>
              edit((before) => ({ ...before, shape: { ...before.shape, [field]: value } as Shape }))
            }
            fault={faultAt(`shape.${field}`)}
            keep={`${piece.id}.${field}`}
          />
        ))}
      </div>
      <EdgeList piece={piece} faults={faults} picked={edge} onPick={onEdge} />
      <div>
        <div className="flex items-baseline justify-between border-b border-line pb-1">
          <h3 className="heading">Cut-outs</h3>
          <Button
            weight="quiet"
            onClick={() =>
              edit((before) => ({
                ...before,
                cutOuts: [
                  ...before.cutOuts,
                  newCutOut(`Cut-out ${before.cutOuts.length + 1}`, before, newId),
                ],
              }))
            }
          >
            add one
          </Button>
        </div>
        {piece.cutOuts.map((cutOut) => (
          <CutOutForm
            key={cutOut.id}
            piece={piece}
            cutOut={cutOut}
            faults={faults.filter((fault) => fault.at.startsWith(`cutOuts.${cutOut.id}`))}
          />
        ))}
      </div>
      <div className="border-t border-line pt-3">
        <Menu label="copy or remove this piece" align="start">
          <MenuItem
            onSelect={() => {
              const copy: Piece = {
                ...structuredClone(piece),
                id: newId(),
                name: `${piece.name.slice(0, 72)}, copy`,
              };
              change((document) => ({
                ...document,
                pieces: document.pieces.flatMap((one) => (one.id === piece.id ? [one, copy] : [one])),
              }));
              onCopied(copy.id);
            }}
          >
            Copy
          </MenuItem>
          <MenuItem
            danger
            onSelect={() => {
              change((document) => ({
                ...document,
                pieces: document.pieces.filter((one) => one.id !== piece.id),
              }));
              onGone();
            }}
          >
            Remove
          </MenuItem>
        </Menu>
      </div>
    </div>
  );
}
