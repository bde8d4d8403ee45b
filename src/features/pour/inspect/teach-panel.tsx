"use client";

import { useState } from "react";
import type { PlannedCoat } from "@/core/plan/timed";
import { PART_WORDS } from "@/core/learning/learning-words";
import { plannedAlcoholG, usualPartG } from "@/core/learning/pour-teaches";
import { termsOf, workKindOf, PARTS } from "@/core/learning/volume-factors";
import type { Plan } from "@/core/plan/derive-plan";
import type { PourEvent } from "@/core/pour/pour-events";
import type { LossPart } from "@/core/pour/inspect-events";
import { covers } from "@/core/schedule/coat";
import type { UnitSystem } from "@/core/units/dimension";
import { trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { useShopClock } from "@/ui/shop-clock";
import type { Act } from "../pour-store";

/** What can be weighed by itself: a loss, or the alcohol that went on. */
type Weighed = LossPart | "alcohol";
const weighedWords = (what: Weighed): string =>
  what === "alcohol" ? "the alcohol bottle" : PART_WORDS[what];

type Told = Extract<PourEvent, { kind: "loss-weighed" | "film-seen" | "alcohol-weighed" }>;
function toldWords(event: Told): string {
  if (event.kind === "film-seen") return event.word === "gummy" ? "gummy" : "drew no string";
  const what = event.kind === "alcohol-weighed" ? "alcohol" : event.loss;
  return `${weighedWords(what)}: ${trimmed(event.grams, 1)} g`;
}

/** Readings that teach most, one touch each: a loss weighed by itself, and when a film was so. */
export function TeachPanel({
  coat,
  plan,
  factors,
  events,
  isWet,
  system,
  record,
}: {
  coat: PlannedCoat;
  plan: Plan;
  factors: Parameters<typeof termsOf>[2];
  events: readonly PourEvent[];
  /** It is wet still: when it is seen to be so can be said. */
  isWet: boolean;
  system: UnitSystem;
  record: (act: Act) => Promise<void>;
}) {
  const { say } = useShopClock();
  const [grams, setGrams] = useState<number | null>(null);
  const pieces = plan.pieces.filter(({ id }) => covers(coat.coat, id));
  const lossTerms = coat.batched ? termsOf(coat.batched, workKindOf(pieces), factors).lossTerms : [];
  const alcoholG = plannedAlcoholG(coat);
  const usual: { part: Weighed; g: number }[] = [
    ...PARTS.flatMap((part) => {
      const g = usualPartG(coat, part, lossTerms);
      return g === null ? [] : [{ part, g }];
    }),
    ...(alcoholG === null ? [] : [{ part: "alcohol" as const, g: alcoholG }]),
  ];
  const [chosen, setChosen] = useState<Weighed | null>(null);
  const part = usual.find((one) => one.part === chosen) ?? usual[0];
  const told = events.filter(
    (event): event is Told =>
      (event.kind === "loss-weighed" || event.kind === "film-seen" || event.kind === "alcohol-weighed") &&
      event.coatId === coat.coat.id,
  );
  if (!part) return null;
  return (
    <section aria-label="Readings that teach" className="mt-6 border-t border-ink pt-3">
      <h2 className="heading text-lg">Weigh one loss</h2>
      <p className="text-sm text-ink-soft mb-2">
        What was left over tells the sum of all losses. One that is weighed by itself tells most: with its
        resin, less its empty weight.
        {alcoholG !== null && " The alcohol bottle is weighed before the pass and after it."}
      </p>
      <form
        className="flex gap-3 items-end flex-wrap"
        onSubmit={(event) => {
          event.preventDefault();
          if (grams === null) return;
          void record(
            part.part === "alcohol"
              ? { kind: "alcohol-weighed", coatId: coat.coat.id, grams }
              : { kind: "loss-weighed", coatId: coat.coat.id, loss: part.part, grams, many: 1 },
          );
          setGrams(null);
        }}
      >
        <SelectField
          label="What was weighed"
          value={part.part}
          className="h-12"
          onChange={(event) => setChosen(event.target.value as Weighed)}
        >
          {usual.map(({ part: id }) => (
            <option key={id} value={id}>
              {weighedWords(id)}
            </option>
          ))}
        </SelectField>
        <QuantityField
          label={`${part.part === "alcohol" ? "Less in it, planned" : "Stayed on it, usual"} ${trimmed(part.g, 1)} g`}
          value={grams}
          dimension="mass"
          system={system}
          bounds={{ min: 0.1, max: 1e5 }}
          onChange={setGrams}
          onClear={() => setGrams(null)}
          className="w-40"
          size="large"
          bare
        />
        <Button type="submit" className="min-h-12" disabled={grams === null}>
          Keep it
        </Button>
      </form>
      {isWet && (
        <div className="flex gap-3 mt-3 flex-wrap">
          <Button
            className="min-h-11"
            onClick={() => void record({ kind: "film-seen", coatId: coat.coat.id, word: "gummy" })}
          >
            Gummy now: drips hardly move
          </Button>
          <Button
            className="min-h-11"
            onClick={() => void record({ kind: "film-seen", coatId: coat.coat.id, word: "string" })}
          >
            Draws no string now
          </Button>
        </div>
      )}
      {told.length > 0 && (
        <ul className="mt-2 text-sm">
          {told.map((event) => (
            <li key={event.id} className="border-t border-line py-1 flex justify-between gap-3">
              <span>{toldWords(event)}</span>
              <span className="label">
                {say(event.at, "d MMM HH:mm")}
                {event.by && `, ${event.by}`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
