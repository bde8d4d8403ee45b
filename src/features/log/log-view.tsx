"use client";

import { useMemo, type ReactNode } from "react";
import type { Pours } from "@/contracts/pours";
import { received, type Sent } from "@/contracts/sent";
import { comparePour } from "@/core/pour/compare-pour";
import { type CoatOutcome } from "@/core/pour/outcome";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour } from "@/core/pour/pour-events";
import { lotsTold } from "@/core/pour/lots";
import { placeWords } from "@/core/pour/place-words";
import { runSheet } from "@/core/pour/run-sheet";
import { sheetNow } from "@/core/pour/sheet-now";
import { ShopPicture } from "@/ui/shop-picture";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText, trimmed } from "@/core/units/format-quantity";
import { LogBeams } from "./log-beams";
import { TimeLine } from "./time-line";
import { LostPours } from "@/ui/lost-pours";
import { PoursNav } from "@/ui/pours-nav";
import { useShopClock } from "@/ui/shop-clock";

/** Plan above, actual below, on one scale. */
function Bars({ planned, mixed, left }: { planned: number; mixed: number; left: number | null }) {
  const most = Math.max(planned, mixed) || 1;
  const wide = (value: number) => (value / most) * 250;
  return (
    <svg
      width="256"
      height="44"
      role="img"
      aria-label={`planned ${Math.round(planned)} ml, mixed ${Math.round(mixed)} ml${left !== null ? `, left ${Math.round(left)} ml` : ""}`}
    >
      <rect
        x="0.5"
        y="2"
        width={wide(planned)}
        height="14"
        fill="none"
        stroke="var(--color-ink)"
        strokeDasharray="3 2"
      />
      <rect x="0.5" y="22" width={wide(mixed - (left ?? 0))} height="18" fill="var(--color-ink)" />
      {left !== null && left > 0 && (
        <rect
          x={0.5 + wide(mixed - left)}
          y="22"
          width={wide(left)}
          height="18"
          fill="none"
          stroke="var(--color-ink)"
        />
      )}
    </svg>
  );
}

function Outcome({ outcome, system }: { outcome: CoatOutcome; system: UnitSystem }) {
  const rate = (mm: number | null) => (mm === null ? "not known" : quantityText(mm, "film", system));
  const other = (mm: number | null) => (mm === null ? "" : quantityText(mm, "film", otherSystem(system)));
  return (
    <section className="border-b border-line py-4 grid grid-cols-[180px_270px_1fr] gap-6 max-lg:grid-cols-1">
      <div>
        <h3 className="heading text-lg leading-tight">{outcome.name}</h3>
        <p className="label mt-1">
          {outcome.tookMin !== null
            ? `mixed and laid in ${trimmed(outcome.tookMin, 0)} min, ${trimmed(outcome.plannedWorkMin, 0)} planned`
            : "not laid to its end"}
        </p>
      </div>
      <div>
        <Bars planned={outcome.plannedMl} mixed={outcome.mixedMl} left={outcome.leftMl} />
        <p className="label">
          planned {quantityText(outcome.plannedMl, "volume", system)} · mixed{" "}
          {quantityText(outcome.mixedMl, "volume", system)}
        </p>
      </div>
      <div>
        <div className="flex gap-8 mb-2">
          <div>
            <div className="label">rate planned</div>
            <div className="figure text-xl">{rate(outcome.plannedFilmMm)}</div>
            <div className="label">{other(outcome.plannedFilmMm)}</div>
          </div>
          <div>
            <div className="label">rate used</div>
            <div className="figure text-xl">{rate(outcome.usedFilmMm)}</div>
            <div className="label">{other(outcome.usedFilmMm)}</div>
          </div>
          {outcome.ratioOff !== null && (
            <div>
              <div className="label">B for its A</div>
              <div className="figure text-xl">
                {Math.abs(outcome.ratioOff.off) < 0.0005
                  ? "in ratio"
                  : `${outcome.ratioOff.off > 0 ? "+" : "−"}${trimmed(Math.abs(outcome.ratioOff.off) * 100, 1)} %`}
              </div>
            </div>
          )}
        </div>
        {outcome.words.map((words) => (
          <p key={words} className="text-sm">
            {words}
          </p>
        ))}
      </div>
    </section>
  );
}

