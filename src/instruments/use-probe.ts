"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { readRoom } from "@/contracts/bench";
import { readClimateLine, type ClimateReading } from "@/core/instruments/climate-line";
import { hearLines } from "./lines";

/** A reading goes to the shop so often, ms; the server keeps what says something new. */
const TELL_MS = 60_000;
/** A probe that has said nothing for so long is gone, ms. */
const GONE_MS = 30_000;
/** What is shown moves so often, ms. */
const SHOW_MS = 2000;

/** What the probe at the server says of the room now, and tells the shop each minute; null where there is none, or it is silent. */
export function useProbe(on: boolean): ClimateReading | null {
  const [reading, setReading] = useState<ClimateReading | null>(null);
  useEffect(() => {
    if (!on) return;
    let latest: ClimateReading | null = null;
    let heardAt = 0;
    const stop = hearLines("probe", { at: "server" }, (line) => {
      const read = readClimateLine(line);
      if (!read) return;
      const first = latest === null;
      latest = read;
      heardAt = Date.now();
      if (first) {
        setReading(read);
        tell();
      }
    });
    const here = () => latest !== null && Date.now() - heardAt < GONE_MS;
    const tell = () => {
      if (!latest || !here()) return;
      const { tempC, humidityPct, surfaceC } = latest;
      const moist = humidityPct !== null && humidityPct >= 1 ? humidityPct : null;
      void callAct(readRoom, {
        reading: {
          id: crypto.randomUUID(),
          at: new Date().toISOString(),
          byProbe: true,
          tempC,
          humidityPct: moist,
          surfaceC,
        },
      });
    };
    const timers = [
      setInterval(() => setReading(here() ? latest : null), SHOW_MS),
      setInterval(tell, TELL_MS),
    ];
    return () => {
      stop();
      timers.forEach(clearInterval);
    };
  }, [on]);
  return on ? reading : null;
}
