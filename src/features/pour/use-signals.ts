"use client";

import { useEffect, useRef } from "react";
import type { WindowNow } from "@/core/pour/window-now";
import type { RunStep } from "@/core/pour/run-sheet";
import type { DeviceSettings } from "./device-settings";
import { buzz, ring, speak, type Signal } from "./signals";

/**
 * Calls once when an act becomes due that was waited for, when its window begins to close, and when the scale's weight was taken; says each new act
 * aloud where that was chosen.
 * @param taken how many weights the scale has given
 */
export function useSignals(
  { sound, vibrates, speaks }: DeviceSettings,
  {
    step,
    dueS,
    inWindow,
    taken,
  }: { step: RunStep | null; dueS: number | null; inWindow: WindowNow["state"] | null; taken: number },
): void {
  const call = useRef<(signal: Signal, words?: string) => void>(() => {});
  useEffect(() => {
    call.current = (signal, words) => {
      if (sound !== "off") ring(signal, sound);
      if (vibrates) buzz(signal);
      if (speaks && words) speak(words);
    };
  });
  const stepId = step?.id ?? null;
  const title = step?.title ?? "";

  const waited = useRef<string | null>(null);
  useEffect(() => {
    if (stepId === null || dueS === null) return;
    if (dueS > 0) waited.current = stepId;
    else if (waited.current === stepId) {
      waited.current = null;
      call.current("due", `${title}, now`);
    }
  }, [stepId, dueS, title]);

  const before = useRef<{ stepId: string | null; state: WindowNow["state"] | null }>({
    stepId: null,
    state: null,
  });
  useEffect(() => {
    const was = before.current;
    before.current = { stepId, state: inWindow };
    if (was.stepId === stepId && was.state === "right" && inWindow === "closing")
      call.current("closing", `The window of ${title} is closing`);
  }, [stepId, inWindow, title]);

  const had = useRef(taken);
  useEffect(() => {
    if (taken > had.current) call.current("taken");
    had.current = taken;
  }, [taken]);

  const said = useRef<string | null>(null);
  useEffect(() => {
    // The act that stood there when the page came up is not called out.
    if (speaks && said.current !== null && said.current !== stepId && title) speak(title);
    said.current = stepId ?? "";
  }, [speaks, stepId, title]);
}
