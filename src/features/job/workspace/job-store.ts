import { createStore } from "zustand";
import type { ActError } from "@/contracts/act";
import { callAct } from "@/contracts/call-act";
import { saveJob, undoJob, type Conflict, type OpenJob, type Saved } from "@/contracts/jobs";
import type { JobDocument } from "@/core/plan/job";
import { keepDraft, tabId, takeUpDraft } from "./draft";

export type SaveStatus =
  "saved" | "unsaved" | "saving" | "unreachable" | "signed-out" | "refused" | "conflict";

export type JobState = {
  job: OpenJob;
  document: JobDocument;
  revision: number;
  canUndo: boolean;
  canRedo: boolean;
  status: SaveStatus;
  /** Words for a status that needs some. */
  trouble: string | null;
  /** The version that another tab or person saved meanwhile. */
  conflict: Conflict | null;
  change: (edit: (document: JobDocument) => JobDocument) => void;
  step: (direction: "undo" | "redo") => Promise<void>;
  save: () => Promise<void>;
  /** Saves what was typed last; the revision that then stands on the server, or null when it could not be saved. */
  savedRevision: () => Promise<number | null>;
  settle: (keep: "mine" | "theirs") => Promise<void>;
  /** Takes up what a lost tab left behind. Called once, in the browser. */
  wake: () => Promise<void>;
};

/** A pause in typing after which a version is saved: one undo step. */
const QUIET_MS = 700;
const RETRY_MS = [2000, 4000, 8000, 15000, 30000];

/** The state of one job in one tab: the document as typed, and the road to the server. */
export function createJobStore(job: OpenJob) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let inFlight: Promise<void> | null = null;
  let failures = 0;
  /** Steps of undo and redo, one after the other however fast the key is pressed. */
  let steps: Promise<void> = Promise.resolve();
  let tab: string | null = null;

  return createStore<JobState>((set, get) => {
    const keep = (document: JobDocument | null) => {
      if (tab === null) return;
      const stored = keepDraft(job.id, tab, document ? { revision: get().revision, document } : null);
      if (!stored)
        set({ trouble: "This browser's storage is full: what you type is not kept until it is saved." });
    };
    const later = (ms: number) => {
      clearTimeout(timer);
      timer = setTimeout(() => void get().save(), ms);
    };
    const take = (saved: Saved) =>
      set({
        revision: saved.revision,
        document: saved.document,
        canUndo: saved.canUndo,
        canRedo: saved.canRedo,
        status: "saved",
        trouble: null,
        conflict: null,
      });
    const fail = (error: ActError) => {
      if (
        error.code === "conflict" &&
        JSON.stringify((error.data as Conflict).document) === JSON.stringify(get().document)
      ) {
        // The same was saved meanwhile, for instance by this tab before it was left and opened again.
        take(error.data as Conflict);
        keep(null);
      } else if (error.code === "conflict") {
        set({ status: "conflict", conflict: error.data as Conflict, trouble: error.message });
      } else if (error.code === "signed-out") {
        set({ status: "signed-out", trouble: error.message });
      } else if (error.code === "unreachable" || error.code === "failed") {
        set({ status: "unreachable", trouble: error.message });
        later(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] ?? 30000);
        failures += 1;
      } else {
        set({ status: "refused", trouble: error.message });
      }
    };
    const send = async () => {
      const { document, revision } = get();
      set({ status: "saving" });
      const result = await callAct(saveJob, { jobId: job.id, revision, document });
      if (!result.ok) return fail(result.error);
      failures = 0;
      const { value } = result;
      if (get().document === document) {
        set({
          revision: value.revision,
          canUndo: value.canUndo,
          canRedo: value.canRedo,
          status: "saved",
          trouble: null,
        });
        keep(null);
      } else {
        set({
          revision: value.revision,
          canUndo: value.canUndo,
          canRedo: value.canRedo,
          status: "unsaved",
          trouble: null,
        });
        keep(get().document);
        later(QUIET_MS);
      }
    };

    return {
      job,
      document: job.document,
      revision: job.revision,
      canUndo: job.canUndo,
      canRedo: job.canRedo,
      status: "saved",
      trouble: null,
      conflict: null,
      change: (edit) => {
        const document = edit(get().document);
        if (document === get().document) return;
        const { status } = get();
        set({
          document,
          status:
            status === "conflict" || status === "saving" || status === "unreachable" ? status : "unsaved",
          canUndo: true,
        });
        keep(document);
        if (status !== "conflict") later(QUIET_MS);
      },
      save: async () => {
        clearTimeout(timer);
        if (inFlight) return inFlight;
        const { status } = get();
        if (status === "saved" || status === "conflict") return;
        inFlight = send().finally(() => {
          inFlight = null;
        });
        return inFlight;
      },
      savedRevision: async () => {
        await get().save();
        // Typed while that was under way.
        if (get().status === "unsaved") await get().save();
        return get().status === "saved" ? get().revision : null;
      },
      step: (direction) => {
        steps = steps.then(async () => {
          await get().save();
          const { status, canUndo, canRedo, revision } = get();
          if (status !== "saved" || !(direction === "undo" ? canUndo : canRedo)) return;
          const result = await callAct(undoJob, { jobId: job.id, revision, direction });
          if (result.ok) take(result.value);
          else fail(result.error);
        });
        return steps;
      },
      settle: async (which) => {
        const { conflict } = get();
        if (!conflict) return;
        // Mine goes on top of theirs in either case, so that the version not chosen stays one undo or redo away.
        set({ revision: conflict.revision, conflict: null, status: "unsaved", trouble: null });
        keep(get().document);
        await get().save();
        if (which === "theirs") await get().step("undo");
      },
      wake: async () => {
        const draft = await takeUpDraft(job.id);
        tab = await tabId();
        const { document, revision, status } = get();
        if (status !== "saved") keep(document);
        if (!draft) return;
        if (JSON.stringify(draft.document) === JSON.stringify(document)) {
          if (status === "saved") keep(null);
          return;
        }
        if (draft.revision === revision) {
          get().change(() => draft.document);
          return;
        }
        const { savedBy, savedAt, canUndo, canRedo } = job;
        set({
          document: draft.document,
          status: "conflict",
          trouble: `${savedBy} saved this job while your last changes had not gone out.`,
          conflict: { revision, document, canUndo, canRedo, savedBy, savedAt },
        });
      },
    };
  });
}

export type JobStore = ReturnType<typeof createJobStore>;
