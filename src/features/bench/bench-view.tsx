"use client";

import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { Bench } from "@/contracts/bench";
import { received, type Sent } from "@/contracts/sent";
import { AHEAD_MIN, nextActs } from "@/core/schedule/shop-days";
import type { UnitSystem } from "@/core/units/dimension";
import { Choice } from "@/ui/choice";
import { useShopClock } from "@/ui/shop-clock";
import { useHydrated } from "@/ui/use-hydrated";
import { useShop } from "@/workers/use-shop";
import { serverAnswers } from "@/contracts/call-act";
import { useProbe } from "@/instruments/use-probe";
import { KeepHere } from "@/offline/keep-here";
import { begunPath } from "@/offline/outbox";
import { pathsToKeep } from "./paths-to-keep";
import { useWithKept } from "./use-with-kept";
import { BenchAxis } from "./bench-axis";
import { BenchForm } from "./bench-form";
import { Beside } from "./beside";
import { LeftOut } from "./left-out";
import { NextPanel } from "./next-panel";
import { RoomPanel } from "./room-panel";
import { ShopTroubles } from "./shop-troubles";

/** Others tick in their own browsers: what they did is fetched this often, ms. */
const LOOK_AGAIN_MS = 30_000;
const SPANS = [
  { value: "day", words: "a day" },
  { value: "days", words: "three days" },
] as const;

/** Looks again where the server answers: a refresh that comes to nothing would load the whole page anew. */
async function lookAgain(router: { refresh: () => void }): Promise<void> {
  if (document.visibilityState === "visible" && (await serverAnswers())) router.refresh();
}

/** What is wet, what comes next, and how the room is: the shop on one clock. */
export function BenchView({
  shown,
  system,
  hasProbe,
  short,
}: {
  shown: Sent<Bench>;
  system: UnitSystem;
  /** A climate probe stands at the server. */
  hasProbe: boolean;
  /** What the shelf lacks for the jobs to come. */
  short: ReactNode;
}) {
  useProbe(hasProbe);
  const router = useRouter();
  const onServer = useMemo(() => received(shown), [shown]);
  const bench = useWithKept(onServer);
  const shop = useShop(bench);
  const [span, setSpan] = useState<"day" | "days">("day");
  const [now, setNow] = useState<Date | null>(null);
  useEffect(() => {
    const tick = () => setNow(new Date());
    tick();
    const timers = [setInterval(tick, 1000), setInterval(() => void lookAgain(router), LOOK_AGAIN_MS)];
    return () => timers.forEach(clearInterval);
  }, [router]);
  const { say, clockAt } = useShopClock();
  const nowMin = now ? clockAt(now.getTime()).nowMin : 0;
  const minute = Math.floor(nowMin);
  const acts = useMemo(() => (shop ? nextActs(shop.laid, minute, minute + AHEAD_MIN) : null), [shop, minute]);
  const pourOf = (id: string) => bench.pours.find((pour) => pour.id === id && pour.finishedAt === null);
  const hrefOf = (id: string) => {
    if (!pourOf(id)) return `/jobs/${jobOf(id)}/windows`;
    return onServer.pours.some((pour) => pour.id === id) ? `/pours/${id}` : begunPath(id);
  };
  const jobOf = (id: string) => shop?.laid.find((job) => job.id === id)?.jobId ?? id;
  const today = now ? say(now, "yyyy-MM-dd") : "";
  const tomorrow = now ? say(new Date(now.getTime() + 86_400_000), "yyyy-MM-dd") : "";
  const kept = useMemo(() => pathsToKeep(bench, [today, tomorrow]), [bench, today, tomorrow]);
  const alive = useHydrated() && now !== null;
  return (
    <main className="px-7 max-sm:px-4 pt-5 pb-6 flex-1">
      <h1 className="sr-only">Bench</h1>
      <KeepHere paths={kept} />
      <div className="grid grid-cols-[minmax(300px,1fr)_minmax(320px,1.25fr)_270px] gap-x-9 gap-y-6 max-lg:grid-cols-1">
        <NextPanel acts={alive ? acts : null} nowMin={nowMin} today={today} hrefOf={hrefOf} />
        <RoomPanel
          bench={bench}
          laid={shop?.laid ?? []}
          films={shop?.films ?? {}}
          now={now}
          nowMin={nowMin}
          system={system}
        />
      </div>
      <LeftOut bench={bench} broken={shop?.broken ?? []} />
      {shop && <ShopTroubles laid={shop.laid} hrefOf={hrefOf} />}
      {short}
      {shop && <Beside shop={shop} nowMin={nowMin} />}
      <div className="flex items-end gap-x-5 gap-y-2 flex-wrap mt-5 border-t border-ink pt-3">
        <h2 className="heading text-lg mr-auto">One clock</h2>
        <Choice label="How far" value={span} options={[...SPANS]} onChange={setSpan} />
        <BenchForm settings={bench.settings} system={system} />
      </div>
      {shop && now ? (
        <BenchAxis
          shop={shop}
          hours={bench.settings.hours}
          hands={bench.settings.hands}
          nowMin={nowMin}
          today={now}
          spanMin={span === "day" ? 24 * 60 : AHEAD_MIN}
          system={system}
          hrefOf={hrefOf}
        />
      ) : (
        <p className="text-ink-soft py-6">Working out the days…</p>
      )}
    </main>
  );
}
