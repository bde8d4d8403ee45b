"use client";

import dynamic from "next/dynamic";
import { useEffect, useMemo, useState } from "react";
import { LIGHT_WORDS, type DeepForecast, type Light, type PourQuestion } from "@/core/cure/deep-pour";
import type { CureParameters } from "@/core/cure/kinetics";
import type { Around } from "@/core/cure/slab";
import type { Coat } from "@/core/schedule/coat";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { workerClient } from "@/workers/client";
import type { DeepPourCalls } from "@/workers/deep-pour.worker";
import { inLifts } from "@/core/job/builds";
import { newId } from "../workspace/edits";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { useDraft } from "@/ui/use-draft";
import { useJob } from "../workspace/use-job";

const LineChart = dynamic(() => import("@/ui/line-chart").then((chart) => chart.LineChart), { ssr: false });

const deepPourWorker = workerClient<DeepPourCalls>(
  () => new Worker(new URL("../../../workers/deep-pour.worker.ts", import.meta.url)),
);

type Found = { of: PourQuestion; forecast: DeepForecast | null; liftMm: number | null | undefined };

/** Works a pour out in a worker: the forecast first, then the deepest lift; a newer question calls an older one off. */
function useDeepPour(question: PourQuestion | null, parameters: CureParameters | null): Found | null {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    if (!question || !parameters) return;
    const calledOff: (() => void)[] = [];
    const show = (part: Partial<Found> | null) =>
      part &&
      setFound((before) => ({
        ...(before?.of === question ? before : { of: question, forecast: null, liftMm: undefined }),
        ...part,
      }));
    // Typing settles before the work begins.
    const timer = setTimeout(() => {
      const forecast = deepPourWorker.ask("forecast", { question, parameters });
      const lift = deepPourWorker.ask("liftMm", { question, parameters });
      calledOff.push(lift.cancel, forecast.cancel);
      void forecast.answer.then((answer) => answer && show({ forecast: answer }));
      void lift.answer.then(show);
    }, 150);
    return () => {
      clearTimeout(timer);
      for (const cancel of calledOff) cancel();
    };
  }, [question, parameters]);
  return found?.of === question ? found : null;
}

/** How hot a deep pour gets, how deep a lift may be, and when the next one goes on. */
export function DeepPourPanel({ coat }: { coat: Coat }) {
  const { document, plan, cards, system, change } = useJob();
  const card = cards.find(({ id }) => id === coat.resinCardId) ?? null;
  const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === coat.id);
  const divide = (lifts: number, afterMin: number | null) =>
    change((before) => ({
      ...before,
      coats: before.coats.flatMap((other) =>
        other.id === coat.id
          ? inLifts(other, lifts, afterMin === null ? "wet" : { card, afterMin }, newId)
          : [other],
      ),
    }));
  const { draft, set } = useDraft<{ around: Around; fan: boolean }>(`deep.${coat.id}`, {
    around: "wood",
    fan: false,
  });
  const aloneMm = planned?.pourDepthMm ?? 0;
  // Poured wet on wet, layers heat each other.
  const depthMm = aloneMm > 0 ? Math.max(aloneMm, planned?.reactingMm ?? 0) : 0;
  const { tempC } = document.work;
  const ratedMm = planned?.resin?.thickestFilmMm ?? null;
  const question = useMemo<PourQuestion | null>(
    () =>
      depthMm > 0
        ? { depthMm, mixedC: tempC, roomC: tempC, around: draft.around, fan: draft.fan, ratedMm }
        : null,
    [depthMm, tempC, draft.around, draft.fan, ratedMm],
  );
  const found = useDeepPour(question, planned?.resin?.fit.parameters ?? null);
  if (!question || !planned?.resin || planned.resin.kind === "paint") return null;
  return (
    <section aria-label="Heat in the pour" className="mt-4">
      <h3 className="heading border-b border-line pb-1 mb-2">Heat in the pour</h3>
      {depthMm > aloneMm + 0.05 && (
        <p className="text-sm mb-2 border-l-[3px] border-ink pl-3">
          {quantityText(depthMm, "length", system)} react together: layers are poured before those below have
          gelled.
        </p>
      )}
      <div className="flex items-center gap-4 flex-wrap">
        <Choice
          label="What is around it"
          value={draft.around}
          options={[
            { value: "wood", words: "wood" },
            { value: "melamine", words: "melamine" },
            { value: "silicone", words: "silicone" },
          ]}
          onChange={(around) => set({ around })}
        />
        <Checkbox label="a fan over it" checked={draft.fan} onChange={(fan) => set({ fan })} />
      </div>
      {!found?.forecast && <p className="text-sm text-ink-soft mt-2">Working it out…</p>}
      {found?.forecast && (
        <Forecast
          forecast={found.forecast}
          liftMm={found.liftMm}
          depthMm={question.depthMm}
          system={system}
          onLifts={coat.kind === "fill" && depthMm < aloneMm + 0.05 ? divide : null}
        />
      )}
    </section>
  );
}

