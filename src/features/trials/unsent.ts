import type { TrialSaid } from "@/contracts/trials";

/** Something told of a trial that the server has not said it has. */
export type Said = { id: string; at: string; said: TrialSaid };

/** One key for each: two tabs tell of one trial. Under our own prefix, so that signing out asks before it wipes it. */
const prefix = (trialId: string) => `gaugebeam.trial.${trialId}.`;

/** Kept until it is sent; a browser without storage keeps it in the page only. */
export function keepSaid(trialId: string, said: Said): void {
  try {
    localStorage.setItem(prefix(trialId) + said.id, JSON.stringify(said));
  } catch {
    // Full, or shut off: it goes out all the same.
  }
}

export function dropSaid(trialId: string, id: string): void {
  try {
    localStorage.removeItem(prefix(trialId) + id);
  } catch {
    // As above.
  }
}

/** What waits in this browser, the oldest first. */
export function saidWaiting(trialId: string): Said[] {
  try {
    return Array.from({ length: localStorage.length }, (_, n) => localStorage.key(n) ?? "")
      .filter((key) => key.startsWith(prefix(trialId)))
      .map((key) => JSON.parse(localStorage.getItem(key) ?? "") as Said)
      .sort((a, b) => a.at.localeCompare(b.at));
  } catch {
    return [];
  }
}
