"use client";

import Link from "next/link";
import { useState } from "react";
import type { ResinCard } from "@/core/cure/resin-card";
import { codeText } from "@/core/pour/lot-code";
import { UNIT_OF_KIND, type Part, type ShelfItem } from "@/core/shelf/item";
import type { Lot, PourNamed } from "@/core/shelf/lot";
import { isPast, lotState } from "@/core/shelf/stock";
import { amountText, pastWords } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { Dialog } from "@/ui/dialog";
import { useClockWords } from "@/ui/shop-clock";
import { CountForm, countTitle } from "./count-form";
import { LotBook } from "./lot-book";
import { LotForm } from "./lot-form";
import { PartChoice, TakeForm } from "./take-form";

/** One lot: what is left in its bottles, its dates and place, what is in which piece, its book. */
export function LotCard({
  item,
  card,
  lot,
  today,
  pours,
  system,
}: {
  item: ShelfItem;
  card: ResinCard | null;
  lot: Lot;
  today: string;
  pours: readonly PourNamed[];
  system: UnitSystem;
}) {
  const { dateText } = useClockWords();
  const state = lotState(lot);
  const { facts, left, openedOn } = state;
  const [dialog, setDialog] = useState<"take" | "count" | "change" | null>(null);
  const [open, setOpen] = useState<"book" | "pieces" | null>(null);
  const [part, setPart] = useState<Part>([...left.keys()][0] ?? "whole");
  const past = isPast(lot, today);
  const close = () => setDialog(null);
  const opened = [...openedOn.values()].sort()[0];
  const told = [
    facts.number && `lot ${facts.number}`,
    facts.place,
    facts.boughtOn && `bought ${dateText(facts.boughtOn)}`,
    opened ? `open since ${dateText(opened)}` : "not opened",
    facts.price !== null && `paid ${decimal(facts.price, 2)}`,
  ].filter(Boolean);
  const toggle = (which: "book" | "pieces") => setOpen(open === which ? null : which);
  const used = piecesOf(lot, pours);
  return (
    <article id={`lot-${lot.code}`} aria-label={codeText(lot.code)} className="border-b border-line py-3">
      <div className="grid grid-cols-[4.5rem_1fr_auto] max-sm:grid-cols-[4.5rem_1fr] gap-x-4 gap-y-2 items-start">
        <span className="figure text-2xl">{codeText(lot.code)}</span>
        <div className="min-w-0">
          <p className={classNames(past && "text-danger font-semibold")}>
            {facts.bestBefore === null
              ? "No date on it"
              : past
                ? `Past its date since ${dateText(facts.bestBefore)}`
                : `Best before ${dateText(facts.bestBefore)}`}
          </p>
          <p className="label">{told.join(" · ")}</p>
          {past && <p className="mt-1 max-w-prose">{pastWords(item.kind)}</p>}
        </div>
        <div className="flex gap-5 text-right max-sm:col-span-2 max-sm:flex-wrap">
          {[...left].map(([of, amount]) => (
            <BottleLevel
              key={of}
              item={item}
              part={of}
              amount={amount}
              full={facts.full[of] ?? null}
              system={system}
            />
          ))}
        </div>
      </div>
      <div className="flex gap-5 mt-2 pl-[5.5rem] max-sm:pl-0 flex-wrap">
        <Button weight="quiet" className="min-h-9" onClick={() => setDialog("count")}>
          {UNIT_OF_KIND[item.kind] === "piece" ? "count it" : "weigh it"}
        </Button>
        <Button weight="quiet" className="min-h-9" onClick={() => setDialog("take")}>
          take or put back
        </Button>
        <Button
          weight="quiet"
          className="min-h-9"
          aria-expanded={open === "pieces"}
          onClick={() => toggle("pieces")}
        >
          in which pieces
        </Button>
        <Button
          weight="quiet"
          className="min-h-9"
          aria-expanded={open === "book"}
          onClick={() => toggle("book")}
        >
          its book
        </Button>
        <Button weight="quiet" className="min-h-9" onClick={() => setDialog("change")}>
          change
        </Button>
        <a
          href={`/shelf/labels.pdf?lot=${lot.code}&paper=${system === "us" ? "letter" : "a4"}`}
          className="underline underline-offset-4 decoration-line-strong hover:decoration-ink min-h-9 inline-flex items-center"
        >
          labels
        </a>
      </div>
      {open === "pieces" && (
        <ul aria-label={`Pieces with ${codeText(lot.code)}`} className="mt-2 pl-[5.5rem] max-sm:pl-0">
          {used.length === 0 && <li className="text-ink-soft">In no piece yet.</li>}
          {used.map(({ pour, amounts }) => (
            <li key={pour.pourId} className="border-t border-line py-1.5 flex gap-4">
              <span className="label w-24">{dateText(pour.startedAt.slice(0, 10))}</span>
              <Link href={`/jobs/${pour.jobId}/log`} className="flex-1 hover:underline underline-offset-4">
                <span className="font-semibold">{pour.jobName}</span>
                <span className="text-ink-soft">: {pour.pieces.join(", ")}</span>
              </Link>
              <span className="figure">
                {[...amounts]
                  .map(
                    ([of, amount]) =>
                      `${amountText(item.kind, amount, system)}${of === "whole" ? "" : ` ${of}`}`,
                  )
                  .join(", ")}
              </span>
            </li>
          ))}
        </ul>
      )}
      {open === "book" && <LotBook item={item} lot={lot} pours={pours} system={system} />}
      {dialog === "take" && <TakeForm item={item} lot={lot} system={system} onClose={close} />}
      {dialog === "change" && (
        <LotForm item={item} card={card} lot={lot} today={today} system={system} onClose={close} />
      )}
      {dialog === "count" && (
        <Dialog open onClose={close} title={countTitle(item, lot, part)}>
          {left.size > 1 && (
            <div className="mb-4">
              <PartChoice parts={[...left.keys()]} value={part} onChange={setPart} />
            </div>
          )}
          <CountForm key={part} item={item} lot={lot} part={part} system={system} onDone={close} />
        </Dialog>
      )}
    </article>
  );
}

