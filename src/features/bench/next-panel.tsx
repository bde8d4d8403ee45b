"use client";

import Link from "next/link";
import type { NextAct } from "@/core/schedule/shop-days";
import { DAY_MIN } from "@/core/schedule/hours";
import type { Trouble } from "@/core/schedule/troubles";
import { useClockWords } from "@/ui/shop-clock";

const MOST = 7;

/** Time to an act: minutes and seconds within the hour, hours and minutes within the day, then days. */
function waitWords(minutes: number): { figure: string; unit: string } {
  const seconds = Math.max(0, Math.round(minutes * 60));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  if (seconds === 0) return { figure: "now", unit: "" };
  if (h === 0) return { figure: `${m}:${String(s).padStart(2, "0")}`, unit: "min" };
  if (h < 48) return { figure: `${h}:${String(m).padStart(2, "0")}`, unit: "h" };
  return { figure: String(Math.round(h / 24)), unit: "days" };
}

/** "15:10", with the day where it is not today. */
const sameDay = (a: number, b: number) => Math.floor(a / DAY_MIN) === Math.floor(b / DAY_MIN);

/** What is to be done, with the coat where the act alone does not say it. */
const actWords = ({ kind, words, coatName }: NextAct) => (kind === "mix" ? `${words}: ${coatName}` : words);

/** A trouble in a word or two. */
const BRIEF: Record<Trouble["kind"], string> = {
  night: "at night",
  "after hours": "after hours",
  late: "too late",
  "may be late": "maybe too late",
  never: "never",
  "sand first": "sand first",
  "not yet": "later than asked",
  past: "past",
  hands: "no hands",
  waits: "waits for hands",
  "no place": "no place",
  fire: "vapour: wait",
};

/** Until when an act is right. */
function windowWords({ to }: NextAct, nowMin: number, when: (atMin: number) => string): string | null {
  if (!to || !Number.isFinite(to.likely)) return null;
  const spread = to.high - to.low > 1 ? ` (${when(to.low)} to ${when(to.high)})` : "";
  return to.likely > nowMin
    ? `right until about ${when(to.likely)}${spread}`
    : `its window ended about ${when(to.likely)}${spread}`;
}

/** The next act of the shop, very large, and those after it in the order of time. */
export function NextPanel({
  acts,
  nowMin,
  today,
  hrefOf,
}: {
  acts: NextAct[] | null;
  nowMin: number;
  /** Year-month-day. */
  today: string;
  hrefOf: (id: string) => string;
}) {
  const { hourText, shortMoment } = useClockWords();
  if (acts === null)
    return (
      <section aria-label="Next" className="col-span-2 max-lg:col-span-1 min-h-44 text-ink-soft">
        <p className="label">next</p>
        <p className="figure text-4xl">…</p>
      </section>
    );
  const when = (atMin: number) => (sameDay(atMin, nowMin) ? hourText(atMin) : shortMoment(atMin, today));
  const [first, ...rest] = acts;
  if (!first)
    return (
      <section aria-label="Next" className="col-span-2 max-lg:col-span-1">
        <p className="label">next</p>
        <p className="heading text-2xl mb-1">Nothing is wet, and no job has a day.</p>
        <p className="text-ink-soft max-w-[52ch]">
          Set a first day in a job&apos;s Windows, or start its pour: what comes next stands here, with the
          time to it.
        </p>
        <Link href="/jobs" className="underline underline-offset-4 mt-3 inline-block">
          To the jobs
        </Link>
      </section>
    );
  const wait = waitWords(first.atMin - nowMin);
  return (
    <>
      <section aria-label="Next">
        <p className="label">next{wait.unit ? ", in" : ""}</p>
        <p className="figure text-signal leading-none" style={{ fontSize: "clamp(56px, 7vw, 88px)" }}>
          {wait.figure}
          {wait.unit && <span className="unit text-lg">{wait.unit}</span>}
        </p>
        <Link href={hrefOf(first.of)} className="block mt-3 hover:underline underline-offset-4">
          <span className="heading text-2xl leading-tight block">{actWords(first)}</span>
          <span className="text-lg text-ink-soft">
            {first.jobName}, {first.coatName}
          </span>
        </Link>
        <p className="mt-1">
          {when(Math.max(first.atMin, nowMin))}
          {windowWords(first, nowMin, when) && `, ${windowWords(first, nowMin, when)}`}
        </p>
        {first.trouble && <p className="border-l-[3px] border-ink pl-3 mt-2">{first.trouble.words}</p>}
      </section>
      <section aria-label="Then">
        <p className="label mb-1">then</p>
        <ol className="border-t border-line">
          {rest.slice(0, MOST).map((act) => (
            <li key={`${act.of} ${act.coatId} ${act.passId} ${act.words}`} className="border-b border-line">
              <Link
                href={hrefOf(act.of)}
                className="flex gap-4 max-sm:gap-x-3 max-sm:flex-wrap items-baseline py-1 hover:bg-paper focus-visible:bg-paper"
              >
                <span className="figure w-[96px] shrink-0 whitespace-nowrap">{when(act.atMin)}</span>
                <span className="min-w-0 flex-1 truncate max-sm:whitespace-normal max-sm:basis-[60%]">
                  {actWords(act)}
                </span>
                {act.trouble && (
                  <span className="font-semibold shrink-0 text-sm">{BRIEF[act.trouble.kind]}</span>
                )}
                <span className="label w-32 shrink-0 truncate text-right max-sm:w-auto max-sm:ml-auto">
                  {act.jobName}
                </span>
              </Link>
            </li>
          ))}
          {rest.length === 0 && <li className="py-2 text-ink-soft">Nothing in the next three days.</li>}
        </ol>
        {rest.length > MOST && <p className="label mt-1">and {rest.length - MOST} more in three days</p>}
      </section>
    </>
  );
}
