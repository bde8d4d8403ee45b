"use client";

import { useEffect, useState, useSyncExternalStore } from "react";
import type { Bench } from "@/contracts/bench";
import { workerClient } from "./client";
import type { ShopAnswer, ShopCalls } from "./plan-shop.worker";

const shopWorker = workerClient<ShopCalls>(
  () => new Worker(new URL("./plan-shop.worker.ts", import.meta.url)),
);

/** The minute of the wall clock, counted from the epoch; told once a minute. */
const onMinute = (told: () => void) => {
  const timer = setInterval(told, 5_000);
  return () => clearInterval(timer);
};
const thisMinute = () => Math.floor(Date.now() / 60_000);

/** The minute that it is, from the epoch; null before the page is alive. */
export const useMinute = (): number | null => useSyncExternalStore(onMinute, thisMinute, () => null);

/**
 * The days of the shop, worked out anew every minute and whenever it changes; null until they are. The last answer stands until a newer one
 * is there.
 * @param without a job that is left out
 */
export function useShop(bench: Bench, without: string | null = null): ShopAnswer | null {
  const minute = useMinute();
  const [answer, setAnswer] = useState<ShopAnswer | null>(null);
  useEffect(() => {
    if (minute === null) return;
    const asked = shopWorker.ask("plan", { bench, now: Date.now(), without });
    void asked.answer.then((found) => found && setAnswer(found));
    return asked.cancel;
  }, [bench, without, minute]);
  return answer;
}
