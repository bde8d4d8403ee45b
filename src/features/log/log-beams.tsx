"use client";

import { cutText } from "@/core/units/cut-text";
import { useMemo } from "react";
import type { Pour } from "@/contracts/pours";
import type { FilmInRoom } from "@/core/cure/film-in-room";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour } from "@/core/pour/pour-events";
import { pouredDays } from "@/core/pour/poured-days";
import { pulsesOf } from "@/core/cure/heat";
import { runSheet } from "@/core/pour/run-sheet";
import { wallMinutes } from "@/core/shop/wall-clock";
import { doneAgainst } from "@/core/schedule/done-against";
import { startOf, type CoatWindows } from "@/core/schedule/coat-windows";
import type { UnitSystem } from "@/core/units/dimension";
import { FilmBar } from "@/ui/film-bar";
import { HourLines } from "@/ui/hour-lines";
import { timeAxis } from "@/ui/time-axis";
import { FilmMoment } from "@/ui/film-moment";
import { useHydrated } from "@/ui/use-hydrated";
import { useClockWords, useShopClock } from "@/ui/shop-clock";
import { useSize } from "@/ui/use-size";
import { WindowBar } from "@/ui/window-bar";

const LEFT = 190;
/** Room at the right for what is said of each pass. */
const RIGHT = 210;
const HEAD = 24;
const BEAM = 26;
const ROW = 24;
const HOUR_PX = 58;

type Shown = { coat: CoatWindows; film: FilmInRoom; plannedAtMin: Map<string, number> };

/** Each coat that was poured: its film from the real mix, the window of each pass on it, when it was planned and when it was done. */
export function LogBeams({ pour, system }: { pour: Pour; system: UnitSystem }) {
  const { zone } = useShopClock();
  const shown = useMemo((): Shown[] => {
    const plan = derivePlan(pour.plan.document, pour.plan.cards);
    const day = new Date(pour.startedAt);
    const minuteOf = (at: string) => wallMinutes(new Date(at), day, zone);
    const state = foldPour(pour.events);
    const { document } = pour.plan;
    const { coats, room } = pouredDays(
      { plan, document, planned: runSheet(plan, "metric"), state },
      minuteOf,
    );
    return coats.flatMap(({ of, windows: coat }): Shown[] => {
      const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === coat.coatId)?.windows;
      if (of.resin.kind === "paint" || coat.windows.length === 0) return [];
      const late = coat.mixedAtMin - (planned?.mixedAtMin ?? coat.mixedAtMin);
      return [
        {
          coat,
          film: {
            resin: of.resin,
            room,
            mixedAtMin: coat.mixedAtMin,
            pulses: pulsesOf(of.real?.heats ?? []),
          },
          plannedAtMin: new Map(planned?.windows.map(({ pass, untilMin }) => [pass.id, untilMin + late])),
        },
      ];
    });
  }, [pour, zone]);
  // The server does not know the person's hours.
  if (!useHydrated() || shown.length === 0) return null;
  return (
    <section aria-label="Planned against done" className="pt-4">
      <h2 className="heading text-lg">Planned against done</h2>
      <p className="label mb-1">
        The film from its real mix. Bars: when each pass was right, unsure ends lighter. Open mark: planned.
        Full mark: done.
      </p>
      {shown.map((shown) => (
        <CoatLog key={shown.coat.coatId} {...shown} system={system} />
      ))}
    </section>
  );
}

function CoatLog({ coat, film, plannedAtMin, system }: Shown & { system: UnitSystem }) {
  const { hourText } = useClockWords();
  const { ref, width } = useSize<HTMLDivElement>();
  const narrow = width < 700;
  const [left, right] = narrow ? [110, 12] : [LEFT, RIGHT];
  const fromMin = Math.floor((coat.mixedAtMin - 10) / 30) * 30;
  const ends = coat.windows.flatMap(({ untilMin, done, to }) => [
    done ? untilMin : 0,
    Math.min(to?.high ?? 0, coat.mixedAtMin + startOf(coat.life, "set").likely),
  ]);
  const untilMin = Math.max(coat.mixedAtMin + 90, ...ends.filter(Number.isFinite)) + 15;
  const axis = timeAxis({ fromMin, untilMin, leftPx: left, rightPx: width - right });
  const { x } = axis;
  const height = HEAD + BEAM + 8 + coat.windows.length * ROW + 4;
  const letters = narrow ? 14 : 27;
  return (
    <div ref={ref} className="w-full mt-3" style={{ height }}>
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="group"
          aria-label={`${coat.name}, planned against done`}
          className="block overflow-visible"
        >
          <HourLines ticks={axis.ticks(HOUR_PX)} x={x} top={HEAD} bottom={height} />
          <text x={0} y={HEAD + 18} fontSize="15" fontWeight="650" fill="var(--color-ink)">
            {coat.name.length > letters - 4 ? `${cutText(coat.name, letters - 5)}…` : coat.name}
          </text>
          <FilmBar
            life={coat.life}
            mixedAtMin={coat.mixedAtMin}
            x={x}
            untilMin={untilMin}
            top={HEAD}
            height={BEAM}
          />
          {coat.windows.map(({ pass, words, from, to, atMin, done }, index) => {
            const top = HEAD + BEAM + 8 + index * ROW;
            const middle = top + 11;
            const end = to ?? { low: untilMin, likely: untilMin, high: untilMin };
            const planned = plannedAtMin.get(pass.id);
            const against = done ? doneAgainst(atMin, from, to) : null;
            const late = planned === undefined ? 0 : Math.round(atMin - planned);
            const said = against
              ? `${hourText(atMin)} ${against}${Math.abs(late) >= 2 ? `, ${Math.abs(late)} min ${late > 0 ? "later" : "sooner"}` : ""}`
              : "not done";
            return (
              <g key={pass.id} role="img" aria-label={`${words}: ${said}`}>
                <text x={0} y={top + 15} fontSize="13" fill="var(--color-ink)">
                  {words.length > letters ? `${words.slice(0, letters - 1)}…` : words}
                </text>
                <WindowBar from={from} end={end} x={x} middle={middle} height={8} />
                {planned !== undefined && (
                  <path
                    d={`M${x(planned)} ${middle - 8}l6 8-6 8-6-8z`}
                    fill="var(--color-ground)"
                    stroke="var(--color-ink)"
                    strokeWidth="1.5"
                  />
                )}
                {done && <path d={`M${x(atMin)} ${middle - 8}l6 8-6 8-6-8z`} fill="var(--color-ink)" />}
                {!narrow && (
                  <text
                    x={width - right + 12}
                    y={top + 15}
                    fontSize="12"
                    fontWeight={against && against !== "in its window" ? 650 : 400}
                    fill={against ? "var(--color-ink)" : "var(--color-ink-soft)"}
                  >
                    {said}
                  </text>
                )}
              </g>
            );
          })}
          <FilmMoment
            film={film}
            life={coat.life}
            windows={coat.windows}
            name={coat.name}
            system={system}
            x={x}
            fromMin={fromMin}
            untilMin={untilMin}
            area={{ top: HEAD, height: BEAM }}
            line={{ top: HEAD, bottom: height }}
            box={HEAD + BEAM + 2}
          />
        </svg>
      )}
    </div>
  );
}
