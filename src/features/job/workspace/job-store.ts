import { deepEqual } from "fast-equals";
import { createStore } from "zustand";
import type { ActError } from "@/contracts/act";
import { callAct } from "@/contracts/call-act";
import { saveJob, undoJob, type Conflict, type OpenJob, type Saved } from "@/contracts/jobs";
import { wordsOfPath } from "@/core/job/describe-changes";
import type { JobDocument } from "@/core/job/job";
import { keepDraft, tabId, takeUpDraft } from "./draft";
import { onTopOf, withoutAt } from "./merge-changes";

export type SaveStatus =
  "saved" | "unsaved" | "saving" | "unreachable" | "full" | "signed-out" | "refused" | "conflict";

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
  /** Ends an undo step: what is changed from now on is a step of its own. */
  mark: () => void;
  /** While a pull is under way its pauses are no undo steps; letting go ends the step. What is changed is kept in the browser all along. */
  hold: (pulling: boolean | "in stages") => void;
  /** Whether figures may come after what is pulled: the plan is worked out in stages, each in a frame of its own. */
  inStages: boolean;
  settle: (keep: "mine" | "theirs") => Promise<void>;
  /** Takes up what a lost tab left behind. Called once, in the browser. */
  wake: () => Promise<void>;
};

/** A pause in typing after which a version is saved: one undo step. */
const QUIET_MS = 700;
/** Steps kept apart while the server is away; later ones are saved as one. */
const MOST_MARKS = 60;
/** What passes by itself: it is tried again. */
const WAITS = new Set<ActError["code"]>(["unreachable", "failed", "full"]);
/** Versions sent while the server was away that may be found on it. */
const MOST_UNANSWERED = 8;
const STEP_TRIES = 3;
const STEP_LOST = "The server does not answer, so that nothing was undone or redone. Try again when it does.";
const RETRY_MS = [2000, 4000, 8000, 15000, 30000];

/** So many fields are put back in turn to save the rest. */
const MOST_PUT_BACK = 8;
/** Where in the document a refusal lies; empty where it is not told. */
const pathIn = ({ field }: ActError): string[] => {
  const [head, ...path] = (field ?? "").split(".");
  return head === "document" ? path : [];
};

/** As it goes over the wire: what is undefined is left out. */
/** What is pulled is kept so often on the way, ms. */
const PULL_KEPT_MS = 250;

const asSent = (document: JobDocument): unknown => JSON.parse(JSON.stringify(document));
const sameDocument = (a: JobDocument, b: JobDocument): boolean => deepEqual(asSent(a), asSent(b));

