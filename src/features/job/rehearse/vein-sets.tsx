"use client";

import { sinceMixText } from "@/ui/clock-words";
import type { VeinManner } from "@/core/pattern/passes/vein";
import type { MapVein, VeinSet } from "@/core/veins/vein-map";
import { MOST_VEINS, THINNEST_VEIN_MM } from "@/core/pattern/passes/work";
import type { Spread } from "@/core/numerics/spread";
import { otherSystem, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SliderField } from "@/ui/slider-field";
import { useJob } from "../workspace/use-job";

/** Less than this is told in millilitres to a tenth, ml: no cup is marked so finely. */
const LITTLE_ML = 15;

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** One set of veins: how they go, how many, how thick; what it takes of its colour, and how wide its veins end. */
export function VeinSetForm({
  set,
  colour,
  amounts,
  laid,
  onChange,
  onRedraw,
  onRemove,
  onEarlier,
  drawing,
  onDraw,
  onAcross,
  colours,
  onColour,
}: {
  set: VeinSet;
  colour: string;
  amounts: { lengthMm: number; areaMm2: number; ml: number };
  /** How wide a vein of its thickness ends, and at what minute it is laid; null where that is not known. */
  laid: { minute: number; width: Spread } | null;
  onChange: (next: Partial<VeinSet>) => void;
  onRedraw: (next: Partial<VeinSet>) => void;
  onRemove: () => void;
  /** Laid before the set that is laid before it now; null for the first. */
  onEarlier: (() => void) | null;
  /** Whether a vein of it is being drawn by hand. */
  drawing: boolean;
  onDraw: () => void;
  onAcross: () => void;
  /** What it could be laid in instead. */
  colours: readonly { id: string; name: string }[];
  onColour: (id: string) => void;
}) {
  const { system } = useJob();
  const length = (mm: number) => quantityText(mm, "length", system);
  const manner = (next: Partial<VeinManner>) => onChange({ manner: { ...set.manner, ...next } });
  const slide = (label: string, key: "wander" | "contrast" | "branching" | "hairs") => (
    <SliderField
      label={label}
      value={set.manner[key]}
      min={0}
      max={1}
      step={0.05}
      words={percent(set.manner[key])}
      onChange={(value) =>
        key === "wander" ? onRedraw({ manner: { ...set.manner, wander: value } }) : manner({ [key]: value })
      }
    />
  );
  return (
    <section aria-label={`Veins: ${set.name}`} className="border-t border-ink pt-2 mb-5">
      <h2 className="heading flex items-baseline gap-2 mb-1">
        <span
          aria-hidden
          className="inline-block w-7 h-3.5 border border-line-strong"
          style={{ background: colour }}
        />
        {set.name}
        <span className="label ml-auto">
          {set.veins.length} {set.veins.length === 1 ? "vein" : "veins"}
        </span>
      </h2>
      <p className="flex items-baseline gap-3 mb-2">
        <span className="figure text-2xl">
          {amounts.ml < LITTLE_ML
            ? `${amounts.ml.toFixed(1)} ml`
            : quantityText(amounts.ml, "volume", system)}
        </span>
        <span className="label">
          {amounts.ml >= LITTLE_ML && `${quantityText(amounts.ml, "volume", otherSystem(system))} `}
          for{" "}
          {system === "us"
            ? `${(amounts.lengthMm / 304.8).toFixed(0)} ft`
            : `${(amounts.lengthMm / 1000).toFixed(1)} m`}{" "}
          of line
        </span>
      </p>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1">
        <SliderField
          label="Runs at"
          value={set.angleDeg}
          min={-90}
          max={90}
          step={1}
          words={`${set.angleDeg}°`}
          onChange={(angleDeg) => onRedraw({ angleDeg })}
        />
        <SliderField
          label="Density"
          value={set.metresPerM2}
          min={0.4}
          max={24}
          step={0.2}
          words={`${set.metresPerM2.toFixed(1)} m/m²`}
          onChange={(metresPerM2) => onRedraw({ metresPerM2 })}
        />
        <QuantityField
          label="Thickness"
          value={set.thickMm}
          dimension="length"
          system={system}
          bounds={{ min: 0.5, max: 80 }}
          onChange={(thickMm) => onRedraw({ thickMm })}
          bare
        />
        {slide("Thick : thin", "contrast")}
        {slide("Wander", "wander")}
        {slide("Branches", "branching")}
        {slide("Hairlines", "hairs")}
        <SliderField
          label="Haze"
          value={set.manner.hazeMm}
          min={0}
          max={30}
          step={1}
          words={set.manner.hazeMm === 0 ? "none" : length(set.manner.hazeMm)}
          onChange={(hazeMm) => manner({ hazeMm })}
        />
      </div>
      {laid && (
        <p className="text-sm mt-1">
          Laid {length(set.thickMm)} at {sinceMixText(laid.minute)}, it ends{" "}
          <b className="font-semibold">{length(laid.width.likely)}</b> wide{" "}
          <span className="text-ink-soft">
            ({length(laid.width.low)} to {length(laid.width.high)})
          </span>
          .
        </p>
      )}
      <div className="flex flex-wrap gap-x-4 gap-y-1 mt-1 text-sm">
        <Button
          weight="quiet"
          disabled={set.veins.length >= MOST_VEINS}
          aria-pressed={drawing}
          className={drawing ? "font-semibold" : ""}
          onClick={onDraw}
        >
          {drawing ? "drawing: lift to end" : "draw a vein"}
        </Button>
        <Button weight="quiet" disabled={set.veins.length >= MOST_VEINS} onClick={onAcross}>
          add one across
        </Button>
        {onEarlier && (
          <Button weight="quiet" onClick={onEarlier} aria-label={`Lay ${set.name} earlier`}>
            lay it earlier
          </Button>
        )}
        {colours.length > 0 && (
          <Menu label="another colour">
            {colours.map(({ id, name }) => (
              <MenuItem key={id} onSelect={() => onColour(id)}>
                {name}
              </MenuItem>
            ))}
          </Menu>
        )}
        <Button weight="quiet" onClick={() => onRedraw({ seed: (set.seed + 1) % 999_999 })}>
          draw anew
        </Button>
        <Button weight="quiet" onClick={onRemove} aria-label={`Remove the set ${set.name}`}>
          remove
        </Button>
      </div>
    </section>
  );
}

