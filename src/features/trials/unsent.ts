import type { TrialSaid } from "@/contracts/trials";

/** Something told of a trial that the server has not said it has. */
export type Said = { id: string; trialId: string; at: string; said: TrialSaid };

/** Under our own prefix, so that signing out asks before it wipes it. */
const PREFIX = "gaugebeam.trial.";
/** One key for each: two tabs tell of one trial. */
const keyOf = ({ trialId, id }: Pick<Said, "trialId" | "id">) => `${PREFIX}${trialId}.${id}`;

/** Kept until it is sent; a browser without storage keeps it in the page only. */
export function keepSaid(said: Said): void {
  try {
    localStorage.setItem(keyOf(said), JSON.stringify(said));
  } catch {
    // Full, or shut off: it goes out all the same.
  }
}

export function dropSaid(said: Said): void {
  try {
    localStorage.removeItem(keyOf(said));
  } catch {
    // As above.
  }
}

/** What waits in this browser, of all trials, the oldest first. */
export function saidWaiting(): Said[] {
  try {
    return Array.from({ length: localStorage.length }, (_, n) => localStorage.key(n) ?? "")
      .filter((key) => key.startsWith(PREFIX))
      .map((key) => JSON.parse(localStorage.getItem(key) ?? "") as Said)
      .sort((a, b) => a.at.localeCompare(b.at));
  } catch {
    return [];
  }
}
