import type { UnitSystem } from "../../units/dimension";
import { listWords } from "../../units/list-words";
import { quantityText, rangeText } from "../../units/format-quantity";
import { CELLS_OFF, SHARE_OFF, WIDTH_OFF_MM, type Measures, type PhotoJudged } from "./judge-photo";

const points = (share: number) => Math.round(share * 100);
const THIRDS = ["left", "middle", "right"] as const;
/** A third that has less than this of what a colour has on the whole has none of it. */
const NONE = 0.12;
/** A colour with less on top is not spoken of. */
const TRACE = 0.025;

/**
 * What a photo says against the rehearsal, in sentences; what lies inside of what a photo is off by is not told as different.
 * @param approved shares of the approved board by the same looks, read off its photo; null where it was not read
 */
export function photoWords(
  { looks, seen, rehearsed }: Extract<PhotoJudged, { ok: true }>,
  system: UnitSystem,
  approved: readonly number[] | null = null,
): string[] {
  const words: string[] = [];
  looks.forEach(({ name, lines, nearly }, n) => {
    const alike = [n, ...nearly];
    const sum = (of: Measures) => alike.reduce((all, at) => all + (of.onTop[at] ?? 0), 0);
    const [is, was] = [sum(seen), sum(rehearsed)];
    const wished = approved && alike.reduce((all, at) => all + (approved[at] ?? 0), 0);
    // Two photos are each off by as much.
    const isOff =
      Math.abs(is - was) * 100 > SHARE_OFF ||
      (wished !== null && Math.abs(is - wished) * 100 > 2 * SHARE_OFF);
    // Of those that a photo hardly parts their sum is told, once.
    if (isOff && Math.min(...alike) === n)
      words.push(
        `${listWords(alike.map((at) => looks[at]?.name ?? name))} ${points(is)} %${nearly.length > 0 ? " together" : ""}, rehearsed ${points(was)} %${wished === null ? "" : `, approved ${points(wished)} %`}.`,
      );
    if (nearly.length > 0) return;
    const empty = (of: Measures) =>
      (of.onTop[n] ?? 0) > TRACE
        ? THIRDS.filter((_, third) => (of.thirds[n]?.[third] ?? 0) < NONE * (of.onTop[n] ?? 0))
        : [];
    const before = empty(rehearsed);
    for (const third of empty(seen).filter((one) => !before.includes(one)))
      words.push(`The ${third} third has no ${name}.`);
    const [cells, planned] = [seen.cells[n] ?? null, rehearsed.cells[n] ?? null];
    if (cells !== null && planned !== null && Math.abs(cells / planned - 1) > CELLS_OFF)
      words.push(
        `${name} lies in cells ${quantityText(cells, "length", system)} wide, rehearsed ${quantityText(planned, "length", system)}; a photo is off by up to ${points(CELLS_OFF)} %.`,
      );
    const [widths, foretold] = [seen.widths[n], rehearsed.widths[n]];
    if (lines && widths && foretold)
      words.push(
        `${name} lies ${quantityText(widths.likely, "length", system)} wide, rehearsed ${rangeText(foretold, "length", system)}; a photo is off by up to ${quantityText(WIDTH_OFF_MM, "length", system)}.`,
      );
  });
  if (words.length === 0) words.push("It came out as it was rehearsed, as far as a photo tells.");
  return words;
}
