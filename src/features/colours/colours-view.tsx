"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Removed } from "@/core/shop/removed";
import { DeletedLately } from "@/ui/deleted-lately";
import { callAct } from "@/contracts/call-act";
import { addStarterColours, removeColourCard } from "@/contracts/colour-card";
import { COLOUR_KIND_WORDS, opticsOf, type ColourCard, type ColourKind } from "@/core/colour/colour-card";
import { trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { ReadShelfDialog } from "./read-shelf-dialog";
import { cardLook } from "./card-look";

/** The shop's colourants, by kind, as films over white and over black. */
export function ColoursView({ cards, removed }: { cards: ColourCard[]; removed: Removed[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const add = async () => {
    const result = await callAct(addStarterColours, {});
    setProblem(result.ok ? null : result.error.message);
    if (result.ok) router.refresh();
  };
  return (
    <main className="px-7 max-sm:px-4 py-6">
      <div className="flex items-end gap-x-5 gap-y-2 mb-4 flex-wrap">
        <h1 className="heading text-2xl mr-auto">Colours</h1>
        <a
          href="/colours/shelf.csv"
          className="underline underline-offset-4 decoration-line-strong text-sm pb-1.5"
        >
          CSV
        </a>
        <a
          href="/colours/palette.gpl"
          className="underline underline-offset-4 decoration-line-strong text-sm pb-1.5"
        >
          palette
        </a>
        <Button weight="quiet" onClick={() => setReading(true)}>
          read a file
        </Button>
        <Button weight="quiet" onClick={() => void add()}>
          add the usual ones
        </Button>
        <Link
          href="/colours/new"
          className="border border-ink bg-ink text-paper px-4 min-h-9 inline-flex items-center hover:bg-ink-soft"
        >
          New colour
        </Link>
      </div>
      {reading && <ReadShelfDialog names={cards.map(({ name }) => name)} onClose={() => setReading(false)} />}
      {problem && (
        <p role="alert" className="text-danger border-l-2 border-danger pl-2 mb-3">
          {problem}
        </p>
      )}
      {cards.length === 0 && (
        <p className="text-ink-soft border-t border-ink pt-4">
          No colourant yet. Add the usual ones, generic and by their pigments, and then your own with two
          swatches each.
        </p>
      )}
      {(Object.keys(COLOUR_KIND_WORDS) as ColourKind[]).map((kind) => {
        const ofKind = cards.filter((card) => card.kind === kind);
        if (ofKind.length === 0) return null;
        return (
          <section key={kind} aria-label={COLOUR_KIND_WORDS[kind]} className="border-t border-ink pt-2 pb-5">
            <h2 className="heading mb-3 first-letter:uppercase">{COLOUR_KIND_WORDS[kind]}</h2>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-x-5 gap-y-5">
              {ofKind.map((card) => (
                <CardTile key={card.id} card={card} />
              ))}
            </ul>
          </section>
        );
      })}
      <p className="label">
        Each a film of 1 mm, over white above and over black below. Generic pigments are constructed, not
        measured: their strength is sure within a factor of two until two swatches of yours are on the card.
      </p>
      <DeletedLately
        removed={removed}
        onBack={async (cardId) => {
          const result = await callAct(removeColourCard, { cardId, removed: false });
          return result.ok ? null : result.error.message;
        }}
      />
    </main>
  );
}

const painted = (stops: readonly string[]) =>
  stops.length > 1 ? `linear-gradient(100deg, ${stops.join(", ")})` : stops[0];

function CardTile({ card }: { card: ColourCard }) {
  const optics = opticsOf(card);
  const look = optics && cardLook(card, optics);
  const typed = card.appearance.by === "unknown" ? card.appearance.hex : null;
  return (
    <li>
      <Link prefetch={false} href={`/colours/${card.id}`} className="block group">
        <span className="block border border-ink" aria-hidden>
          <span
            className="block h-12"
            style={{ background: look ? painted(look.overWhite) : (typed ?? undefined) }}
          />
          <span
            className="block h-6"
            style={{ background: look ? painted(look.overBlack) : (typed ?? undefined) }}
          />
        </span>
        <span className="block font-semibold mt-1 group-hover:underline underline-offset-4">{card.name}</span>
      </Link>
      <span className="label block">
        {[
          card.index,
          card.mostPer100G !== null && `up to ${trimmed(card.mostPer100G, 1)} g in 100 g`,
          optics === null && "look not known",
          optics?.trust.rough && "rough: one swatch",
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
    </li>
  );
}
