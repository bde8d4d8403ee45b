"use client";

import { formatDistanceStrict } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { readRoom, roomReading, type Bench } from "@/contracts/bench";
import { callAct } from "@/contracts/call-act";
import { dewPointC } from "@/core/cure/dew-point";
import type { FilmInRoom } from "@/core/cure/film-in-room";
import { cureSpeed } from "@/core/cure/kinetics";
import { roomTempC } from "@/core/cure/room";
import { roomFaultWords } from "@/core/cure/room-fault-words";
import { roomFaults } from "@/core/cure/room-limits";
import type { LaidJob } from "@/core/schedule/shop-days";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, formatQuantity, otherSystem, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { QuantityField } from "@/ui/quantity-field";
import { useKeptForm } from "@/ui/use-kept-form";

/** A reading older than this says little, h. */
const STALE_H = 4;
/** A room so far off the planned one moves the windows, K. */
const OFF_K = 2;
const DAY_MIN = 24 * 60;

/** Work of today and tomorrow asks for the room, at whatever hour one looks; minutes from midnight of today. */
const TOMORROW_ENDS_MIN = 2 * DAY_MIN;

/** How the room is now, against the limits of every coat that is wet or comes within a day, and against what was planned with. */
export function RoomPanel({
  bench,
  laid,
  films,
  now,
  nowMin,
  system,
}: {
  bench: Bench;
  laid: readonly LaidJob[];
  films: Readonly<Record<string, FilmInRoom>>;
  now: Date | null;
  nowMin: number;
  system: UnitSystem;
}) {
  const [asking, setAsking] = useState(false);
  const { reading } = bench;
  const temp = (tempC: number) => quantityText(tempC, "temperature", system);
  const soon = laid
    .filter(({ stage }) => stage !== "curing")
    .flatMap(({ plan }) =>
      plan.coats.filter(
        ({ mixedAtMin, handsOffMin }) => mixedAtMin < TOMORROW_ENDS_MIN && handsOffMin > nowMin - DAY_MIN,
      ),
    );
  const cards = new Map(
    soon.flatMap(({ coatId }) => (films[coatId] ? [[films[coatId].resin.id, films[coatId].resin]] : [])),
  );
  const faults = reading
    ? [...cards.values()].flatMap((card) => {
        const found = roomFaults(card, reading.tempC, reading.humidityPct);
        return found.length > 0
          ? [{ id: card.id, name: card.name, words: roomFaultWords(found, card, temp) }]
          : [];
      })
    : [];
  const off = reading
    ? laid
        .filter(({ stage, lies }) => stage !== "curing" && lies.fromMin < TOMORROW_ENDS_MIN)
        .flatMap(({ id, name, plan }) => {
          const film = plan.coats.map(({ coatId }) => films[coatId]).find(Boolean);
          const planned = film && roomTempC(film.room, nowMin);
          if (planned === undefined || Math.abs(planned - reading.tempC) < OFF_K) return [];
          const times = cureSpeed(planned) / cureSpeed(reading.tempC);
          return [
            {
              id,
              words: `${name} is planned for ${temp(planned)}: at this everything takes ${decimal(times, 1)} times as long.`,
            },
          ];
        })
    : [];
  const hours = reading && now ? (now.getTime() - Date.parse(reading.at)) / 3600_000 : 0;
  const other = reading && formatQuantity(reading.tempC, "temperature", otherSystem(system));
  return (
    <section aria-label="The room" className="border-l border-line pl-6 max-lg:border-l-0 max-lg:pl-0">
      <p className="label">room</p>
      {reading ? (
        <>
          <p className="flex items-baseline gap-5">
            <span className="figure text-4xl leading-tight">
              {formatQuantity(reading.tempC, "temperature", system).number}
              <span className="unit">{formatQuantity(reading.tempC, "temperature", system).unit}</span>
            </span>
            {reading.humidityPct !== null && (
              <span className="figure text-3xl">
                {Math.round(reading.humidityPct)}
                <span className="unit">%</span>
              </span>
            )}
          </p>
          <p className="label">
            {other && `${other.number} ${other.unit}`}
            {reading.humidityPct !== null &&
              ` · dew point ${temp(dewPointC(reading.tempC, reading.humidityPct))}`}
          </p>
          <p className={hours > STALE_H ? "text-xs font-semibold mt-1" : "label mt-1"}>
            read {now && `${formatDistanceStrict(new Date(reading.at), now)} ago `}by {reading.readBy}
          </p>
          {cards.size > 0 && faults.length === 0 && (
            <p className="text-sm mt-2">
              Right for {cards.size === 1 ? "the resin" : `all ${cards.size} resins`} in use.
            </p>
          )}
          {faults.map(({ id, name, words }) => (
            <p key={id} className="border-l-[3px] border-ink pl-2 mt-2 text-sm">
              <span className="font-semibold">{name}</span>: {words}.
            </p>
          ))}
          {off.slice(0, 2).map(({ id, words }) => (
            <p key={id} className="border-l-[3px] border-ink pl-2 mt-2 text-sm">
              {words}
            </p>
          ))}
        </>
      ) : (
        <p className="text-ink-soft my-1">Nobody has read the thermometer here yet.</p>
      )}
      <Button weight="quiet" className="mt-2" onClick={() => setAsking(true)}>
        read it now
      </Button>
      {asking && (
        <Dialog open onClose={() => setAsking(false)} title="The room now">
          <ReadingForm start={reading} system={system} onDone={() => setAsking(false)} />
        </Dialog>
      )}
    </section>
  );
}

/** What the thermometer and the hygrometer say. What was typed stays when the server does not answer. */
function ReadingForm({
  start,
  system,
  onDone,
}: {
  start: Bench["reading"];
  system: UnitSystem;
  onDone: () => void;
}) {
  const router = useRouter();
  const [id] = useState(() => crypto.randomUUID());
  const form = useKeptForm({
    key: "bench.reading",
    schema: roomReading.pick({ tempC: true, humidityPct: true }),
    start: { tempC: start?.tempC ?? 21, humidityPct: start?.humidityPct ?? null },
    send: async (read) => {
      const result = await callAct(readRoom, { reading: { id, at: new Date().toISOString(), ...read } });
      if (!result.ok) return result.error;
      onDone();
      router.refresh();
      return null;
    },
  });
  const { values: draft, set } = form;
  const problem = form.problemBeside();
  return (
    <form onSubmit={form.submit}>
      <div className="flex gap-4">
        <QuantityField
          label="Temperature"
          value={draft.tempC}
          dimension="temperature"
          system={system}
          bounds={{ min: -30, max: 60 }}
          onChange={(tempC) => set({ tempC })}
          className="w-36"
          autoFocus
        />
        <QuantityField
          label="Humidity, if you know it"
          value={draft.humidityPct}
          dimension="percent"
          system={system}
          bounds={{ min: 1, max: 100 }}
          onChange={(humidityPct) => set({ humidityPct })}
          onClear={() => set({ humidityPct: null })}
          className="w-40"
          bare
        />
      </div>
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-3">
          {problem}
        </p>
      )}
      <Button type="submit" weight="primary" className="mt-4">
        Keep the reading
      </Button>
    </form>
  );
}
