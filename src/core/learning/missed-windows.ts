import type { PourTeaches } from "./pour-teaches";

/** How often each pass was done out of its window, the most missed first. */
export function missedWindows(
  pours: readonly PourTeaches[],
): { kind: string; done: number; early: number; late: number }[] {
  const kinds = new Map<string, { kind: string; done: number; early: number; late: number }>();
  for (const { kind, against } of pours.flatMap(({ coats }) => coats.flatMap(({ windows }) => windows))) {
    const row = kinds.get(kind) ?? { kind, done: 0, early: 0, late: 0 };
    row.done += 1;
    if (against === "too early") row.early += 1;
    if (against === "too late") row.late += 1;
    kinds.set(kind, row);
  }
  return [...kinds.values()].sort((a, b) => b.early + b.late - a.early - a.late || b.done - a.done);
}
