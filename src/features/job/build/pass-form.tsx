"use client";

import { TOOL_WORDS, type Tool } from "@/core/batch/factors";
import type { Coat } from "@/core/schedule/coat";
import { PASS, type PassFacts, type PassKind } from "@/core/passes/facts";
import { DROP_WORDS, type DropSize } from "@/core/pattern/passes/work";
import { usualPass, type Pass } from "@/core/schedule/pass";
import { namedPasses, passAt, passWhenWords, readWhen } from "@/core/schedule/when";
import { hoursOf } from "@/core/job/job-settings";
import { USUAL_POWDER_G_PER_100_ML } from "@/core/schedule/sprays";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { SaidField } from "@/ui/said-field";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { editCoat, editPass, moved } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { coveredZones } from "./covered-zones";
import { useClockWords } from "@/ui/shop-clock";

const PHASES = [
  ["before", "Before the mix"],
  ["laying", "Laying"],
  ["wet", "Into the wet film"],
  ["late", "Hours after"],
] as const satisfies readonly [PassFacts["phase"], string][];

/** All kinds of pass, by when they are done. */
export function PassOptions() {
  return PHASES.map(([phase, label]) => (
    <optgroup key={phase} label={label}>
      {Object.entries(PASS).flatMap(([kind, facts]) =>
        facts.phase === phase ? (
          <option key={kind} value={kind}>
            {facts.words}
          </option>
        ) : (
          []
        ),
      )}
    </optgroup>
  ));
}

const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);

/** The chosen of a list with one put in or taken out: one at least, and all of them are none named. */
function toggled(all: readonly string[], chosen: readonly string[] = all, id: string): string[] | undefined {
  const next = all.filter((other) => chosen.includes(other) !== (other === id));
  return next.length === 0 || next.length === all.length ? undefined : next;
}

/** A pass that uses a colour of its coat, or no longer does. */
function withColour({ colourIds, ...rest }: Pass, all: readonly string[], id: string): Pass {
  const used = toggled(all, colourIds, id);
  return used ? { ...rest, colourIds: used } : rest;
}

/** A pass that is done in a zone of its coat, or no longer is. */
function withZone({ zoneIds, ...rest }: Pass, all: readonly string[], id: string): Pass {
  const used = toggled(all, zoneIds, id);
  return used ? { ...rest, zoneIds: used } : rest;
}

/** A tool that is wetted before: not a flame's, nor where there is none. */
const canBeWetted = ({ kind, tool }: Pick<Pass, "kind" | "tool">): boolean =>
  tool !== "none" && PASS[kind].fire !== "lights";

/** A pass with another tool; what only a tool can be wetted with goes with it. */
function withTool({ toolWetWith, ...pass }: Pass, tool: Tool): Pass {
  const next = { ...pass, tool };
  return toolWetWith !== undefined && canBeWetted(next) ? { ...next, toolWetWith } : next;
}

