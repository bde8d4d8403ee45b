"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { received, type Sent } from "@/contracts/sent";
import { swatchHex } from "@/core/plan/shelf-colour";
import { removeItem } from "@/contracts/shelf";
import { ITEM_KINDS } from "@/core/shelf/item";
import { itemsStand } from "@/core/shelf/item-stands";
import { KIND_WORDS } from "@/core/shelf/shelf-words";
import { readCode } from "@/core/pour/lot-code";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { DeletedLately } from "@/ui/deleted-lately";
import { CodeDialog } from "@/ui/code-dialog";
import { ItemDetail } from "./item-detail";
import { ItemForm } from "./item-form";
import { ItemRow } from "./item-row";
import type { OpenShelf } from "./queries";
import { StockFile } from "./stock-file";
import { UnplacedList } from "./unplaced-list";

/** What is on the shelf, what jobs take of it, and the book of each lot. */
export function ShelfView({
  shown,
  chosen,
  system,
}: {
  shown: Sent<OpenShelf>;
  chosen: string | null;
  system: UnitSystem;
}) {
  const router = useRouter();
  const shelf = useMemo(() => received(shown), [shown]);
  const { items, lots, jobs, cards, colours, today, unplaced, pours, removed } = shelf;
  const stands = useMemo(
    () => itemsStand(items, lots, jobs, cards, today),
    [items, lots, jobs, cards, today],
  );
  const hexes = useMemo(() => new Map(colours.map((card) => [card.id, swatchHex(card)])), [colours]);
  const [adding, setAdding] = useState(false);
  const [scanning, setScanning] = useState(false);
  const [reading, setReading] = useState(false);
  const [unknown, setUnknown] = useState<string | null>(null);
  const inOrder = ITEM_KINDS.flatMap((kind) => stands.filter(({ item }) => item.kind === kind));
  const here = inOrder.find(({ item }) => item.id === chosen) ?? inOrder[0];
  const goTo = (text: string) => {
    const read = readCode(text);
    const lot = read && lots.find(({ code }) => code === read.code);
    setScanning(false);
    setUnknown(lot ? null : text);
    if (lot) router.push(`/shelf?item=${lot.itemId}#lot-${lot.code}`);
  };
  return (
    <main className="px-7 max-sm:px-4 py-5 grid grid-cols-[minmax(340px,430px)_1fr] gap-x-10 gap-y-6 max-lg:grid-cols-1">
      <section aria-label="Shelf">
        <div className="flex items-baseline gap-4 flex-wrap mb-1">
          <h1 className="heading text-2xl mr-auto">Shelf</h1>
          <Button weight="quiet" onClick={() => setScanning(true)}>
            find by label
          </Button>
          <Button weight="quiet" onClick={() => setReading(true)}>
            from a file
          </Button>
          <Link
            href="/shelf/count"
            className="underline underline-offset-4 decoration-line-strong hover:decoration-ink"
          >
            count all
          </Link>
          {lots.length > 0 && (
            <a
              href={`/shelf/labels.pdf?paper=${system === "us" ? "letter" : "a4"}`}
              className="underline underline-offset-4 decoration-line-strong hover:decoration-ink"
            >
              labels
            </a>
          )}
        </div>
        {unknown !== null && (
          <p role="status" className="border-l-[3px] border-ink pl-3 my-2">
            “{unknown}” is on no lot that holds anything.
          </p>
        )}
        <UnplacedList unplaced={unplaced} items={items} lots={lots} system={system} />
        {items.length === 0 && (
          <p className="text-ink-soft my-4 max-w-[46ch]">
            Put on it what you pour with: what is weighed at a pour is then taken off by itself, and jobs that
            will run short say so days before.
          </p>
        )}
        {ITEM_KINDS.map((kind) => {
          const ofKind = stands.filter(({ item }) => item.kind === kind);
          if (ofKind.length === 0) return null;
          return (
            <section key={kind} aria-label={KIND_WORDS[kind]} className="mt-4">
              <h2 className="label border-b border-ink pb-1">{KIND_WORDS[kind]}</h2>
              <ul>
                {ofKind.map((one) => (
                  <ItemRow
                    key={one.item.id}
                    stands={one}
                    chosen={one === here}
                    hex={hexes.get(one.item.cardId ?? "") ?? null}
                    system={system}
                  />
                ))}
              </ul>
            </section>
          );
        })}
        <Button
          className="mt-5 min-h-11"
          weight={items.length === 0 ? "primary" : "plain"}
          onClick={() => setAdding(true)}
        >
          Put something on the shelf
        </Button>
        <DeletedLately
          removed={removed}
          onBack={async (itemId) => {
            const result = await callAct(removeItem, { itemId, removed: false });
            return result.ok ? null : result.error.message;
          }}
        />
      </section>
      {here && (
        <ItemDetail
          asked={chosen !== null}
          key={here.item.id}
          stands={here}
          today={today}
          pours={pours}
          system={system}
        />
      )}
      {adding && (
        <ItemForm
          item={null}
          taken={items.flatMap(({ cardId }) => cardId ?? [])}
          cards={cards}
          colours={colours}
          system={system}
          onClose={() => setAdding(false)}
        />
      )}
      {reading && (
        <StockFile
          items={items}
          cards={cards}
          colours={colours}
          system={system}
          onClose={() => setReading(false)}
        />
      )}
      {scanning && (
        <CodeDialog
          title="Find by label"
          label="The code on the label, such as L42-A"
          start=""
          keep="Show it"
          onCode={goTo}
          onClose={() => setScanning(false)}
        />
      )}
    </main>
  );
}
