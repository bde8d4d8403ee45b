"use client";

import { useEffect, useRef, useState } from "react";

/** Two tones, the higher one last; Hz, and when each begins, s. */
const TONES = [
  { hertz: 660, atS: 0 },
  { hertz: 880, atS: 0.28 },
] as const;
const LASTS_S = 0.22;
const LOUD = 0.25;

/** Rings through the room's own loudspeaker; where the browser lets nothing ring, nothing does. */
function ring(context: AudioContext): void {
  for (const { hertz, atS } of TONES) {
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = hertz;
    const from = context.currentTime + atS;
    gain.gain.setValueAtTime(0, from);
    gain.gain.linearRampToValueAtTime(LOUD, from + 0.02);
    gain.gain.linearRampToValueAtTime(0, from + LASTS_S);
    tone.connect(gain).connect(context.destination);
    tone.start(from);
    tone.stop(from + LASTS_S);
  }
}

const KEPT = "gaugebeam.pour.quiet";

/** Rings once when a step becomes due that was waited for; can be made quiet, and stays so on this device. */
export function useChime(stepId: string | null, dueS: number | null): { quiet: boolean; toggle: () => void } {
  const [quiet, setQuiet] = useState(false);
  const waited = useRef<string | null>(null);
  const context = useRef<AudioContext | null>(null);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- storage outside React, read once after mounting
    setQuiet(localStorage.getItem(KEPT) === "yes");
    return () => void context.current?.close();
  }, []);
  useEffect(() => {
    if (stepId === null || dueS === null) return;
    if (dueS > 0) {
      waited.current = stepId;
      return;
    }
    if (waited.current !== stepId) return;
    waited.current = null;
    if (quiet) return;
    context.current ??= new AudioContext();
    ring(context.current);
  }, [stepId, dueS, quiet]);
  const toggle = () => {
    localStorage.setItem(KEPT, quiet ? "no" : "yes");
    setQuiet(!quiet);
  };
  return { quiet, toggle };
}
