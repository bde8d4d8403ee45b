"use client";

import type { Bench } from "@/contracts/bench";
import { DAY_MIN } from "@/core/schedule/hours";
import { actsOf, type Act } from "@/core/schedule/acts";
import { type Trouble } from "@/core/schedule/troubles";
import { TROUBLE_WORDS } from "@/core/schedule/trouble-words";
import type { DayPlan } from "@/core/schedule/plan-days";
import { quantityText } from "@/core/units/format-quantity";
import { useClockWords } from "@/ui/shop-clock";
import { DaysStrip } from "../windows/days-strip";
import { useDays } from "../windows/use-days";
import { useJob } from "../workspace/use-job";
import { PaperBox, SheetPage } from "./sheet-page";

/** Until when an act is right, with its unsure ends. */
function untilWords(to: Act["to"], hourText: (atMin: number) => string): string {
  if (!to || !Number.isFinite(to.likely)) return "";
  const unsure = Math.round(to.high - to.low) > 1 ? ` (${hourText(to.low)} to ${hourText(to.high)})` : "";
  return `${hourText(to.likely)}${unsure}`;
}

/** Every act of the days with what is wrong with its hour. */
function linesOf({ coats, troubles }: DayPlan): (Act & { key: string; trouble: Trouble | null })[] {
  return actsOf(coats).map((act) => {
    const { coatId, batch, pass } = act;
    const trouble = troubles.find((found) => found.coatId === coatId && found.passId === (pass?.id ?? null));
    return {
      ...act,
      key: `${coatId} ${pass?.id ?? "mix"} ${batch}`,
      trouble: batch === null || batch === 1 ? (trouble ?? null) : null,
    };
  });
}

/** The days on one page for the wall: the beams, and every act with its hour, until when it is right, and a box. */
export function WallSheetView({ jobId, bench }: { jobId: string; bench: Bench }) {
  const { document, system } = useJob();
  const { dayText, hourText } = useClockWords();
  const { startMin, startOn } = document.work;
  const { settings, days } = useDays(startMin, bench);
  const lines = linesOf(days);
  const dayOf = (atMin: number) => Math.floor(atMin / DAY_MIN);
  const { room } = settings;
  const temps =
    room.kind === "constant"
      ? [room.tempC]
      : room.kind === "day"
        ? [room.coldC, room.warmC]
        : [
            Math.min(...room.readings.map(([, tempC]) => tempC)),
            Math.max(...room.readings.map(([, tempC]) => tempC)),
          ];
  return (
    <SheetPage jobId={jobId} kind="wall page">
      {lines.length === 0 ? (
        <p>No coat has a window yet: measure a piece and add a coat with its resin in Build.</p>
      ) : (
        <>
          <p className="text-sm mb-2">
            Room {temps.map((tempC) => quantityText(tempC, "temperature", system)).join(" to ")}
            {document.work.humidityPct !== undefined && `, ${Math.round(document.work.humidityPct)} %`}. Hours
            are computed for it; in another room they are others.
          </p>
          <div className="w-[738px] print:w-[186mm] overflow-hidden">
            <DaysStrip
              days={days}
              startMin={startMin}
              startOn={startOn}
              hours={settings.hours}
              nowMin={null}
              taken={settings.taken ?? []}
              pickedId={null}
              onPick={() => {}}
              onStart={null}
            />
          </div>
          <table className="w-full text-sm mt-3">
            <thead>
              <tr className="text-left text-xs">
                <th className="font-normal py-1 w-8">
                  <span className="sr-only">Done</span>
                </th>
                <th className="font-normal w-16">at</th>
                <th className="font-normal">what</th>
                <th className="font-normal">coat</th>
                <th className="font-normal text-right">right until</th>
              </tr>
            </thead>
            <tbody>
              {lines.map((line, index) => {
                const before = lines[index - 1];
                return [
                  !before || dayOf(before.atMin) !== dayOf(line.atMin) ? (
                    <tr key={`${line.key} day`}>
                      <th colSpan={5} className="heading text-lg text-left border-b border-black pt-2 pb-0.5">
                        {dayText(dayOf(line.atMin), startOn)}
                      </th>
                    </tr>
                  ) : null,
                  <tr key={line.key} className="border-b border-black/40 break-inside-avoid">
                    <td className="py-px leading-none">
                      <PaperBox />
                    </td>
                    <td className="figure">{hourText(line.atMin)}</td>
                    <td>
                      <span className="font-semibold">{line.words}</span>
                      {line.trouble && ` · ${TROUBLE_WORDS[line.trouble.kind]}`}
                    </td>
                    <td>{line.coatName}</td>
                    <td className="text-right whitespace-nowrap">{untilWords(line.to, hourText)}</td>
                  </tr>,
                ];
              })}
            </tbody>
          </table>
        </>
      )}
    </SheetPage>
  );
}
