"use client";

import { quantityText } from "@/core/units/format-quantity";
import { TOOL_WORDS, type Tool } from "@/core/batch/factors";
import { DROP_WORDS, POUR_WORDS, WAY_WORDS, type PassWork as Work } from "@/core/pattern/passes/work";
import type { ShownPass } from "@/core/rehearsal/rehearse";
import { PASS, type PassKind } from "@/core/passes/facts";
import { type Pass } from "@/core/schedule/pass";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SliderField } from "@/ui/slider-field";
import { SelectField } from "@/ui/text-field";
import { editCoat, editPass, moved } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** Passes that a tool works all over: those that practised pulls can take the place of. */
export const isWorked = (kind: PassKind): boolean => PASS[kind].picture === "works";
const TOOLS: readonly Tool[] = ["hand", "roller", "wide-blade", "squeegee", "foam-brush", "stick", "comb"];

/** What the width of a pass is the width of; null where it has none. */
const WIDTH_WORDS: Partial<Record<PassKind, string>> = {
  lay: "Bands and puddles, width",
  "bucket-pour": "Puddles, width",
  drizzle: "Ribbons, width",
  skim: "Blade, width",
  fog: "Clouds, width",
  veins: "Veins, thickness",
  accents: "Drops, width",
  mask: "Pebbles, width",
};

const pressureWords = (pressure: number) =>
  pressure < 0.25
    ? "almost none"
    : pressure < 0.42
      ? "light"
      : pressure < 0.6
        ? "usual"
        : pressure < 0.8
          ? "firm"
          : "hard";

const entries = <Key extends string>(words: Record<Key, string>) => Object.entries(words) as [Key, string][];

/** How the picked pass is worked: whatever is changed here, the picture follows. */
export function PassWorkForm({ shown }: { shown: ShownPass }) {
  const { document, system, change } = useJob();
  const coat = document.coats.find(({ id }) => id === shown.coatId);
  const pass = coat?.passes.find(({ id }) => id === shown.passId);
  if (!coat || !pass) return null;
  const { kind, work = {} } = pass;
  const edit = (next: Partial<Pass>) => change(editPass(coat.id, pass.id, next));
  const set = (next: Partial<Work>) => edit({ work: { ...work, ...next } });
  const order = (by: -1 | 1) =>
    change(editCoat(coat.id, (before) => ({ ...before, passes: moved(before.passes, pass.id, by) })));
  const width = WIDTH_WORDS[kind];
  return (
    <section aria-label={`How ${shown.words} is worked`}>
      <h2 className="heading border-b border-line pb-1 mb-2 truncate">{shown.words}</h2>
      {work.strokes && (
        <p className="text-sm mb-2">
          {work.strokes.length} practised {work.strokes.length === 1 ? "pull" : "pulls"}.{" "}
          <Button weight="quiet" onClick={() => set({ strokes: undefined, strokesOnMm: undefined })}>
            back to chance
          </Button>
        </p>
      )}
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {PASS[kind].perBatch && (
          <SelectField
            label="Poured as"
            value={work.pour ?? (kind === "lay" ? "puddles" : "nests")}
            onChange={(event) => set({ pour: event.target.value as Work["pour"] })}
          >
            {entries(POUR_WORDS).map(([pour, words]) => (
              <option key={pour} value={pour}>
                {words}
              </option>
            ))}
          </SelectField>
        )}
        {isWorked(kind) && (
          <>
            <SelectField
              label="Tool"
              value={pass.tool}
              onChange={(event) => edit({ tool: event.target.value as Tool })}
            >
              {[...new Set([...TOOLS, pass.tool])].map((tool) => (
                <option key={tool} value={tool}>
                  {TOOL_WORDS[tool]}
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Drawn"
              value={work.way ?? "free"}
              onChange={(event) => set({ way: event.target.value as Work["way"] })}
            >
              {entries(WAY_WORDS).map(([way, words]) => (
                <option key={way} value={way}>
                  {words}
                </option>
              ))}
            </SelectField>
            <SliderField
              label="Pressure"
              value={work.pressure ?? 0.5}
              min={0}
              max={1}
              step={0.05}
              words={pressureWords(work.pressure ?? 0.5)}
              onChange={(pressure) => set({ pressure })}
            />
            <SliderField
              label="Rounds"
              value={pass.rounds}
              min={1}
              max={8}
              step={1}
              words={String(pass.rounds)}
              onChange={(rounds) => edit({ rounds })}
            />
          </>
        )}
        {PASS[kind].picture === "drops" && (
          <SelectField
            label="Drops"
            value={work.drops ?? (kind === "alcohol" ? "small" : "medium")}
            onChange={(event) => set({ drops: event.target.value as Work["drops"] })}
          >
            {entries(DROP_WORDS).map(([drops, words]) => (
              <option key={drops} value={drops}>
                {words}
              </option>
            ))}
          </SelectField>
        )}
        {PASS[kind].fire === "vapour" && (
          <SliderField
            label="Amount"
            value={pass.mlPerM2 ?? PASS[kind].mlPerM2 ?? 9}
            min={1}
            max={50}
            step={1}
            words={quantityText(pass.mlPerM2 ?? PASS[kind].mlPerM2 ?? 9, "spray", system)}
            onChange={(mlPerM2) => edit({ mlPerM2 })}
          />
        )}
        {kind !== "fog" && (
          <SliderField
            label="How many"
            value={work.many ?? 1}
            min={0.2}
            max={3}
            step={0.1}
            words={`× ${(work.many ?? 1).toFixed(1)}`}
            onChange={(many) => set({ many })}
          />
        )}
        <SliderField
          label="Off the direction"
          value={work.turnDeg ?? 0}
          min={-90}
          max={90}
          step={5}
          words={`${work.turnDeg ?? 0}°`}
          onChange={(turnDeg) => set({ turnDeg })}
        />
        {width && (
          <QuantityField
            label={width}
            value={work.wideMm ?? null}
            dimension="length"
            system={system}
            bounds={{ min: 0.5, max: 2000 }}
            onChange={(wideMm) => set({ wideMm })}
            onClear={() => set({ wideMm: undefined })}
            keep={`${pass.id}.wide`}
            bare
          />
        )}
        {(kind === "fog" || kind === "mask") && (
          <label className="label flex flex-col gap-1">
            Paint
            <input
              type="color"
              value={work.hex ?? "#26282b"}
              onChange={(event) => set({ hex: event.target.value })}
              className="h-8 w-full bg-transparent border border-line-strong"
            />
          </label>
        )}
      </div>
      <div className="flex gap-4 mt-2">
        <Button weight="quiet" onClick={() => set({ seed: ((work.seed ?? 0) + 1) % 9999 })}>
          another chance
        </Button>
        <Button weight="quiet" onClick={() => order(-1)} aria-label={`${shown.words}: earlier`}>
          earlier
        </Button>
        <Button weight="quiet" onClick={() => order(1)} aria-label={`${shown.words}: later`}>
          later
        </Button>
        {pass.work && (
          <Button weight="quiet" onClick={() => edit({ work: undefined })}>
            as usual
          </Button>
        )}
      </div>
    </section>
  );
}
