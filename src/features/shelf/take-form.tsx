"use client";

import { z } from "zod";
import { stockSaid } from "@/contracts/shelf";
import { codeText } from "@/core/pour/lot-code";
import type { Part, ShelfItem } from "@/core/shelf/item";
import type { Lot, TakenFor } from "@/core/shelf/lot";
import { lotState } from "@/core/shelf/stock";
import { amountText, TAKEN_WORDS } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { FormProblem } from "@/ui/form-problem";
import { Dialog } from "@/ui/dialog";
import { SelectField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { AmountField } from "./amount-field";
import { useTold } from "./use-told";

const fields = z.object({
  part: z.enum(["A", "B", "C", "whole"]),
  amount: z
    .number("Type how much.")
    .positive("Type how much.")
    .nullable()
    .refine((amount): boolean => amount !== null, "Type how much."),
  what: z.enum(["sample", "lost", "thrown away", "poured", "other", "back"]),
  why: z.string().max(200, "At most 200 letters."),
});
type Fields = z.infer<typeof fields>;

const WORDS: Record<Fields["what"], string> = { ...TAKEN_WORDS, back: "put back on the shelf" };

/** Something taken off a lot by hand, or put back. */
export function TakeForm({
  item,
  lot,
  system,
  onClose,
}: {
  item: ShelfItem;
  lot: Lot;
  system: UnitSystem;
  onClose: () => void;
}) {
  const { left } = lotState(lot);
  const parts = [...left.keys()];
  const tell = useTold(lot.id, onClose);
  const form = useKeptForm<Fields>({
    key: `shelf.take.${lot.id}`,
    schema: fields,
    start: { part: parts[0] ?? "whole", amount: null, what: "sample", why: "" },
    send: ({ part, amount, what, why }) =>
      tell(
        stockSaid.parse(
          what === "back"
            ? { kind: "back", part, amount, why: why.trim() }
            : { kind: "took", part, amount, what: what satisfies TakenFor, why: why.trim() },
        ),
      ),
  });
  const { values, set, faultAt } = form;
  const problem = form.problemBeside("amount", "why");
  return (
    <Dialog open onClose={onClose} title={`Take from ${codeText(lot.code)}, ${item.name}`}>
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        {parts.length > 1 && (
          <PartChoice parts={parts} value={values.part} onChange={(part) => set({ part })} />
        )}
        <AmountField
          kind={item.kind}
          label={`How much; ${amountText(item.kind, left.get(values.part) ?? 0, system)} by the book`}
          value={values.amount}
          fault={faultAt("amount")}
          system={system}
          onChange={(amount) => set({ amount })}
          autoFocus
        />
        <SelectField
          label="What for"
          value={values.what}
          onChange={({ target }) => set({ what: target.value as Fields["what"] })}
        >
          {Object.entries(WORDS).map(([what, words]) => (
            <option key={what} value={what}>
              {words}
            </option>
          ))}
        </SelectField>
        <TextField
          label="A word to it"
          value={values.why}
          maxLength={200}
          error={faultAt("why")}
          onChange={({ target }) => set({ why: target.value })}
        />
        <FormProblem words={problem} />
        <Button type="submit" weight="primary" className="self-start min-h-11" disabled={form.busy}>
          {values.what === "back" ? "Put it back" : "Take it"}
        </Button>
      </form>
    </Dialog>
  );
}

/** Which half of a pair. */
export function PartChoice({
  parts,
  value,
  onChange,
}: {
  parts: readonly Part[];
  value: Part;
  onChange: (part: Part) => void;
}) {
  return (
    <Choice
      label="Which part"
      value={value}
      options={parts.map((part) => ({ value: part, words: part }))}
      onChange={onChange}
      className="self-start [&>button]:h-11 [&>button]:px-6 [&>button]:text-lg"
    />
  );
}
