"use client";

import { addDays, format, parseISO } from "date-fns";
import Link from "next/link";
import { useState, type ReactNode } from "react";
import type { Bench } from "@/contracts/bench";
import { DAY_MIN } from "@/core/schedule/hours";
import { type Trouble } from "@/core/schedule/troubles";
import { TROUBLE_WORDS } from "@/core/schedule/trouble-words";
import type { DayPlan } from "@/core/schedule/plan-days";
import type { Settings } from "@/core/schedule/coat-windows";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { saveFile } from "@/ui/save-file";
import { TextField } from "@/ui/text-field";
import { AdviceAt } from "../workspace/advice-line";
import { useJob, useJobState } from "../workspace/use-job";
import { calendarOf } from "./calendar";
import { CoatAxis } from "./coat-axis";
import { DaysStrip } from "./days-strip";
import { HourField } from "@/ui/hour-field";
import { RoomForm } from "./room-form";
import { Starts, useStarts } from "./starts";
import { useDays } from "./use-days";
import { useClockWords } from "@/ui/shop-clock";

/** The days of the job as beams: a start is pulled, the windows move; what falls in the night is named; a better start is looked for. */
export function WindowsView({
  bench,
  short,
}: {
  bench: Bench;
  /** What the shelf lacks for this job on its day. */
  short: ReactNode;
}) {
  const { hourText, momentText } = useClockWords();
  const { document, system, change } = useJob();
  const job = useJobState((state) => state.job);
  const { startMin, startOn } = document.work;
  const { coats, settings, days, among } = useDays(startMin, bench);
  const [coatId, setCoatId] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const finder = useStarts(coats, settings, among);
  const picked =
    days.coats.find((coat) => coat.coatId === coatId) ??
    days.coats.find(
      (coat) => coats.find((planned) => planned.coat.id === coat.coatId)?.coat.kind === "colour",
    ) ??
    days.coats[0];
  const of = coats.find((planned) => planned.coat.id === picked?.coatId);
  /** A start on a later day moves the first day. */
  const start = (atMin: number) =>
    change((before) => {
      const byDays = Math.floor(atMin / DAY_MIN);
      const { startOn: on, ...work } = before.work;
      const day = on && byDays !== 0 ? format(addDays(parseISO(on), byDays), "yyyy-MM-dd") : on;
      return {
        ...before,
        work: { ...work, startMin: atMin - byDays * DAY_MIN, ...(day ? { startOn: day } : {}) },
      };
    });

  if (!picked || !of)
    return (
      <main className="flex-1 px-7 py-8 text-ink-soft">
        <p className="heading text-xl text-ink mb-1">No coat has a window yet.</p>
        Measure a piece and add a coat with its resin in Build: when each pass is right is drawn here.
      </main>
    );
  const troubles = days.troubles.filter((trouble) => trouble.coatId === picked.coatId);
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-4 pb-5">
      <div className="flex items-end gap-x-5 gap-y-2 flex-wrap">
        <h1 className="heading text-2xl">{momentText(startMin, startOn)}</h1>
        <span className="flex gap-3 off-paper">
          <TextField
            label="First day"
            type="date"
            value={startOn ?? ""}
            frame="w-36"
            onChange={(event) => {
              const on = event.target.value;
              change((before) => {
                const { startOn: _gone, ...work } = before.work;
                return { ...before, work: on ? { ...work, startOn: on } : work };
              });
            }}
          />
          <HourField label="First mix" value={startMin} onChange={start} />
        </span>
        <span className="ml-auto max-sm:ml-0 flex items-baseline gap-x-5 gap-y-2 flex-wrap off-paper">
          <Button weight="quiet" onClick={() => setAsking(true)}>
            {roomWords(settings, system)}, open {hourText(settings.hours.openMin)} to{" "}
            {hourText(settings.hours.closeMin)}
          </Button>
          <Button
            weight="quiet"
            disabled={!startOn}
            title={startOn ? undefined : "Set the first day, then it can go into a calendar."}
            onClick={() => {
              if (startOn)
                saveFile(
                  `${job.name}.ics`,
                  "text/calendar;charset=utf-8",
                  calendarOf(job.name, days, startOn),
                );
            }}
          >
            calendar
          </Button>
          <Link href={`/jobs/${job.id}/sheets/wall`} className="underline underline-offset-4">
            wall page
          </Link>
          <Button weight="primary" onClick={finder.toggle}>
            {finder.busy ? "Looking… stop" : "Find a start"}
          </Button>
        </span>
      </div>
      <Summary days={days} startOn={startOn} />
      {finder.starts && (
        <Starts
          starts={finder.starts}
          startOn={startOn}
          onStart={(atMin) => {
            start(atMin);
            finder.close();
          }}
        />
      )}
      <AdviceAt coatId={null} at={["temperature"]} />
      <Troubles days={days} startOn={startOn} onPick={setCoatId} />
      {short}
      <div className="mt-3">
        <DaysStrip
          days={days}
          startMin={startMin}
          startOn={startOn}
          hours={settings.hours}
          nowMin={settings.nowMin}
          taken={settings.taken ?? []}
          pickedId={picked.coatId}
          onPick={setCoatId}
          onStart={start}
        />
      </div>
      <div className="mt-3 border-t border-ink pt-2">
        <CoatAxis coat={picked} of={of} settings={settings} troubles={troubles} nowMin={settings.nowMin} />
      </div>
      {asking && (
        <Dialog open onClose={() => setAsking(false)} title="The room and the hours" wide>
          <RoomForm />
        </Dialog>
      )}
    </main>
  );
}

