"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { putItem, removeItem, shelfItemFields, type ShelfItemFields } from "@/contracts/shelf";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import {
  ITEM_KINDS,
  UNIT_OF_KIND,
  type ConsumableUse,
  type ItemKind,
  type ShelfItem,
} from "@/core/shelf/item";
import { KIND_WORDS, USE_WORDS } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { FormProblem } from "@/ui/form-problem";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";

const EMPTY: ShelfItemFields = {
  kind: "resin",
  name: "",
  cardId: null,
  use: null,
  cupMl: null,
  keepAtLeast: null,
  hazards: "",
};

/** What something on the shelf is: its card, or its name; what the shop wants to have of it; what its labels warn of. */
export function ItemForm({
  item,
  taken = [],
  cards = [],
  colours = [],
  system,
  onClose,
}: {
  item: ShelfItem | null;
  /** Cards that are on the shelf already. */
  taken?: readonly string[];
  cards?: readonly ResinCard[];
  colours?: readonly ColourCard[];
  system: UnitSystem;
  onClose: () => void;
}) {
  const router = useRouter();
  const [id] = useState(() => item?.id ?? crypto.randomUUID());
  const { id: _id, ...start } = item ?? { id, ...EMPTY };
  const form = useKeptForm<ShelfItemFields>({
    key: `shelf.item.${item?.id ?? "new"}`,
    schema: shelfItemFields,
    start,
    send: async (fields) => {
      const result = await callAct(putItem, { id, fields });
      if (!result.ok) return result.error;
      if (item) router.refresh();
      else router.push(`/shelf?item=${id}`);
      onClose();
      return null;
    },
  });
  const { values, set, faultAt } = form;
  const { kind } = values;
  const byCard = kind === "resin" || kind === "colour";
  const choices = (kind === "resin" ? cards : colours).filter((card) => !taken.includes(card.id));
  const setKind = (next: ItemKind) =>
    set({ kind: next, cardId: null, name: "", use: next === "consumable" ? "other" : null, cupMl: null });
  const takeOff = async () => {
    const result = await callAct(removeItem, { itemId: id, removed: true });
    if (result.ok) router.push("/shelf");
    onClose();
  };
  const problem = form.problemBeside("name", "keepAtLeast", "hazards", "cardId", "cupMl");
  const unit = UNIT_OF_KIND[kind];
  return (
    <Dialog open onClose={onClose} title={item ? item.name : "Put something on the shelf"}>
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        {!item && (
          <SelectField
            label="What kind"
            value={kind}
            onChange={({ target }) => setKind(target.value as ItemKind)}
          >
            {ITEM_KINDS.map((one) => (
              <option key={one} value={one}>
                {KIND_WORDS[one]}
              </option>
            ))}
          </SelectField>
        )}
        {!item && byCard && (
          <SelectField
            label={kind === "resin" ? "Resin card" : "Colour card"}
            value={values.cardId ?? ""}
            error={faultAt("cardId") ?? faultAt("name")}
            onChange={({ target }) => {
              const card = choices.find(({ id: cardId }) => cardId === target.value);
              set({ cardId: card?.id ?? null, name: card?.name ?? "" });
            }}
          >
            <option value="">choose…</option>
            {choices.map((card) => (
              <option key={card.id} value={card.id}>
                {card.name}
              </option>
            ))}
          </SelectField>
        )}
        {!byCard && (
          <TextField
            label="Name"
            value={values.name}
            maxLength={80}
            error={faultAt("name")}
            onChange={({ target }) => set({ name: target.value })}
          />
        )}
        {kind === "consumable" && (
          <SelectField
            label="What it is for"
            value={values.use ?? "other"}
            onChange={({ target }) => set({ use: target.value as ConsumableUse, cupMl: null })}
          >
            {Object.entries(USE_WORDS).map(([use, words]) => (
              <option key={use} value={use}>
                {words}
              </option>
            ))}
          </SelectField>
        )}
        {values.use === "cup" && (
          <QuantityField
            label="It holds"
            value={values.cupMl}
            dimension="volume"
            system={system}
            bounds={{ min: 1, max: 100_000 }}
            fault={faultAt("cupMl")}
            onChange={(cupMl) => set({ cupMl })}
            onClear={() => set({ cupMl: null })}
          />
        )}
        <QuantityField
          label={kind === "resin" ? "Say when less can be mixed than" : "Say when there is less than"}
          value={values.keepAtLeast}
          dimension={unit === "piece" ? "number" : unit === "g" && kind !== "resin" ? "mass" : "volume"}
          system={system}
          bounds={{ min: 0, max: 1e7 }}
          fault={faultAt("keepAtLeast")}
          onChange={(keepAtLeast) => set({ keepAtLeast })}
          onClear={() => set({ keepAtLeast: null })}
        />
        <TextField
          label="Hazards for its labels, off the label or the safety sheet"
          value={values.hazards}
          maxLength={400}
          error={faultAt("hazards")}
          onChange={({ target }) => set({ hazards: target.value })}
        />
        <FormProblem words={problem} />
        <div className="flex gap-4 items-center">
          <Button type="submit" weight="primary" className="min-h-11" disabled={form.busy}>
            {item ? "Keep" : "Put it on the shelf"}
          </Button>
          {item && (
            <Button weight="quiet" className="ml-auto" onClick={() => void takeOff()}>
              Take it off the shelf
            </Button>
          )}
        </div>
      </form>
    </Dialog>
  );
}
