"use client";

import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from "react";
import { useStore } from "zustand";
import type { OpenJob } from "@/contracts/jobs";
import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan, type Plan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/plan/job";
import type { UnitSystem } from "@/core/units/dimension";
import { ConflictDialog } from "./conflict-dialog";
import { createJobStore, type JobState, type JobStore } from "./job-store";

type Workspace = { store: JobStore; cards: ResinCard[]; system: UnitSystem; plan: Plan };

const Context = createContext<Workspace | null>(null);

function useWorkspace(): Workspace {
  const workspace = useContext(Context);
  if (!workspace) throw new Error("Used outside of a job");
  return workspace;
}

/** The job that is open in this tab: its document, what is computed of it, and the way to change it. */
export function useJob(): { document: JobDocument; plan: Plan; cards: ResinCard[]; system: UnitSystem; change: JobState["change"] } {
  const { store, plan, cards, system } = useWorkspace();
  const document = useStore(store, (state) => state.document);
  return { document, plan, cards, system, change: store.getState().change };
}

export function useJobState<Part>(select: (state: JobState) => Part): Part {
  return useStore(useWorkspace().store, select);
}

/** Holds a job open: computes its plan on every change, saves in pauses, and tells when someone else saved. */
export function JobWorkspace({ job, cards, system, children }: { job: OpenJob; cards: ResinCard[]; system: UnitSystem; children: ReactNode }) {
  const [store] = useState(() => createJobStore(job));
  const document = useStore(store, (state) => state.document);
  const plan = useMemo(() => derivePlan(document, cards), [document, cards]);
  const workspace = useMemo(() => ({ store, cards, system, plan }), [store, cards, system, plan]);

  useEffect(() => {
    void store.getState().wake();
    const flush = () => void store.getState().save();
    const hidden = () => globalThis.document.visibilityState === "hidden" && flush();
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
    globalThis.document.addEventListener("visibilitychange", hidden);
    return () => {
      window.removeEventListener("online", flush);
      window.removeEventListener("keydown", keys);
      globalThis.document.removeEventListener("visibilitychange", hidden);
      flush();
    };
  }, [store]);

  return (
    <Context.Provider value={workspace}>
      {children}
      <ConflictDialog />
    </Context.Provider>
  );
}
