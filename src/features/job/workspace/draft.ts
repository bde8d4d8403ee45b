import { jobDocumentSchema } from "@/contracts/job-document";
import type { JobDocument } from "@/core/job/job";

/**
 * Unsaved work of one tab on one job. Written on every change, before anything is sent, and removed once the server has it,
 * so that neither a crash nor a reload nor a dead network loses a keystroke.
 * A tab holds a lock under its id as long as it lives; a draft whose lock is free was left by a tab that is gone, and is taken up.
 */
export type Draft = {
  revision: number;
  document: JobDocument;
  /** What stood on the server when it was changed. */
  base?: JobDocument;
  /** What was on its way to the server and not answered yet. */
  sent?: JobDocument[];
};

const PREFIX = "gaugebeam.draft.";
const keyOf = (jobId: string, tabId: string) => `${PREFIX}${jobId}.${tabId}`;
const lockOf = (tabId: string) => `gaugebeam.tab.${tabId}`;

let tab: Promise<string> | undefined;

/** This tab's id, with its lock held until the tab is closed. A duplicated tab gets an id of its own. */
export function tabId(): Promise<string> {
  tab ??= claim(sessionStorage.getItem("gaugebeam.tab") ?? crypto.randomUUID());
  return tab;
}

function claim(id: string): Promise<string> {
  return new Promise((resolve) => {
    void navigator.locks.request(lockOf(id), { ifAvailable: true }, (lock) => {
      if (!lock) {
        resolve(claim(crypto.randomUUID()));
        return undefined;
      }
      sessionStorage.setItem("gaugebeam.tab", id);
      resolve(id);
      return new Promise(() => {});
    });
  });
}

export function keepDraft(jobId: string, tab: string, draft: Draft | null): boolean {
  try {
    if (draft) localStorage.setItem(keyOf(jobId, tab), JSON.stringify(draft));
    else localStorage.removeItem(keyOf(jobId, tab));
    return true;
  } catch {
    return false;
  }
}

/** What is wrong with a document that could still be worked on: a number out of its bounds, a list too long. */
const MENDABLE: readonly string[] = ["too_small", "too_big", "custom", "not_multiple_of"];

/**
 * A draft that was kept. One that the server would refuse for a value out of its bounds is taken up too, as it was typed: it is told why it is
 * not saved, and can be mended.
 */
function read(text: string | null): Draft | null {
  if (text === null) return null;
  try {
    const { revision, document, sent, base } = JSON.parse(text) as Record<string, unknown>;
    if (typeof revision !== "number") return null;
    const parsed = jobDocumentSchema.safeParse(document);
    const stood = jobDocumentSchema.safeParse(base);
    const known = {
      ...(Array.isArray(sent) ? { sent: sent as JobDocument[] } : {}),
      ...(stood.success ? { base: stood.data } : {}),
    };
    if (parsed.success) return { revision, document: parsed.data, ...known };
    return parsed.error.issues.every(({ code }) => MENDABLE.includes(code))
      ? { revision, document: document as JobDocument, ...known }
      : null;
  } catch {
    return null;
  }
}

/** The draft that this tab, or a tab that is gone, left for a job; it is moved to this tab. */
export async function takeUpDraft(jobId: string): Promise<Draft | null> {
  const tab = await tabId();
  const { held = [] } = await navigator.locks.query();
  const alive = new Set(held.map((lock) => lock.name));
  const keys = Array.from(
    { length: localStorage.length },
    (_, index) => localStorage.key(index) ?? "",
  ).filter((key) => key.startsWith(`${PREFIX}${jobId}.`));
  let found: Draft | null = null;
  for (const key of keys) {
    const owner = key.slice(PREFIX.length + jobId.length + 1);
    if (owner !== tab && alive.has(lockOf(owner))) continue;
    const draft = read(localStorage.getItem(key));
    // What cannot be read is left where it is: it may be another version's work.
    if (!draft) continue;
    if (!found || draft.revision >= found.revision) found = draft;
    localStorage.removeItem(key);
  }
  if (found) keepDraft(jobId, tab, found);
  return found;
}