/** How many squares of four are filled: the light, told without colour. */
const RANK: Record<Light, number> = { calm: 1, warm: 2, hot: 3, danger: 4 };

function Forecast({
  forecast,
  liftMm,
  depthMm,
  system,
  onLifts,
}: {
  forecast: DeepForecast;
  liftMm: number | null | undefined;
  depthMm: number;
  system: UnitSystem;
  /** Divides the coat, each lift so long after the one below or wet on it; null where it cannot be, or is already one of several that react together. */
  onLifts: ((lifts: number, afterMin: number | null) => void) | null;
}) {
  const { peakC, sealedPeakC, peakAtMin, light, nextLiftMin, run } = forecast;
  const temp = (tempC: number) => quantityText(tempC, "temperature", system);
  const danger = light === "danger";
  const lines = useMemo(() => {
    const shown = run.course.filter(({ timeS }) => timeS / 60 <= Math.max(120, 2.5 * peakAtMin));
    const every = Math.max(1, Math.floor(shown.length / 160));
    const some = shown.filter((_, index) => index % every === 0);
    const points = (of: (moment: (typeof shown)[number]) => number) =>
      some.map((moment) => ({
        x: moment.timeS / 3600,
        y: system === "us" ? of(moment) * 1.8 + 32 : of(moment),
      }));
    return [
      { name: "hottest", points: points((moment) => moment.hottestC), width: 2.5 },
      { name: "bottom", points: points((moment) => moment.bottomC), dash: [6, 4], width: 1.5 },
      { name: "top", points: points((moment) => moment.topC), dash: [2, 3], width: 1.5 },
    ];
  }, [run, peakAtMin, system]);
  const lifts = liftMm ? Math.ceil(depthMm / liftMm - 1e-6) : null;
  return (
    <div className="mt-3">
      <div className="flex items-center gap-4">
        <svg width="58" height="14" aria-hidden>
          {[0, 1, 2, 3].map((at) => (
            <rect
              key={at}
              x={at * 15 + 1}
              y="1"
              width="12"
              height="12"
              fill={at < RANK[light] ? (danger ? "var(--color-danger)" : "var(--color-ink)") : "none"}
              stroke={danger ? "var(--color-danger)" : "var(--color-ink)"}
            />
          ))}
        </svg>
        <span className={`heading ${danger ? "text-danger" : ""}`} role={danger ? "alert" : undefined}>
          {LIGHT_WORDS[light]}
        </span>
      </div>
      <div className="flex gap-6 mt-2">
        <div>
          <div className="label">Peak</div>
          <div className="figure text-2xl">{temp(peakC.likely)}</div>
          <div className="label">
            {temp(peakC.low)} to {temp(peakC.high)}; sealed {temp(sealedPeakC)}
          </div>
        </div>
        <div>
          <div className="label">after</div>
          <div className="figure text-2xl">
            {decimal(peakAtMin / 60, 1)}
            <span className="unit">h</span>
          </div>
        </div>
      </div>
      <p className="text-sm mt-2">
        {liftMm === undefined && "Looking for the deepest lift…"}
        {liftMm === null && "Not even a thin lift stays warm: this resin is not made for depth."}
        {liftMm && lifts !== null && lifts > 1 && (
          <>
            Pour it in <span className="figure">{lifts}</span> lifts, each up to{" "}
            <span className="figure">{quantityText(liftMm, "length", system)}</span>.
          </>
        )}
        {liftMm && lifts === 1 && (
          <>
            One lift; up to <span className="figure">{quantityText(liftMm, "length", system)}</span> stays
            warm at most.
          </>
        )}{" "}
        {nextLiftMin !== null &&
          `The next goes on from ${decimal(nextLiftMin / 60, 0)} h, gelled and cool again.`}
      </p>
      {onLifts && (
        <p className="flex gap-5 text-sm mt-1 mb-3">
          {lifts !== null && lifts > 1 && nextLiftMin !== null && (
            <Button weight="quiet" onClick={() => onLifts(lifts, Math.ceil(nextLiftMin / 10) * 10)}>
              divide it into {lifts} lifts
            </Button>
          )}
          <Button weight="quiet" onClick={() => onLifts(2, null)}>
            two halves, wet on wet
          </Button>
        </p>
      )}
      <LineChart
        lines={lines}
        xName="hours after mixing"
        yName={system === "us" ? "°F" : "°C"}
        height={150}
        label={`Temperature of the pour: ${temp(peakC.likely)} at most, after ${decimal(peakAtMin / 60, 1)} hours`}
      />
      <p className="label mt-1">
        A light, no promise of a degree: the worse of what is around it and sealed counts. Deep pours can
        smoke and crack; the data sheet comes first.
      </p>
    </div>
  );
}
