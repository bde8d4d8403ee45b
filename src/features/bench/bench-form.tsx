"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { benchSettings, setBench, type BenchSettings } from "@/contracts/bench";
import { callAct } from "@/contracts/call-act";
import { MOST_TEETH, USUAL_COMB_MM } from "@/core/inspect/combs";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { HourField } from "@/ui/hour-field";
import { QuantityField } from "@/ui/quantity-field";
import { QuantityListField } from "@/ui/quantity-list-field";
import { SelectField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";

/** What the shop has, in a few words, and the way to change it. */
export function BenchForm({ settings, system }: { settings: BenchSettings; system: UnitSystem }) {
  const [open, setOpen] = useState(false);
  const { hands } = settings;
  return (
    <>
      <Button weight="quiet" onClick={() => setOpen(true)}>
        {hands} {hands === 1 ? "pair" : "pairs"} of hands, bench and hours
      </Button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} title="What the shop has" wide>
          <Fields settings={settings} system={system} onDone={() => setOpen(false)} />
        </Dialog>
      )}
    </>
  );
}

function Fields({
  settings,
  system,
  onDone,
}: {
  settings: BenchSettings;
  system: UnitSystem;
  onDone: () => void;
}) {
  const router = useRouter();
  const form = useKeptForm<BenchSettings>({
    key: "bench.settings",
    schema: benchSettings,
    start: settings,
    send: async (read) => {
      const result = await callAct(setBench, { settings: read });
      if (!result.ok) return result.error;
      onDone();
      router.refresh();
      return null;
    },
  });
  const { values: draft, set, faultAt } = form;
  const problem = form.problemBeside("hands", "benchMm", "spindles", "faceMm", "planerMm", "combMm");
  const hours = (next: Partial<BenchSettings["hours"]>) => set({ hours: { ...draft.hours, ...next } });
  return (
    <form onSubmit={form.submit}>
      <div className="flex gap-4 flex-wrap">
        <QuantityField
          label="Pairs of hands"
          value={draft.hands}
          dimension="number"
          system={system}
          bounds={{ min: 1, max: 20 }}
          onChange={(hands) => set({ hands })}
          fault={faultAt("hands")}
          className="w-32"
          bare
        />
        <QuantityField
          label="Length of bench"
          value={draft.benchMm}
          dimension="length"
          system={system}
          bounds={{ min: 100, max: 200_000 }}
          onChange={(benchMm) => set({ benchMm })}
          onClear={() => set({ benchMm: null })}
          fault={faultAt("benchMm")}
          className="w-40"
        />
        <QuantityField
          label="Spindles of the turner"
          value={draft.spindles}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 200 }}
          onChange={(spindles) => set({ spindles })}
          onClear={() => set({ spindles: null })}
          fault={faultAt("spindles")}
          className="w-40"
          bare
        />
      </div>
      <p className="label mt-1">
        Pieces lie on the bench by their length, tumblers on spindles, from the first mix until they can be
        touched. Empty: not counted.
      </p>
      <div className="flex gap-4 flex-wrap mt-4">
        <QuantityField
          label="Usual height of a face"
          value={draft.faceMm}
          dimension="length"
          system={system}
          bounds={{ min: 1, max: 500 }}
          onChange={(faceMm) => set({ faceMm })}
          onClear={() => set({ faceMm: null })}
          fault={faultAt("faceMm")}
          className="w-44"
        />
        <QuantityField
          label="The planer takes"
          value={draft.planerMm}
          dimension="length"
          system={system}
          bounds={{ min: 50, max: 3000 }}
          onChange={(planerMm) => set({ planerMm })}
          onClear={() => set({ planerMm: null })}
          fault={faultAt("planerMm")}
          className="w-40"
        />
      </div>
      <p className="label mt-1">
        New pieces get faces of this height. A river&apos;s board that is wider than the planer is told in
        Measure.
      </p>
      <div className="mt-4">
        <QuantityListField
          label="Teeth of the wet-film comb"
          values={draft.combMm ?? []}
          dimension="comb"
          system={system}
          bounds={{ min: 0.01, max: 20 }}
          most={MOST_TEETH}
          placeholder={USUAL_COMB_MM[system]
            .slice(0, 4)
            .map((mm) => quantityText(mm, "comb", system))
            .join(", ")}
          onChange={(teeth) => set({ combMm: teeth.length > 0 ? teeth : null })}
        />
        {faultAt("combMm") && <p className="text-danger">{faultAt("combMm")}</p>}
      </div>
      <p className="label mt-1">Empty: a comb as they are usual. It is read in Inspect.</p>
      <div className="flex gap-4 flex-wrap mt-4">
        <HourField label="Open from" value={draft.hours.openMin} onChange={(openMin) => hours({ openMin })} />
        <HourField label="until" value={draft.hours.closeMin} onChange={(closeMin) => hours({ closeMin })} />
        <HourField
          label="Asleep from"
          value={draft.hours.sleepFromMin}
          onChange={(sleepFromMin) => hours({ sleepFromMin })}
        />
        <HourField
          label="until "
          value={draft.hours.sleepToMin}
          onChange={(sleepToMin) => hours({ sleepToMin })}
        />
      </div>
      <SelectField
        label="Clock on the wall"
        value={draft.timeZone ?? ""}
        frame="w-72 mt-4"
        onChange={(event) => set({ timeZone: event.target.value === "" ? null : event.target.value })}
      >
        <option value="">that of each device</option>
        {Intl.supportedValuesOf("timeZone").map((zone) => (
          <option key={zone} value={zone}>
            {zone.replaceAll("_", " ")}
          </option>
        ))}
      </SelectField>
      <p className="label mt-1">New jobs begin with these hours; each can have its own, in Windows.</p>
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-3">
          {problem}
        </p>
      )}
      <Button type="submit" weight="primary" className="mt-4">
        Save
      </Button>
    </form>
  );
}
