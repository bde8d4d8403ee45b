"use client";

import { WEIGHT_WORDS, type SoftPlace } from "@/core/geometry/weights";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";
import type { Weights } from "./use-weights";

const KINDS = Object.entries(WEIGHT_WORDS) as [SoftPlace["kind"], string][];

/** Above the picture: which colour of the coat is placed, and what is put on the piece for it. */
export function WeightsBar({ coat, colourId, full, placed, onColour, onAdd }: Weights) {
  if (!coat) return null;
  return (
    <div
      role="group"
      aria-label={`Where the colours of ${coat.name} go`}
      className="flex items-center gap-x-6 gap-y-2 flex-wrap mb-2"
    >
      <ul className="flex flex-wrap gap-2">
        {coat.colours.map(({ id, name, hex }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={id === colourId}
              onClick={() => onColour(id)}
              className={classNames(
                "flex items-center gap-2 h-8 px-2 border text-sm hover:bg-paper",
                id === colourId ? "border-ink bg-paper font-semibold" : "border-line-strong",
              )}
            >
              <span className="size-4 border border-line-strong" style={{ background: hex }} />
              {name}
              {placed(id) > 0 && <span className="label">{placed(id)}</span>}
            </button>
          </li>
        ))}
      </ul>
      <span className="flex gap-2 flex-wrap ml-auto">
        {KINDS.map(([kind, words]) => (
          <Button key={kind} disabled={full} onClick={() => onAdd(kind)}>
            {words}
          </Button>
        ))}
      </span>
    </div>
  );
}

/** The soft places of the picked colour as numbers; how much there is of it in all stays what it is. */
export function WeightList({ coat, colourId, weights, onChange, onRemove }: Weights) {
  const { system } = useJob();
  const name = coat?.colours.find(({ id }) => id === colourId)?.name ?? "";
  return (
    <section aria-label="Where colours go">
      <h2 className="heading border-b border-line pb-1 mb-2">Where {name} goes</h2>
      <p className="text-sm text-ink-soft mb-1">
        {weights.length === 0 ? "It lies evenly: chance decides. " : ""}Its share of the coat stays what it
        is.
      </p>
      <ul>
        {weights.map((weight, n) => (
          <li key={weight.id} className="flex items-end gap-3 border-b border-line py-2">
            <span className="text-sm flex-1 pb-1.5">
              <span className="figure mr-2">{n + 1}</span>
              {WEIGHT_WORDS[weight.kind]}
            </span>
            <QuantityField
              label={weight.kind === "fade" ? "Fades over" : "Reaches"}
              value={weight.reachMm}
              dimension="length"
              system={system}
              bounds={{ min: 5, max: 20_000 }}
              onChange={(reachMm) => onChange({ ...weight, reachMm })}
              className="w-24"
              bare
            />
            {weight.kind === "fade" && (
              <QuantityField
                label="Degrees"
                value={weight.angleDeg ?? 0}
                dimension="number"
                system={system}
                bounds={{ min: -180, max: 180 }}
                onChange={(angleDeg) => onChange({ ...weight, angleDeg })}
                className="w-20"
                bare
              />
            )}
            <Button weight="quiet" aria-label={`Take away ${n + 1}`} onClick={() => onRemove(weight.id)}>
              take away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
