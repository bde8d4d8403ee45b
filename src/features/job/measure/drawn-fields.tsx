"use client";

import type { Piece } from "@/core/geometry/piece";
import type { Divider, Division, Drawn, Followed, ZoneShape } from "@/core/geometry/zones/division";
import { surfaceOf } from "@/core/geometry/zones/regions";
import { LEAST_STONE_MM } from "@/core/geometry/zones/zone-faults";
import type { Dimension } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

type Edit = (next: (before: Divider) => Divider) => void;

/** All that is typed of how a divider is drawn, by its kind. */
export function DrawnFields({
  piece,
  division,
  divider,
  onEdit,
}: {
  piece: Piece;
  division: Division;
  divider: Divider;
  onEdit: Edit;
}) {
  const { system } = useJob();
  const { drawn } = divider;
  const set = (next: Drawn) => onEdit((before) => ({ ...before, drawn: next }));
  const field = (
    label: string,
    value: number,
    onChange: (value: number) => void,
    { min = 0, max = 100_000, dimension = "length" as Dimension } = {},
  ) => (
    <QuantityField
      key={label}
      label={label}
      value={value}
      dimension={dimension}
      system={system}
      bounds={{ min, max }}
      onChange={onChange}
      keep={`${divider.id}.${label}`}
      bare={dimension !== "length"}
    />
  );
  switch (drawn.kind) {
    case "line":
      return (
        <div className="flex items-center gap-3">
          <LineChoice curved={drawn.curved ?? false} onChange={(curved) => set({ ...drawn, curved })} />
          <Button weight="quiet" onClick={() => set({ ...drawn, points: [...drawn.points].reverse() })}>
            the other side of it
          </Button>
        </div>
      );
    case "shape":
      return (
        <ShapeFields
          piece={piece}
          shape={drawn.shape}
          field={field}
          onShape={(shape) => set({ ...drawn, shape })}
        />
      );
    case "bands":
      return (
        <div className="grid grid-cols-2 gap-3">
          <FollowedSelect
            of={drawn.of}
            piece={piece}
            division={division}
            divider={divider}
            onChange={(of) => set({ ...drawn, of })}
          />
          {field("First one begins at", drawn.fromMm, (fromMm) => set({ ...drawn, fromMm }))}
        </div>
      );
    case "stripes":
      return (
        <div className="grid grid-cols-2 gap-3">
          {field("Angle", drawn.angleDeg, (angleDeg) => set({ ...drawn, angleDeg }), {
            min: -180,
            max: 180,
            dimension: "angle",
          })}
          {field("Off the middle", drawn.fromMm, (fromMm) => set({ ...drawn, fromMm }), { min: -100_000 })}
        </div>
      );
    case "pebbles":
      return (
        <>
          <div className="grid grid-cols-2 gap-3">
            {field("Size of a stone", drawn.sizeMm, (sizeMm) => set({ ...drawn, sizeMm }), {
              min: LEAST_STONE_MM,
            })}
            {field("Joint", drawn.jointMm, (jointMm) => set({ ...drawn, jointMm }))}
          </div>
          <div className="flex gap-4 text-sm">
            <Button
              weight="quiet"
              onClick={() => {
                const { moved: _before, ...rest } = drawn;
                set({ ...rest, seed: (drawn.seed + 1) % 10_000 });
              }}
            >
              other stones
            </Button>
            {(drawn.moved?.length ?? 0) > 0 && (
              <Button
                weight="quiet"
                onClick={() => {
                  const { moved: _before, ...rest } = drawn;
                  set(rest);
                }}
              >
                put back {drawn.moved?.length} moved
              </Button>
            )}
          </div>
        </>
      );
  }
}

function LineChoice({ curved, onChange }: { curved: boolean; onChange: (curved: boolean) => void }) {
  return (
    <Choice
      label="Its line"
      value={curved ? "smooth" : "straight"}
      options={[
        { value: "smooth", words: "smooth" },
        { value: "straight", words: "straight" },
      ]}
      onChange={(line) => onChange(line === "smooth")}
    />
  );
}

type Field = (
  label: string,
  value: number,
  onChange: (value: number) => void,
  more?: { min?: number; max?: number; dimension?: Dimension },
) => React.ReactNode;

