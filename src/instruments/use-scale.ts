"use client";

import { useEffect, useRef, useState } from "react";
import { readScaleLine } from "@/core/instruments/scale-line";
import { heardScale, NEW_SESSION, type NextLine, type WeighShown } from "@/core/instruments/weigh-session";
import { hearLines, type LineSource } from "./lines";

/** A scale that has said nothing for so long is not there, ms. */
const GONE_MS = 3000;

export type LiveScale = {
  state: "off" | "waiting" | "live" | "out of range";
  shown: WeighShown | null;
  /** Its step as it prints, g; absent while it is not heard. */
  stepG?: number;
};

/**
 * A scale while a line is weighed: what it shows, and each line once when it is at rest where it should be.
 * @param source null where no scale is read
 * @param line what is weighed next; null where nothing is
 * @param onTaken `raw` is the line that the scale printed
 */
export function useScale(
  source: LineSource | null,
  line: NextLine | null,
  stepG: number,
  onTaken: (taken: { id: string; grams: number; stepG: number; raw: string }) => void,
): LiveScale {
  const [scale, setScale] = useState<LiveScale>({ state: "waiting", shown: null });
  const latest = useRef({ line, stepG, onTaken });
  useEffect(() => {
    latest.current = { line, stepG, onTaken };
  });
  useEffect(() => {
    if (!source) return;
    let session = NEW_SESSION;
    let heardAt = 0;
    const stop = hearLines("scale", source, (raw) => {
      const reading = readScaleLine(raw);
      if (!reading) return;
      heardAt = Date.now();
      if (reading.kind !== "mass") {
        setScale({ state: "out of range", shown: null });
        return;
      }
      const { line: next, stepG: step, onTaken: take } = latest.current;
      // A scale that prints finer than the shop's is finer.
      const fineG = Math.min(step, reading.stepG);
      const heard = heardScale(session, { ...reading, atMs: performance.now() }, next, fineG);
      session = heard.session;
      setScale({ state: "live", shown: heard.shown, stepG: fineG });
      if (heard.taken) take({ ...heard.taken, stepG: fineG, raw: raw.trim() });
    });
    const timer = setInterval(() => {
      if (Date.now() - heardAt > GONE_MS) setScale({ state: "waiting", shown: null });
    }, 1000);
    return () => {
      clearInterval(timer);
      stop();
    };
  }, [source]);
  return source ? scale : { state: "off", shown: null };
}
