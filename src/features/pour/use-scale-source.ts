"use client";

import { useEffect, useMemo, useState } from "react";
import { canReadHere, choosePort, knownPort, type DevicePort, type LineSource } from "@/instruments/lines";

/** Which scale is read: one at this device where one was chosen, else the one at the server; none where it is weighed by hand. */
export function useScaleSource(atServer: boolean): {
  source: LineSource | null;
  /** Lets the person choose a scale at this device; null where the browser reads none. */
  choose: (() => void) | null;
  byHand: () => void;
} {
  const [port, setPort] = useState<DevicePort | null>(null);
  const [hand, setHand] = useState(false);
  useEffect(() => {
    let over = false;
    void knownPort().then((known) => !over && setPort(known));
    return () => {
      over = true;
    };
  }, []);
  const source = useMemo((): LineSource | null => {
    if (hand) return null;
    if (port) return { at: "device", port };
    return atServer ? { at: "server" } : null;
  }, [hand, port, atServer]);
  const choose = () =>
    void choosePort().then((chosen) => {
      if (!chosen) return;
      setPort(chosen);
      setHand(false);
    });
  return { source, choose: canReadHere() ? choose : null, byHand: () => setHand(true) };
}
