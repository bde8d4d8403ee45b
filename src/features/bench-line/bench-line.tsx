"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { useEffect, useState } from "react";
import type { UnitSystem } from "@/core/units/dimension";
import { begunPath } from "@/offline/outbox";
import { Beam } from "@/ui/beam";
import { useWetHere } from "./use-wet-here";
import type { WetNow } from "./wet-now";

/** Minutes from now to a time, as m:ss or h:mm; "now" when it is due. */
function untilWords(dueAt: string, now: number): string {
  const seconds = Math.round((Date.parse(dueAt) - now) / 1000);
  if (seconds <= 0) return "now";
  if (seconds < 3600) return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
  return `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, "0")}`;
}

/** Foot of every view: what is wet now, its beam, the next act and the time to it. Folds to a hairline when nothing is wet. */
export function BenchLine({
  wet: known,
  units,
  shownAt,
}: {
  wet: WetNow[];
  units: UnitSystem;
  /** When the page was made. */
  shownAt: string;
}) {
  const wet = useWetHere(known, units, shownAt);
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, []);
  // What has set is no longer wet: it leaves the line, not the log.
  const shown =
    now === null
      ? wet
      : wet.filter(
          (wet) =>
            (now - Date.parse(wet.mixedAt)) / 60000 <
            (wet.life.find((start) => start.state === "recoat")?.fromMin.likely ?? Infinity),
        );
  // The bench shows all of it, and larger.
  const first = usePathname() === "/bench" ? undefined : shown[0];
  if (!first) return <div className="off-paper h-px bg-ink" />;
  const elapsedMin = now === null ? null : (now - Date.parse(first.mixedAt)) / 60000;
  const until = (first.life.find((start) => start.state === "set")?.fromMin.likely ?? 360) * 1.25;
  return (
    <aside
      aria-label="Wet now"
      className="off-paper bg-night text-night-ink px-7 h-[62px] flex items-center gap-8 overflow-hidden max-lg:sticky max-lg:bottom-0 max-lg:z-10 print:hidden"
    >
      <Link
        prefetch={false}
        href={first.begunHere ? begunPath(first.pourId) : `/pours/${first.pourId}`}
        className="text-xs leading-4 w-44 max-sm:w-auto max-sm:flex-1 max-sm:min-w-0 shrink-0 hover:underline underline-offset-4"
      >
        <span className="text-night-soft">
          Wet now{shown.length > 1 ? `, and ${shown.length - 1} more` : ""}
        </span>
        <br />
        <span className="block truncate">{first.jobName}</span>
      </Link>
      <div className="flex-1 min-w-0 overflow-hidden max-sm:hidden">
        <Beam life={first.life} nowMin={elapsedMin} untilMin={until} width={760} height={14} dark />
      </div>
      {first.next && (
        <div className="text-right shrink-0">
          <div className="text-2xs text-night-soft">
            next: {first.next.title.charAt(0).toLowerCase() + first.next.title.slice(1)}
          </div>
          <div className="figure text-xl">{now === null ? "" : untilWords(first.next.dueAt, now)}</div>
        </div>
      )}
    </aside>
  );
}
