"use client";

import type { ReactNode } from "react";
import { viscosityWords, type StateStart } from "@/core/cure/film-states";
import { stageAt } from "@/core/pour/act-clock";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { nextInLane } from "@/core/pour/sheet-now";
import { Beam } from "@/ui/beam";
import { Choice } from "@/ui/choice";
import { classNames } from "@/ui/class-names";
import { PhotoButton } from "./photo-button";
import { useSize } from "@/ui/use-size";
import { Caution, clock } from "./caution";
import type { Film } from "./use-film";
import type { Act } from "./pour-store";
import type { Shown } from "./use-running-pour";

/** "55 to 70 %, " where it is not all one. */
function flowRange({ low, high }: Film["flow"]): string {
  const [from, to] = [Math.round(low * 100), Math.round(high * 100)];
  return from === to ? "" : `${from} to ${to} %, `;
}

/** What the large figures count: the act's own clock, down to when it is right, or up from the mix. */
function counted(
  { kind, clock: own }: RunStep,
  { begunS, dueS, sinceS }: { begunS: number; dueS: number | null; sinceS: number | null },
): { words: string; seconds: number; over: boolean } | null {
  if (dueS !== null && dueS > 0 && kind === "pass") return { words: "right in", seconds: dueS, over: false };
  if (own) {
    const at = stageAt(own, begunS);
    if (!at)
      return {
        words: own.atMost ? "longer than it should be" : "long enough since",
        seconds: begunS - own.totalS,
        over: own.atMost,
      };
    const part = own.stages.length > 1 ? `${at.number} of ${own.stages.length}: ` : "";
    return { words: `${part}${at.stage.words}`, seconds: at.stageLeftS, over: false };
  }
  return sinceS === null ? null : { words: "since mixing", seconds: sinceS, over: false };
}

