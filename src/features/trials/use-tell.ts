"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { ActError } from "@/contracts/act";
import { callAct } from "@/contracts/call-act";
import { tellTrial, type TrialSaid } from "@/contracts/trials";
import type { Trial, TrialEntry } from "@/core/learning/trial";
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

/** Tells something of a trial: it counts at once, is kept in this browser, and goes out when the server answers. */
export function useTell({ id: trialId, entries }: Pick<Trial, "id" | "entries">) {
  const router = useRouter();
  const [unsent, setUnsent] = useState<readonly Said[]>(() => saidWaiting(trialId));
  /** The server has these, and the page does not show them yet. */
  const [sent, setSent] = useState<readonly Said[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const [first] = unsent;
    if (!first) return;
    let wanted = true;
    let again: ReturnType<typeof setTimeout> | undefined;
    const send = async () => {
      const result = await callAct(tellTrial, { id: first.id, trialId, said: first.said });
      // What was told meanwhile begins with this one once more: sent twice it is one.
      if (!wanted) return;
      setProblem(result.ok ? null : result.error.message);
      if (!result.ok && AGAIN.has(result.error.code)) {
        again = setTimeout(() => void send(), AGAIN_MS);
        return;
      }
      if (result.ok) setSent((before) => [...before, first]);
      dropSaid(trialId, first.id);
      setUnsent((before) => before.filter(({ id }) => id !== first.id));
      router.refresh();
    };
    void send();
    return () => {
      wanted = false;
      clearTimeout(again);
    };
  }, [unsent, trialId, router]);
  const shown = new Set(entries.map(({ id }) => id));
  return {
    tell: (said: TrialSaid) => {
      const told = { id: crypto.randomUUID(), at: new Date().toISOString(), said };
      keepSaid(trialId, told);
      setUnsent((before) => [...before, told]);
    },
    /** All that was told, with what is on its way. */
    entries: [...entries, ...[...sent, ...unsent].filter(({ id }) => !shown.has(id)).map(entryOf)],
    problem,
  };
}
