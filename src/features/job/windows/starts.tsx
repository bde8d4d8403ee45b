"use client";

import { useEffect, useRef, useState } from "react";
import type { Start } from "@/core/schedule/find-starts";
import type { Hours } from "@/core/schedule/hours";
import { TROUBLE_WORDS } from "@/core/schedule/trouble-words";
import { isSure } from "@/core/schedule/coat-windows";
import type { DayPlan } from "@/core/schedule/plan-days";
import type { Settings, WindowCoat } from "@/core/schedule/coat-windows";
import type { Among } from "@/workers/plan-days.worker";
import { startsWorker } from "./days-worker";
import { useClockWords } from "@/ui/shop-clock";

const same = (a: object, b: object) => JSON.stringify(a) === JSON.stringify(b);

/** Looks for starts, off the main thread. */
export function useStarts(coats: WindowCoat[], settings: Settings, among: Among | null) {
  const { room, hours } = settings;
  const [found, setFound] = useState<{
    starts: Start[];
    of: { coats: WindowCoat[]; room: Settings["room"]; hours: Hours };
  } | null>(null);
  // Found for other coats, another room or other hours, they say nothing any more.
  const starts =
    found?.of.coats.every(({ coat, resin }, at) => coat === coats[at]?.coat && resin === coats[at]?.resin) &&
    same(found.of.room, room) &&
    same(found.of.hours, hours)
      ? found.starts
      : null;
  const [busy, setBusy] = useState(false);
  const cancel = useRef<(() => void) | null>(null);
  useEffect(() => () => cancel.current?.(), []);
  const find = async () => {
    setBusy(true);
    const asked = startsWorker.ask("starts", { coats, settings, among });
    cancel.current = asked.cancel;
    const found = await asked.answer;
    cancel.current = null;
    setBusy(false);
    if (found) setFound({ starts: found, of: { coats, room, hours } });
  };
  return {
    starts,
    busy,
    close: () => setFound(null),
    toggle: () => {
      if (busy) cancel.current?.();
      else if (starts) setFound(null);
      else void find();
    },
  };
}

/** So many reasons against earlier starts are told. */
const MOST_PASSED = 2;

/** The best few starts; each says what it costs, and why none of the earlier ones was taken. */
export function Starts({
  starts,
  startOn,
  onStart,
}: {
  starts: readonly Start[];
  startOn: string | undefined;
  onStart: (startMin: number) => void;
}) {
  const { momentText } = useClockWords();
  const costs = ({ troubles, coats }: DayPlan) => {
    if (troubles.length === 0) {
      const unsure = coats.flatMap(({ windows }) => windows.filter((window) => !isSure(window))).length;
      return unsure === 0
        ? "nothing at night, every window kept"
        : `nothing at night, ${unsure} ${unsure === 1 ? "act" : "acts"} where a window may not be open yet`;
    }
    const kinds = [...new Set(troubles.map(({ kind }) => kind))];
    return kinds
      .map((kind) => {
        const many = troubles.filter((trouble) => trouble.kind === kind).length;
        return `${many} ${many === 1 ? "act" : "acts"} ${TROUBLE_WORDS[kind]}`;
      })
      .join(", ");
  };
  return (
    <ul aria-label="Starts" className="mt-2 flex gap-3 flex-wrap off-paper">
      {starts.map(({ startMin, plan, passedOver }) => (
        <li key={startMin}>
          <button
            type="button"
            onClick={() => onStart(startMin)}
            className="text-left border border-ink px-3 py-2 hover:bg-paper w-72"
          >
            <span className="figure text-lg block">{momentText(startMin, startOn)}</span>
            <span className="label block">{costs(plan)}</span>
            <span className="label block">hands off {momentText(plan.endMin, startOn)}</span>
            {passedOver.slice(0, MOST_PASSED).map(({ kind, many, fromMin, untilMin }) => (
              <span key={kind} className="label block">
                passed over: {momentText(fromMin, startOn)}
                {many > 1 && ` to ${momentText(untilMin, startOn)}`}, acts {TROUBLE_WORDS[kind]}
              </span>
            ))}
          </button>
        </li>
      ))}
      {starts.length === 0 && <li className="text-ink-soft">The shop is never open in these hours.</li>}
    </ul>
  );
}
