import { setImmediate } from "node:timers/promises";

/** The server does nothing else for so long at a time, ms. */
const LONGEST_MS = 25;

/** Does something with each item, and lets other requests have their turn in between. */
export async function inTurns<Item>(items: readonly Item[], doWith: (item: Item) => void): Promise<void> {
  let since = performance.now();
  for (const item of items) {
    doWith(item);
    if (performance.now() - since < LONGEST_MS) continue;
    await setImmediate();
    since = performance.now();
  }
}
