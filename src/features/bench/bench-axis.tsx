"use client";

import { format } from "date-fns";
import Link from "next/link";
import { SHORT_WORDS, stateAt } from "@/core/cure/film-states";
import { DAY_MIN, type Hours } from "@/core/schedule/hours";
import type { LaidJob } from "@/core/schedule/shop-days";
import { startOf, type CoatWindows, type PassWindow } from "@/core/schedule/windows";
import type { UnitSystem } from "@/core/units/dimension";
import { dayText, hourText } from "@/ui/clock-words";
import { FilmBar } from "@/ui/film-bar";
import { FilmMoment } from "@/ui/film-moment";
import { useSize } from "@/ui/use-size";
import type { ShopAnswer } from "@/workers/plan-shop.worker";

const LEFT = 216;
const HEAD = 30;
const JOB = 26;
/** A coat's row: where there is room its beam is taller, with the names of its states over it. */
type Tall = { row: number; beamTop: number; beam: number; names: boolean };
const LOW: Tall = { row: 27, beamTop: 5, beam: 16, names: false };
const TALL: Tall = { row: 50, beamTop: 20, beam: 24, names: true };
/** More coats than this have low rows. */
const MOST_TALL = 6;
const HANDS = 34;
/** How much of what was is shown, min. */
const BEFORE_MIN = 3 * 60;
/** Room for an hour's figures. */
const HOUR_PX = 44;
/** And for a day's name beside them. */
const DAY_PX = 62;

const STAGE_WORDS: Record<LaidJob["stage"], string> = { wet: "wet", curing: "hardening", planned: "to come" };

type Row =
  | { kind: "job"; job: ShopAnswer["laid"][number]; top: number }
  | { kind: "coat"; job: ShopAnswer["laid"][number]; coat: CoatWindows; top: number };

/** Jobs with the coats of which something is seen in a stretch of time, one under the other. */
function rowsOf(
  laid: ShopAnswer["laid"],
  fromMin: number,
  untilMin: number,
): { rows: Row[]; height: number; tall: Tall } {
  const seen = laid.flatMap((job) => {
    const coats = job.plan.coats.filter(({ mixedAtMin, life, windows, lastMixedAtMin }) => {
      const ends = lastMixedAtMin + startOf(life, "sandable").likely;
      return mixedAtMin < untilMin && (ends > fromMin || windows.some(({ done }) => !done));
    });
    return coats.length > 0 ? [{ job, coats }] : [];
  });
  const tall = seen.reduce((sum, { coats }) => sum + coats.length, 0) > MOST_TALL ? LOW : TALL;
  const rows: Row[] = [];
  let top = HEAD;
  for (const { job, coats } of seen) {
    rows.push({ kind: "job", job, top });
    top += JOB;
    for (const coat of coats) {
      rows.push({ kind: "coat", job, coat, top });
      top += tall.row;
    }
    top += 6;
  }
  return { rows, height: top, tall };
}

