"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { serverAnswers } from "@/contracts/call-act";
import { poursWaiting } from "@/offline/outbox";

/** Looked for so often, ms. */
const LOOK_MS = 20_000;

/** Sends what this device has of pours and the server has not, though none of them is open. */
async function sendAll(sent: Set<string>, arrived: () => void): Promise<void> {
  const ids = (await poursWaiting()).filter((id) => !sent.has(id));
  if (ids.length === 0 || !(await serverAnswers())) return;
  const { createPourStore } = await import("./pour-store");
  for (const id of ids) {
    // It tries again by itself until everything is there.
    sent.add(id);
    const store = createPourStore({ id, events: [] });
    await store.getState().wake();
    const look = () => {
      if (store.getState().waiting > 0 || !sent.delete(id)) return;
      arrived();
    };
    store.subscribe(look);
    look();
  }
}

/** What was done at a pour whose page was closed goes out from whichever page is open, which then shows it. */
export function SendWaiting() {
  const router = useRouter();
  useEffect(() => {
    const sent = new Set<string>();
    const look = () => void sendAll(sent, () => router.refresh()).catch(() => {});
    look();
    const timer = setInterval(look, LOOK_MS);
    window.addEventListener("online", look);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", look);
    };
  }, [router]);
  return null;
}
