"use client";

import { deepEqual } from "fast-equals";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import {
  removeResinCard,
  resinCardFields,
  saveResinCard,
  type ResinCardFields,
} from "@/contracts/resin-card";
import type { BenchTest, ResinCard } from "@/core/cure/resin-card";
import type { Dimension, UnitSystem } from "@/core/units/dimension";
import { durationWords } from "@/core/units/duration";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { fetchFile } from "@/ui/save-file";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { Unsaved } from "@/ui/unsaved";
import { useKeptForm } from "@/ui/use-kept-form";
import { CardBehaviour } from "./card-behaviour";
import { KitList } from "./kit-list";
import { TestList } from "./test-list";

type NumberField = {
  [Key in keyof ResinCardFields]: ResinCardFields[Key] extends number | null ? Key : never;
}[keyof ResinCardFields];
type Row = {
  field: NumberField;
  label: string;
  dimension: Dimension;
  min: number;
  max: number;
  optional?: true;
};

const PARTS: Row[] = [
  { field: "ratioA", label: "Parts of A", dimension: "number", min: 0.01, max: 1000 },
  { field: "ratioB", label: "Parts of B", dimension: "number", min: 0, max: 1000 },
  { field: "ratioTolerancePct", label: "Tolerance of B", dimension: "percent", min: 0.1, max: 100 },
  { field: "densityAGPerMl", label: "Density of A", dimension: "density", min: 0.5, max: 4 },
  { field: "densityBGPerMl", label: "Density of B", dimension: "density", min: 0.5, max: 4 },
  {
    field: "fillerGPer100G",
    label: "Filler, g to 100 g of A + B",
    dimension: "number",
    min: 0.1,
    max: 1000,
    optional: true,
  },
  {
    field: "fillerDensityGPerMl",
    label: "Density of the filler",
    dimension: "density",
    min: 0.05,
    max: 10,
    optional: true,
  },
  {
    field: "pricePerLitre",
    label: "Price of a litre",
    dimension: "number",
    min: 0,
    max: 10000,
    optional: true,
  },
];
const POT: Row[] = [
  { field: "potLifeMin", label: "Pot life", dimension: "minutes", min: 0.5, max: 5000, optional: true },
  { field: "potMassG", label: "of a mass of", dimension: "mass", min: 5, max: 50000 },
  { field: "potTempC", label: "at", dimension: "temperature", min: 0, max: 60 },
  {
    field: "viscosityPaS",
    label: "Viscosity, mixed",
    dimension: "viscosity",
    min: 0.01,
    max: 100,
    optional: true,
  },
  { field: "viscosityTempC", label: "at", dimension: "temperature", min: 0, max: 60 },
  { field: "largestMixG", label: "Largest mix", dimension: "mass", min: 10, max: 200000, optional: true },
];
const FILM: Row[] = [
  { field: "filmTempC", label: "Film times hold at", dimension: "temperature", min: 0, max: 60 },
  { field: "workMin", label: "Working time", dimension: "minutes", min: 1, max: 5000, optional: true },
  { field: "gelH", label: "Gel", dimension: "hours", min: 0.05, max: 500, optional: true },
  { field: "gel2H", label: "Gel at another", dimension: "hours", min: 0.05, max: 500, optional: true },
  { field: "gel2TempC", label: "namely at", dimension: "temperature", min: 0, max: 60 },
  { field: "tackFreeH", label: "Tack-free", dimension: "hours", min: 0.05, max: 1000, optional: true },
  { field: "recoatFromH", label: "Recoat from", dimension: "hours", min: 0, max: 1000, optional: true },
  { field: "recoatUntilH", label: "Recoat until", dimension: "hours", min: 0, max: 2000, optional: true },
  { field: "sandH", label: "Sandable", dimension: "hours", min: 0.1, max: 2000, optional: true },
  { field: "hardH", label: "Fully hard", dimension: "hours", min: 0.5, max: 5000, optional: true },
  { field: "thickestFilmMm", label: "Thickest film", dimension: "film", min: 0.05, max: 300, optional: true },
];

/** Its own reading; a usual heating stands for it where there is none. */
const HEATED: Row[] = [
  {
    field: "heatedToC",
    label: "After a usual torch pass",
    dimension: "temperature",
    min: 1,
    max: 120,
    optional: true,
  },
  {
    field: "heatHalfMin",
    label: "half of it gone after",
    dimension: "minutes",
    min: 0.5,
    max: 240,
    optional: true,
  },
];

const ROOM: Row[] = [
  { field: "roomFromC", label: "Not colder than", dimension: "temperature", min: 0, max: 60, optional: true },
  { field: "roomToC", label: "Not warmer than", dimension: "temperature", min: 0, max: 60, optional: true },
  {
    field: "humidityMaxPct",
    label: "Humidity at most",
    dimension: "percent",
    min: 1,
    max: 100,
    optional: true,
  },
];

