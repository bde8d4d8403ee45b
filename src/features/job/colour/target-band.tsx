"use client";

import { useMemo, useState } from "react";
import { ciede2000, closeness } from "@/core/colour/ciede2000";
import { meltingDistanceM } from "@/core/colour/average";
import { hexOfLab, labOfHex, type Lab } from "@/core/colour/spaces";
import {
  DIFFERENCE_BASIS,
  differenceFinished,
  type CoatLooks,
  type ColourPlan,
} from "@/core/plan/colour-plan";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { PhotoColour } from "@/ui/photo-colour";
import { TextField } from "@/ui/text-field";
import { readColour } from "@/core/colour/read-colour";
import { useJob } from "../workspace/use-job";

/** A feature of this size melts into its neighbours from where most clients stand, mm. */
const FEATURE_MM = 3;

/** What the coat looks like from some steps back, edge to edge with the tile that the client wants. */
export function TargetBand({ coat, looks }: { coat: CoatLooks; looks: ColourPlan }) {
  const { document, system, change } = useJob();
  const { target } = document;
  const { finished } = looks;
  const spread = useMemo(() => target && differenceFinished(looks, target.lab), [looks, target]);
  const difference = spread?.likely ?? null;
  const alone = target ? ciede2000(coat.average.lab, target.lab) : null;
  return (
    <div className="mt-8">
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-3">
        <h3 className="heading">From some steps back</h3>
        <span className="label">
          colours add up as light does; features of {quantityText(FEATURE_MM, "length", system)} melt from{" "}
          {decimal(meltingDistanceM(FEATURE_MM), 0)} m
        </span>
      </div>
      <div className="flex gap-8 items-start max-sm:flex-col">
        <div className="flex border border-ink shrink-0">
          <div
            role="img"
            aria-label="The finished top"
            className="w-[190px] h-[150px]"
            style={{ background: finished.hex }}
          />
          {target && (
            <div
              role="img"
              aria-label={`Target ${target.name}`}
              className="w-[190px] h-[150px]"
              style={{ background: hexOfLab(target.lab) }}
            />
          )}
        </div>
        <div className="min-w-0">
          {spread && difference !== null && (
            <>
              <div className="label">Difference, ΔE00, {DIFFERENCE_BASIS}</div>
              <div className="figure text-4xl leading-none">{decimal(difference, 1)}</div>
              <div className="heading mt-1">{closeness(difference)}</div>
              <p className="label">
                {decimal(spread.low, 1)} to {decimal(spread.high, 1)}, one colourant as weak or strong as its
                card leaves open
              </p>
              {alone !== null && Math.abs(alone - difference) > 0.3 && (
                <p className="label mt-1">
                  {coat.coat.name} alone {decimal(alone, 1)}, {closeness(alone)}.
                </p>
              )}
              <p className="label mt-1">Judge it in daylight, from where the client stands.</p>
            </>
          )}
          <TargetForm
            key={target ? target.lab.join() : "none"}
            onTarget={(next) =>
              change((job) => {
                if (next) return { ...job, target: next };
                const { target: _gone, ...rest } = job;
                return rest;
              })
            }
            target={target ?? null}
          />
        </div>
      </div>
    </div>
  );
}

function TargetForm({
  target,
  onTarget,
}: {
  target: { lab: readonly [number, number, number]; name: string } | null;
  onTarget: (target: { lab: Lab; name: string } | null) => void;
}) {
  const [text, setText] = useState(target ? hexOfLab(target.lab) : "");
  const [name, setName] = useState(target?.name ?? "");
  const [error, setError] = useState<string | null>(null);
  return (
    <form
      className="grid grid-cols-[1fr_1fr_auto] gap-2 items-start mt-3 max-w-md"
      onSubmit={(event) => {
        event.preventDefault();
        const found = readColour(text);
        if (!found.ok) return setError(found.message);
        setError(null);
        onTarget({
          lab: "hex" in found ? labOfHex(found.hex) : found.lab,
          name: name.trim() || "the client's tile",
        });
      }}
    >
      <TextField
        label="Target tile"
        value={name}
        maxLength={80}
        onChange={(event) => setName(event.target.value)}
      />
      <TextField
        label="Its colour: hex, or L a b"
        placeholder="#C9C4B8 or 78 1 4"
        value={text}
        error={error}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="flex gap-2 pt-5">
        <Button type="submit" className="!min-h-8 !px-2.5">
          set
        </Button>
        {target && (
          <Button weight="quiet" onClick={() => onTarget(null)}>
            none
          </Button>
        )}
      </div>
      <div className="col-span-3">
        <PhotoColour
          words="take it from a photo with a grey card"
          take="take it as the target"
          onTake={({ lab }) => onTarget({ lab, name: name.trim() || "the client's tile" })}
        />
      </div>
    </form>
  );
}