/** All that is wet and to come on one axis of time: beams, passes as marks, the hours of the shop, the hands. */
export function BenchAxis({
  shop,
  hours,
  hands,
  nowMin,
  today,
  spanMin,
  system,
  hrefOf,
}: {
  shop: ShopAnswer;
  hours: Hours;
  hands: number;
  nowMin: number;
  today: Date;
  spanMin: number;
  system: UnitSystem;
  hrefOf: (id: string) => string;
}) {
  const { ref, width } = useSize<HTMLDivElement>();
  const left = width < 640 ? 120 : LEFT;
  const fromMin = Math.floor((nowMin - BEFORE_MIN) / 60) * 60;
  const untilMin = fromMin + spanMin;
  const room = Math.max(1, width - left);
  const x = (atMin: number) =>
    left + ((Math.min(untilMin, Math.max(fromMin, atMin)) - fromMin) / spanMin) * room;
  const { rows, height: rowsHeight, tall } = rowsOf(shop.laid, fromMin, untilMin);
  const height = rowsHeight + HANDS;
  const startOn = format(today, "yyyy-MM-dd");
  const step = [60, 120, 180, 360, 720].find((minutes) => (minutes / spanMin) * room >= HOUR_PX) ?? DAY_MIN;
  const ticks = Array.from(
    { length: Math.floor(spanMin / step) + 1 },
    (_, index) => Math.ceil(fromMin / step) * step + index * step,
  ).filter((at) => at <= untilMin);
  const days = Array.from(
    { length: Math.ceil(spanMin / DAY_MIN) + 1 },
    (_, index) => Math.floor(fromMin / DAY_MIN) + index,
  );
  if (rows.length === 0)
    return <p className="text-ink-soft py-6">Nothing is wet, and nothing is planned for these days.</p>;
  return (
    <div ref={ref} className="w-full" style={{ height }}>
      {width > 0 && (
        <svg width={width} height={height} role="group" aria-label="The shop on one clock" className="block">
          {days.flatMap((day) => [
            <Closed
              key={`${day} early`}
              a={day * DAY_MIN}
              b={day * DAY_MIN + hours.openMin}
              x={x}
              height={height}
            />,
            <Closed
              key={`${day} late`}
              a={day * DAY_MIN + hours.closeMin}
              b={(day + 1) * DAY_MIN}
              x={x}
              height={height}
            />,
          ])}
          {ticks.map((at) => {
            const midnight = at % DAY_MIN === 0;
            // A day's name takes the room of the hours beside it.
            const crowded =
              !midnight && ticks.some((day) => day % DAY_MIN === 0 && Math.abs(x(day) - x(at)) < DAY_PX);
            return (
              <g key={at}>
                <line
                  x1={x(at)}
                  x2={x(at)}
                  y1={HEAD - 8}
                  y2={height}
                  stroke={midnight ? "var(--color-line-strong)" : "var(--color-line)"}
                />
                <text
                  x={x(at)}
                  y={14}
                  fontSize="13"
                  fontWeight={midnight ? 600 : 400}
                  textAnchor={at === fromMin ? "start" : at === untilMin ? "end" : "middle"}
                  fill={midnight ? "var(--color-ink)" : "var(--color-ink-soft)"}
                >
                  {midnight ? dayText(at / DAY_MIN, startOn) : crowded ? "" : hourText(at)}
                </text>
              </g>
            );
          })}
          {rows.map((row) =>
            row.kind === "job" ? (
              <JobRow
                key={`job ${row.job.id}`}
                job={row.job}
                top={row.top}
                width={width}
                href={hrefOf(row.job.id)}
              />
            ) : (
              <CoatRow
                key={row.coat.coatId}
                coat={row.coat}
                job={row.job}
                top={row.top}
                left={left}
                tall={tall}
                x={x}
                nowMin={nowMin}
                untilMin={untilMin}
              />
            ),
          )}
          <HandsRow
            laid={shop.laid}
            hands={hands}
            top={rowsHeight + 8}
            x={x}
            left={left}
            fromMin={fromMin}
            untilMin={untilMin}
          />
          {rows.map((row) => {
            const film = row.kind === "coat" ? shop.films[row.coat.coatId] : undefined;
            if (row.kind !== "coat" || !film || film.card.kind === "paint") return null;
            return (
              <FilmMoment
                key={row.coat.coatId}
                film={film}
                life={row.coat.life}
                windows={row.coat.windows}
                name={`${row.job.name}, ${row.coat.name}`}
                system={system}
                x={x}
                fromMin={fromMin}
                untilMin={untilMin}
                area={{ top: row.top, height: tall.row }}
                line={{ top: row.top, bottom: row.top + tall.row }}
                box={row.top + tall.row > height - 70 ? row.top - 60 : row.top + tall.row}
              />
            );
          })}
          <g pointerEvents="none">
            <line
              x1={x(nowMin)}
              x2={x(nowMin)}
              y1={HEAD - 8}
              y2={height}
              stroke="var(--color-signal)"
              strokeWidth="2"
            />
            <path d={`M${x(nowMin) - 7} ${HEAD - 14}h14l-7 9z`} fill="var(--color-signal)" />
          </g>
        </svg>
      )}
    </div>
  );
}

/** Hours in which the shop is closed. */
function Closed({ a, b, x, height }: { a: number; b: number; x: (at: number) => number; height: number }) {
  return x(b) > x(a) ? (
    <rect x={x(a)} y={HEAD - 8} width={x(b) - x(a)} height={height - HEAD + 8} fill="var(--color-shade)" />
  ) : null;
}

/** From so many minutes on a job is said to be behind its plan. */
const BEHIND_MIN = 5;

function JobRow({
  job: { name, stage, behindMin },
  top,
  width,
  href,
}: {
  job: ShopAnswer["laid"][number];
  top: number;
  width: number;
  href: string;
}) {
  const behind =
    stage === "wet" && behindMin !== null && Math.abs(behindMin) >= BEHIND_MIN
      ? `, ${behindMin > 0 ? `${lengthWords(behindMin)} behind` : `${lengthWords(-behindMin)} ahead of`} its plan`
      : "";
  return (
    <g>
      <line x1={0} x2={width} y1={top} y2={top} stroke="var(--color-line-strong)" />
      <Link href={href}>
        <text x={0} y={top + 18} fontSize="15" fill="var(--color-ink)">
          <tspan fontWeight="650">{name}</tspan>
          <tspan fill="var(--color-ink-soft)" fontSize="13" dx="8">
            {STAGE_WORDS[stage]}
            {behind}
          </tspan>
        </text>
      </Link>
    </g>
  );
}

const lengthWords = (minutes: number) =>
  minutes < 90
    ? `${Math.round(minutes)} min`
    : minutes < 2880
      ? `${Math.round(minutes / 60)} h`
      : `${Math.round(minutes / 1440)} days`;

