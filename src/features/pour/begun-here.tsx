"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import { sent } from "@/contracts/sent";
import { begunPour, type BegunPour } from "@/offline/outbox";
import { ShopClock } from "@/ui/shop-clock";
import { PourView } from "./pour-view";

/** Whether the server has it is looked for so often, ms. */
const LOOK_MS = 3000;
const NO_SCALE = { scale: false, probe: false };

/** A pour that was begun on this device without the server. Once the server has it, its place is among the others. */
export function BegunHere() {
  const [found, setFound] = useState<BegunPour | null | undefined>(undefined);
  useEffect(() => {
    const look = async () => {
      const pourId = location.hash.slice(1);
      const begun = await begunPour(pourId).catch(() => undefined);
      setFound(begun ?? null);
      if (!begun && pourId) location.replace(`/pours/${pourId}`);
    };
    const again = () => void look();
    again();
    window.addEventListener("hashchange", again);
    return () => window.removeEventListener("hashchange", again);
  }, []);
  const pourId = found?.pour.id;
  useEffect(() => {
    if (pourId === undefined) return;
    const look = async () => {
      if (await begunPour(pourId)) return;
      clearInterval(timer);
      history.replaceState(null, "", `/pours/${pourId}`);
    };
    const timer = setInterval(() => void look().catch(() => {}), LOOK_MS);
    return () => clearInterval(timer);
  }, [pourId]);
  if (found === undefined) return <div aria-busy="true" className="min-h-dvh bg-night" />;
  if (found === null)
    return (
      <main className="max-w-2xl mx-auto px-7 py-14">
        <h1 className="heading text-2xl">No pour was begun on this device</h1>
        <p className="mt-2">
          <Link href="/bench" className="underline underline-offset-4">
            Back to the bench
          </Link>
        </p>
      </main>
    );
  return (
    <ShopClock zone={found.zone} style={found.clock}>
      <PourView
        key={found.pour.id}
        shown={sent(found.pour)}
        system={found.system}
        has={NO_SCALE}
        people={found.people}
      />
    </ShopClock>
  );
}
