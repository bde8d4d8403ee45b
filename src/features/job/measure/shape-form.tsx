"use client";

import { useState } from "react";
import type { Fault } from "@/core/geometry/fault";
import type { Measured } from "@/core/geometry/measure";
import type { JointKind, MouldOutline, Piece, Shape } from "@/core/geometry/piece";
import { sizesOf, withSizes, type SizeName, type Sizes } from "@/core/geometry/sizes";
import type { Dimension } from "@/core/units/dimension";
import type { Bounds } from "@/core/units/parse-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { CornerTable } from "./corner-table";
import { StationTable } from "./station-table";
import { TumblerForm } from "./tumbler-form";

type Field<Name = SizeName<Shape>> = {
  field: Name;
  words: string;
  dimension?: Dimension;
  bounds?: Bounds;
  usual?: number;
};
/** Fields of each kind: only sizes that it has. */
type FieldsByKind = { [Kind in Shape["kind"]]?: Field<SizeName<Extract<Shape, { kind: Kind }>>>[] };

const SIZE: Bounds = { min: 10, max: 100_000 };
const LENGTH_AND_DEPTH: Field<"lengthMm" | "depthMm">[] = [
  { field: "lengthMm", words: "Length" },
  { field: "depthMm", words: "Depth" },
];

/** Sizes that every piece of a kind has. */
const SIZES: FieldsByKind = {
  straight: LENGTH_AND_DEPTH,
  rectangle: LENGTH_AND_DEPTH,
  sample: LENGTH_AND_DEPTH,
  oval: LENGTH_AND_DEPTH,
  racetrack: LENGTH_AND_DEPTH,
  round: [{ field: "diameterMm", words: "Diameter" }],
  polygon: [
    { field: "sides", words: "Sides", dimension: "number", bounds: { min: 3, max: 24, whole: true } },
    { field: "sideMm", words: "One side" },
  ],
  "l-run": [
    { field: "lengthMm", words: "Long leg, along the wall" },
    { field: "depthMm", words: "Its depth" },
    { field: "returnLengthMm", words: "Return, from the corner" },
    { field: "returnDepthMm", words: "Its depth" },
  ],
  "u-run": [
    { field: "lengthMm", words: "Run, along the wall" },
    { field: "depthMm", words: "Its depth" },
    { field: "leftLengthMm", words: "Left return, from the corner" },
    { field: "leftDepthMm", words: "Its depth" },
    { field: "rightLengthMm", words: "Right return, from the corner" },
    { field: "rightDepthMm", words: "Its depth" },
  ],
  river: [{ field: "depthMm", words: "Depth of the channel", bounds: { min: 1, max: 1000 } }],
};

const OVERHANG: Field<"overhangMm"> = {
  field: "overhangMm",
  words: "Overhang on free edges",
  bounds: { min: 0, max: 2000 },
  usual: 0,
};
const cut = (side: "Left" | "Right"): Field<"mitreLeftDeg" | "mitreRightDeg"> => ({
  field: `mitre${side}Deg`,
  words: `${side} end cut from square`,
  dimension: "angle",
  bounds: { min: -80, max: 80 },
  usual: 0,
});
/** Sizes that a piece may have besides. */
const MORE: FieldsByKind = {
  straight: [OVERHANG, cut("Left"), cut("Right")],
  "l-run": [OVERHANG],
  "u-run": [OVERHANG],
};

const JOINTS: { value: JointKind; words: string }[] = [
  { value: "none", words: "one slab" },
  { value: "mitre", words: "mitred" },
  { value: "butt", words: "butted" },
];

