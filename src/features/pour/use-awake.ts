"use client";

import { useEffect } from "react";

/** The screen does not go dark while this is on; a browser that cannot keep it does as its device is set. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      const got = await navigator.wakeLock.request("screen").catch(() => null);
      if (over) void got?.release();
      else lock = got;
    };
    const again = () => void ask();
    again();
    // A browser takes it back whenever another page is looked at.
    document.addEventListener("visibilitychange", again);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, [on]);
}
