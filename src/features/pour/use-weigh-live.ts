"use client";

import { useMemo, useState } from "react";
import type { NextLine } from "@/core/instruments/weigh-session";
import type { OnScale } from "@/core/pour/act-picture";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { weighKey, type WeighLine } from "@/core/pour/weigh-lines";
import type { Act } from "./pour-store";
import type { LineSource } from "@/instruments/lines";
import { useScale, type LiveScale } from "@/instruments/use-scale";

/** Where a card names none. */
const USUAL_TOLERANCE_PCT = 2;

/** A line as the scale is asked for it: parts of a mix go on top of each other, a dose into a vessel that was tared. */
const nextLine = (step: RunStep, { line, thing, grams }: WeighLine, tolerancePct: number): NextLine => ({
  id: line,
  vesselId: `${step.id}|${thing.kind === "part" ? thing.mixId : line}`,
  targetG: grams,
  toleranceG: (grams * (tolerancePct > 0 ? tolerancePct : USUAL_TOLERANCE_PCT)) / 100 / 2,
});

/** Weighing by a scale: the line that is next, what lies on the scale of it, and each line recorded once it is at rest. */
export function useWeighLive(
  source: LineSource | null,
  {
    step,
    state,
    tolerancePct,
    stepG,
  }: { step: RunStep | null; state: PourState; tolerancePct: number; stepG: number },
  record: (act: Act) => Promise<void>,
): {
  scale: LiveScale;
  line: WeighLine | null;
  onScale: OnScale;
  /** How many weights the scale has given. */
  taken: number;
} {
  const [taken, setTaken] = useState(0);
  const line = step?.weigh.find((one) => !state.weighed.has(weighKey(step.id, one.line))) ?? null;
  const scale = useScale(
    step?.kind === "weigh" ? source : null,
    step && line ? nextLine(step, line, tolerancePct) : null,
    stepG,
    ({ id, grams, stepG: fineG, raw }) => {
      if (!step) return;
      setTaken((count) => count + 1);
      const shown = Number((Math.round(grams / fineG) * fineG).toFixed(3));
      void record({ kind: "weighed", stepId: step.id, line: id, grams: shown, raw });
    },
  );
  const { shown } = scale;
  const scaleG = shown && "grams" in shown && shown.kind !== "tare" ? shown.grams : 0;
  const onScale = useMemo(
    () => (line && scaleG > 0 ? { line: line.line, grams: scaleG } : null),
    [line, scaleG],
  );
  return { scale, line, onScale, taken };
}
