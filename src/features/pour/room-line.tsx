"use client";

import type { ClimateReading } from "@/core/instruments/climate-line";
import { roomFaultWords } from "@/core/cure/room-fault-words";
import { limitsOf, roomFaults } from "@/core/cure/room-limits";
import type { ResinCard } from "@/core/cure/resin-card";
import { quantityText } from "@/core/units/format-quantity";
import type { UnitSystem } from "@/core/units/dimension";

/** So near a limit is told before it is reached, K and %. */
const NEAR_K = 1;
const NEAR_PCT = 5;

/** What is wrong with the room for what lies or comes, or will be soon; nothing where it is right. */
export function RoomLine({
  reading,
  cards,
  system,
}: {
  reading: ClimateReading;
  /** Of the coats that are not hard yet. */
  cards: readonly ResinCard[];
  system: UnitSystem;
}) {
  const { tempC, humidityPct, surfaceC } = reading;
  const temp = (value: number) => quantityText(value, "temperature", system);
  const said = cards.flatMap((card) => {
    const faults = roomFaults(card, tempC, humidityPct, Math.min(tempC, surfaceC ?? tempC));
    if (faults.length > 0) return [{ card, over: true, words: roomFaultWords(faults, card, temp) }];
    const { fromC, toC, humidityMaxPct } = limitsOf(card);
    const near =
      tempC < fromC + NEAR_K || tempC > toC - NEAR_K || (humidityPct ?? 0) > humidityMaxPct - NEAR_PCT;
    const wants = `it wants ${temp(fromC)} to ${temp(toC)}, ${humidityMaxPct} % at most`;
    return near ? [{ card, over: false, words: `near its limits; ${wants}` }] : [];
  });
  const worst = said.find(({ over }) => over) ?? said[0];
  if (!worst) return null;
  return (
    <p
      role="status"
      className={`px-8 max-md:px-4 py-2 text-lg leading-tight border-b ${worst.over ? "border-danger-night text-danger-night" : "border-signal-night text-signal-night"}`}
    >
      Room {temp(tempC)}
      {humidityPct !== null && `, ${Math.round(humidityPct)} %`}
      {surfaceC !== null && `, surface ${temp(surfaceC)}`}: {worst.card.name}{" "}
      {worst.over ? "finds it " : "is "}
      {worst.words}.
    </p>
  );
}