export function PassForm({ coat, pass, system }: { coat: Coat; pass: Pass; system: "us" | "metric" }) {
  const { style } = useClockWords();
  const { document, plan, change } = useJob();
  const zones = coveredZones(coat, plan.pieces);
  const edit = (next: Partial<Pass> | ((before: Pass) => Pass)) => change(editPass(coat.id, pass.id, next));
  const passes = namedPasses(coat.passes).filter(({ id }) => id !== pass.id);
  const { openMin } = hoursOf(document);
  return (
    <div className="bg-shade px-3 py-3 mb-2 grid grid-cols-2 gap-3">
      <SelectField
        label="Pass"
        value={pass.kind}
        onChange={(event) => edit(usualPass(pass.id, event.target.value as PassKind, { note: pass.note }))}
      >
        <PassOptions />
      </SelectField>
      <SelectField
        label="Tool"
        value={pass.tool}
        onChange={(event) => edit((before) => withTool(before, event.target.value as Tool))}
      >
        {Object.entries(TOOL_WORDS).map(([tool, words]) => (
          <option key={tool} value={tool}>
            {words}
          </option>
        ))}
      </SelectField>
      {canBeWetted(pass) && (
        <SelectField
          label="Tool wetted with"
          value={pass.toolWetWith ?? ""}
          frame="col-span-2"
          onChange={({ target: { value } }) =>
            edit(({ toolWetWith: _before, ...rest }) =>
              value === "" ? rest : { ...rest, toolWetWith: value },
            )
          }
        >
          <option value="">nothing</option>
          <option value="clear">clear from its mix</option>
          <option value="alcohol">alcohol: no flame until it is gone</option>
          {coat.colours.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
      )}
      <SaidField
        label="When"
        value={passWhenWords(pass, coat.passes, style)}
        placeholder="when it is ready"
        keep={`${pass.id}.when`}
        frame="col-span-2"
        read={(text) => {
          const read = readWhen(text, { passes, openMin });
          if (!read.ok) return read.message;
          edit((before) => passAt(before, read.when));
          return null;
        }}
      />
      <p className="label col-span-2 -mt-2">
        wait 5 min · at 8:00 · every 30 min until it stops · for 4 h · in 3 sections
      </p>
      <QuantityField
        label="Rounds"
        value={pass.rounds}
        dimension="number"
        system={system}
        bounds={{ min: 1, max: 50, whole: true }}
        onChange={(rounds) => edit({ rounds })}
        keep={`${pass.id}.rounds`}
        bare
      />
      <QuantityField
        label="Sprayed or spread"
        value={pass.mlPerM2}
        dimension="spray"
        system={system}
        bounds={{ min: 0, max: 500 }}
        onChange={(mlPerM2) => edit({ mlPerM2 })}
        onClear={() => edit({ mlPerM2: null })}
        keep={`${pass.id}.amount`}
        bare
      />
      {coat.colours.length > 1 && PASS[pass.kind].picture && (
        <fieldset className="col-span-2">
          <legend className="label">Colours it uses</legend>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {coat.colours.map(({ id, name }) => (
              <Checkbox
                key={id}
                label={name}
                checked={pass.colourIds?.includes(id) ?? true}
                onChange={() => edit((before) => withColour(before, idsOf(coat.colours), id))}
              />
            ))}
          </div>
        </fieldset>
      )}
      {zones.length > 0 && (
        <fieldset className="col-span-2">
          <legend className="label">Zones it is done in</legend>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {zones.map(({ id, words }) => (
              <Checkbox
                key={id}
                label={words}
                checked={pass.zoneIds?.includes(id) ?? true}
                onChange={() => edit((before) => withZone(before, idsOf(zones), id))}
              />
            ))}
          </div>
        </fieldset>
      )}
      {PASS[pass.kind].picture === "drops" && (
        <SelectField
          label="Drops"
          value={pass.work?.drops ?? (pass.kind === "alcohol" ? "small" : "medium")}
          onChange={(event) => edit({ work: { ...pass.work, drops: event.target.value as DropSize } })}
        >
          {Object.entries(DROP_WORDS).map(([drops, words]) => (
            <option key={drops} value={drops}>
              {words}
            </option>
          ))}
        </SelectField>
      )}
      {pass.kind === "mica-alcohol" && (
        <QuantityField
          label="Powder, g per 100 ml"
          value={pass.gPer100Ml ?? USUAL_POWDER_G_PER_100_ML}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 100 }}
          onChange={(gPer100Ml) => edit({ gPer100Ml })}
          keep={`${pass.id}.powder`}
          bare
        />
      )}
      <TextField
        label="May stop here: it looks like"
        value={pass.stopHere ?? ""}
        maxLength={120}
        onChange={(event) => edit({ stopHere: event.target.value || null })}
      />
      <TextField
        label="How"
        value={pass.note}
        maxLength={400}
        onChange={(event) => edit({ note: event.target.value })}
        frame="col-span-2"
      />
      {PASS[pass.kind].caution && (
        <p className="col-span-2 text-xs text-danger border-l-2 border-danger pl-2">
          {PASS[pass.kind].caution}
        </p>
      )}
      <div className="col-span-2 flex gap-4 justify-end">
        <Button
          weight="quiet"
          onClick={() =>
            change(editCoat(coat.id, (before) => ({ ...before, passes: moved(before.passes, pass.id, -1) })))
          }
        >
          earlier
        </Button>
        <Button
          weight="quiet"
          onClick={() =>
            change(editCoat(coat.id, (before) => ({ ...before, passes: moved(before.passes, pass.id, 1) })))
          }
        >
          later
        </Button>
        <Button
          weight="quiet"
          onClick={() =>
            change(
              editCoat(coat.id, (before) => ({
                ...before,
                passes: before.passes.filter((kept) => kept.id !== pass.id),
              })),
            )
          }
        >
          remove
        </Button>
      </div>
    </div>
  );
}
