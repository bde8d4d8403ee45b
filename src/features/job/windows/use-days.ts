"use client";

import { useEffect, useMemo, useState } from "react";
import type { Bench } from "@/contracts/bench";
import { withDays, type Plan } from "@/core/plan/derive-plan";
import { windowCoatsOf } from "@/core/plan/timed";
import { settingsOf } from "@/core/job/job-settings";
import { plannedJob } from "@/core/shop/shop";
import { before, beside, countedFrom } from "@/core/schedule/shop-days";
import { planDays, type DayPlan } from "@/core/schedule/plan-days";
import type { Settings, WindowCoat } from "@/core/schedule/coat-windows";
import type { Among } from "@/workers/plan-days.worker";
import { useShopClock } from "@/ui/shop-clock";
import { useMinute, useShop } from "@/workers/use-shop";
import { useJob, useJobState } from "../workspace/use-job";
import { daysWorker } from "./days-worker";

/** Now, in minutes from midnight of the first day; null where no day is set, and before the page is alive. */
function useNowMin(startOn: string | undefined): number | null {
  const minute = useMinute();
  const { clockAt } = useShopClock();
  if (minute === null || startOn === undefined) return null;
  const clock = clockAt(minute * 60_000);
  return Math.floor(clock.nowMin) - clock.dayMin(startOn);
}

/** The job among the other work of the shop, in minutes from its own first day; null without a day, and until the others are known. */
function useAmong(bench: Bench, coats: WindowCoat[], settings: Settings, startMin: number): Among | null {
  const { document, plan } = useJob();
  const job = useJobState((state) => state.job);
  const laid = useShop(bench, job.id)?.laid;
  const minute = useMinute();
  const { clockAt } = useShopClock();
  const { startOn } = document.work;
  return useMemo(() => {
    if (!laid || startOn === undefined || minute === null) return null;
    const midnight = clockAt(minute * 60_000).dayMin(startOn);
    return {
      job: {
        ...plannedJob({ id: job.id, name: job.name, document }, plan, settings.nowMin),
        coats,
        startMin,
        settings,
      },
      others: laid.map((job) => countedFrom(midnight, job)),
      means: bench.settings,
    };
  }, [laid, startOn, minute, job, coats, startMin, settings, document, plan, bench.settings, clockAt]);
}

/**
 * The days of this job from a start, among the other work of the shop that goes before it. In a room of one temperature they are worked out
 * at once; in one that changes the likely course is there at once, and the ends of its windows as soon as a worker has them.
 */
export function useDays(
  startMin: number,
  bench: Bench,
): { coats: WindowCoat[]; settings: Settings; days: DayPlan; among: Among | null } {
  const { document, plan } = useJob();
  const nowMin = useNowMin(document.work.startOn);
  const coats = useMemo(() => windowCoatsOf(plan), [plan]);
  const alone = useMemo(() => settingsOf(document, nowMin), [document, nowMin]);
  const among = useAmong(bench, coats, alone, startMin);
  const room = useMemo(
    () => among && beside(among.job, before(among.others, among.job), among.means),
    [among],
  );
  const settings: Settings = room?.settings ?? alone;
  const steady = settings.room.kind === "constant";
  const quick = useMemo(
    () => planDays(coats, startMin, { ...settings, quick: !steady }),
    [coats, startMin, settings, steady],
  );
  const [full, setFull] = useState<{ of: DayPlan; days: DayPlan } | null>(null);
  useEffect(() => {
    if (steady) return;
    const asked = daysWorker.ask("plan", { coats, startMin, settings });
    void asked.answer.then((days) => days && setFull({ of: quick, days }));
    return asked.cancel;
  }, [coats, startMin, settings, steady, quick]);
  const plain = full?.of === quick ? full.days : quick;
  const days = useMemo(
    () => (room ? { ...plain, troubles: [...plain.troubles, ...room.alsoFound(plain)] } : plain),
    [plain, room],
  );
  return { coats, settings, days, among };
}

/** The plan of this job on its days among the other work of the shop: what sheets are made from. */
export function usePlanAmong(bench: Bench): Plan {
  const { document, plan } = useJob();
  const { days } = useDays(document.work.startMin, bench);
  return useMemo(() => withDays(plan, days), [plan, days]);
}
