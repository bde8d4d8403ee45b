"use client";

import { cutText } from "@/core/units/cut-text";
import { useState } from "react";
import {
  extentOf,
  FILE_UNITS,
  takeOutline,
  type DrawnPath,
  type FileUnit,
  type ReadDrawing,
} from "@/core/drawing-files/drawing";
import { importedPiece, MOST_CORNERS, MOST_HOLES, type Imported } from "@/core/drawing-files/imported-piece";
import { importedZones, type ImportedZones } from "@/core/drawing-files/imported-zones";
import { measurePiece } from "@/core/geometry/measure";
import { LARGEST_MM, type Piece } from "@/core/geometry/piece";
import { MOST_ZONES } from "@/core/geometry/zones/zone-faults";
import { formatQuantity, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { PieceDrawing } from "@/ui/piece-drawing";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { editPiece, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { readDrawing } from "./read-drawing";

type Read = Extract<ReadDrawing, { ok: true }>;
const PREVIEW = { width: 420, height: 300 };

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

const sizeWords = (
  { width, height }: { width: number; height: number },
  mm: number,
  system: "us" | "metric",
) => `${quantityText(width * mm, "length", system)} × ${quantityText(height * mm, "length", system)}`;

/** Why a drawing is more than a job keeps, and what to do. */
function tooMuch(
  why: Extract<Imported, { ok: false }>["why"],
  paths: DrawnPath[],
  mmPerUnit: number,
  system: "us" | "metric",
): string {
  if (why === "size")
    return `With this unit the drawing is ${sizeWords(extentOf(paths), mmPerUnit, system)}; ${quantityText(LARGEST_MM, "length", system)} is the most. Choose another unit.`;
  return why === "corners"
    ? `The outline and its holes have more than ${MOST_CORNERS} corners. Choose a coarser tolerance or fewer layers.`
    : `The outline has more than ${MOST_HOLES} holes. Choose fewer layers.`;
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

/** Where zones of a file come to lie. */
const LAID = {
  outline: "One line is as large as the piece: zones are laid by it.",
  middle: "Zones are laid in the middle of the piece; pull them where they belong.",
};
const NO_ZONES: Record<Extract<ImportedZones, { ok: false }>["why"], string> = {
  none: "No line inside the outline is closed: there is nothing that could be a zone.",
  many: `Its closed lines are more zones than a piece can have (${MOST_ZONES}).`,
  corners: `As zones the lines have more than ${MOST_CORNERS} corners. Choose a coarser tolerance or fewer layers.`,
};

function Outcome({
  paths,
  mmPerUnit,
  name,
  leftOut,
  host,
  onPiece,
  onCutOut,
  onZones,
  system,
}: {
  paths: DrawnPath[];
  mmPerUnit: number;
  name: string;
  leftOut: string[];
  host: Piece | null;
  onPiece: (piece: Piece) => void;
  onCutOut: (piece: Piece) => void;
  onZones: (divided: Piece) => void;
  system: "us" | "metric";
}) {
  const taken = takeOutline(paths, mmPerUnit);
  const imported = taken.ok ? importedPiece(taken, name, newId) : null;
  if (!taken.ok || !imported?.ok)
    return (
      <p role="alert" className="border-l-2 border-danger text-danger pl-2">
        {taken.ok && imported && !imported.ok ? tooMuch(imported.why, paths, mmPerUnit, system) : null}
        {taken.ok ? null : taken.reason}
      </p>
    );
  const { piece } = imported;
  const zones = host && importedZones(paths, mmPerUnit, host, newId);
  const measurement = measurePiece(piece);
  return (
    <>
      <div className="flex gap-6 max-sm:flex-col">
        <PieceDrawing
          piece={piece}
          system={system}
          {...PREVIEW}
          marks={measurement.ok ? [] : measurement.faults.flatMap(({ where }) => (where ? [where] : []))}
        />
        <div className="text-sm min-w-0">
          {measurement.ok ? (
            <>
              <div className="label">Top</div>
              <div className="figure text-3xl whitespace-nowrap">
                {formatQuantity(measurement.measured.topAreaMm2, "area", system).number}
                <span className="unit">
                  {formatQuantity(measurement.measured.topAreaMm2, "area", system).unit}
                </span>
              </div>
            </>
          ) : (
            measurement.faults.slice(0, 4).map((fault) => (
              <p key={fault.message} role="alert" className="border-l-2 border-danger text-danger pl-2 mb-1">
                {fault.message}
              </p>
            ))
          )}
          <p className="mt-2">
            {taken.outer.points.length} corners, {taken.holes.length}{" "}
            {taken.holes.length === 1 ? "hole" : "holes"}
          </p>
          {taken.left > 0 && <p className="label">{taken.left} other lines are left out.</p>}
          {leftOut.length > 0 && <p className="label">Not read: {leftOut.join(", ")}.</p>}
        </div>
      </div>
      <div className="flex gap-3 mt-5">
        <Button weight="primary" onClick={() => onPiece(piece)}>
          Take it as a piece
        </Button>
        {host && <Button onClick={() => onCutOut(piece)}>As a cut-out of {host.name || "this piece"}</Button>}
        {host && zones?.ok && (
          <Button onClick={() => onZones(zones.piece)}>
            As {zones.made === 1 ? "a zone" : `${zones.made} zones`} of {host.name || "this piece"}
          </Button>
        )}
      </div>
      {host && zones && (
        <p className="label mt-2">
          {zones.ok ? LAID[zones.aligned ? "outline" : "middle"] : NO_ZONES[zones.why]}
        </p>
      )}
    </>
  );
}
