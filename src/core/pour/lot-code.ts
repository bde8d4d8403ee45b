/** Parts in which something comes in bottles: the halves of a resin and its filler, or the thing as a whole. */
export type BottlePart = "A" | "B" | "C" | "whole";

/** The code on a label: "L42", of one half of a pair "L42-A". */
export const codeText = (code: number, part: BottlePart = "whole"): string =>
  part === "whole" ? `L${code}` : `L${code}-${part}`;

/** What a typed or scanned code says; null where it is none of the shop's. */
export function readCode(text: string): { code: number; part: BottlePart } | null {
  const found = /^L(\d{1,9})(?:[-\s]?([ABC]))?$/.exec(text.trim().toUpperCase());
  return found ? { code: Number(found[1]), part: (found[2] as BottlePart | undefined) ?? "whole" } : null;
}

/** A maker's number, however its letters and spaces are typed. */
export const plainLot = (text: string): string => text.toUpperCase().replace(/[\s-]/g, "");
