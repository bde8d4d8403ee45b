"use client";

import Link from "next/link";
import { useState } from "react";
import type { ItemStands } from "@/core/shelf/item-stands";
import { SOON_DAYS } from "@/core/shelf/item-stands";
import type { PourNamed } from "@/core/shelf/lot";
import { codeText } from "@/core/pour/lot-code";
import { holdsSomething } from "@/core/shelf/stock";
import { amountText } from "@/core/shelf/shelf-words";
import { smallPoursOf } from "@/core/shelf/use-up";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText, rangeText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { useClockWords } from "@/ui/shop-clock";
import { ItemForm } from "./item-form";
import { LotCard } from "./lot-card";
import { LotForm } from "./lot-form";

/** One thing of the shelf: what is there, who takes it, its lots. */
export function ItemDetail({
  asked,
  stands,
  today,
  pours,
  system,
}: {
  /** Somebody chose it: where there is one column it stands before the list. */
  asked: boolean;
  stands: ItemStands;
  today: string;
  pours: readonly PourNamed[];
  system: UnitSystem;
}) {
  const { item, card, lots, pairs, there, reserved, jobs } = stands;
  const { dateText } = useClockWords();
  const [dialog, setDialog] = useState<"came" | "change" | null>(null);
  const amount = (value: number) =>
    pairs ? quantityText(value, "volume", system) : amountText(item.kind, value, system);
  const twoParts = pairs !== null && card?.kind !== "paint";
  const [open, setOpen] = useState(false);
  const [full, empty] = [lots.filter(holdsSomething), lots.filter((lot) => !holdsSomething(lot))];
  const free = there - reserved.likely;
  return (
    <section aria-label={item.name} className={classNames("min-w-0", asked && "max-lg:order-first")}>
      <div className="flex items-baseline gap-4 flex-wrap">
        <h2 className="heading text-2xl mr-auto">{item.name}</h2>
        <Button weight="quiet" onClick={() => setDialog("change")}>
          change
        </Button>
        <Button weight="primary" className="min-h-11" onClick={() => setDialog("came")}>
          Something came
        </Button>
      </div>
      <div className="flex gap-x-12 gap-y-4 flex-wrap mt-3">
        <div>
          <div className="label">{twoParts ? "full pairs" : "there is"}</div>
          <div className="figure text-5xl leading-none mt-1">{twoParts ? pairs.full : amount(there)}</div>
          {twoParts && (
            <div className="label mt-1.5">
              {amount(there)} can be mixed: A {quantityText(pairs.aG, "mass", system)}, B{" "}
              {quantityText(pairs.bG, "mass", system)}
            </div>
          )}
          {pairs?.over && (
            <div className="mt-1 font-semibold">
              {quantityText(pairs.over.grams, "mass", system)} of {pairs.over.part} over
            </div>
          )}
        </div>
        <div>
          <div className="label">approved jobs take</div>
          <div className="figure text-3xl leading-none mt-1">{amount(reserved.likely)}</div>
          {reserved.likely > 0 && (
            <div className="label mt-1.5">
              {pairs
                ? rangeText(reserved, "volume", system)
                : `${amount(reserved.low)} to ${amount(reserved.high)}`}
            </div>
          )}
        </div>
        <div>
          <div className="label">{free < 0 ? "short by" : "free"}</div>
          <div className={`figure text-3xl leading-none mt-1 ${free < 0 ? "text-danger" : ""}`}>
            {amount(Math.abs(free))}
          </div>
        </div>
      </div>
      {jobs.length > 0 && (
        <ul aria-label="Jobs that take it" className="mt-4 max-w-xl">
          {jobs.map((job) => (
            <li key={job.jobId} className="flex gap-4 border-t border-line py-1.5 items-baseline">
              <span className="label w-24">{dateText(job.day)}</span>
              <Link href={`/jobs/${job.jobId}/cups`} className="flex-1 hover:underline underline-offset-4">
                {job.name}
              </Link>
              <span className="figure">{amount(job.amount.likely)}</span>
            </li>
          ))}
        </ul>
      )}
      <UseUp stands={stands} free={free} today={today} />
      <h3 className="heading text-lg border-b border-ink pb-1 mt-6">Lots, first to use first</h3>
      {full.length === 0 && (
        <p className="text-ink-soft py-3">
          None yet. When something comes, or stands there already, put it in.
        </p>
      )}
      {[...full, ...(open ? empty : [])].map((lot) => (
        <LotCard key={lot.id} item={item} card={card} lot={lot} today={today} pours={pours} system={system} />
      ))}
      {empty.length > 0 && (
        <Button weight="quiet" className="min-h-11" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "without the empty ones" : `empty: ${empty.map(({ code }) => codeText(code)).join(", ")}`}
        </Button>
      )}
      {dialog === "came" && (
        <LotForm
          item={item}
          card={card}
          lot={null}
          today={today}
          system={system}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === "change" && <ItemForm item={item} system={system} onClose={() => setDialog(null)} />}
    </section>
  );
}

/** What the rest of a begun pair would fill, where no job takes it or it ends soon. */
function UseUp({
  stands: { pairs, card, endsOn, lots },
  free,
  today,
}: {
  stands: ItemStands;
  free: number;
  today: string;
}) {
  if (!pairs || !card || card.kind === "paint" || free <= 0 || lots.length === 0) return null;
  const soon = endsOn !== null && Date.parse(endsOn) - Date.parse(today) < SOON_DAYS * 86_400_000;
  if (pairs.full > 0 && !soon) return null;
  const ideas = smallPoursOf(free, card.thickestFilmMm).slice(0, 3);
  if (ideas.length === 0) return null;
  return (
    <div className="border-l-[3px] border-ink pl-3 mt-4 max-w-xl">
      <p className="font-semibold">
        {soon ? "It ends soon, and no job takes it." : "A begun pair that no job takes."} It would fill:
      </p>
      <ul>
        {ideas.map(({ pour, times }) => (
          <li key={pour.words}>
            {times > 1 ? `${times} times ` : ""}
            {pour.words}
          </li>
        ))}
      </ul>
    </div>
  );
}
