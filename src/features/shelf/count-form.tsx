"use client";

import { useState } from "react";
import { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { stockSaid, tellStock } from "@/contracts/shelf";
import { codeText } from "@/core/pour/lot-code";
import { amountOfGrams, UNIT_OF_KIND, type Part, type ShelfItem } from "@/core/shelf/item";
import type { Lot } from "@/core/shelf/lot";
import { lotState } from "@/core/shelf/stock";
import { amountText } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { FormProblem } from "@/ui/form-problem";
import { QuantityField } from "@/ui/quantity-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { AmountField } from "./amount-field";
import { useTold } from "./use-told";

const fields = z
  .object({
    by: z.enum(["weight", "look"]),
    grossG: z.number().min(0).nullable(),
    tareG: z.number().min(0).nullable(),
    /** Full ones of the same lot that stand beside it. */
    fullOnes: z.number().int("Whole bottles.").min(0, "Not less than none.").max(10_000, "Too many."),
    amount: z.number().min(0).nullable(),
  })
  .superRefine(({ by, grossG, tareG, amount }, context) => {
    const wrong = (path: string, message: string) =>
      context.addIssue({ code: "custom", path: [path], message });
    if (by === "look" && amount === null) wrong("amount", "Type how much is there.");
    if (by === "weight" && grossG === null) wrong("grossG", "Type what the scale says.");
    if (by === "weight" && tareG === null) wrong("tareG", "Type what an empty one weighs.");
    if (by === "weight" && grossG !== null && tareG !== null && grossG < tareG)
      wrong("grossG", "That is less than the empty bottle.");
  });
type Fields = z.infer<typeof fields>;

/** What there is of one part of a lot: by its weight with the bottle, or by a look. */
export function CountForm({
  item,
  lot,
  part,
  system,
  onDone,
  keep = "Keep",
}: {
  item: ShelfItem;
  lot: Lot;
  part: Part;
  system: UnitSystem;
  onDone: () => void;
  keep?: string;
}) {
  const { left, facts } = lotState(lot);
  const book = left.get(part) ?? 0;
  const known = facts.tareG[part] ?? null;
  const weighs = UNIT_OF_KIND[item.kind] !== "piece";
  const tell = useTold(lot.id, onDone);
  const [factsId] = useState(() => crypto.randomUUID());
  const full = facts.full[part] ?? 0;
  const netOf = ({ grossG, tareG, fullOnes }: Fields) => {
    if (grossG === null || tareG === null) return null;
    const inIt = amountOfGrams(item.kind, Math.max(0, grossG - tareG));
    return inIt === null ? null : inIt + fullOnes * full;
  };
  // The one that is open is weighed; what is full is counted.
  const beside = full > 0 ? Math.max(0, Math.ceil(book / full - 0.02) - 1) : 0;
  const form = useKeptForm<Fields>({
    key: `shelf.count.${lot.id}.${part}`,
    schema: fields,
    start: { by: weighs ? "weight" : "look", grossG: null, tareG: known, fullOnes: beside, amount: null },
    send: async (typed) => {
      const amount = typed.by === "weight" ? netOf(typed) : typed.amount;
      const grossG = typed.by === "weight" ? typed.grossG : null;
      if (typed.by === "weight" && typed.tareG !== null && typed.tareG !== known) {
        const tareG = { ...facts.tareG, [part]: typed.tareG };
        const said = { kind: "facts" as const, facts: { ...facts, tareG }, why: "Weight of an empty bottle" };
        const result = await callAct(tellStock, { id: factsId, lotId: lot.id, said });
        if (!result.ok) return result.error;
      }
      return tell(stockSaid.parse({ kind: "counted", part, amount, grossG }));
    },
  });
  const { values, set, faultAt } = form;
  const net = values.by === "weight" ? netOf(values) : values.amount;
  const problem = form.problemBeside("grossG", "tareG", "fullOnes", "amount");
  const off = net === null ? null : net - book;
  return (
    <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
      <p>
        By the book <span className="figure text-lg">{amountText(item.kind, book, system)}</span>
        {part === "whole" ? "" : ` of ${part}`}.
      </p>
      {weighs && (
        <Choice
          label="How"
          value={values.by}
          options={[
            { value: "weight", words: "weigh the bottle" },
            { value: "look", words: "by a look" },
          ]}
          onChange={(by) => set({ by })}
          className="self-start [&>button]:h-11 [&>button]:px-4 [&>button]:text-base"
        />
      )}
      {values.by === "weight" ? (
        <div className="grid grid-cols-2 gap-4">
          <QuantityField
            label="The scale says, bottle and all"
            value={values.grossG}
            dimension="mass"
            system={system}
            bounds={{ min: 0, max: 1e7 }}
            fault={faultAt("grossG")}
            size="large"
            autoFocus
            onChange={(grossG) => set({ grossG })}
            onClear={() => set({ grossG: null })}
          />
          <QuantityField
            label="An empty one weighs"
            value={values.tareG}
            dimension="mass"
            system={system}
            bounds={{ min: 0, max: 1e7 }}
            fault={faultAt("tareG")}
            size="large"
            onChange={(tareG) => set({ tareG })}
            onClear={() => set({ tareG: null })}
          />
          {full > 0 && (
            <QuantityField
              label={`Full ones beside it, ${amountText(item.kind, full, system)} each`}
              value={values.fullOnes}
              dimension="number"
              system={system}
              bounds={{ min: 0, max: 10_000 }}
              fault={faultAt("fullOnes")}
              size="large"
              className="col-span-2"
              bare
              onChange={(fullOnes) => set({ fullOnes: Math.round(fullOnes) })}
            />
          )}
        </div>
      ) : (
        <AmountField
          kind={item.kind}
          label="There is"
          value={values.amount}
          fault={faultAt("amount")}
          system={system}
          onChange={(amount) => set({ amount })}
          autoFocus
        />
      )}
      <p role="status" className="min-h-6">
        {net !== null && off !== null && (
          <>
            <span className="figure text-2xl">{amountText(item.kind, net, system)}</span>{" "}
            {Math.abs(off) < 0.5
              ? "as the book says"
              : `${amountText(item.kind, Math.abs(off), system)} ${off < 0 ? "less" : "more"} than the book says`}
          </>
        )}
      </p>
      <FormProblem words={problem} />
      <Button type="submit" weight="primary" className="self-start min-h-11 px-6" disabled={form.busy}>
        {keep}
      </Button>
    </form>
  );
}

/** Name of what is counted: the code of its label and the thing. */
export const countTitle = (item: ShelfItem, lot: Lot, part: Part): string =>
  `${codeText(lot.code, part)} ${item.name}`;
