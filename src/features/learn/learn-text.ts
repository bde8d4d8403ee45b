import { PASS, type PassKind } from "@/core/passes/facts";
import { trimmed } from "@/core/units/format-quantity";

/** "× 1.13 (1.07 to 1.18)" */
export const timesText = (of: { times: number; low: number; high: number }): string =>
  `× ${trimmed(of.times, 2)} (${trimmed(of.low, 2)} to ${trimmed(of.high, 2)})`;

export const passWords = (kind: string): string => PASS[kind as PassKind].words;