/** The act that is due, as large as it can be read from two metres, beside its drawing; those after it, what can hurt, and the film's beam. */
export function ActView({
  step,
  steps,
  state,
  shown,
  waits,
  onShown,
  drawing,
  scale,
  held,
  window: inWindow,
  film,
  life,
  begunS,
  sinceS,
  dueS,
  shutS,
  sure,
  record,
  onDone,
  onNote,
  onPhoto,
  onSkip,
  onBack,
}: {
  step: RunStep;
  steps: readonly RunStep[];
  state: PourState;
  /** Whose acts these are. */
  shown: Shown;
  /** The hands that are shown wait for this act of the others. */
  waits: boolean;
  /** Null where one pair of hands does it all. */
  onShown: ((shown: Shown) => void) | null;
  /** What to do, on a drawing. */
  drawing: ReactNode;
  /** What is weighed, where this is an act at the scale. */
  scale: ReactNode | null;
  /** What was held back, as it counts down. */
  held: ReactNode;
  /** Where it stands in its window. */
  window: ReactNode;
  film: Film | null;
  /** Of the film that lies; none where no card tells it. */
  life: readonly StateStart[];
  /** Seconds since the act before it was done. */
  begunS: number;
  /** Seconds since its coat was mixed, and until it is due; null where there is none of it. */
  sinceS: number | null;
  dueS: number | null;
  /** Seconds until a flame is allowed. */
  shutS: number;
  /** It was said to be done when it had hardly begun: said once more, it is. */
  sure: boolean;
  record: (act: Act) => Promise<void>;
  onDone: () => void;
  onNote: () => void;
  onPhoto: (photo: File) => void;
  /** Null for what cannot be left out. */
  onSkip: (() => void) | null;
  onBack: (() => void) | null;
}) {
  const { ref: stageRef, width: stageWidth } = useSize<HTMLDivElement>();
  const index = steps.indexOf(step);
  const count = counted(step, { begunS, dueS, sinceS });
  const until = (life.find((start) => start.state === "set")?.fromMin.likely ?? 360) * 1.15;
  const open = steps.filter(({ id }) => id !== step.id && !state.doneAt.has(id) && !state.skipped.has(id));
  const then = open.slice(0, 2).map(({ title }) => title);
  const others = shown === "all" ? null : nextInLane(steps, state, shown === "mixing" ? "piece" : "mixing");
  const whose = state.givenTo.get(step.id);
  return (
    <main className="flex-1 flex flex-col px-8 pt-5 max-md:px-4 min-h-0 md:overflow-y-auto">
      <div className="flex gap-10 flex-1 min-h-[400px] max-md:flex-col max-md:gap-5">
        <section className="flex-1 min-w-0 flex flex-col md:min-h-0 md:overflow-y-auto">
          {/* On a phone what can hurt stands before everything else. */}
          <div className="md:hidden">
            <Caution step={step} shutS={shutS} />
          </div>
          <div className="flex items-center gap-4 flex-wrap min-h-8">
            <p className="text-xl text-night-soft">
              Step {index + 1} of {steps.length}
              {whose && `, for ${whose}`}
            </p>
            {onShown && (
              <Choice<Shown>
                label="Whose acts"
                value={shown}
                options={[
                  { value: "all", words: "all" },
                  { value: "mixing", words: "mixing" },
                  { value: "piece", words: "at the piece" },
                ]}
                onChange={onShown}
                night
              />
            )}
          </div>
          {waits && (
            <p role="status" className="text-xl text-signal-night">
              {shown === "piece"
                ? "Nothing at the piece before this is done."
                : "Nothing to mix before this is done."}
            </p>
          )}
          <h1
            className="heading leading-[1.02] mt-1 text-balance"
            style={{ fontSize: "clamp(40px, 4.6vw, 64px)" }}
          >
            {step.title}
          </h1>
          <p className="text-2xl mt-3 max-w-[40ch] leading-snug max-md:text-xl">{step.detail}</p>
          {scale ?? (
            <div className="flex gap-x-12 gap-y-2 mt-5 max-md:mt-3 flex-wrap items-end">
              {count && (
                <div role="timer" aria-label={count.words}>
                  <p className={classNames("text-xl", count.over ? "text-danger-night" : "text-night-soft")}>
                    {count.words}
                  </p>
                  <p
                    className={classNames(
                      "figure leading-none",
                      count.over ? "text-danger-night" : "text-signal-night",
                    )}
                    // With hours it is longer: what stands beside it stays there.
                    style={{
                      fontSize: count.seconds < 3600 ? "clamp(80px, 9vw, 120px)" : "clamp(64px, 7vw, 92px)",
                    }}
                  >
                    {clock(count.seconds)}
                  </p>
                </div>
              )}
              {film && (
                <div className="pb-1">
                  <p className="text-lg text-night-soft">flow left</p>
                  <p className="figure text-4xl leading-tight">{Math.round(film.flow.likely * 100)} %</p>
                  <p className="text-night-soft text-lg leading-tight max-w-44">
                    {flowRange(film.flow)}
                    {viscosityWords(film.viscosityPaS)}
                  </p>
                </div>
              )}
            </div>
          )}
          {inWindow}
          <div className="max-md:hidden">
            <Caution step={step} shutS={shutS} />
          </div>
        </section>
        <aside className="w-[48%] max-md:w-full shrink-0 flex flex-col min-h-0">
          {drawing}
          <div className="text-xl mt-3 leading-tight border-t border-night-line pt-3">
            <span className="text-night-soft">
              {others ? (shown === "mixing" ? "At the piece " : "Mixing ") : "Then "}
            </span>
            {others ? others.title : then.length > 0 ? then.join(" · ") : "what was left, and finish"}
            {held}
            {step.stopHere && (
              <span className="block text-lg text-night-soft mt-1">
                After this you may stop: {step.stopHere}.
              </span>
            )}
          </div>
        </aside>
      </div>
      <div ref={stageRef} className="mt-4 mb-2 overflow-hidden shrink-0">
        {/* What is not mixed yet has no life: the scale has its room. */}
        {life.length > 0 && stageWidth > 0 && !(scale && sinceS === null) && (
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
      <div className="flex gap-4 max-md:gap-2 max-md:flex-wrap sticky bottom-0 bg-night pt-2 pb-6 max-md:pb-3">
        <button
          type="button"
          onClick={onDone}
          className="flex-1 min-h-[104px] bg-night-ink text-night px-8 flex items-center justify-between text-left max-md:w-full max-md:flex-none max-md:min-h-[84px]"
        >
          <span className="heading text-4xl">{sure ? "Done already?" : "Done"}</span>
          <span className="text-lg text-ink-soft max-md:hidden">
            {sure ? "once more says yes" : "space, enter or foot switch"}
          </span>
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
        <Beside onClick={onNote}>Note</Beside>
        <PhotoButton of="A photo of this act" className={BESIDE} onPhoto={onPhoto} />
        <Beside onClick={onSkip}>Leave out</Beside>
        <Beside onClick={onBack}>Step back</Beside>
      </div>
    </main>
  );
}

const BESIDE =
  "w-[132px] max-md:flex-1 min-h-[104px] max-md:min-h-[64px] border border-night-soft text-2xl max-md:text-xl leading-tight disabled:opacity-40";

/** What stands beside Done. */
function Beside({ onClick, children }: { onClick: (() => void) | null; children: string }) {
  return (
    <button type="button" disabled={!onClick} onClick={() => onClick?.()} className={BESIDE}>
      {children}
    </button>
  );
}