/** What was poured, against the plan, in plain words. */
export function LogView({
  jobId,
  shown,
  shownId,
  system,
  quoted,
}: {
  jobId: string;
  shown: Sent<Pours>;
  shownId: string | null;
  system: UnitSystem;
  /** What was quoted beside what became of it. */
  quoted: ReactNode;
}) {
  const { pours, unreadable, more } = useMemo(() => received(shown), [shown]);
  const { say } = useShopClock();
  const pour = pours.find((listed) => listed.id === shownId) ?? pours[0];
  const lost = <LostPours unreadable={unreadable} more={more} />;
  if (!pour) {
    return (
      <main className="flex-1 px-7 py-8">
        {lost}
        <p className="heading text-xl mb-1">Nothing poured yet.</p>
        <p className="text-ink-soft">When a pour is done, plan and actual stand side by side here.</p>
      </main>
    );
  }
  const plan = derivePlan(pour.plan.document, pour.plan.cards);
  const state = foldPour(pour.events);
  const steps = sheetNow(runSheet(plan, system, state.weighed), state);
  const lots = lotsTold(steps, state);
  const outcomes = comparePour(plan, steps, state, system);
  const endWords = (at: string | null, calledOff: string | null): string => {
    if (at === null) return ", not finished";
    if (calledOff === null) return `, finished ${say(at, "HH:mm")}`;
    return `, called off ${say(at, "HH:mm")}${calledOff ? `: ${calledOff}` : ""}`;
  };
  const coatName = (coatId: string | undefined) =>
    plan.coats.find(({ coat }) => coat.id === coatId)?.coat.name;
  const stepTitle = (stepId: string | null) => steps.find((step) => step.id === stepId)?.title;

  return (
    <main tabIndex={0} className="flex-1 min-h-0 overflow-y-auto px-7 py-5">
      {lost}
      <div className="flex items-baseline gap-4 flex-wrap border-b border-ink pb-3">
        <h1 className="heading text-2xl">{say(pour.startedAt, "EEEE d MMMM yyyy")}</h1>
        <span className="text-ink-soft">
          begun {say(pour.startedAt, "HH:mm")} by {pour.startedBy}
          {endWords(pour.finishedAt, state.calledOff)} ·{" "}
          {quantityText(pour.plan.document.work.tempC, "temperature", system)} planned
        </span>
        <PoursNav pours={pours} current={pour.id} href={`/jobs/${jobId}/log`} />
      </div>
      {outcomes.length === 0 && <p className="text-ink-soft py-4">No coat has been mixed yet.</p>}
      {outcomes.map((outcome) => (
        <Outcome key={outcome.coatId} outcome={outcome} system={system} />
      ))}
      {quoted}
      <LogBeams pour={pour} system={system} />
      <div className="grid grid-cols-[1fr_360px] gap-10 pt-5 max-lg:grid-cols-1">
        <TimeLine plan={plan} steps={steps} state={state} />
        <section>
          {lots.length > 0 && (
            <>
              <h2 className="heading text-lg mb-2">Lots</h2>
              <ul className="mb-5">
                {lots.map(({ label, lot }) => (
                  <li
                    key={`${label} ${lot}`}
                    className="border-b border-line py-1 flex justify-between gap-4"
                  >
                    <span>{label}</span>
                    <span className="font-semibold">{lot}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          <h2 className="heading text-lg mb-2">Notes</h2>
          {state.notes.length === 0 && <p className="text-ink-soft">None.</p>}
          {state.notes.map((note) => (
            <div key={`${note.at}-${note.text}`} className="border-l-[3px] border-ink pl-3 mb-3">
              {note.pictureId && (
                <a href={`/pictures/${note.pictureId}`} className="block w-44 h-32 mb-1">
                  <ShopPicture pictureId={note.pictureId} alt={`Photo, ${say(note.at, "HH:mm")}`} small />
                </a>
              )}
              {note.text && <p>{note.text}</p>}
              <p className="label">
                {say(note.at, "HH:mm")}
                {stepTitle(note.stepId) && `, at “${stepTitle(note.stepId)}”`}
                {coatName(note.coatId) && `, ${coatName(note.coatId)}`}
                {note.place && `, ${placeWords(note.place, plan.pieces, system) ?? "on a piece"}`}
              </p>
            </div>
          ))}
        </section>
      </div>
    </main>
  );
}