/** Pours that took of a lot, with how much, by part. */
function piecesOf(lot: Lot, pours: readonly PourNamed[]): { pour: PourNamed; amounts: Map<Part, number> }[] {
  const found = new Map<string, Map<Part, number>>();
  for (const { entry, amount, replaced } of lotState(lot).history) {
    if (entry.kind !== "took" || !entry.from || replaced || !amount) continue;
    const amounts = found.get(entry.from.pourId) ?? new Map<Part, number>();
    amounts.set(entry.part, (amounts.get(entry.part) ?? 0) + amount);
    found.set(entry.from.pourId, amounts);
  }
  return pours.flatMap((pour) => {
    const amounts = found.get(pour.pourId);
    return amounts ? [{ pour, amounts }] : [];
  });
}

const TALL = 34;

/** A bottle with how far it is full. Several full ones stand as a number before it. */
function BottleLevel({
  item,
  part,
  amount,
  full,
  system,
}: {
  item: ShelfItem;
  part: Part;
  amount: number;
  full: number | null;
  system: UnitSystem;
}) {
  const bottles = full ? Math.max(0, amount) / full : 0;
  const rest = bottles > 0 ? bottles - Math.ceil(bottles) + 1 : 0;
  return (
    <span className="flex items-end gap-2">
      <span>
        <span className="label block">{part === "whole" ? "left" : part}</span>
        <span className={classNames("figure text-xl whitespace-nowrap", amount < -0.5 && "text-danger")}>
          {amountText(item.kind, amount, system)}
        </span>
      </span>
      {full !== null && (
        <span className="flex items-end">
          {bottles > 1 && <span className="label mr-1">{Math.ceil(bottles - 1e-6) - 1} +</span>}
          <svg width={17} height={TALL} aria-hidden>
            <path
              d={`M5.5 .5h6v6l4 5v${TALL - 12.5}h-14v-${TALL - 12.5}l4-5z`}
              fill="var(--color-paper)"
              stroke="var(--color-ink)"
            />
            <rect
              x={2}
              y={TALL - 1 - rest * (TALL - 13)}
              width={13}
              height={rest * (TALL - 13)}
              fill="var(--color-ink)"
            />
          </svg>
        </span>
      )}
    </span>
  );
}
