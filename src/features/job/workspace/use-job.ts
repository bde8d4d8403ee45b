"use client";

import { createContext, useContext } from "react";
import { useStore } from "zustand";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { AdoptedFactors } from "@/core/learning/decisions";
import type { Plan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import type { UnitSystem } from "@/core/units/dimension";
import type { JobState, JobStore } from "./job-store";

type Workspace = {
  store: JobStore;
  cards: ResinCard[];
  colours: ColourCard[];
  adopted: AdoptedFactors;
  system: UnitSystem;
  /** What is shown in figures: while a drawing is pulled it comes a few frames after what the store holds. */
  document: JobDocument;
  plan: Plan;
};

export const JobContext = createContext<Workspace | null>(null);

function useWorkspace(): Workspace {
  const workspace = useContext(JobContext);
  if (!workspace) throw new Error("Used outside of a job");
  return workspace;
}

/** The job that is open in this tab: its document, what is computed of it, and the way to change it. */
export function useJob(): {
  document: JobDocument;
  plan: Plan;
  cards: ResinCard[];
  /** Colourants of the shop. */
  colours: ColourCard[];
  /** Factors that the shop has learnt and taken over; the job keeps its own until one says otherwise. */
  adopted: AdoptedFactors;
  system: UnitSystem;
  change: JobState["change"];
} {
  const { store, document, plan, cards, colours, adopted, system } = useWorkspace();
  return { document, plan, cards, colours, adopted, system, change: store.getState().change };
}

export function useJobState<Part>(select: (state: JobState) => Part): Part {
  return useStore(useWorkspace().store, select);
}
