"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { ActError } from "@/contracts/act";
import { callAct } from "@/contracts/call-act";
import { tellTrial, type TrialSaid } from "@/contracts/trials";
import type { Trial, TrialEntry } from "@/core/learning/trial";
import { useHydrated } from "@/ui/use-hydrated";
import { dropSaid, keepSaid, saidWaiting, type Said } from "./unsent";

/** What may go through the next time; everything else is refused for good. */
const AGAIN: ReadonlySet<ActError["code"]> = new Set<ActError["code"]>([
  "unreachable",
  "slow-down",
  "full",
  "failed",
  "signed-out",
]);
const AGAIN_MS = 4000;

const entryOf = ({ id, at, said }: Said): TrialEntry => ({ ...said, id, at, by: "" });

/**
 * Tells something of a trial: it counts at once wherever the trials stand, is kept in this browser, and goes out when
 * the server answers, whichever of them is open.
 */
export function useTell(trials: readonly Trial[]) {
  const router = useRouter();
  const [unsent, setUnsent] = useState<readonly Said[]>(saidWaiting);
  /** The server has these, and the page does not show them yet. */
  const [sent, setSent] = useState<readonly Said[]>([]);
  const [problem, setProblem] = useState<{ trialId: string; message: string } | null>(null);
  const hydrated = useHydrated();
  const [first] = unsent;
  useEffect(() => {
    if (!first) return;
    const { id, trialId, said } = first;
    let wanted = true;
    let again: ReturnType<typeof setTimeout> | undefined;
    const send = async () => {
      const result = await callAct(tellTrial, { id, trialId, said });
      if (!wanted) return;
      setProblem(result.ok ? null : { trialId, message: result.error.message });
      if (!result.ok && AGAIN.has(result.error.code)) {
        again = setTimeout(() => void send(), AGAIN_MS);
        return;
      }
      if (result.ok) setSent((before) => [...before, first]);
      dropSaid(first);
      setUnsent((before) => before.filter((other) => other.id !== id));
      router.refresh();
    };
    void send();
    return () => {
      wanted = false;
      clearTimeout(again);
    };
  }, [first, router]);
  return {
    tell: (trialId: string, said: TrialSaid) => {
      const told = { id: crypto.randomUUID(), trialId, at: new Date().toISOString(), said };
      keepSaid(told);
      setUnsent((before) => [...before, told]);
    },
    /** All that was told, with what is on its way. */
    told: trials.map((trial) => {
      const shown = new Set(trial.entries.map(({ id }) => id));
      // The page came from a server that knows nothing of them.
      const more = (hydrated ? [...sent, ...unsent] : []).filter(
        ({ id, trialId }) => trialId === trial.id && !shown.has(id),
      );
      return { ...trial, entries: [...trial.entries, ...more.map(entryOf)] };
    }),
    problem,
  };
}