/** The vein that is chosen: its thickness, its points, whether it stays. */
export function VeinForm({
  vein,
  name,
  onChange,
  onRemove,
}: {
  vein: MapVein;
  name: string;
  onChange: (next: Partial<MapVein>) => void;
  onRemove: () => void;
}) {
  const { system } = useJob();
  /** A point more in the middle of the longest stretch. */
  const addPoint = () => {
    let [at, longest] = [1, 0];
    vein.points.forEach(([x, y], n) => {
      const before = vein.points[n - 1];
      const long = before ? Math.hypot(x - before[0], y - before[1]) : 0;
      if (long > longest) [at, longest] = [n, long];
    });
    const [a, b] = [vein.points[at - 1], vein.points[at]];
    if (!a || !b) return;
    const middle: [number, number] = [Math.round((a[0] + b[0]) / 2), Math.round((a[1] + b[1]) / 2)];
    onChange({ points: [...vein.points.slice(0, at), middle, ...vein.points.slice(at)], locked: true });
  };
  return (
    <section aria-label="The chosen vein" className="bg-shade px-3 py-2 mb-4">
      <h2 className="heading mb-1">{name}</h2>
      <div className="flex items-end gap-4 flex-wrap">
        <QuantityField
          label="Thickness"
          value={vein.thickMm}
          dimension="length"
          system={system}
          bounds={{ min: THINNEST_VEIN_MM, max: 80 }}
          onChange={(thickMm) => onChange({ thickMm, locked: true })}
          className="w-24"
          bare
        />
        <Button weight="quiet" onClick={addPoint}>
          add a point
        </Button>
        <Button
          weight="quiet"
          disabled={vein.points.length <= 2}
          onClick={() => onChange({ points: vein.points.slice(0, -1), locked: true })}
        >
          take the last off
        </Button>
        <Button
          weight="quiet"
          aria-pressed={vein.locked === true}
          onClick={() => onChange({ locked: !vein.locked })}
        >
          {vein.locked ? "locked" : "lock"}
        </Button>
        <Button weight="quiet" onClick={onRemove}>
          delete
        </Button>
      </div>
      <p className="label mt-1">
        Pull its points, or move them by the arrow keys. What was changed is locked: it stays when its set is
        drawn anew.
      </p>
    </section>
  );
}
