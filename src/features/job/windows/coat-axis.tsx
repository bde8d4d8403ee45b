"use client";

import { cutText } from "@/core/units/cut-text";
import { useMemo } from "react";
import { STATE_WORDS } from "@/core/cure/film-states";
import type { CoatWindows, Settings, WindowCoat } from "@/core/schedule/coat-windows";
import type { Trouble } from "@/core/schedule/troubles";
import { useSize } from "@/ui/use-size";
import { useJob } from "../workspace/use-job";
import { BEAM, FLOW, HEAD, HOUR, LEFT, RIGHT, ROW, ROWS } from "@/ui/axis-geometry";
import { Bracket } from "@/ui/bracket";
import { HourLines } from "@/ui/hour-lines";
import { timeAxis } from "@/ui/time-axis";
import { FilmBar } from "@/ui/film-bar";
import { FlowCurve } from "./flow-curve";
import { FilmMoment } from "@/ui/film-moment";
import { nth } from "@/core/numerics/nth";

/** The axis runs from before mixing until the film is past all that is done to it by hand. */
function reach(coat: CoatWindows): [number, number] {
  const ends = [
    ...coat.windows.flatMap(({ untilMin, to }) => [untilMin, to?.high ?? untilMin]),
    coat.mixedAtMin + (coat.life.find(({ state }) => state === "set")?.fromMin.likely ?? 0),
  ].filter(Number.isFinite);
  const from = Math.floor((coat.mixedAtMin - 15) / 30) * 30;
  const until = Math.max(coat.mixedAtMin + 2 * HOUR, ...ends) + 30;
  return [from, Math.min(until, from + 20 * HOUR)];
}

/** Room for the figures of an hour. */
const HOUR_PX = 56;

/** One coat on its own day: its beam, the flow that is left in it, and each pass as a bracket: sure dark, unsure light, where it is planned a mark. */
export function CoatAxis({
  coat,
  of,
  settings,
  troubles,
  nowMin,
}: {
  coat: CoatWindows;
  of: WindowCoat;
  settings: Settings;
  troubles: readonly Trouble[];
  nowMin: number | null;
}) {
  const { ref, width } = useSize<HTMLDivElement>();
  const { system } = useJob();
  const film = useMemo(
    () => ({
      resin: of.resin,
      room: settings.room,
      mixedAtMin: coat.mixedAtMin,
    }),
    [of, settings.room, coat.mixedAtMin],
  );
  const [fromMin, untilMin] = reach(coat);
  const axis = timeAxis({ fromMin, untilMin, leftPx: LEFT, rightPx: width - RIGHT });
  const { x } = axis;
  const ticks = axis.ticks(HOUR_PX);
  const height = ROWS + coat.windows.length * ROW + 4;
  const closed = (atMin: number) =>
    atMin % 1440 < settings.hours.openMin || atMin % 1440 >= settings.hours.closeMin;
  const edges = [fromMin, ...ticks, untilMin].flatMap((at, index, all) =>
    index > 0 && closed((at + nth(all, index - 1)) / 2) ? [[nth(all, index - 1), at] as const] : [],
  );
  return (
    <>
      <div ref={ref} className="w-full" style={{ height }}>
        {width > 0 && (
          <svg
            width={width}
            height={height}
            role="group"
            aria-label={`${coat.name}, its windows`}
            className="block"
          >
            {edges.map(([a, b]) => (
              <rect
                key={a}
                x={x(a)}
                y={HEAD}
                width={x(b) - x(a)}
                height={height - HEAD}
                fill="var(--color-shade)"
              />
            ))}
            <HourLines ticks={ticks} x={x} top={HEAD} bottom={height} />
            <text x={0} y={BEAM.top + 18} fontSize="15" fontWeight="650" fill="var(--color-ink)">
              {coat.name.length > 24 ? `${cutText(coat.name, 23)}…` : coat.name}
            </text>
            <text x={0} y={BEAM.top + 36} fontSize="12" fill="var(--color-ink-soft)">
              {of.resin.name}
            </text>
            <StateNames coat={coat} x={x} untilMin={untilMin} />
            <FilmBar
              life={coat.life}
              mixedAtMin={coat.mixedAtMin}
              x={x}
              untilMin={untilMin}
              top={BEAM.top}
              height={BEAM.height}
            />
            <FlowCurve film={film} life={coat.life} x={x} untilMin={untilMin} />
            {coat.windows.map((window, index) => (
              <Bracket
                key={window.pass.id}
                window={window}
                trouble={troubles.find(({ passId }) => passId === window.pass.id)}
                x={x}
                untilMin={untilMin}
                top={ROWS + index * ROW}
              />
            ))}
            <FilmMoment
              film={film}
              life={coat.life}
              windows={coat.windows}
              name={coat.name}
              filmMm={of.coat.filmMm}
              system={system}
              x={x}
              fromMin={fromMin}
              untilMin={untilMin}
              area={{ top: BEAM.top, height: FLOW.top + FLOW.height - BEAM.top }}
              line={{ top: BEAM.top - 2, bottom: height }}
              box={FLOW.top - 4}
            />
            {nowMin !== null && nowMin >= fromMin && nowMin <= untilMin && (
              <line
                x1={x(nowMin)}
                x2={x(nowMin)}
                y1={HEAD}
                y2={height}
                stroke="var(--color-signal)"
                strokeWidth="2"
              />
            )}
          </svg>
        )}
      </div>
      {coat.windows.length === 0 && (
        <p className="text-ink-soft">
          No pass is planned on this coat. Add its passes in Build: when each is right is drawn here.
        </p>
      )}
    </>
  );
}

const LETTER_PX = 6.8;

/** Names over the borders of the beam, and under each border how sure it is. */
function StateNames({
  coat,
  x,
  untilMin,
}: {
  coat: CoatWindows;
  x: (atMin: number) => number;
  untilMin: number;
}) {
  const { mixedAtMin, life } = coat;
  return life.map(({ state, fromMin }, index) => {
    const from = mixedAtMin + fromMin.likely;
    const to = Math.min(untilMin, mixedAtMin + (life[index + 1]?.fromMin.likely ?? Infinity));
    if (from >= untilMin || to <= from) return null;
    const fits = STATE_WORDS[state].length * LETTER_PX < x(to) - x(from);
    return (
      <g key={state}>
        {fits && (
          <text x={x(from) + 2} y={BEAM.top - 6} fontSize="13" fontWeight="600" fill="var(--color-ink)">
            {STATE_WORDS[state]}
          </text>
        )}
        {index > 0 && (
          <path
            d={`M${x(mixedAtMin + fromMin.low)} ${BEAM.top + BEAM.height + 4}H${x(mixedAtMin + fromMin.high)}M${x(from)} ${BEAM.top}v${BEAM.height + 7}`}
            stroke="var(--color-ink)"
            fill="none"
          />
        )}
      </g>
    );
  });
}
