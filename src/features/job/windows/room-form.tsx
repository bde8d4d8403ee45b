"use client";

import { useState } from "react";
import type { Room } from "@/core/cure/room";
import type { JobDocument } from "@/core/job/job";
import { hoursOf, roomOf } from "@/core/job/job-settings";
import { readLogger } from "@/core/job/read-logger";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { FileProblems, type FileProblem } from "@/ui/file-problems";
import { QuantityField } from "@/ui/quantity-field";
import { useFileChooser } from "@/ui/use-file-chooser";
import { useJob } from "../workspace/use-job";
import { DayCurve } from "./day-curve";
import { HourField } from "@/ui/hour-field";

/** A reading a minute for three months. */
const MOST_LOG_BYTES = 6_000_000;

/** How warm the room is through the days, when somebody works, and when nobody is woken. */
export function RoomForm() {
  const { document, system, change } = useJob();
  const room = roomOf(document);
  const hours = hoursOf(document);
  const [problems, setProblems] = useState<FileProblem[]>([]);
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
  const chooser = useFileChooser({
    label: "Logger's file",
    accept: ".csv,.txt,text/csv,text/plain",
    onFile: async (file) => {
      if (file.size > MOST_LOG_BYTES)
        return setProblems([
          {
            line: null,
            message: "That is more than a logger writes in years. Cut it to the days of the job.",
          },
        ]);
      const read = readLogger(await file.text());
      setProblems(read.problems);
      if (read.room) setRoom(read.room);
    },
  });
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
      {chooser.input}
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
          else chooser.choose();
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
          <Button weight="quiet" onClick={chooser.choose}>
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
      <FileProblems problems={problems} />
    </div>
  );
}
