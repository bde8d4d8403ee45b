"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { received, type Sent } from "@/contracts/sent";
import { ITEM_KINDS } from "@/core/shelf/item";
import { lotState } from "@/core/shelf/stock";
import { codeText } from "@/core/pour/lot-code";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { CountForm } from "./count-form";
import type { OpenShelf } from "./queries";

/** Stocktaking: one line after the other, on a phone at the shelf. What is kept is kept at once; it may be left and gone on with. */
export function CountView({ shown, system }: { shown: Sent<OpenShelf>; system: UnitSystem }) {
  const { items, lots } = useMemo(() => received(shown), [shown]);
  const [since] = useState(() => new Date(Date.now() - 12 * 3600_000).toISOString());
  const lines = useMemo(
    () =>
      ITEM_KINDS.flatMap((kind) =>
        items
          .filter((item) => item.kind === kind)
          .flatMap((item) =>
            lots
              .filter(({ itemId }) => itemId === item.id)
              .flatMap((lot) => [...lotState(lot).left.keys()].map((part) => ({ item, lot, part }))),
          ),
      ),
    [items, lots],
  );
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const keyOf = ({ lot, part }: (typeof lines)[number]) => `${lot.id} ${part}`;
  const counted = lines.filter(({ lot, part }) => (lotState(lot).countedAt.get(part) ?? "") > since);
  const todo = lines.filter((line) => !counted.includes(line) && !passed.has(keyOf(line)));
  const [line] = todo;
  const place = line && lotState(line.lot).facts.place;
  return (
    <main className="px-7 max-sm:px-4 py-5 max-w-xl">
      <Link href="/shelf" className="label underline underline-offset-4">
        Shelf
      </Link>
      <h1 className="heading text-2xl mt-1">Count what is there</h1>
      <div
        className="h-2 border border-ink my-3"
        role="img"
        aria-label={`${counted.length} of ${lines.length} counted`}
      >
        <div
          className="h-full bg-ink"
          style={{ width: `${(100 * counted.length) / Math.max(1, lines.length)}%` }}
        />
      </div>
      <p className="label mb-5" role="status">
        {counted.length} of {lines.length} counted in the last twelve hours
        {passed.size > 0 && `, ${passed.size} passed over`}
      </p>
      {line ? (
        <section aria-label={codeText(line.lot.code, line.part)}>
          <div className="figure text-4xl leading-none">{codeText(line.lot.code, line.part)}</div>
          <h2 className="text-xl mt-1">{line.item.name}</h2>
          {place && <p className="label">{place}</p>}
          <div className="mt-4">
            <CountForm
              key={keyOf(line)}
              item={line.item}
              lot={line.lot}
              part={line.part}
              system={system}
              onDone={() => {}}
              keep="Keep, next"
            />
          </div>
          <Button
            weight="quiet"
            className="mt-4 min-h-11"
            onClick={() => setPassed(new Set([...passed, keyOf(line)]))}
          >
            pass it over
          </Button>
        </section>
      ) : (
        <p className="text-lg">
          {lines.length === 0 ? "There is nothing on the shelf yet." : "That was all."}{" "}
          {passed.size > 0 && (
            <Button weight="quiet" onClick={() => setPassed(new Set())}>
              go through what was passed over
            </Button>
          )}
        </p>
      )}
    </main>
  );
}
