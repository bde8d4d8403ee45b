"use client";

import Link from "next/link";
import { DAY_MIN, type Hours } from "@/core/schedule/hours";
import type { LaidJob } from "@/core/schedule/shop-days";
import { startOf, type CoatWindows } from "@/core/schedule/coat-windows";
import type { UnitSystem } from "@/core/units/dimension";
import { FilmMoment } from "@/ui/film-moment";
import { useClockWords, useShopClock } from "@/ui/shop-clock";
import { timeAxis } from "@/ui/time-axis";
import { useSize } from "@/ui/use-size";
import type { ShopAnswer } from "@/workers/plan-shop.worker";
import { CoatRow, LOW, TALL, type Tall } from "./coat-row";
import { HandsRow } from "./hands-row";

const LEFT = 216;
const HEAD = 30;
const JOB = 26;
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
  const { dayText, hourText } = useClockWords();
  const { say } = useShopClock();
  const { ref, width } = useSize<HTMLDivElement>();
  const left = width < 640 ? 120 : LEFT;
  const fromMin = Math.floor((nowMin - BEFORE_MIN) / 60) * 60;
  const untilMin = fromMin + spanMin;
  const axis = timeAxis({ fromMin, untilMin, leftPx: left, rightPx: width });
  const { x } = axis;
  const { rows, height: rowsHeight, tall } = rowsOf(shop.laid, fromMin, untilMin);
  const height = rowsHeight + HANDS;
  const startOn = say(today, "yyyy-MM-dd");
  const ticks = axis.ticks(HOUR_PX, [60, 120, 180, 360, 720, DAY_MIN]);
  const days = Array.from(
    { length: Math.ceil(spanMin / DAY_MIN) + 1 },
    (_, index) => Math.floor(fromMin / DAY_MIN) + index,
  );
  const empty = rows.length === 0;
  return (
    <div ref={ref} className="w-full" style={empty ? {} : { height }}>
      {empty && <p className="text-ink-soft py-6">Nothing is wet, and nothing is planned for these days.</p>}
      {width > 0 && !empty && (
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
            if (row.kind !== "coat" || !film || film.resin.kind === "paint") return null;
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
