"use client";

import { useRouter } from "next/navigation";
import { useRef } from "react";
import { callAct } from "@/contracts/call-act";
import { addLot, putItem } from "@/contracts/shelf";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { ShelfItem } from "@/core/shelf/item";
import type { UnitSystem } from "@/core/units/dimension";
import { CsvDialog } from "@/ui/csv-dialog";
import { STOCK_COLUMNS, stockRow, type StockRow } from "./read-stock";

/** A stock list from a file: each line is a lot, and puts the thing itself on the shelf where it is not there. */
export function StockFile({
  items,
  cards,
  colours,
  system,
  onClose,
}: {
  items: readonly ShelfItem[];
  cards: readonly ResinCard[];
  colours: readonly ColourCard[];
  system: UnitSystem;
  onClose: () => void;
}) {
  const router = useRouter();
  // Broken off and taken over again, what went through already is one lot.
  const ids = useRef(new Map<string, string>());
  const idOf = (key: string): string => {
    const id = ids.current.get(key) ?? crypto.randomUUID();
    ids.current.set(key, id);
    return id;
  };
  const take = async (rows: readonly StockRow[]): Promise<string | null> => {
    for (const [n, { name, item, facts, came }] of rows.entries()) {
      const itemId = "id" in item ? item.id : idOf(`item ${name.toLowerCase()}`);
      if ("fields" in item) {
        const put = await callAct(putItem, { id: itemId, fields: item.fields });
        if (!put.ok) return `“${name}”: ${put.error.message} What stands before it is on the shelf.`;
      }
      const added = await callAct(addLot, { id: idOf(`lot ${n} ${name}`), itemId, facts, came });
      if (!added.ok) return `“${name}”: ${added.error.message} What stands before it is on the shelf.`;
    }
    router.refresh();
    return null;
  };
  return (
    <CsvDialog
      title="A stock list from a file"
      hint="One lot to a line. What is on the shelf by that name gets another lot; what is not is put there, resins and colours by their cards. Grams of resins and colours, millilitres of alcohol, pieces of the rest."
      columns={STOCK_COLUMNS}
      read={(cells) => stockRow(cells, { items, cards, colours }, system === "us")}
      told={(rows) => (rows.length === 1 ? "1 lot" : `${rows.length} lots`)}
      take={take}
      onClose={onClose}
    />
  );
}
