"use client";

import { z } from "zod";
import type { ShelfItem } from "@/core/shelf/item";
import type { Lot } from "@/core/shelf/lot";
import type { HistoryLine } from "@/core/shelf/stock";
import { amountText } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { FormProblem } from "@/ui/form-problem";
import { TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { AmountField } from "./amount-field";
import { useTold } from "./use-told";

const fields = z.object({
  amount: z
    .number("Type how much.")
    .nullable()
    .refine((amount): boolean => amount !== null, "Type how much."),
  why: z.string().trim().min(1, "Say why: it stays in the book.").max(200, "At most 200 letters."),
});
type Fields = z.infer<typeof fields>;

/** Another amount for an entry of the book. What it was, who changed it and why stay there. */
export function CorrectForm({
  item,
  lot,
  line,
  system,
  onClose,
}: {
  item: ShelfItem;
  lot: Lot;
  line: HistoryLine;
  system: UnitSystem;
  onClose: () => void;
}) {
  const tell = useTold(lot.id, onClose);
  const form = useKeptForm<Fields>({
    key: `shelf.correct.${line.entry.id}`,
    schema: fields,
    start: { amount: line.amount, why: "" },
    send: ({ amount, why }) =>
      tell({ kind: "corrected", entryId: line.entry.id, amount: amount ?? 0, why: why.trim() }),
  });
  const { values, set, faultAt } = form;
  const problem = form.problemBeside("amount", "why");
  return (
    <Dialog open onClose={onClose} title="Correct an entry">
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        <AmountField
          kind={item.kind}
          label={`It was ${amountText(item.kind, line.amount ?? 0, system)}; it is to be`}
          value={values.amount}
          fault={faultAt("amount")}
          system={system}
          onChange={(amount) => set({ amount })}
          autoFocus
        />
        <TextField
          label="Why"
          value={values.why}
          maxLength={200}
          error={faultAt("why")}
          onChange={({ target }) => set({ why: target.value })}
        />
        <FormProblem words={problem} />
        <Button type="submit" weight="primary" className="self-start min-h-11" disabled={form.busy}>
          Correct it
        </Button>
      </form>
    </Dialog>
  );
}
