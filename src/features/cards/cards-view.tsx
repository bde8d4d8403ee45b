"use client";

import Link from "next/link";
import { mixDensityGPerMl } from "@/core/batch/parts";
import { filmLifeAt } from "@/core/cure/film-in-room";
import type { ResinCard } from "@/core/cure/resin-card";
import { fittedResin } from "@/core/cure/fitted-resin";
import { trimmed } from "@/core/units/format-quantity";
import { Beam } from "@/ui/beam";

const KINDS: Record<ResinCard["kind"], string> = {
  coating: "coating",
  fast: "fast resin",
  casting: "deep casting",
  hybrid: "hybrid, no epoxy",
  paint: "paint, one part",
};

/** Resin cards with what the fit says of each. */
export function CardsView({ cards, tempC = 21 }: { cards: ResinCard[]; tempC?: number }) {
  return (
    <main className="px-7 py-6">
      <div className="flex items-end gap-5 mb-4">
        <h1 className="heading text-2xl mr-auto">Resins</h1>
        <Link
          href="/cards/new"
          className="border border-ink bg-ink text-paper px-4 min-h-9 inline-flex items-center hover:bg-ink-soft"
        >
          New card
        </Link>
      </div>
      <ul className="border-t border-ink">
        {cards.map((card) => {
          const resin = fittedResin(card);
          const life = filmLifeAt(resin, tempC);
          return (
            <li
              key={card.id}
              className="border-b border-line py-4 flex gap-8 items-center max-lg:flex-col max-lg:items-start"
            >
              <div className="w-[250px] shrink-0">
                <Link
                  prefetch={false}
                  href={`/cards/${card.id}`}
                  className="heading text-lg hover:underline underline-offset-4"
                >
                  {card.name}
                </Link>
                <p className="label">
                  {KINDS[card.kind]}
                  {card.kind !== "paint" &&
                    ` · ${trimmed(card.ratioA, 2)} : ${trimmed(card.ratioB, 2)} by ${card.ratioBy} · ${mixDensityGPerMl(card).toFixed(2)} g/ml mixed`}
                </p>
                {resin.fit.conflicts.length > 0 && (
                  <p className="text-xs text-danger mt-1">Its numbers contradict each other: open it.</p>
                )}
              </div>
              <div className="w-28 shrink-0">
                <div className="label">pot life</div>
                <div className="figure text-xl">
                  {card.potLifeMin === null ? "none" : trimmed(card.potLifeMin, 0)}
                  {card.potLifeMin !== null && (
                    <span className="label ml-1">min, {trimmed(card.potMassG, 0)} g</span>
                  )}
                </div>
              </div>
              <div className="flex-1 min-w-0 overflow-hidden">
                {card.kind !== "paint" && (
                  <Beam
                    life={life}
                    nowMin={null}
                    untilMin={(life.find((start) => start.state === "set")?.fromMin.likely ?? 300) * 1.2}
                    width={620}
                    height={22}
                  />
                )}
              </div>
            </li>
          );
        })}
      </ul>
      <p className="label mt-3">
        Beams at {tempC} °C from mixing to set, computed from each card; the short line under a border is its
        spread.
      </p>
    </main>
  );
}