function ShapeFields({
  piece,
  shape,
  field,
  onShape,
}: {
  piece: Piece;
  shape: ZoneShape;
  field: Field;
  onShape: (shape: ZoneShape) => void;
}) {
  if (shape.kind === "free")
    return <LineChoice curved={shape.curved ?? false} onChange={(curved) => onShape({ ...shape, curved })} />;
  const { box } = surfaceOf(piece);
  const isWall = piece.shape.kind === "tumbler";
  const { xMm, yMm } = shape;
  const [lengthMm, depthMm] =
    shape.kind === "round" ? [shape.diameterMm, shape.diameterMm] : [shape.lengthMm, shape.depthMm];
  return (
    <>
      <Choice
        label="Shape of the zone"
        value={shape.kind}
        options={[
          { value: "round", words: "round" },
          { value: "oval", words: "oval" },
          { value: "rectangle", words: "rectangle" },
        ]}
        onChange={(kind) =>
          onShape(
            kind === "round"
              ? { kind, xMm, yMm, diameterMm: Math.min(lengthMm, depthMm) }
              : { kind: kind as "oval" | "rectangle", xMm, yMm, lengthMm, depthMm },
          )
        }
        className="self-start"
      />
      <div className="grid grid-cols-2 gap-3">
        {shape.kind === "round" &&
          field("Diameter of the zone", shape.diameterMm, (diameterMm) => onShape({ ...shape, diameterMm }))}
        {shape.kind !== "round" &&
          field("Length of the zone", shape.lengthMm, (to) => onShape({ ...shape, lengthMm: to }))}
        {shape.kind !== "round" &&
          field("Depth of the zone", shape.depthMm, (to) => onShape({ ...shape, depthMm: to }))}
        {shape.kind === "rectangle" &&
          field("Radius of its corners", shape.radiusMm ?? 0, (radiusMm) => onShape({ ...shape, radiusMm }))}
        {shape.kind !== "round" &&
          field("Turned by", shape.turnDeg ?? 0, (turnDeg) => onShape({ ...shape, turnDeg }), {
            min: -180,
            max: 180,
            dimension: "angle",
          })}
        {shape.kind === "round" && <span />}
        {field(
          isWall ? "Middle from the seam" : "Middle from the left",
          xMm,
          (to) => onShape({ ...shape, xMm: to }),
          { min: -100_000 },
        )}
        {field(
          isWall ? "Middle from the base" : "Middle from the front",
          box.maxY - yMm,
          (to) => onShape({ ...shape, yMm: box.maxY - to }),
          {
            min: -100_000,
          },
        )}
      </div>
    </>
  );
}

/** What rings run along: the rim, a cut-out, the line or shape of another zone. */
function FollowedSelect({
  of,
  piece,
  division,
  divider,
  onChange,
}: {
  of: Followed;
  piece: Piece;
  division: Division;
  divider: Divider;
  onChange: (of: Followed) => void;
}) {
  const keyOf = (followed: Followed) => (followed.kind === "rim" ? "rim" : `${followed.kind} ${followed.id}`);
  const all: [Followed, string][] = [
    [{ kind: "rim" }, "the rim, inwards"],
    ...piece.cutOuts.map(({ id, name }): [Followed, string] => [{ kind: "cut-out", id }, `around ${name}`]),
    ...division.dividers
      .filter(({ id, drawn }) => id !== divider.id && (drawn.kind === "line" || drawn.kind === "shape"))
      .map(({ id, drawn, zones }): [Followed, string] => [
        { kind: "divider", id },
        `${drawn.kind === "line" ? "along the line of" : "around"} ${zones[0]?.name ?? ""}`,
      ]),
  ];
  return (
    <SelectField
      label="They follow"
      value={keyOf(of)}
      onChange={(event) => {
        const found = all.find(([followed]) => keyOf(followed) === event.target.value);
        if (found) onChange(found[0]);
      }}
    >
      {all.map(([followed, words]) => (
        <option key={keyOf(followed)} value={keyOf(followed)}>
          {words}
        </option>
      ))}
    </SelectField>
  );
}
