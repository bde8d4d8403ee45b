"use client";

import type { Pair } from "@/core/geometry/curves";
import { cutText } from "@/core/units/cut-text";
import { useState } from "react";
import type { Fault } from "@/core/geometry/fault";
import { freeOutlineOf, withFreeOutline } from "@/core/geometry/free-outline";
import { withCorner, withLine, withoutCorner, withStretch } from "@/core/geometry/handles";
import type { Piece } from "@/core/geometry/piece";
import { SHOWN_UNIT } from "@/core/units/dimension";
import { parseQuantity } from "@/core/units/parse-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** More corners than this are moved on the drawing, not typed one by one. */
const MOST_TYPED = 24;

const LINES: { value: "straight" | "smooth"; words: string }[] = [
  { value: "straight", words: "straight" },
  { value: "smooth", words: "smooth" },
];

/** The corners of a free outline: typed in a row, or one by one with the stretch to the next. */
export function CornerTable({ piece, faults }: { piece: Piece; faults: Fault[] }) {
  const { system, change } = useJob();
  const outline = freeOutlineOf(piece);
  if (!outline) return null;
  const edit = (next: (before: Piece) => Piece) => change(editPiece(piece.id, next));
  const { points } = outline;
  const ofPoints = faults.filter((fault) => fault.at === "shape.points");
  const straight = piece.shape.kind !== "mould";
  const place = (index: number, axis: 0 | 1, value: number) =>
    edit((before) =>
      withFreeOutline(before, {
        ...outline,
        points: points.map((point, at): Pair =>
          at === index ? (axis === 0 ? [value, point[1]] : [point[0], value]) : point,
        ),
      }),
    );
  return (
    <div>
      <CornersInARow
        floor={piece.shape.kind === "floor"}
        onCorners={(corners) =>
          edit((before) =>
            withFreeOutline(
              { ...before, edges: {} },
              { points: corners, starts: straight ? corners.map((_, index) => index) : [0] },
            ),
          )
        }
      />
      <div className="flex items-center gap-3 mt-3">
        <span className="label">From corner to corner</span>
        <Choice
          label="Line from corner to corner"
          value={outline.curved ? "smooth" : "straight"}
          options={LINES}
          onChange={(line) => edit((before) => withLine(before, line === "smooth"))}
        />
      </div>
      {ofPoints.map((fault) => (
        <p
          key={fault.message}
          role="alert"
          className="text-xs text-danger border-l-2 border-danger pl-1.5 mt-2"
        >
          {fault.message}
        </p>
      ))}
      {points.length > MOST_TYPED ? (
        <p className="label mt-3">
          {points.length} corners, {outline.starts.length} {outline.starts.length === 1 ? "edge" : "edges"}.
          Pull an edge on the drawing to change it.
        </p>
      ) : (
        <div className="grid grid-cols-[18px_1fr_1fr_1fr_auto] gap-x-2 gap-y-1 mt-3">
          <span />
          <span className="label">Right, {SHOWN_UNIT.length[system]}</span>
          <span className="label">To the front</span>
          <span className="label">To the next</span>
          <span />
          {points.map((point, index) => {
            const next = points[(index + 1) % points.length] as Pair;
            const stretch = Math.hypot(next[0] - point[0], next[1] - point[1]);
            return (
              <Corner
                key={index}
                index={index}
                keep={`${piece.id}.corner.${index}`}
                values={[point[0], point[1], stretch]}
                onPlace={(axis, value) => place(index, axis, value)}
                onStretch={(value) => edit((before) => withStretch(before, index, value))}
                onAdd={() => edit((before) => withCorner(before, index))}
                onRemove={points.length > 3 ? () => edit((before) => withoutCorner(before, index)) : null}
                system={system}
              />
            );
          })}
        </div>
      )}
    </div>
  );
}

