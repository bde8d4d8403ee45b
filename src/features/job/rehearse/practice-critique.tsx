"use client";

import { useEffect, useRef } from "react";
import { saidIn } from "@/core/units/said";
import { useJob } from "../workspace/use-job";
import type { Critique } from "@/core/rehearsal/critique";
import { MUD } from "@/core/rehearsal/words";
import type { KeptPractice } from "@/contracts/rehearsals";
import { LineChart } from "@/ui/line-chart";

/** Mud pull by pull: a bar for each, the ones from which it is seen filled. */
function MudByPull({ mudAfter, stopAfter }: { mudAfter: readonly number[]; stopAfter: number | null }) {
  const most = Math.max(1.5, ...mudAfter);
  const wide = Math.min(26, 320 / Math.max(1, mudAfter.length));
  return (
    <figure>
      <svg
        width={Math.max(60, wide * mudAfter.length)}
        height="72"
        role="img"
        aria-label={`Mud after each of ${mudAfter.length} pulls, at the end ${(mudAfter.at(-1) ?? 0).toFixed(1)}`}
      >
        <line
          x1="0"
          x2="100%"
          y1={66 - (60 * MUD.little) / most}
          y2={66 - (60 * MUD.little) / most}
          stroke="var(--color-line-strong)"
          strokeDasharray="3 3"
        />
        {mudAfter.map((value, n) => (
          <rect
            key={n}
            x={n * wide + 1}
            width={Math.max(1, wide - 2)}
            y={66 - (60 * value) / most}
            height={Math.max(1, (60 * value) / most)}
            fill={stopAfter !== null && n >= stopAfter ? "var(--color-ink)" : "none"}
            stroke="var(--color-ink)"
          />
        ))}
        <line x1="0" x2="100%" y1="66.5" y2="66.5" stroke="var(--color-ink)" />
      </svg>
      <figcaption className="label">mud by pull; filled where it is seen</figcaption>
    </figure>
  );
}

/** What a practice was, and how one's practices went so far. */
export function PracticeCritique({ critique, kept }: { critique: Critique; kept: readonly KeptPractice[] }) {
  const { system } = useJob();
  const section = useRef<HTMLElement>(null);
  // Under the board it would be missed.
  useEffect(() => {
    section.current?.scrollIntoView({ block: "end", behavior: "smooth" });
  }, [critique]);
  const { low, high } = critique.scoreSpread;
  const scores = [...kept].reverse().map(({ score }, n) => ({ x: n + 1, y: score }));
  return (
    <section
      ref={section}
      aria-label="Critique"
      className="grid grid-cols-[auto_minmax(0,1fr)_auto] gap-9 max-lg:grid-cols-1"
    >
      <p className="max-w-40">
        <span className="label block">score</span>
        <span className="figure text-6xl leading-none">{critique.score}</span>
        <span className="label"> of 100</span>
        <span className="label block mt-1">
          {low === high ? "as much" : `${low} to ${high}`}, if the hand drags less or more
        </span>
      </p>
      <ul className="text-sm">
        {critique.words.map(({ what, good }) => (
          <li
            key={what}
            className={`py-1 border-t border-line first:border-t-0 ${good ? "text-ink-soft" : ""}`}
          >
            <span aria-hidden className="inline-block w-5">
              {good ? "·" : "—"}
            </span>
            {saidIn(what, system)}
          </li>
        ))}
      </ul>
      <div className="w-[340px] max-w-full">
        {critique.mudAfter.length > 0 && (
          <MudByPull mudAfter={critique.mudAfter} stopAfter={critique.stopAfter} />
        )}
        {scores.length > 1 && (
          <LineChart
            lines={[{ name: "", points: scores }]}
            xName="practice"
            yName="score"
            height={120}
            label={`Your last ${scores.length} scores: ${scores.map(({ y }) => y).join(", ")}`}
          />
        )}
      </div>
    </section>
  );
}
