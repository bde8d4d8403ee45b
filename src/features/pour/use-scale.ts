"use client";

import { useEffect, useRef, useState } from "react";
import { readScaleLine } from "@/core/instruments/scale-line";
import { heardScale, NEW_SESSION, type NextLine, type WeighShown } from "@/core/instruments/weigh-session";

/** A scale that has said nothing for so long is not there, ms. */
const GONE_MS = 3000;

export type LiveScale = {
  state: "off" | "waiting" | "live" | "out of range";
  shown: WeighShown | null;
};

/**
 * The scale at the server while a line is weighed: what it shows, and each line once when it is at rest where it should be.
 * @param line what is weighed next; null where nothing is
 */
export function useScale(
  on: boolean,
  line: NextLine | null,
  stepG: number,
  onTaken: (id: string, grams: number) => void,
): LiveScale {
  const [scale, setScale] = useState<LiveScale>({ state: "waiting", shown: null });
  const latest = useRef({ line, stepG, onTaken });
  useEffect(() => {
    latest.current = { line, stepG, onTaken };
  });
  useEffect(() => {
    if (!on) return;
    let session = NEW_SESSION;
    let heardAt = 0;
    const source = new EventSource("/api/instruments/scale");
    source.onmessage = ({ data }) => {
      const reading = readScaleLine(JSON.parse(data as string) as string);
      if (!reading) return;
      heardAt = Date.now();
      if (reading.kind !== "mass") {
        setScale({ state: "out of range", shown: null });
        return;
      }
      const { line: next, stepG: step, onTaken: take } = latest.current;
      const heard = heardScale(session, { ...reading, atMs: performance.now() }, next, step);
      session = heard.session;
      setScale({ state: "live", shown: heard.shown });
      if (heard.taken) take(heard.taken.id, heard.taken.grams);
    };
    const timer = setInterval(() => {
      if (Date.now() - heardAt > GONE_MS) setScale({ state: "waiting", shown: null });
    }, 1000);
    return () => {
      clearInterval(timer);
      source.close();
    };
  }, [on]);
  return on ? scale : { state: "off", shown: null };
}