/** The state of one job in one tab: the document as typed, and the road to the server. */
export function createJobStore(job: OpenJob) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let inFlight: Promise<void> | null = null;
  let failures = 0;
  /** Steps of undo and redo, one after the other however fast the key is pressed. */
  let steps: Promise<void> = Promise.resolve();
  let tab: string | null = null;
  /** Documents that become a version, and so an undo step, of their own; the oldest first. */
  let marks: JobDocument[] = [];
  let held = false;
  let keeping: ReturnType<typeof setTimeout> | null = null;
  /** What went to the server last. */
  let sent: JobDocument = job.document;
  /** What went out from this revision and was not answered: one of them may stand on the server all the same. */
  let unanswered: JobDocument[] = [];
  /** What stood on the server last, as far as this tab knows: what is changed is changed of it. Null where a draft came without it. */
  let base: JobDocument | null = job.document;

  return createStore<JobState>((set, get) => {
    const keep = (document: JobDocument | null) => {
      if (tab === null) return;
      const stored = keepDraft(
        job.id,
        tab,
        document
          ? {
              revision: get().revision,
              document,
              ...(base ? { base } : {}),
              ...(unanswered.length > 0 ? { sent: unanswered } : {}),
            }
          : null,
      );
      if (!stored)
        set({ trouble: "This browser's storage is full: what you type is not kept until it is saved." });
    };
    /** A pull is kept on the way, but not with each of its frames; all of it when it is let go. */
    const keepSoon = () => {
      keeping ??= setTimeout(() => {
        keeping = null;
        if (held) keep(get().document);
      }, PULL_KEPT_MS);
    };
    const later = (ms: number) => {
      clearTimeout(timer);
      if (held) return;
      timer = setTimeout(() => void get().save(), ms);
    };
    const take = (saved: Saved) => {
      base = saved.document;
      set({
        revision: saved.revision,
        document: saved.document,
        canUndo: saved.canUndo,
        canRedo: saved.canRedo,
        status: "saved",
        trouble: null,
        conflict: null,
      });
    };
    /** A document stands on the server: what was changed meanwhile is still to go. */
    const landed = (sent: JobDocument, { revision, canUndo, canRedo }: Omit<Saved, "document">) => {
      failures = 0;
      base = sent;
      const all = get().document === sent;
      set({ revision, canUndo: canUndo || !all, canRedo, status: all ? "saved" : "unsaved", trouble: null });
      keep(all ? null : get().document);
      if (!all) later(QUIET_MS);
    };
    const fail = (error: ActError) => {
      if (error.code === "conflict") {
        marks = [];
        set({ status: "conflict", conflict: error.data as Conflict, trouble: error.message });
      } else if (error.code === "signed-out") {
        set({ status: "signed-out", trouble: error.message });
      } else if (WAITS.has(error.code)) {
        set({ status: error.code === "full" ? "full" : "unreachable", trouble: error.message });
        later(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] ?? 30000);
        failures += 1;
      } else {
        const path = pathIn(error);
        const where = path.length > 0 ? wordsOfPath(get().document, path) : "";
        set({ status: "refused", trouble: where ? `${where}: ${error.message}` : error.message });
      }
    };
    /** All but what was refused goes to the server; the document here stays as it was typed. */
    const sendTheRest = async (document: JobDocument, refusal: ActError) => {
      let [rest, error]: [JobDocument, ActError] = [document, refusal];
      for (let put = 0; put < MOST_PUT_BACK && base; put += 1) {
        const next = withoutAt(rest, base, pathIn(error));
        if (!next) return;
        rest = next;
        if (sameDocument(rest, base)) return;
        const result = await callAct(saveJob, { jobId: job.id, revision: get().revision, document: rest });
        if (result.ok) {
          const { revision, canRedo } = result.value;
          base = rest;
          set({ revision, canUndo: true, canRedo });
          return keep(get().document);
        }
        if (result.error.code !== "invalid") return;
        ({ error } = result);
      }
    };
    const send = async () => {
      const { revision } = get();
      const mark = marks.shift();
      const document = mark ?? get().document;
      const before = unanswered;
      sent = document;
      if (!before.includes(document)) unanswered = [...before, document].slice(-MOST_UNANSWERED);
      // Known before it goes out, so that a reload in the middle finds its own save on the server.
      keep(get().document);
      set({ status: "saving" });
      const result = await callAct(saveJob, { jobId: job.id, revision, document });
      const lost = !result.ok && WAITS.has(result.error.code);
      if (!lost) unanswered = [];
      if (result.ok) return landed(document, result.value);
      const { error } = result;
      const theirs = error.code === "conflict" ? (error.data as Conflict) : null;
      const same = (job: JobDocument) => theirs !== null && sameDocument(theirs.document, job);
      // The same was saved meanwhile, for instance by this tab before it was left and opened again.
      if (theirs && same(document)) return landed(document, theirs);
      if (theirs && same(get().document)) {
        marks = [];
        take(theirs);
        return keep(null);
      }
      // An earlier save of this tab came through, only its answer did not: this one goes on top of it.
      if (theirs && before.some(same)) {
        if (mark) marks.unshift(mark);
        set({ revision: theirs.revision, canUndo: true, status: "unsaved", trouble: null });
        keep(get().document);
        return later(0);
      }
      if (mark && !theirs && error.code !== "invalid") marks.unshift(mark);
      fail(error);
      if (error.code === "invalid") await sendTheRest(document, error);
    };

    /** Sends the marked documents in turn, and after them, where all is wanted, what was typed last. */
    const go = (all: boolean) => {
      const sendAll = async () => {
        while (marks.length > 0) {
          await send();
          if (get().status !== "unsaved") return;
        }
        if (all) await send();
      };
      inFlight = sendAll().finally(() => {
        inFlight = null;
      });
      return inFlight;
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
            status === "conflict" || status === "saving" || status === "unreachable" || status === "full"
              ? status
              : "unsaved",
          canUndo: true,
        });
        if (held) keepSoon();
        else keep(document);
        if (status !== "conflict") later(QUIET_MS);
      },
      save: async () => {
        clearTimeout(timer);
        if (inFlight) return inFlight;
        const { status } = get();
        if (status === "saved" || status === "conflict") return;
        return go(true);
      },
      mark: () => {
        const { document, status } = get();
        if (status === "saved" || status === "conflict" || document === (marks[marks.length - 1] ?? sent))
          return;
        if (marks.length < MOST_MARKS) marks.push(document);
        if (status === "unsaved" && !inFlight) void go(false);
      },
      savedRevision: async () => {
        await get().save();
        // Typed while that was under way.
        if (get().status === "unsaved") await get().save();
        return get().status === "saved" ? get().revision : null;
      },
      step: (direction) => {
        steps = steps.then(async () => {
          await get().savedRevision();
          const { status, canUndo, canRedo, revision } = get();
          if (status !== "saved" || !(direction === "undo" ? canUndo : canRedo)) return;
          // Asked again with the same revision it is the same step, also where only the answer was lost.
          let result = await callAct(undoJob, { jobId: job.id, revision, direction });
          for (
            let again = 0;
            !result.ok && result.error.code === "unreachable" && again < STEP_TRIES;
            again += 1
          ) {
            set({ trouble: result.error.message });
            await new Promise((resolve) => setTimeout(resolve, RETRY_MS[0]));
            result = await callAct(undoJob, { jobId: job.id, revision, direction });
          }
          if (result.ok) take(result.value);
          else if (result.error.code === "unreachable") set({ trouble: STEP_LOST });
          else fail(result.error);
        });
        return steps;
      },
      inStages: false,
      hold: (pulling) => {
        get().mark();
        held = pulling !== false;
        set({ inStages: pulling === "in stages" });
        if (held) return clearTimeout(timer);
        const { status, document } = get();
        if (status !== "saved") keep(document);
        if (["unsaved", "unreachable", "full"].includes(status)) later(QUIET_MS);
      },
      settle: async (which) => {
        const { conflict } = get();
        if (!conflict) return;
        // What I changed goes on top of theirs in either case, so that the version not chosen stays one undo or redo away.
        const mine = get().document;
        const document = base ? onTopOf(base, mine, conflict.document) : mine;
        base = conflict.document;
        set({ document, revision: conflict.revision, conflict: null, status: "unsaved", trouble: null });
        keep(document);
        await get().save();
        if (which === "theirs") await get().step("undo");
      },
      wake: async () => {
        const draft = await takeUpDraft(job.id);
        tab = await tabId();
        const { document, revision, status } = get();
        if (status !== "saved") keep(document);
        if (!draft) return;
        if (sameDocument(draft.document, document)) {
          if (status === "saved") keep(null);
          return;
        }
        // What stands on the server is what this tab sent last before it was left: what was typed after it goes on top.
        const ownSave = (draft.sent ?? []).some((job) => sameDocument(job, document));
        if (draft.revision === revision || ownSave) {
          get().change(() => draft.document);
          return;
        }
        const { savedBy, savedAt, canUndo, canRedo } = job;
        base = draft.base ?? null;
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
