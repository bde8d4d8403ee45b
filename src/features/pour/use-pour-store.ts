"use client";

import { useEffect, useState } from "react";
import type { Pour } from "@/contracts/pours";
import { putOpened } from "@/offline/outbox";
import { listenToPour } from "./pour-news";
import { createPourStore } from "./pour-store";

/** A pour as this tab holds it: what waits is sent, what others record is heard, and the clock goes by the server's. */
export function usePourStore(pour: Pour) {
  const [store] = useState(() => createPourStore(pour));
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    void store.getState().wake();
    void putOpened(pour).catch(() => {});
    const tick = () => setNow(store.getState().now());
    tick();
    const timer = setInterval(tick, 500);
    const online = () => void store.getState().send();
    const deaf = listenToPour(pour.id, store.getState().hear);
    window.addEventListener("online", online);
    return () => {
      clearInterval(timer);
      deaf();
      window.removeEventListener("online", online);
    };
  }, [store, pour]);
  return { store, now };
}
