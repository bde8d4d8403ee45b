"use client";

import type { Fault } from "@/core/geometry/fault";
import { outlineOf } from "@/core/geometry/outline";
import {
  edgeOf,
  edgesOf,
  edgeWords,
  isHigh,
  TREATMENT_WORDS,
  type EdgeName,
  type EdgeTreatment,
  type Piece,
  withHeight,
  withTreatment,
} from "@/core/geometry/piece";
import { quantityText } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { editEdge, editPiece } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** What all sides are, in one entry: how the film ends, and how high. */
function AllSides({ piece }: { piece: Piece }) {
  const { system, change } = useJob();
  const names = edgesOf(piece.shape);
  const edges = names.map((name) => edgeOf(piece, name));
  const [first] = edges;
  const alike = first && edges.every(({ treatment }) => treatment === first.treatment);
  const high = edges.filter(({ treatment }) => isHigh(treatment));
  const heights = new Set(high.map(({ heightMm }) => heightMm));
  return (
    <div className="flex items-center gap-2 border-b border-line py-1.5">
      <span className="flex-1">All sides</span>
      <select
        aria-label="All sides: how the film ends"
        value={alike ? first.treatment : ""}
        onChange={(event) =>
          change(
            editPiece(piece.id, (before) =>
              withTreatment(before, names, event.target.value as EdgeTreatment),
            ),
          )
        }
        className="select-mark bg-transparent border-b border-line-strong h-7 pl-1 pr-6"
      >
        {!alike && <option value="">each its own</option>}
        {(Object.keys(TREATMENT_WORDS) as EdgeTreatment[]).map((treatment) => (
          <option key={treatment} value={treatment}>
            {TREATMENT_WORDS[treatment]}
          </option>
        ))}
      </select>
      {high.length > 0 && (
        <QuantityField
          label="Height of all faces"
          value={heights.size === 1 ? ([...heights][0] ?? null) : null}
          dimension="length"
          system={system}
          bounds={{ min: 0, max: 2000 }}
          onChange={(heightMm) => change(editPiece(piece.id, (before) => withHeight(before, heightMm)))}
          keep={`${piece.id}.all-heights`}
          className="w-20"
          hideLabel
          bare
        />
      )}
    </div>
  );
}

const lengthOf = (piece: Piece, name: EdgeName): number =>
  outlineOf(piece).sides.find((edge) => edge.name === name)?.lengthMm ?? 0;

/** The edges one by one: what ends the film there, how high, square or rounded. */
export function EdgeList({
  piece,
  faults,
  picked,
  onPick,
}: {
  piece: Piece;
  faults: Fault[];
  picked: EdgeName | null;
  onPick: (edge: EdgeName | null) => void;
}) {
  const { system, change } = useJob();
  return (
    <div>
      <h3 className="heading border-b border-line pb-1">Edges</h3>
      {edgesOf(piece.shape).length > 1 && <AllSides piece={piece} />}
      {edgesOf(piece.shape).map((name) => {
        const edge = edgeOf(piece, name);
        const high = isHigh(edge.treatment);
        const fault = faults.find((found) => found.at.startsWith(`edges.${name}.`));
        const open = picked === name || fault !== undefined;
        const treat = (treatment: EdgeTreatment) =>
          change(editPiece(piece.id, (before) => withTreatment(before, [name], treatment)));
        return (
          <div
            key={name}
            className={`border-b border-line py-1.5 pl-2 -ml-2 border-l-2 ${picked === name ? "border-l-signal" : "border-l-transparent"}`}
          >
            <div className="flex items-center gap-2">
              <button
                type="button"
                className="flex-1 text-left min-w-0"
                aria-expanded={open}
                onClick={() => onPick(picked === name ? null : name)}
              >
                <span className="block truncate">{edgeWords(name)}</span>
                <span className="label">{quantityText(lengthOf(piece, name), "length", system)}</span>
              </button>
              <label className="sr-only" htmlFor={`${piece.id}-${name}`}>
                {edgeWords(name)}: how the film ends
              </label>
              <select
                id={`${piece.id}-${name}`}
                value={edge.treatment}
                onChange={(event) => treat(event.target.value as EdgeTreatment)}
                className="select-mark bg-transparent border-b border-line-strong h-7 pl-1 pr-6"
              >
                {(Object.keys(TREATMENT_WORDS) as EdgeTreatment[]).map((treatment) => (
                  <option key={treatment} value={treatment}>
                    {TREATMENT_WORDS[treatment]}
                  </option>
                ))}
              </select>
              <span className="figure text-sm w-20 text-right">
                {high ? quantityText(edge.heightMm, "length", system) : ""}
              </span>
            </div>
            {open && high && (
              <div className="grid grid-cols-2 gap-3 pt-2 pb-1">
                <QuantityField
                  label={`Height, ${edgeWords(name)}`}
                  value={edge.heightMm}
                  dimension="length"
                  system={system}
                  bounds={{ min: 0, max: 2000 }}
                  onChange={(heightMm) => change(editEdge(piece.id, name, { heightMm }))}
                  fault={fault?.at.endsWith("heightMm") ? fault.message : null}
                  keep={`${piece.id}.${name}.height`}
                />
                <QuantityField
                  label="Rounding, 0 is square"
                  value={edge.roundingMm}
                  dimension="length"
                  system={system}
                  bounds={{ min: 0, max: 200 }}
                  onChange={(roundingMm) => change(editEdge(piece.id, name, { roundingMm }))}
                  fault={fault?.at.endsWith("roundingMm") ? fault.message : null}
                  keep={`${piece.id}.${name}.rounding`}
                />
                {edge.roundingMm < 3 && edge.treatment === "face" && (
                  <p className="col-span-2 text-xs border-l-2 border-ink pl-2">
                    On a square edge the film pulls back and builds a lip: round it over by 3 mm (1/8 in) or
                    more. <span className="text-ink-soft">common practice</span>
                  </p>
                )}
              </div>
            )}
          </div>
        );
      })}
    </div>
  );
}
