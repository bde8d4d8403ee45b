"use client";

import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { OpenJob } from "@/contracts/jobs";
import { received, type Sent } from "@/contracts/sent";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { byIdentity } from "@/core/numerics/by-identity";
import type { AdoptedFactors } from "@/core/learning/decisions";
import { derivePlan } from "@/core/plan/derive-plan";
import { measured } from "@/core/plan/measured";
import type { UnitSystem } from "@/core/units/dimension";
import { OnlyInBrowser } from "@/ui/only-in-browser";
import { ConflictDialog } from "./conflict-dialog";
import { createJobStore } from "./job-store";
import { JobContext } from "./use-job";
import { useStagedDocument } from "./use-staged-document";

type Opened = {
  shown: Sent<{ job: OpenJob; cards: ResinCard[]; colours: ColourCard[]; adopted: AdoptedFactors }>;
  system: UnitSystem;
  children: ReactNode;
};

/** A job, open in the browser that asked for it. */
export function JobWorkspace(opened: Opened) {
  return (
    <OnlyInBrowser>
      <LiveJob {...opened} />
    </OnlyInBrowser>
  );
}

/** Holds a job open: computes its plan on every change, saves in pauses, and tells when someone else saved. */
function LiveJob({ shown, system, children }: Opened) {
  const { job, cards, colours, adopted } = useMemo(() => received(shown), [shown]);
  const [store] = useState(() => createJobStore(job));
  const planOf = useMemo(
    () => byIdentity((document: JobDocument) => derivePlan(document, cards, colours)),
    [cards, colours],
  );
  const stages = useMemo(() => [measured, planOf], [planOf]);
  const document = useStagedDocument(store, stages);
  const plan = planOf(document);
  const workspace = useMemo(
    () => ({ store, cards, colours, adopted, system, document, plan }),
    [store, cards, colours, adopted, system, document, plan],
  );

  useEffect(() => {
    void store.getState().wake();
    const flush = () => void store.getState().save();
    const hidden = () => globalThis.document.visibilityState === "hidden" && flush();
    // Another field, another press of the pointer: another undo step.
    const mark = () => store.getState().mark();
    const keys = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const direction = key === "z" ? (event.shiftKey ? "redo" : "undo") : key === "y" ? "redo" : null;
      if (!direction) return;
      event.preventDefault();
      if (globalThis.document.activeElement instanceof HTMLElement) globalThis.document.activeElement.blur();
      void store.getState().step(direction);
    };
    window.addEventListener("online", flush);
    window.addEventListener("keydown", keys);
    window.addEventListener("focusin", mark);
    window.addEventListener("pointerdown", mark, true);
    globalThis.document.addEventListener("visibilitychange", hidden);
    return () => {
      window.removeEventListener("online", flush);
      window.removeEventListener("keydown", keys);
      window.removeEventListener("focusin", mark);
      window.removeEventListener("pointerdown", mark, true);
      globalThis.document.removeEventListener("visibilitychange", hidden);
      flush();
    };
  }, [store]);

  return (
    <JobContext.Provider value={workspace}>
      {children}
      <ConflictDialog />
    </JobContext.Provider>
  );
}
