"use client";

import { differenceInCalendarDays, parseISO } from "date-fns";
import { useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { windowCoatsOf } from "@/core/plan/derive-plan";
import { settingsOf } from "@/core/plan/job-settings";
import { planDays, type DayPlan, type Settings, type WindowCoat } from "@/core/schedule/windows";
import { useJob } from "../workspace/use-job";
import { askDays } from "./ask-days";

/** The minute of the wall clock, counted from the epoch; told once a minute. */
const onMinute = (told: () => void) => {
  const timer = setInterval(told, 20_000);
  return () => clearInterval(timer);
};
const thisMinute = () => Math.floor(Date.now() / 60_000);

/** Now, in minutes from midnight of the first day; null where no day is set, and before the page is alive. */
export function useNowMin(startOn: string | undefined): number | null {
  const minute = useSyncExternalStore(onMinute, thisMinute, () => null);
  if (minute === null || startOn === undefined) return null;
  const now = new Date(minute * 60_000);
  return differenceInCalendarDays(now, parseISO(startOn)) * 24 * 60 + now.getHours() * 60 + now.getMinutes();
}

/**
 * The days of this job from a start. In a room of one temperature they are worked out at once; in one that changes the likely course is
 * there at once, and the ends of its windows as soon as a worker has them.
 */
export function useDays(startMin: number): { coats: WindowCoat[]; settings: Settings; days: DayPlan } {
  const { document, plan } = useJob();
  const nowMin = useNowMin(document.work.startOn);
  const coats = useMemo(() => windowCoatsOf(plan), [plan]);
  const settings = useMemo(() => settingsOf(document, nowMin), [document, nowMin]);
  const steady = settings.room.kind === "constant";
  const quick = useMemo(
    () => planDays(coats, startMin, { ...settings, quick: !steady }),
    [coats, startMin, settings, steady],
  );
  const [full, setFull] = useState<{ of: DayPlan; days: DayPlan } | null>(null);
  useEffect(() => {
    if (steady) return;
    const asked = askDays({ ask: "plan", coats, startMin, settings });
    void asked.answer.then((answer) => {
      if (answer && "plan" in answer) setFull({ of: quick, days: answer.plan });
    });
    return asked.cancel;
  }, [coats, startMin, settings, steady, quick]);
  return { coats, settings, days: full?.of === quick ? full.days : quick };
}
