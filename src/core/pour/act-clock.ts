import { PASS } from "../passes/facts";
import type { Pass } from "../schedule/pass";

/** A part of an act that lasts: what is done, and until when, s after it began. */
export type ActStage = { words: string; untilS: number };

/** The clock of an act that lasts: its parts one after the other. Heat lasts no longer than this, all else at least so long. */
export type ActClock = { stages: ActStage[]; totalS: number; atMost: boolean };

/** Scraping all of it into a clean container takes about so long, s; common practice, no source. */
const SCRAPE_S = 20;
/** Times up and down before and after the second container; common practice, no source. */
const TIMES = { before: 3, after: 2 };

/** An act that lasts and is ticked sooner than this after it has begun was hardly done, s. */
export const HARDLY_BEGUN_S = 2;

const single = (words: string, minutes: number, atMost = false): ActClock => ({
  totalS: 60 * minutes,
  stages: [{ words, untilS: 60 * minutes }],
  atMost,
});

/** Mixing a pot by its method: three times from top to bottom, into a clean container, two times more. */
export function mixClock(minutes: number): ActClock {
  const totalS = 60 * minutes;
  const each = (totalS - SCRAPE_S) / (TIMES.before + TIMES.after);
  const before = TIMES.before * each;
  return {
    totalS,
    atMost: false,
    stages: [
      { words: "three times, top to bottom", untilS: before },
      { words: "scrape into a clean container", untilS: before + SCRAPE_S },
      { words: "two times more", untilS: totalS },
    ],
  };
}

/** Mixing each cup for itself, in one. */
export const cupsClock = (cups: number, minutes: number): ActClock =>
  single(cups === 1 ? "slowly" : `${cups} cups, one after the other, slowly`, minutes);

/** The clock of a pass that takes its time however large the piece is, or that was given one; null for one that is done when it is done. */
export function passClock(pass: Pass, minutes: number): ActClock | null {
  const { lastsMin, fire, hands } = PASS[pass.kind];
  if ((pass.lastsMin ?? lastsMin) === undefined || !(minutes > 0)) return null;
  if (fire === "lights" || pass.kind === "blow") return single("heat no longer than this", minutes, true);
  return single(hands === false ? "leave it alone" : "keep at it", minutes);
}

/** Which part of an act is on, and how long it and the whole still last, s; null when its time is up. */
export function stageAt(
  { stages, totalS }: ActClock,
  sinceS: number,
): { stage: ActStage; number: number; stageLeftS: number; leftS: number } | null {
  const n = stages.findIndex(({ untilS }) => sinceS < untilS);
  const stage = stages[n];
  if (!stage) return null;
  return { stage, number: n + 1, stageLeftS: stage.untilS - sinceS, leftS: totalS - sinceS };
}

/** When the act that is next began, ms: when the last of those before it was done, or the pour was started. */
export const begunAtMs = (doneAt: ReadonlyMap<string, string>, startedAt: string): number =>
  Math.max(Date.parse(startedAt), ...[...doneAt.values()].map((at) => Date.parse(at)));
