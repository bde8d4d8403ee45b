"use client";

import type { Measured } from "@/core/geometry/measure";
import { MOST_WEIGHTS_EACH, WEIGHT_WORDS, type ColourWeight, type SoftPlace } from "@/core/geometry/weights";
import type { Coat } from "@/core/schedule/coat";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";

const KINDS = Object.entries(WEIGHT_WORDS) as [SoftPlace["kind"], string][];

/** Where the colours of a coat go on a piece: for each a few soft places; how much there is of it in all stays what it is. */
export function WeightsPanel({
  piece,
  coat,
  colourId,
  weights,
  onColour,
  onAdd,
  onChange,
  onRemove,
}: {
  piece: Measured;
  coat: Coat;
  /** The colour that is worked on, and its places. */
  colourId: string;
  weights: readonly ColourWeight[];
  onColour: (colourId: string) => void;
  onAdd: (kind: SoftPlace["kind"]) => void;
  onChange: (weight: ColourWeight) => void;
  onRemove: (id: string) => void;
}) {
  const { system } = useJob();
  const placed = (id: string) => piece.piece.weights?.filter((weight) => weight.colourId === id).length ?? 0;
  return (
    <section aria-label="Where colours go">
      <h2 className="heading border-b border-line pb-1 mb-2">Where colours go: {coat.name}</h2>
      <ul className="flex flex-wrap gap-2 mb-3">
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
      <div className="flex gap-2 flex-wrap mb-2">
        {KINDS.map(([kind, words]) => (
          <Button key={kind} disabled={weights.length >= MOST_WEIGHTS_EACH} onClick={() => onAdd(kind)}>
            {words}
          </Button>
        ))}
      </div>
      {weights.length === 0 && (
        <p className="text-sm text-ink-soft">
          It lies evenly: chance decides. Its share of the coat stays what it is.
        </p>
      )}
      <ul>
        {weights.map((weight, n) => (
          <li key={weight.id} className="flex items-end gap-3 border-t border-line py-2">
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