function CoatRow({
  coat,
  job,
  top,
  left,
  tall,
  x,
  nowMin,
  untilMin,
}: {
  coat: CoatWindows;
  job: LaidJob;
  top: number;
  left: number;
  tall: Tall;
  x: (atMin: number) => number;
  nowMin: number;
  untilMin: number;
}) {
  const state =
    coat.mixedBatches > 0 && left >= LEFT ? SHORT_WORDS[stateAt(coat.life, nowMin - coat.mixedAtMin)] : null;
  const beamTop = top + tall.beamTop;
  const letters = Math.floor((left - 14) / 7) - (state ? state.length : 0);
  const bad = (pass: PassWindow) => job.plan.troubles.some(({ passId }) => passId === pass.pass.id);
  const late = job.plan.troubles.some(({ coatId, passId }) => coatId === coat.coatId && passId === null);
  return (
    <g>
      <text
        x={0}
        y={top + tall.beamTop + tall.beam / 2 + 5}
        fontSize="14"
        fill="var(--color-ink)"
        fontWeight={late ? 650 : 400}
      >
        {coat.name.length > letters ? `${coat.name.slice(0, letters - 1)}…` : coat.name}
        {state && (
          <tspan fill="var(--color-ink-soft)" fontSize="13" fontWeight="400" dx="7">
            {state}
          </tspan>
        )}
      </text>
      <g opacity={coat.mixedBatches > 0 ? 1 : 0.62}>
        <FilmBar
          life={coat.life}
          mixedAtMin={coat.mixedAtMin}
          x={x}
          untilMin={untilMin}
          top={top + tall.beamTop}
          height={tall.beam}
        />
      </g>
      {tall.names && <StateNames coat={coat} x={x} untilMin={untilMin} y={beamTop - 5} />}
      {coat.windows.map((window) =>
        Number.isFinite(window.atMin) && x(window.atMin) > left && window.atMin < untilMin ? (
          <g key={window.pass.id}>
            <line
              x1={x(window.atMin)}
              x2={x(window.atMin)}
              y1={beamTop + (window.done ? tall.beam / 2 : -3)}
              y2={beamTop + tall.beam + 3}
              stroke="var(--color-ink)"
              strokeWidth={window.done ? 1 : 1.5}
            />
            {bad(window) && (
              <rect x={x(window.atMin) - 3} y={beamTop - 6} width="6" height="6" fill="var(--color-ink)" />
            )}
          </g>
        ) : null,
      )}
    </g>
  );
}

const LETTER_PX = 6.8;

/** The state's name over the begin of its stretch, where there is room for it. */
function StateNames({
  coat: { life, mixedAtMin },
  x,
  untilMin,
  y,
}: {
  coat: CoatWindows;
  x: (atMin: number) => number;
  untilMin: number;
  y: number;
}) {
  return life.map(({ state, fromMin }, index) => {
    const from = mixedAtMin + fromMin.likely;
    const to = Math.min(untilMin, mixedAtMin + (life[index + 1]?.fromMin.likely ?? Infinity));
    const fits = from < untilMin && SHORT_WORDS[state].length * LETTER_PX < x(to) - x(from);
    return fits ? (
      <text key={state} x={x(from) + 2} y={y} fontSize="12" fontWeight="600" fill="var(--color-ink)">
        {SHORT_WORDS[state]}
      </text>
    ) : null;
  });
}

/** When the hands have work; more work than hands stands out. */
function HandsRow({
  laid,
  hands,
  top,
  x,
  left,
  fromMin,
  untilMin,
}: {
  laid: readonly LaidJob[];
  hands: number;
  top: number;
  x: (atMin: number) => number;
  left: number;
  fromMin: number;
  untilMin: number;
}) {
  const busy = laid.flatMap((job) => job.busy).filter((one) => one.toMin > fromMin && one.fromMin < untilMin);
  const edges = [...new Set(busy.flatMap((one) => [one.fromMin, one.toMin]))].sort((a, b) => a - b);
  const stretches = edges.slice(1).map((to, index) => {
    const from = edges[index] as number;
    const used = busy
      .filter((one) => one.fromMin < to && one.toMin > from)
      .reduce((sum, one) => sum + one.hands, 0);
    return { from, to, used };
  });
  const tall = 16;
  return (
    <g role="img" aria-label="When the hands have work">
      <line x1={0} x2={x(untilMin)} y1={top - 4} y2={top - 4} stroke="var(--color-line-strong)" />
      <text x={0} y={top + 15} fontSize="14" fill="var(--color-ink)">
        hands{hands > 1 ? `, ${hands} pairs` : ""}
      </text>
      <line
        x1={left}
        x2={x(untilMin)}
        y1={top + tall + 2}
        y2={top + tall + 2}
        stroke="var(--color-line-strong)"
      />
      {stretches
        .filter(({ used, from, to }) => used > 0 && x(to) > x(from))
        .map(({ from, to, used }) => {
          const full = Math.min(1, used / hands) * tall;
          return (
            <rect
              key={from}
              x={x(from)}
              y={top + tall + 2 - full}
              width={Math.max(1, x(to) - x(from))}
              height={full}
              fill={used > hands ? "var(--color-ink)" : "var(--color-ink-soft)"}
            />
          );
        })}
    </g>
  );
}
