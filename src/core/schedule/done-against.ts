import type { Spread } from "../numerics/spread";

/** How a pass that was done lies against its window: by the likely ends of it, or only by its unsure ones. */
export type DoneAgainst = "too early" | "maybe too early" | "in its window" | "maybe too late" | "too late";

/**
 * @param from when the window opened, with its spread; before the low end it was surely too early
 * @param to when it closed; null where it stays open
 */
export function doneAgainst(atMin: number, from: Spread, to: Spread | null): DoneAgainst {
  if (atMin < from.low) return "too early";
  if (to && atMin > to.high) return "too late";
  if (to && atMin > to.likely) return "maybe too late";
  return atMin < from.likely ? "maybe too early" : "in its window";
}
