"use client";

import { useState } from "react";
import type { Room } from "@/core/cure/room";
import type { JobDocument } from "@/core/job/job";
import { hoursOf, roomOf } from "@/core/job/job-settings";
import { loggerReading, roomOfReadings, saysFahrenheit, type LoggerReading } from "@/core/job/read-logger";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { CsvDialog } from "@/ui/csv-dialog";
import type { CsvColumn } from "@/ui/csv-table";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";
import { DayCurve } from "./day-curve";
import { HourField } from "@/ui/hour-field";

const LOGGER: readonly CsvColumn<"when" | "temp">[] = [
  {
    key: "when",
    words: "Date and hour, or minutes",
    known: /time|date|stamp|minute|^t$|zeit|column 1/i,
    needed: true,
  },
  { key: "temp", words: "Temperature", known: /temp|°|celsius|fahrenheit|^c$|^f$|column 2/i, needed: true },
];

/** How warm the room is through the days, when somebody works, and when nobody is woken. */
export function RoomForm() {
  const { document, system, change } = useJob();
  const room = roomOf(document);
  const hours = hoursOf(document);
  const [reading, setReading] = useState(false);
  const setRoom = (next: Room) =>
    change((job) => ({
      ...job,
      work: {
        ...job.work,
        room: next,
        // Batches and pots go by one temperature: that of a room that has one.
        ...(next.kind === "constant" ? { tempC: next.tempC } : {}),
      },
    }));
  const setWork = (next: Partial<JobDocument["work"]>) =>
    change((job) => ({ ...job, work: { ...job.work, ...next } }));
  const setHours = (next: Partial<typeof hours>) => setWork({ hours: { ...hours, ...next } });
  const temp = (label: string, value: number, set: (tempC: number) => void) => (
    <QuantityField
      label={label}
      value={value}
      dimension="temperature"
      system={system}
      bounds={{ min: -40, max: 60 }}
      onChange={set}
      className="w-24"
      bare
    />
  );
  const start = (kind: Room["kind"]): Room | null => {
    const tempC = document.work.tempC;
    if (kind === "constant") return { kind, tempC };
    if (kind === "day")
      return { kind, coldC: tempC - 3, coldAtMin: 5 * 60, warmC: tempC + 2, warmAtMin: 15 * 60 };
    return null;
  };
  return (
    <div className="flex items-end gap-x-4 gap-y-2 flex-wrap">
      <Choice
        label="The room"
        value={room.kind}
        options={[
          { value: "constant", words: "one temperature" },
          { value: "day", words: "by the day" },
          { value: "logger", words: "logger" },
        ]}
        onChange={(kind) => {
          const next = start(kind);
          if (next) setRoom(next);
          else setReading(true);
        }}
        className="mb-0.5"
      />
      {room.kind === "constant" && temp("Room", room.tempC, (tempC) => setRoom({ ...room, tempC }))}
      {room.kind === "day" && (
        <>
          {temp("Coldest", room.coldC, (coldC) => setRoom({ ...room, coldC }))}
          <HourField
            label="at"
            value={room.coldAtMin}
            onChange={(coldAtMin) => setRoom({ ...room, coldAtMin })}
          />
          {temp("Warmest", room.warmC, (warmC) => setRoom({ ...room, warmC }))}
          <HourField
            label="at "
            value={room.warmAtMin}
            onChange={(warmAtMin) => setRoom({ ...room, warmAtMin })}
          />
        </>
      )}
      {room.kind === "day" && <DayCurve room={room} system={system} onRoom={setRoom} />}
      {room.kind === "logger" && (
        <p className="text-sm pb-1.5">
          {room.readings.length} readings,{" "}
          {quantityText(Math.min(...room.readings.map(([, tempC]) => tempC)), "temperature", system)} to{" "}
          {quantityText(Math.max(...room.readings.map(([, tempC]) => tempC)), "temperature", system)}{" "}
          <Button weight="quiet" onClick={() => setReading(true)}>
            another file
          </Button>
        </p>
      )}
      <QuantityField
        label="Humidity"
        value={document.work.humidityPct ?? null}
        dimension="percent"
        system={system}
        bounds={{ min: 1, max: 100 }}
        onChange={(humidityPct) => setWork({ humidityPct })}
        onClear={() =>
          change((job) => {
            const { humidityPct: _gone, ...work } = job.work;
            return { ...job, work };
          })
        }
        className="w-24"
        bare
      />
      <span className="border-l border-line-strong pl-4 flex gap-3 flex-wrap">
        <HourField label="Open from" value={hours.openMin} onChange={(openMin) => setHours({ openMin })} />
        <HourField label="until" value={hours.closeMin} onChange={(closeMin) => setHours({ closeMin })} />
        <HourField
          label="Asleep from"
          value={hours.sleepFromMin}
          onChange={(sleepFromMin) => setHours({ sleepFromMin })}
        />
        <HourField
          label="until "
          value={hours.sleepToMin}
          onChange={(sleepToMin) => setHours({ sleepToMin })}
        />
      </span>
      {reading && (
        <CsvDialog<"when" | "temp", LoggerReading>
          title="Logger's file"
          hint="Times as 2026-03-14 08:30, of which the first day stands for the first day of the job, or plain minutes. °F where the head of the column says so."
          columns={LOGGER}
          read={({ when, temp }, headOf) => loggerReading(when, temp, saysFahrenheit(headOf("temp")))}
          told={(readings) => `${readings.length} readings`}
          take={async (readings) => {
            const next = roomOfReadings(readings);
            if (next) setRoom(next);
            return Promise.resolve(null);
          }}
          onClose={() => setReading(false)}
        />
      )}
    </div>
  );
}
