"use client";

import { cutText } from "@/core/units/cut-text";
import { useState } from "react";
import { extentOf, FILE_UNITS, type FileUnit, type ReadDrawing } from "@/core/drawing-files/drawing";
import { type Piece } from "@/core/geometry/piece";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { Outcome, sizeWords } from "./import-outcome";
import { readDrawing } from "./read-drawing";

type Read = Extract<ReadDrawing, { ok: true }>;

/** An outline from an SVG or DXF file: unit asked when the file does not say, tolerance and layers chosen, holes kept. */
export function ImportDialog({
  piece,
  onClose,
  onPiece,
}: {
  piece: Piece | null;
  onClose: () => void;
  onPiece: (piece: Piece) => void;
}) {
  const { system } = useJob();
  const [file, setFile] = useState<File | null>(null);
  const [toleranceMm, setToleranceMm] = useState(0.1);
  const [read, setRead] = useState<Read | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const load = async (from: File, tolerance: number) => {
    setFile(from);
    setBusy(true);
    setReason(null);
    const drawing = await readDrawing(from, tolerance);
    setBusy(false);
    setRead(drawing.ok ? drawing : null);
    setReason(drawing.ok ? null : drawing.reason);
  };

  return (
    <Dialog open onClose={onClose} title="Read a drawing" wide>
      <div className="grid grid-cols-[1fr_150px] gap-4 mb-4 max-sm:grid-cols-1">
        <label className="flex flex-col gap-1">
          <span className="label">SVG or DXF file</span>
          <input
            type="file"
            accept=".svg,.dxf"
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              if (chosen) void load(chosen, toleranceMm);
            }}
            className="bg-paper border border-line-strong h-8 text-sm file:h-full file:border-0 file:border-r file:border-line-strong file:bg-shade file:px-3 file:mr-3"
          />
        </label>
        <QuantityField
          label="Curves within"
          value={toleranceMm}
          dimension="film"
          system="metric"
          bounds={{ min: 0.01, max: 20 }}
          onChange={(value) => {
            setToleranceMm(value);
            if (file) void load(file, value);
          }}
          bare
        />
      </div>
      {busy && <p className="label">Reading…</p>}
      {reason && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2">
          {reason}
        </p>
      )}
      {read && file && (
        <Chosen
          key={`${file.name}-${read.paths.length}`}
          drawing={read}
          name={cutText(file.name.replace(/\.(svg|dxf)$/i, ""), 80)}
          host={piece}
          onClose={onClose}
          onPiece={onPiece}
          system={system}
        />
      )}
    </Dialog>
  );
}

/** What was read: its layers, its unit, and the piece that comes of it. */
function Chosen({
  drawing,
  name,
  host,
  onClose,
  onPiece,
  system,
}: {
  drawing: Read;
  name: string;
  host: Piece | null;
  onClose: () => void;
  onPiece: (piece: Piece) => void;
  system: "us" | "metric";
}) {
  const { change } = useJob();
  const layers = [...new Set(drawing.paths.map((path) => path.layer))];
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const [unit, setUnit] = useState<FileUnit | "">("");
  const mmPerUnit = drawing.mmPerUnit ?? (unit === "" ? null : FILE_UNITS[unit]);
  const paths = drawing.paths.filter((path) => !off.has(path.layer));
  const extent = extentOf(drawing.paths);

  return (
    <div>
      {drawing.mmPerUnit === null && (
        <SelectField
          label="The file does not say its unit. One unit of the drawing is"
          value={unit}
          onChange={(event) => setUnit(event.target.value as FileUnit)}
          frame="mb-3"
        >
          <option value="">choose</option>
          {(Object.keys(FILE_UNITS) as FileUnit[]).map((unit) => (
            <option key={unit} value={unit}>
              1 {unit}: the drawing is {sizeWords(extent, FILE_UNITS[unit], system)}
            </option>
          ))}
        </SelectField>
      )}
      {layers.length > 1 && (
        <div className="flex gap-x-5 gap-y-1 flex-wrap mb-3">
          <span className="label">Layers</span>
          {layers.map((layer) => (
            <Checkbox
              key={layer}
              label={`${layer} (${drawing.paths.filter((path) => path.layer === layer).length})`}
              checked={!off.has(layer)}
              onChange={(on) => {
                const next = new Set(off);
                if (on) next.delete(layer);
                else next.add(layer);
                setOff(next);
              }}
            />
          ))}
        </div>
      )}
      {mmPerUnit !== null && (
        <Outcome
          paths={paths}
          mmPerUnit={mmPerUnit}
          name={name}
          leftOut={drawing.leftOut}
          host={host}
          onPiece={(piece) => {
            onPiece(piece);
            onClose();
          }}
          onCutOut={(piece) => {
            if (!host) return;
            change(editPiece(host.id, (before) => withCutOut(before, piece)));
            onClose();
          }}
          onZones={(divided) => {
            if (!host) return;
            change(editPiece(host.id, (before) => ({ ...before, division: divided.division })));
            onClose();
          }}
          system={system}
        />
      )}
    </div>
  );
}

/** The piece's outline as a cut-out in the middle of another. */
function withCutOut(host: Piece, piece: Piece): Piece {
  if (piece.shape.kind !== "free") return host;
  const { points } = piece.shape;
  const [wide, high] = [Math.max(...points.map(([x]) => x)), Math.max(...points.map(([, y]) => y))];
  return {
    ...host,
    cutOuts: [
      ...host.cutOuts,
      {
        id: newId(),
        name: piece.name,
        shape: { kind: "free", points: points.map(([x, y]) => [x - wide / 2, y - high / 2]) },
        fromLeftMm: Math.round(wide),
        fromFrontMm: Math.round(high),
        innerFace: null,
      },
    ],
  };
}
