"use client";

import { useEffect, useState } from "react";
import type { Bench } from "@/contracts/bench";
import type { Pour } from "@/contracts/pours";
import { foldPour, withNew } from "@/core/pour/pour-events";
import { begunPours, entriesOf, forgetAllBut } from "@/offline/outbox";

/** Entries that this device made are looked for so often, ms. */
const LOOK_MS = 10_000;

const asItIs = (pour: Pour): Pour => ({ ...pour, finishedAt: foldPour(pour.events).finishedAt });

/**
 * The bench with all that this device knows of its pours: what waits for the server, what was begun here without it, and
 * what was done since a page was kept that was opened without it.
 */
export function useWithKept(bench: Bench): Bench {
  const [merged, setMerged] = useState<{ of: Bench; bench: Bench } | null>(null);
  useEffect(() => {
    let over = false;
    const live = bench.pours.filter(({ finishedAt }) => finishedAt === null);
    const look = async () => {
      const begun: Pour[] = [];
      for (const { pour } of await begunPours())
        if (!bench.pours.some(({ id }) => id === pour.id))
          begun.push({ ...pour, events: await entriesOf(pour.id) });
      const kept = new Map(begun.map(({ id, events }) => [id, events]));
      for (const { id, events } of live) {
        const all = withNew(events, await entriesOf(id));
        if (all.length > events.length) kept.set(id, all);
      }
      if (over) return;
      setMerged((before) => {
        const had = before?.of === bench ? before.bench : bench;
        const same = [...live, ...begun].every(
          ({ id, events }) =>
            (kept.get(id) ?? events).length === had.pours.find((pour) => pour.id === id)?.events.length,
        );
        if (same) return before;
        const pours = bench.pours.map((pour) => {
          const events = kept.get(pour.id);
          return events ? asItIs({ ...pour, events }) : pour;
        });
        const jobs = bench.jobs.filter(({ id }) => !begun.some(({ jobId }) => jobId === id));
        return { of: bench, bench: { ...bench, pours: [...begun.map(asItIs), ...pours], jobs } };
      });
    };
    const again = () => void look().catch(() => {});
    again();
    const timer = setInterval(again, LOOK_MS);
    void forgetAllBut(live.map(({ id }) => id)).catch(() => {});
    return () => {
      over = true;
      clearInterval(timer);
    };
  }, [bench]);
  return merged?.of === bench ? merged.bench : bench;
}
