"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { addLot, lotFacts, tellStock } from "@/contracts/shelf";
import { splitParts } from "@/core/batch/parts";
import type { ResinCard } from "@/core/cure/resin-card";
import { codeText } from "@/core/pour/lot-code";
import { UNIT_OF_KIND, type Part, type ShelfItem } from "@/core/shelf/item";
import type { Lot, LotFacts } from "@/core/shelf/lot";
import { lotState, NO_FACTS } from "@/core/shelf/stock";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { FormProblem } from "@/ui/form-problem";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";

const lotFields = lotFacts.extend({
  many: z.number("Type how many came.").min(0, "Not less than none.").max(10_000, "Too many."),
  why: z.string().max(200, "At most 200 letters."),
});
type LotFields = z.infer<typeof lotFields>;

/** The parts in which an item comes. */
export const partsOfItem = (item: ShelfItem, card: ResinCard | null): Part[] => {
  if (item.kind !== "resin" || !card) return ["whole"];
  return [
    "A",
    ...(card.kind === "paint" ? [] : ["B" as const]),
    ...(card.fillerGPer100G === null ? [] : ["C" as const]),
  ];
};

/** What the bottles of a kit hold, g by part. */
const kitFull = (ml: number, card: ResinCard): Partial<Record<Part, number>> => {
  const { aG, bG, cG } = splitParts(ml, card);
  const whole = (grams: number) => Math.round(grams);
  return { A: whole(aG), ...(bG > 0 && { B: whole(bG) }), ...(cG > 0 && { C: whole(cG) }) };
};

const factsOf = ({ many: _many, why: _why, ...facts }: LotFields): LotFacts => facts;

/** Bottles that came, or what is known of a lot: a change of that stays in its book. */
export function LotForm({
  item,
  card,
  lot,
  today,
  system,
  onClose,
}: {
  item: ShelfItem;
  card: ResinCard | null;
  lot: Lot | null;
  today: string;
  system: UnitSystem;
  onClose: () => void;
}) {
  const router = useRouter();
  const [id] = useState(() => crypto.randomUUID());
  const parts = partsOfItem(item, card);
  const kit = card?.kits[0];
  const start: LotFields = {
    ...(lot
      ? lotState(lot).facts
      : {
          ...NO_FACTS,
          boughtOn: today,
          full: kit && card && item.kind === "resin" ? kitFull(kit.ml, card) : {},
        }),
    many: 1,
    why: "",
  };
  const form = useKeptForm<LotFields>({
    key: `shelf.lot.${lot?.id ?? item.id}`,
    schema: lotFields,
    start,
    send: async (fields) => {
      const facts = factsOf(fields);
      const came = Object.fromEntries(parts.map((part) => [part, (facts.full[part] ?? 0) * fields.many]));
      const result = lot
        ? await callAct(tellStock, {
            id,
            lotId: lot.id,
            said: { kind: "facts", facts, why: fields.why.trim() },
          })
        : await callAct(addLot, { id, itemId: item.id, facts, came });
      if (!result.ok) return result.error;
      router.refresh();
      onClose();
      return null;
    },
  });
  const { values, set, faultAt } = form;
  const unit = UNIT_OF_KIND[item.kind];
  const dimension = unit === "piece" ? "number" : unit === "g" ? "mass" : "volume";
  const pair = parts.length > 1;
  const amount = (record: "full" | "tareG", part: Part, label: string) => (
    <QuantityField
      key={`${record} ${part}`}
      label={label}
      value={values[record][part] ?? null}
      dimension={record === "tareG" ? "mass" : dimension}
      system={system}
      bounds={{ min: 0, max: 1e7 }}
      bare={pair}
      onChange={(next) => set({ [record]: { ...values[record], [part]: next } })}
      onClear={() => {
        const { [part]: _cleared, ...rest } = values[record];
        set({ [record]: rest });
      }}
    />
  );
  const day = (field: "boughtOn" | "bestBefore", label: string) => (
    <TextField
      type="date"
      label={label}
      value={values[field] ?? ""}
      error={faultAt(field)}
      onChange={({ target }) => set({ [field]: target.value === "" ? null : target.value })}
    />
  );
  const problem = form.problemBeside("number", "boughtOn", "bestBefore", "price", "place", "many", "why");
  return (
    <Dialog
      open
      onClose={onClose}
      title={lot ? `${item.name}, ${codeText(lot.code)}` : `${item.name}: what came`}
    >
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        {!lot && (
          <div className="grid grid-cols-2 gap-4">
            <QuantityField
              label={pair ? "Pairs" : unit === "piece" ? "Packs" : "Bottles, bags"}
              value={values.many}
              dimension="number"
              system={system}
              bounds={{ min: 0, max: 10_000 }}
              fault={faultAt("many")}
              size="large"
              bare
              onChange={(many) => set({ many })}
            />
            {card && item.kind === "resin" && card.kits.length > 1 && (
              <SelectField
                label="Size"
                value=""
                onChange={({ target }) => set({ full: kitFull(Number(target.value), card) })}
              >
                <option value="">sizes of its card…</option>
                {card.kits.map(({ ml }) => (
                  <option key={ml} value={ml}>
                    {quantityText(ml, "volume", system)}
                  </option>
                ))}
              </SelectField>
            )}
          </div>
        )}
        <div className="grid grid-cols-2 gap-4">
          {parts.map((part) =>
            amount(
              "full",
              part,
              part === "whole"
                ? unit === "piece"
                  ? "Pieces in a pack"
                  : "One holds"
                : `A bottle of ${part} holds`,
            ),
          )}
          {unit !== "piece" &&
            parts.map((part) =>
              amount(
                "tareG",
                part,
                part === "whole" ? "An empty one weighs" : `An empty bottle of ${part} weighs`,
              ),
            )}
        </div>
        <div className="grid grid-cols-2 gap-4">
          {day("boughtOn", "Bought on")}
          {day("bestBefore", "Best before")}
          <TextField
            label={pair ? "Lot number on the bottles" : "Lot number"}
            value={values.number}
            maxLength={80}
            error={faultAt("number")}
            onChange={({ target }) => set({ number: target.value })}
          />
          <TextField
            label="Where it stands"
            value={values.place}
            maxLength={60}
            error={faultAt("place")}
            onChange={({ target }) => set({ place: target.value })}
          />
          <QuantityField
            label="Paid for all of it"
            value={values.price}
            dimension="number"
            system={system}
            bounds={{ min: 0, max: 1e7 }}
            fault={faultAt("price")}
            bare
            onChange={(price) => set({ price })}
            onClear={() => set({ price: null })}
          />
        </div>
        {lot && (
          <TextField
            label="What was changed and why"
            value={values.why}
            maxLength={200}
            error={faultAt("why")}
            onChange={({ target }) => set({ why: target.value })}
          />
        )}
        <FormProblem words={problem} />
        <Button type="submit" weight="primary" className="self-start min-h-11" disabled={form.busy}>
          {lot ? "Keep" : "Put it on the shelf"}
        </Button>
      </form>
    </Dialog>
  );
}