/** When hands are off, and when the last coat can be touched again. */
function Summary({ days, startOn }: { days: DayPlan; startOn: string | undefined }) {
  const { shortMoment } = useClockWords();
  const last = days.coats.at(-1);
  if (!last) return null;
  const hard = last.life.find(({ state }) => state === "sandable")?.fromMin;
  return (
    <p className="text-ink-soft mt-1.5">
      last hands-on {shortMoment(last.handsOffMin, startOn)}
      {hard && Number.isFinite(hard.likely) && (
        <>
          {" "}
          · sandable {shortMoment(last.lastMixedAtMin + hard.likely, startOn)}
          {hard.high > hard.low &&
            ` ± ${decimal(Math.max(hard.high - hard.likely, hard.likely - hard.low) / 60, 0)} h`}
        </>
      )}
      {days.troubles.length === 0 && " · nothing at night"}
    </p>
  );
}

/** The room in a few words. */
function roomWords({ room }: Settings, system: UnitSystem): string {
  const temp = (tempC: number) => quantityText(tempC, "temperature", system);
  if (room.kind === "constant") return `room ${temp(room.tempC)}`;
  const all = room.kind === "day" ? [room.coldC, room.warmC] : room.readings.map(([, tempC]) => tempC);
  return `room ${temp(Math.min(...all))} to ${temp(Math.max(...all))}`;
}

const MOST_TROUBLES = 4;

/** What is wrong with this start, coat by coat: acts that share a fault are told together. */
function Troubles({
  days,
  startOn,
  onPick,
}: {
  days: DayPlan;
  startOn: string | undefined;
  onPick: (coatId: string) => void;
}) {
  const { momentText } = useClockWords();
  if (days.troubles.length === 0) return null;
  const groups = new Map<string, Trouble[]>();
  for (const trouble of days.troubles) {
    const key = `${trouble.coatId} ${trouble.kind}`;
    groups.set(key, [...(groups.get(key) ?? []), trouble]);
  }
  const told = [...groups.values()].map((group) => {
    const [first] = group as [Trouble];
    const coat = days.coats.find((laid) => laid.coatId === first.coatId);
    const atMin = coat?.windows.find(({ pass }) => pass.id === first.passId)?.atMin ?? coat?.mixedAtMin;
    return {
      key: `${first.coatId} ${first.kind}`,
      coatId: first.coatId,
      words:
        group.length === 1
          ? first.words
          : `${group.length} acts on ${coat?.name ?? "a coat"}: ${TROUBLE_WORDS[first.kind]}.`,
      from: atMin !== undefined && Number.isFinite(atMin) ? momentText(atMin, startOn) : null,
    };
  });
  return (
    <div role="status">
      <ul aria-label="To look at" className="mt-2 flex flex-col gap-0.5">
        {told.slice(0, MOST_TROUBLES).map(({ key, coatId, words, from }) => (
          <li key={key} className="border-l-[3px] border-ink pl-3 text-sm">
            <button
              type="button"
              className="text-left hover:underline underline-offset-4"
              onClick={() => onPick(coatId)}
            >
              <span className="font-semibold">{words}</span>{" "}
              {from && <span className="text-ink-soft">from {from}</span>}
            </button>
          </li>
        ))}
        {told.length > MOST_TROUBLES && (
          <li className="label pl-3">and {told.length - MOST_TROUBLES} more</li>
        )}
      </ul>
    </div>
  );
}
