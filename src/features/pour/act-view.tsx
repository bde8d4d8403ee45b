"use client";

import type { ReactNode } from "react";
import { viscosityWords, type StateStart } from "@/core/cure/film-states";
import type { RunStep } from "@/core/pour/run-sheet";
import { Beam } from "@/ui/beam";
import { useSize } from "@/ui/use-size";
import { Caution, clock } from "./caution";
import type { Film } from "./use-film";
import type { Act } from "./pour-store";

/** The act that is due, as large as it can be read from two metres; those after it, what can hurt, and the film's beam. */
export function ActView({
  step,
  steps,
  scale,
  film,
  life,
  sinceS,
  dueS,
  shutS,
  record,
  onDone,
  onNote,
  onBack,
}: {
  step: RunStep;
  steps: readonly RunStep[];
  /** What is weighed, where this is an act at the scale. */
  scale: ReactNode | null;
  film: Film | null;
  /** Of the film that lies; none where no card tells it. */
  life: readonly StateStart[];
  /** Seconds since its coat was mixed, and until it is due; null where there is none of it. */
  sinceS: number | null;
  dueS: number | null;
  /** Seconds until a flame is allowed. */
  shutS: number;
  record: (act: Act) => Promise<void>;
  onDone: () => void;
  onNote: () => void;
  onBack: (() => void) | null;
}) {
  const { ref: stageRef, width: stageWidth } = useSize<HTMLDivElement>();
  const index = steps.indexOf(step);
  /** Down to when it is right, then up from the mix. */
  const counted =
    dueS !== null && dueS > 0
      ? { words: "right in", seconds: dueS }
      : sinceS !== null
        ? { words: "since mixing", seconds: sinceS }
        : null;
  const until = (life.find((start) => start.state === "set")?.fromMin.likely ?? 360) * 1.15;
  return (
    <main className="flex-1 flex flex-col px-8 pt-6 max-md:px-4">
      <div className="flex gap-8 flex-1 max-md:flex-col">
        <section className="flex-1 min-w-0">
          {/* On a phone what can hurt stands before everything else. */}
          <div className="md:hidden">
            <Caution step={step} shutS={shutS} />
          </div>
          <p className="text-xl text-night-soft">
            Step {index + 1} of {steps.length}
          </p>
          <h1
            className="heading leading-[1.02] mt-1 text-balance"
            style={{ fontSize: "clamp(44px, 6vw, 76px)" }}
          >
            {step.title}
          </h1>
          <p className="text-2xl mt-4 max-w-[44ch] leading-snug max-md:text-xl">{step.detail}</p>
          {scale ?? (
            <div className="flex gap-14 max-md:gap-x-10 max-md:gap-y-3 mt-7 max-md:mt-4 flex-wrap">
              {counted && (
                <div>
                  <p className="text-lg text-night-soft">{counted.words}</p>
                  <p
                    className="figure text-signal-night leading-none"
                    style={{ fontSize: "clamp(80px, 10vw, 132px)" }}
                  >
                    {clock(counted.seconds)}
                  </p>
                </div>
              )}
              {film && (
                <div className="self-end pb-2">
                  <p className="text-lg text-night-soft">flow left</p>
                  <p className="figure text-4xl">{Math.round(film.flow.likely * 100)} %</p>
                  <p className="text-night-soft text-lg">
                    {Math.round(film.flow.low * 100)} to {Math.round(film.flow.high * 100)} % ·{" "}
                    {viscosityWords(film.viscosityPaS)}
                  </p>
                </div>
              )}
            </div>
          )}
        </section>
        <aside className="w-[310px] max-md:w-full shrink-0 border-l border-night-line pl-7 max-md:border-l-0 max-md:pl-0">
          <p className="text-lg text-night-soft">Then</p>
          <ol className="text-xl leading-[1.7]">
            {steps.slice(index + 1, index + 4).map((next) => (
              <li key={next.id} className="leading-tight py-1">
                {next.title}
              </li>
            ))}
            {index === steps.length - 1 && <li>what was left, and finish</li>}
          </ol>
          <div className="max-md:hidden">
            <Caution step={step} shutS={shutS} />
          </div>
          {step.stopHere && (
            <p className="mt-5 text-lg text-night-soft">After this you may stop: {step.stopHere}.</p>
          )}
        </aside>
      </div>
      <div ref={stageRef} className="mt-6 mb-4 overflow-hidden">
        {life.length > 0 && stageWidth > 0 && (
          <Beam
            life={life}
            nowMin={sinceS === null ? null : sinceS / 60}
            untilMin={until}
            width={stageWidth}
            height={40}
            dark
          />
        )}
      </div>
      <div className="flex gap-4 max-md:gap-2 max-md:flex-wrap sticky bottom-0 bg-night pt-2 pb-6 max-md:pb-3 max-md:static">
        <button
          type="button"
          onClick={onDone}
          className="flex-1 min-h-[104px] bg-night-ink text-night px-8 flex items-center justify-between text-left max-md:w-full max-md:flex-none"
        >
          <span className="heading text-4xl">Done</span>
          <span className="text-lg text-ink-soft max-md:hidden">space, enter or foot switch</span>
        </button>
        {step.untilSo && (
          <button
            type="button"
            onClick={() => void record({ kind: "tick", stepId: step.id, last: true })}
            className="w-[250px] max-md:w-full min-h-[104px] max-md:min-h-[64px] border border-night-ink heading text-2xl px-4"
          >
            Done, and the last
          </button>
        )}
        <button
          type="button"
          onClick={onNote}
          className="w-[200px] max-md:flex-1 min-h-[104px] max-md:min-h-[64px] border border-night-soft text-2xl"
        >
          Note
        </button>
        <button
          type="button"
          disabled={!onBack}
          onClick={() => onBack?.()}
          className="w-[200px] max-md:flex-1 min-h-[104px] max-md:min-h-[64px] border border-night-soft text-2xl disabled:opacity-40"
        >
          Step back
        </button>
      </div>
    </main>
  );
}
