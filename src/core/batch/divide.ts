import { nth } from "../numerics/nth";
import type { CoatRequest } from "./coat-request";
import { laidMl } from "./given";

/** What is held back of a colour, or of clear, ml over the whole coat. */
export type Held = { colourId: string | null; name: string; ml: number };

/** What all cups of a coat hold together, ml, by colour; `clearMl` is held back and goes around embeds. */
export type Divided = { coloursMl: number[]; clearMl: number; held: Held[]; sumMl: number };

export const NOTHING_DIVIDED: Divided = { coloursMl: [], clearMl: 0, held: [], sumMl: 0 };

/** Divides a work volume among the colours by what is given of them and their shares, with what is held back of each. */
export function divide(
  workMl: number,
  embedsMl: number,
  { colours, clearReserve }: Pick<CoatRequest, "colours" | "clearReserve">,
): Divided {
  const held: Held[] = [];
  const laid = laidMl(workMl, colours);
  const coloursMl = colours.map(({ id, name, reserve }, at) => {
    const laidOfIt = nth(laid, at);
    const back = laidOfIt * reserve;
    if (back > 0) held.push({ colourId: id, name, ml: back });
    return laidOfIt + back;
  });
  const heldClearMl = workMl * clearReserve;
  if (heldClearMl > 0) held.push({ colourId: null, name: "Clear", ml: heldClearMl });
  const clearMl = heldClearMl + embedsMl;
  return { coloursMl, clearMl, held, sumMl: coloursMl.reduce((sum, ml) => sum + ml, 0) + clearMl };
}