/** A card's numbers in, its behaviour out, live. */
export function CardForm({
  cardId,
  start,
  system,
  canRemove,
  proposed,
  others,
}: {
  cardId: string | null;
  start: ResinCardFields;
  system: UnitSystem;
  canRemove: boolean;
  /** A test that the log proposes; null for none. */
  proposed: BenchTest | null;
  /** Cards that it can be compared with. */
  others: readonly ResinCard[];
}) {
  const router = useRouter();
  const leave = () => {
    router.push("/cards");
    router.refresh();
  };
  const form = useKeptForm<ResinCardFields>({
    key: `card.${cardId ?? "new"}`,
    schema: resinCardFields,
    start,
    send: async (read) => {
      const result = await callAct(saveResinCard, { cardId, fields: read });
      if (!result.ok) return result.error;
      leave();
      return null;
    },
  });
  const { values: fields, set: edit, faultAt } = form;
  const [refusal, setRefusal] = useState<string | null>(null);
  const problem = refusal ?? form.problemBeside();
  const paint = fields.kind === "paint";

  const rows = (list: Row[]) =>
    list.map(({ field, label, dimension, min, max, optional }) => (
      <QuantityField
        key={field}
        label={label}
        value={fields[field]}
        dimension={dimension}
        system={system}
        bounds={{ min, max }}
        onChange={(value) => edit({ [field]: value })}
        onClear={optional ? () => edit({ [field]: null }) : undefined}
        fault={faultAt(field)}
        keep={`card.${cardId ?? "new"}.${field}`}
      />
    ));

  return (
    <main className="flex-1 flex max-lg:flex-col">
      <section className="w-[560px] max-lg:w-full shrink-0 px-7 py-5 border-r border-line">
        <div className="flex gap-4 mb-4">
          <TextField
            label="Resin"
            value={fields.name}
            maxLength={80}
            onChange={(event) => edit({ name: event.target.value })}
            error={faultAt("name")}
            frame="flex-1"
            className="heading text-lg"
          />
          <SelectField
            label="Kind"
            value={fields.kind}
            onChange={(event) =>
              edit({
                kind: event.target.value as ResinCardFields["kind"],
                ...(event.target.value === "paint" ? { ratioB: 0 } : {}),
              })
            }
            frame="w-40"
          >
            <option value="coating">coating</option>
            <option value="fast">fast resin</option>
            <option value="casting">deep casting</option>
            <option value="hybrid">hybrid, no epoxy</option>
            <option value="paint">paint, one part</option>
          </SelectField>
        </div>
        <div className="flex items-baseline justify-between border-b border-line pb-1 mb-3">
          <h2 className="heading">Parts</h2>
          <Choice
            label="Ratio by"
            value={fields.ratioBy}
            options={[
              { value: "volume", words: "by volume" },
              { value: "mass", words: "by mass" },
            ]}
            onChange={(ratioBy) => edit({ ratioBy })}
          />
        </div>
        <div className="grid grid-cols-3 gap-3">
          {rows(
            paint
              ? PARTS.filter(({ field }) => field === "densityAGPerMl" || field === "pricePerLitre")
              : PARTS,
          )}
        </div>
        <KitList kits={fields.kits} system={system} onKits={(kits) => edit({ kits })} />
        {!paint && (
          <>
            <h2 className="heading border-b border-line pb-1 mb-3 mt-5">In the pot</h2>
            <div className="grid grid-cols-3 gap-3">{rows(POT)}</div>
          </>
        )}
        <h2 className="heading border-b border-line pb-1 mb-3 mt-5">In the film</h2>
        <div className="grid grid-cols-3 gap-3">{rows(FILM)}</div>
        {!paint && (
          <>
            <div className="grid grid-cols-3 gap-3 mt-3">{rows(HEATED)}</div>
            <p className="text-ink-soft text-sm mt-1.5">
              Read with an infrared thermometer, from a film as cool as its times hold at. Left empty, what a
              torch or gun usually brings in is reckoned with.
            </p>
          </>
        )}
        {proposed && !paint && !fields.benchTests.some((test) => deepEqual(test, proposed)) && (
          <p role="status" className="border-l-[3px] border-signal pl-3 mt-5">
            By your log a film draws no more string after{" "}
            <span className="figure">{durationWords(proposed.minutes)}</span> at{" "}
            {quantityText(proposed.tempC, "temperature", system)}.{" "}
            <Button weight="quiet" onClick={() => edit({ benchTests: [...fields.benchTests, proposed] })}>
              Add it as a test of your own
            </Button>
          </p>
        )}
        {!paint && (
          <TestList
            tests={fields.benchTests}
            system={system}
            faultAt={faultAt}
            onTests={(benchTests) => edit({ benchTests })}
          />
        )}
        <h2 className="heading border-b border-line pb-1 mb-3 mt-5">The room it asks for</h2>
        <div className="grid grid-cols-3 gap-3">{rows(ROOM)}</div>
        <div className="mt-4">
          <Checkbox
            label="holds against light and scratches: fit for counters"
            checked={fields.forCounters}
            onChange={(forCounters) => edit({ forCounters })}
          />
        </div>
        {problem && (
          <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-4">
            {problem}
          </p>
        )}
        <div className="flex gap-4 mt-5 items-center">
          <Button weight="primary" disabled={form.busy} onClick={() => form.submit()}>
            Save the card
          </Button>
          <Unsaved form={form} />
          {cardId && (
            <Button weight="quiet" onClick={() => void fetchFile(`/cards/${cardId}/resin.zip`)}>
              as a file
            </Button>
          )}
          {cardId && canRemove && (
            <Button
              weight="danger"
              onClick={async () => {
                const result = await callAct(removeResinCard, { cardId });
                if (!result.ok) setRefusal(result.error.message);
                else leave();
              }}
            >
              Remove
            </Button>
          )}
        </div>
      </section>
      {!paint && <CardBehaviour fields={fields} system={system} others={others} />}
    </main>
  );
}
