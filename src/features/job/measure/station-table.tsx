"use client";

import { cutText } from "@/core/units/cut-text";
import { useState } from "react";
import type { Fault } from "@/core/geometry/fault";
import type { Measured } from "@/core/geometry/measure";
import type { Piece, Shape, Station } from "@/core/geometry/piece";
import { stationAreas, widthAt } from "@/core/geometry/stations";
import { MM_PER_INCH } from "@/core/units/constants";
import { SHOWN_UNIT } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { parseQuantity } from "@/core/units/parse-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

type Lined = Extract<Shape, { kind: "offsets" | "river" }>;

/** Both lines measured from one string, reading by reading; widths can be typed in a row. */
export function StationTable({
  piece,
  shape,
  measured,
  faults,
}: {
  piece: Piece;
  shape: Lined;
  measured: Measured | null;
  faults: Fault[];
}) {
  const { system, change } = useJob();
  const set = (stations: Station[]) =>
    change(editPiece(piece.id, (before) => ({ ...before, shape: { ...shape, stations } })));
  const edit = (index: number, next: Partial<Station>) =>
    set(shape.stations.map((station, at) => (at === index ? { ...station, ...next } : station)));
  const whole = faults.find((fault) => fault.at === "shape.stations");
  const add = () => {
    const last = shape.stations[shape.stations.length - 1];
    const before = shape.stations[shape.stations.length - 2];
    const step = last && before ? last.atMm - before.atMm : 50;
    set([
      ...shape.stations,
      { ...(last ?? { farMm: 40, nearMm: 40 }), atMm: (last?.atMm ?? 0) + (step || 50) },
    ]);
  };
  const river = shape.kind === "river";
  return (
    <div>
      <p className="label mb-2">
        {river
          ? "Stretch a string along the channel. At each place read both banks from it, at half the depth."
          : "Stretch a string along the piece. At each place read the far and the near line from it."}
      </p>
      <WidthsInARow shape={shape} onStations={set} />
      <div className="grid grid-cols-[1fr_1fr_1fr_72px_26px] gap-x-2 gap-y-1 mt-3">
        <span className="label">Along, {SHOWN_UNIT.length[system]}</span>
        <span className="label">Far</span>
        <span className="label">Near</span>
        <span className="label text-right">Width</span>
        <span />
        {shape.stations.map((station, index) => (
          <Reading
            key={index}
            keep={`${piece.id}.station.${index}`}
            index={index}
            station={station}
            fault={faults.find((fault) => fault.at === `shape.stations.${index}`)?.message ?? null}
            onEdit={(next) => edit(index, next)}
            onRemove={
              shape.stations.length > 2 ? () => set(shape.stations.filter((_, at) => at !== index)) : null
            }
          />
        ))}
      </div>
      {whole && (
        <p role="alert" className="text-xs text-danger border-l-2 border-danger pl-1.5 mt-2">
          {whole.message}
        </p>
      )}
      <Button weight="quiet" className="mt-2 text-sm" onClick={add}>
        add a reading
      </Button>
      {river && measured?.fillMl && <Rules shape={shape} measured={measured} />}
    </div>
  );
}

function Reading({
  index,
  station,
  fault,
  keep,
  onEdit,
  onRemove,
}: {
  index: number;
  station: Station;
  fault: string | null;
  keep: string;
  onEdit: (next: Partial<Station>) => void;
  onRemove: (() => void) | null;
}) {
  const { system } = useJob();
  return (
    <>
      {(["atMm", "farMm", "nearMm"] as const).map((field) => (
        <QuantityField
          key={field}
          label={`${{ atMm: "Place", farMm: "Far", nearMm: "Near" }[field]} of reading ${index + 1}`}
          hideLabel
          value={station[field]}
          dimension="length"
          system={system}
          bounds={{ min: -100_000, max: 100_000 }}
          onChange={(value) => onEdit({ [field]: value })}
          fault={field === "farMm" ? fault : null}
          keep={`${keep}.${field}`}
          bare
        />
      ))}
      <span className="figure text-sm whitespace-nowrap text-right pt-1.5">
        {quantityText(widthAt(station), "length", system)}
      </span>
      <span className="pt-1">
        {onRemove && (
          <Button
            weight="quiet"
            className="text-xs"
            aria-label={`Remove reading ${index + 1}`}
            onClick={onRemove}
          >
            out
          </Button>
        )}
      </span>
    </>
  );
}

/** Widths as they are called out, one after another; the string lies in the middle. */
function WidthsInARow({ shape, onStations }: { shape: Lined; onStations: (stations: Station[]) => void }) {
  const { system } = useJob();
  const [text, setText] = useState("");
  const [stepMm, setStepMm] = useState(system === "us" ? 2 * MM_PER_INCH : 50);
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const words = text.split(/[,;\n]+/).filter((word) => word.trim() !== "");
    const widths: number[] = [];
    for (const word of words) {
      const parsed = parseQuantity(word, "length", system, { min: 0, max: 100_000 });
      if (!parsed.ok) return setError(`“${cutText(word.trim(), 20)}”: ${parsed.message}`);
      widths.push(parsed.value);
    }
    if (widths.length < 2) return setError("Type two widths at least, with commas between them.");
    setError(null);
    setText("");
    onStations(widths.map((width, index) => ({ atMm: index * stepMm, farMm: width / 2, nearMm: width / 2 })));
  };
  return (
    <form
      className="grid grid-cols-[1fr_100px_auto] gap-2 items-start"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <TextField
        label={shape.kind === "river" ? "Widths in a row" : "Or widths in a row"}
        placeholder={system === "us" ? "6, 6 1/4, 5 7/8" : "150, 160, 148"}
        value={text}
        error={error}
        onChange={(event) => setText(event.target.value)}
      />
      <QuantityField
        label="each after"
        value={stepMm}
        dimension="length"
        system={system}
        bounds={{ min: 1, max: 10_000 }}
        onChange={setStepMm}
        bare
      />
      <Button type="submit" className="mt-5 !min-h-8 !px-2.5">
        set
      </Button>
    </form>
  );
}

/** Both rules side by side; their difference is how far the readings can be trusted. */
function Rules({ shape, measured }: { shape: Lined; measured: Measured }) {
  const { system } = useJob();
  const { simpsonMm2, trapezoidMm2 } = stationAreas(shape.stations);
  const ml = (area: number) => quantityText((area * measured.fillDepthMm) / 1000, "volume", system);
  const apart = Math.abs(simpsonMm2 - trapezoidMm2);
  return (
    <table className="text-sm mt-3 w-full">
      <tbody>
        <tr className="border-t border-line">
          <td className="py-1">Simpson, curved banks</td>
          <td className="figure text-right">{ml(simpsonMm2)}</td>
        </tr>
        <tr className="border-t border-line">
          <td className="py-1">Trapezoids, straight banks</td>
          <td className="figure text-right">{ml(trapezoidMm2)}</td>
        </tr>
        <tr className="border-t border-line text-ink-soft">
          <td className="py-1">They differ by, and so the spread is ±</td>
          <td className="figure text-right font-normal">{ml(apart)}</td>
        </tr>
      </tbody>
    </table>
  );
}