/** The sizes of a piece, by its kind. */
export function ShapeForm({
  piece,
  measured,
  faults,
}: {
  piece: Piece;
  measured: Measured | null;
  faults: Fault[];
}) {
  const { system, change } = useJob();
  const { shape } = piece;
  const faultAt = (at: string) => faults.find((fault) => fault.at === at)?.message ?? null;
  const set = (next: Shape) => change(editPiece(piece.id, (before) => ({ ...before, shape: next })));
  const resize = (sizes: Sizes<Shape>) =>
    change(editPiece(piece.id, (before) => ({ ...before, shape: withSizes(before.shape, sizes) })));
  const values = sizesOf(shape);
  const extra = MORE[shape.kind] ?? [];
  const [more, setMore] = useState(extra.some(({ field, usual }) => (values[field] ?? usual) !== usual));
  const rows = (fields: readonly Field[]) =>
    fields.map(({ field, words, dimension = "length", bounds = SIZE, usual }) => (
      <QuantityField
        key={field}
        label={words}
        value={values[field] ?? usual ?? null}
        dimension={dimension}
        system={system}
        bounds={bounds}
        onChange={(value) => resize({ [field]: value })}
        fault={faultAt(`shape.${field}`)}
        keep={`${piece.id}.${field}`}
        bare={dimension !== "length"}
      />
    ));
  return (
    <div className="flex flex-col gap-3">
      {shape.kind === "l-run" && (
        <Choice
          label="Side of the return"
          value={shape.turn}
          options={[
            { value: "left", words: "return left" },
            { value: "right", words: "right" },
          ]}
          onChange={(turn) => set({ ...shape, turn })}
          className="self-start"
        />
      )}
      <div className="grid grid-cols-2 gap-3">{rows(SIZES[shape.kind] ?? [])}</div>
      {(shape.kind === "l-run" || shape.kind === "u-run") && (
        <div className="flex items-center gap-3">
          <span className="label">Corner</span>
          <Choice
            label="How the slabs meet"
            value={shape.joint ?? "none"}
            options={JOINTS}
            onChange={(joint) => set({ ...shape, joint })}
          />
        </div>
      )}
      {extra.length > 0 && !more && (
        <Button weight="quiet" className="self-start text-sm" onClick={() => setMore(true)}>
          {shape.kind === "straight" ? "overhang, ends cut at an angle" : "overhang"}
        </Button>
      )}
      {extra.length > 0 && more && <div className="grid grid-cols-2 gap-3">{rows(extra)}</div>}
      {shape.kind === "rectangle" && (
        <Radii piece={piece} shape={shape} fault={faultAt("shape.cornerRadiiMm")} />
      )}
      {shape.kind === "mould" && <MouldForm piece={piece} shape={shape} faults={faults} />}
      {shape.kind === "tumbler" && <TumblerForm piece={piece} shape={shape} faults={faults} />}
      {(shape.kind === "free" || shape.kind === "floor") && <CornerTable piece={piece} faults={faults} />}
      {(shape.kind === "offsets" || shape.kind === "river") && (
        <StationTable piece={piece} shape={shape} measured={measured} faults={faults} />
      )}
      {shape.kind === "river" && (
        <div className="grid grid-cols-2 gap-3">
          {rows([{ field: "boardMm", words: "Width of the whole board" }])}
        </div>
      )}
    </div>
  );
}

const CORNERS = ["back left", "back right", "front right", "front left"];

/** One radius for all corners, or each its own. */
function Radii({
  piece,
  shape,
  fault,
}: {
  piece: Piece;
  shape: Extract<Shape, { kind: "rectangle" }>;
  fault: string | null;
}) {
  const { system, change } = useJob();
  const radii = shape.cornerRadiiMm ?? [0, 0, 0, 0];
  const [apart, setApart] = useState(new Set(radii).size > 1);
  const set = (next: [number, number, number, number]) =>
    change(editPiece(piece.id, (before) => ({ ...before, shape: { ...shape, cornerRadiiMm: next } })));
  const field = (index: number) => (
    <QuantityField
      key={index}
      label={apart ? `Radius, ${CORNERS[index]}` : "Radius of the corners"}
      value={radii[index] ?? 0}
      dimension="length"
      system={system}
      bounds={{ min: 0, max: 50_000 }}
      onChange={(value) =>
        set(
          apart
            ? (radii.map((radius, at) => (at === index ? value : radius)) as [number, number, number, number])
            : [value, value, value, value],
        )
      }
      fault={index === 0 ? fault : null}
      keep={`${piece.id}.radius.${index}`}
      bare={apart}
    />
  );
  return (
    <div className="grid grid-cols-2 gap-3 items-end">
      {apart ? [0, 1, 3, 2].map(field) : field(0)}
      <Button
        weight="quiet"
        className="justify-self-start pb-5"
        onClick={() => {
          if (apart) set([radii[0], radii[0], radii[0], radii[0]]);
          setApart(!apart);
        }}
      >
        {apart ? "the same on all" : "each its own"}
      </Button>
    </div>
  );
}