function Corner({
  index,
  values,
  keep,
  system,
  onPlace,
  onStretch,
  onAdd,
  onRemove,
}: {
  index: number;
  values: [number, number, number];
  keep: string;
  system: "us" | "metric";
  onPlace: (axis: 0 | 1, value: number) => void;
  onStretch: (value: number) => void;
  onAdd: () => void;
  onRemove: (() => void) | null;
}) {
  const field = (label: string, value: number, onChange: (value: number) => void, min: number) => (
    <QuantityField
      label={`${label} of corner ${index + 1}`}
      hideLabel
      value={value}
      dimension="length"
      system={system}
      bounds={{ min, max: 100_000 }}
      onChange={onChange}
      keep={`${keep}.${label}`}
      bare
    />
  );
  return (
    <>
      <span className="figure text-sm pt-1.5 font-normal text-ink-soft">{index + 1}</span>
      {field("Right", values[0], (value) => onPlace(0, value), -100_000)}
      {field("Front", values[1], (value) => onPlace(1, value), -100_000)}
      {field("Stretch", values[2], onStretch, 1)}
      <span className="text-xs whitespace-nowrap pt-1">
        <Button weight="quiet" aria-label={`Put a corner behind corner ${index + 1}`} onClick={onAdd}>
          +
        </Button>
        {onRemove && (
          <Button
            weight="quiet"
            aria-label={`Take out corner ${index + 1}`}
            onClick={onRemove}
            className="ml-1"
          >
            out
          </Button>
        )}
      </span>
    </>
  );
}

const TURNS: Record<string, [number, number]> = {
  right: [1, 0],
  r: [1, 0],
  front: [0, 1],
  down: [0, 1],
  f: [0, 1],
  left: [-1, 0],
  l: [-1, 0],
  back: [0, -1],
  up: [0, -1],
  b: [0, -1],
};

/** Corners as "0 0, 1200 0, 1200 500"; walls of a room as "4200 right, 3200 front, 4200 left". */
function CornersInARow({ floor, onCorners }: { floor: boolean; onCorners: (corners: Pair[]) => void }) {
  const { system } = useJob();
  const [text, setText] = useState("");
  const [error, setError] = useState<string | null>(null);
  const length = (word: string): number => {
    const parsed = parseQuantity(word, "length", system, { min: -100_000, max: 100_000 });
    if (!parsed.ok) throw new Error(`“${cutText(word.trim(), 20)}”: ${parsed.message}`);
    return parsed.value;
  };
  const read = (): Pair[] => {
    const corners: Pair[] = [];
    for (const [index, part] of text.split(/[,;\n]+/).entries()) {
      const words = part.trim();
      if (words === "") continue;
      const walk = /^(.+?)\s*(right|front|left|back|down|up|r|f|l|b)$/i.exec(words);
      if (walk) {
        const [dx, dy] = TURNS[(walk[2] as string).toLowerCase()] as [number, number];
        const by = length(walk[1] as string);
        if (corners.length === 0) corners.push([0, 0]);
        const last = corners[corners.length - 1] as Pair;
        corners.push([last[0] + dx * by, last[1] + dy * by]);
        continue;
      }
      const pair = words.split(/\s+/);
      if (pair.length !== 2)
        throw new Error(`Corner ${index + 1}: write two sizes, for example 1200 500, or a wall: 4200 right.`);
      corners.push([length(pair[0] as string), length(pair[1] as string)]);
    }
    const [first, last] = [corners[0], corners[corners.length - 1]];
    if (first && last && corners.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1)
      corners.pop();
    if (corners.length < 3) throw new Error("An outline has three corners at least.");
    return corners;
  };
  return (
    <form
      className="grid grid-cols-[1fr_auto] gap-2 items-start"
      onSubmit={(event) => {
        event.preventDefault();
        try {
          onCorners(read());
          setError(null);
          setText("");
        } catch (problem) {
          setError((problem as Error).message);
        }
      }}
    >
      <TextField
        label={floor ? "Walls in a row" : "Corners in a row"}
        placeholder={floor ? "4200 right, 3200 front, 4200 left" : "0 0, 1200 0, 1200 500, 0 600"}
        value={text}
        error={error}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" className="mt-5 !min-h-8 !px-2.5">
        set
      </Button>
    </form>
  );
}
