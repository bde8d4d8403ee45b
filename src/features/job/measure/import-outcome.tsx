"use client";

import { extentOf, takeOutline, type DrawnPath } from "@/core/drawing-files/drawing";
import { importedPiece, MOST_CORNERS, MOST_HOLES, type Imported } from "@/core/drawing-files/imported-piece";
import { importedZones, type ImportedZones } from "@/core/drawing-files/imported-zones";
import { measurePiece, type Measurement } from "@/core/geometry/measure";
import { LARGEST_MM, type Piece } from "@/core/geometry/piece";
import { MOST_ZONES } from "@/core/geometry/zones/zone-faults";
import { formatQuantity, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { PieceDrawing } from "@/ui/piece-drawing";
import { newId } from "../workspace/edits";

const PREVIEW = { width: 420, height: 300 };

/** A size of a drawing in words. */
export const sizeWords = (
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

/** What comes of a drawing: a piece, a cut-out, or the zones of the piece that is open. */
export function Outcome({
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
  if (!taken.ok) return <NotTaken why={taken.reason} />;
  const imported = importedPiece(taken, name, newId);
  const zones = host && importedZones(paths, mmPerUnit, host, newId);
  // A map may have more zones than a piece has holes.
  if (!imported.ok && !zones?.ok) return <NotTaken why={tooMuch(imported.why, paths, mmPerUnit, system)} />;
  const piece = imported.ok ? imported.piece : null;
  const measurement = piece && measurePiece(piece);
  // A line as large as the piece says that this is a map of it, unless it is a sound piece with holes.
  const map = zones?.ok && (zones.aligned || !piece) && !measurement?.ok ? zones : null;
  const shown = map?.piece ?? piece;
  return (
    <>
      <div className="flex gap-6 max-sm:flex-col">
        {shown && (
          <PieceDrawing
            piece={shown}
            system={system}
            {...PREVIEW}
            marks={
              map || !measurement || measurement.ok
                ? []
                : measurement.faults.flatMap(({ where }) => (where ? [where] : []))
            }
          />
        )}
        <div className="text-sm min-w-0">
          {map ? (
            <>
              <div className="label">Zones</div>
              <div className="figure text-3xl">{map.made}</div>
              {map.left > 0 && <p className="label mt-2">{map.left} lines are open, or drawn twice.</p>}
            </>
          ) : (
            measurement && <AsPiece taken={taken} measurement={measurement} system={system} />
          )}
          {leftOut.length > 0 && <p className="label">Not read: {leftOut.join(", ")}.</p>}
        </div>
      </div>
      <div className="flex gap-3 mt-5">
        {piece && (
          <Button weight={map ? "plain" : "primary"} onClick={() => onPiece(piece)}>
            Take it as a piece
          </Button>
        )}
        {piece && host && (
          <Button onClick={() => onCutOut(piece)}>As a cut-out of {host.name || "this piece"}</Button>
        )}
        {host && zones?.ok && (
          <Button weight={map ? "primary" : "plain"} onClick={() => onZones(zones.piece)}>
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

/** Why nothing comes of the drawing. */
function NotTaken({ why }: { why: string }) {
  return (
    <p role="alert" className="border-l-2 border-danger text-danger pl-2">
      {why}
    </p>
  );
}

/** What the drawing is as a piece: its area or what is wrong with it, its corners and holes. */
function AsPiece({
  taken,
  measurement,
  system,
}: {
  taken: Extract<ReturnType<typeof takeOutline>, { ok: true }>;
  measurement: Measurement;
  system: "us" | "metric";
}) {
  return (
    <>
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
    </>
  );
}