const MOULDS: { value: MouldOutline["kind"]; words: string }[] = [
  { value: "rectangle", words: "rectangle" },
  { value: "round", words: "round" },
  { value: "oval", words: "oval" },
  { value: "free", words: "traced" },
];
const MOULD_START: { [Kind in MouldOutline["kind"]]: Extract<MouldOutline, { kind: Kind }> } = {
  rectangle: { kind: "rectangle", lengthMm: 300, depthMm: 200 },
  round: { kind: "round", diameterMm: 250 },
  oval: { kind: "oval", lengthMm: 380, depthMm: 260 },
  free: {
    kind: "free",
    points: [
      [0, 40],
      [180, 0],
      [360, 70],
      [330, 220],
      [150, 260],
    ],
    starts: [0],
  },
};

/** A mould: its outline at the top, its depth and the draft of its wall. */
function MouldForm({
  piece,
  shape,
  faults,
}: {
  piece: Piece;
  shape: Extract<Shape, { kind: "mould" }>;
  faults: Fault[];
}) {
  const { system, change } = useJob();
  const set = (next: Partial<typeof shape>) =>
    change(editPiece(piece.id, (before) => ({ ...before, shape: { ...shape, ...next } })));
  const { outline } = shape;
  const fault = (field: string) => faults.find((found) => found.at === `shape.${field}`)?.message ?? null;
  const size = (field: SizeName<MouldOutline>, words: string) => (
    <QuantityField
      key={field}
      label={words}
      value={sizesOf(outline)[field] ?? null}
      dimension="length"
      system={system}
      bounds={SIZE}
      onChange={(value) => set({ outline: withSizes(outline, { [field]: value }) })}
      fault={fault(field)}
      keep={`${piece.id}.mould.${field}`}
    />
  );
  return (
    <>
      <Choice
        label="Outline of the mould"
        value={outline.kind}
        options={MOULDS}
        onChange={(kind) => set({ outline: MOULD_START[kind] })}
        className="self-start"
      />
      <div className="grid grid-cols-2 gap-3">
        {outline.kind === "round" && size("diameterMm", "Diameter at the top")}
        {(outline.kind === "rectangle" || outline.kind === "oval") && size("lengthMm", "Length at the top")}
        {(outline.kind === "rectangle" || outline.kind === "oval") && size("depthMm", "Breadth at the top")}
        {outline.kind === "round" && <span />}
        <QuantityField
          label="Depth of the mould"
          value={shape.depthMm}
          dimension="length"
          system={system}
          bounds={{ min: 1, max: 1000 }}
          onChange={(depthMm) => set({ depthMm })}
          keep={`${piece.id}.mould.deep`}
        />
        <QuantityField
          label="Draft of its wall"
          value={shape.draftDeg}
          dimension="angle"
          system={system}
          bounds={{ min: 0, max: 60 }}
          onChange={(draftDeg) => set({ draftDeg })}
          fault={fault("draftDeg")}
          keep={`${piece.id}.draft`}
          bare
        />
      </div>
      {outline.kind === "free" && <CornerTable piece={piece} faults={faults} />}
    </>
  );
}
