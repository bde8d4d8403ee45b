"use client";

import { useMemo, useState, type ReactNode } from "react";
import { ciede2000, closeness } from "@/core/colour/ciede2000";
import { meltingDistanceM } from "@/core/colour/average";
import { LAMP_IDS, LAMPS, worstOf } from "@/core/colour/lamps";
import { hexOfLab, labOfHex } from "@/core/colour/spaces";
import { LONGEST_NAME, MOST_OTHERS, WISHES, wished, type Target } from "@/core/colour/target";
import type { Spread } from "@/core/numerics/spread";
import type { JobDocument } from "@/core/job/job";
import {
  DIFFERENCE_BASIS,
  differenceFinished,
  underLamps,
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

/** A job with these colours wanted, the first before all others. */
function withTargets(
  { target: _first, otherTargets: _others, ...job }: JobDocument,
  [target, ...otherTargets]: readonly Target[],
): JobDocument {
  return { ...job, ...(target && { target }), ...(otherTargets.length > 0 && { otherTargets }) };
}

/** What the coat looks like from some steps back, edge to edge with the tile that the client wants. */
export function TargetBand({ coat, looks }: { coat: CoatLooks; looks: ColourPlan }) {
  const { document, system, change } = useJob();
  const { target, otherTargets: others = [] } = document;
  const first = (index: number) =>
    change((job) => {
      const { target: before, otherTargets = [] } = job;
      const [next] = otherTargets.slice(index, index + 1);
      if (!before || !next) return job;
      return withTargets(job, [next, before, ...otherTargets.filter((other) => other !== next)]);
    });
  const gone = (index: number) =>
    change((job) =>
      withTargets(job, [
        ...(job.target ? [job.target] : []),
        ...(job.otherTargets ?? []).filter((_, at) => at !== index),
      ]),
    );
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
            </>
          )}
          <TargetForm
            key={target ? target.lab.join() : "none"}
            onTarget={(next) => change((job) => withTargets(job, next ? [next, ...others] : others))}
            onBeside={
              target && others.length < MOST_OTHERS
                ? (next) => change((job) => withTargets(job, [target, ...others, next]))
                : null
            }
            target={target ?? null}
          />
        </div>
      </div>
      {target && (
        <Lamps looks={looks} spread={spread} targets={[target, ...others]} onFirst={first} onGone={gone} />
      )}
    </div>
  );
}

/** The wanted colours one below the other, with their difference under each lamp; the worst stands out. */
function Lamps({
  looks,
  spread,
  targets,
  onFirst,
  onGone,
}: {
  looks: ColourPlan;
  spread: Spread | null | undefined;
  targets: readonly Target[];
  onFirst: (index: number) => void;
  onGone: (index: number) => void;
}) {
  return (
    <section aria-label="Under other lamps" className="mt-6">
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-line">
            <th scope="col" className="heading text-left pb-1">
              Under each lamp, ΔE00
            </th>
            {LAMP_IDS.map((lamp) => (
              <th key={lamp} scope="col" className="label font-normal text-right pb-1 w-[96px] max-sm:w-auto">
                {LAMPS[lamp].words}
              </th>
            ))}
            <th scope="col" className="w-[150px] max-sm:w-auto">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {targets.map((target, index) => (
            <LampRow key={index} looks={looks} target={target}>
              {index > 0 && (
                <>
                  <Button
                    weight="quiet"
                    aria-label={`${target.name} first`}
                    onClick={() => onFirst(index - 1)}
                  >
                    first
                  </Button>{" "}
                  <Button
                    weight="quiet"
                    aria-label={`Leave out ${target.name}`}
                    onClick={() => onGone(index - 1)}
                  >
                    leave out
                  </Button>
                </>
              )}
            </LampRow>
          ))}
        </tbody>
      </table>
      <p className="label mt-1.5">
        Of a tile only its colour in daylight is known, not what it is made of: the smoothest spectrum that
        has it is taken.
        {spread &&
          ` Each may be off as the large number is, ${decimal(spread.likely - spread.low, 1)} less to ${decimal(spread.high - spread.likely, 1)} more.`}{" "}
        Hold the board against it under the client&apos;s own lamp.
      </p>
    </section>
  );
}

/** One wanted colour; worked out anew only when the top or the colour changes. */
function LampRow({ looks, target, children }: { looks: ColourPlan; target: Target; children: ReactNode }) {
  const under = useMemo(() => underLamps(looks, target.lab), [looks, target.lab]);
  const worst = worstOf(under)?.lamp;
  return (
    <tr className="border-b border-line">
      <th scope="row" className="text-left font-normal py-1.5">
        <span
          className="inline-block w-5 h-5 border border-ink align-middle mr-2.5"
          style={{ background: hexOfLab(target.lab) }}
        />
        {target.name}
      </th>
      {under.map(({ lamp, difference }) => (
        <td key={lamp} className={`figure text-right ${lamp === worst ? "font-bold" : "text-ink-soft"}`}>
          {decimal(difference, 1)}
          {lamp === worst && <span className="sr-only"> the worst</span>}
        </td>
      ))}
      <td className="text-right whitespace-nowrap">{children}</td>
    </tr>
  );
}

function TargetForm({
  target,
  onTarget,
  onBeside,
}: {
  target: Target | null;
  onTarget: (target: Target | null) => void;
  /** Takes one more beside the first; null where there is no first, or no more are held. */
  onBeside: ((target: Target) => void) | null;
}) {
  const [text, setText] = useState(target ? hexOfLab(target.lab) : "");
  const [name, setName] = useState(target?.name ?? "");
  const [error, setError] = useState<string | null>(null);
  /** The colour as it is typed; null where it cannot be read, which is told. */
  const read = (): Target | null => {
    const found = readColour(text);
    setError(found.ok ? null : found.message);
    if (!found.ok) return null;
    return {
      lab: "hex" in found ? labOfHex(found.hex) : found.lab,
      name: name.trim() || "the client's tile",
    };
  };
  return (
    <form
      className="grid grid-cols-[1fr_1fr_auto] gap-2 items-start mt-3 max-w-md"
      onSubmit={(event) => {
        event.preventDefault();
        const next = read();
        if (next) onTarget(next);
      }}
    >
      <TextField
        label="Target tile"
        value={name}
        maxLength={LONGEST_NAME}
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
      {target && (
        <div className="col-span-3 flex flex-wrap gap-x-4 gap-y-1 items-baseline">
          <span className="label">this tile, but</span>
          {WISHES.map((wish) => (
            <Button key={wish} weight="quiet" onClick={() => onTarget(wished(target, wish))}>
              {wish}
            </Button>
          ))}
          {onBeside && (
            <Button
              weight="quiet"
              onClick={() => {
                const next = read();
                if (!next) return;
                onBeside(next);
                setText(hexOfLab(target.lab));
                setName(target.name);
              }}
            >
              set beside the first
            </Button>
          )}
        </div>
      )}
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
