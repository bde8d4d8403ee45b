import type { Tool } from "../batch/factors";
import { PASS, type PassKind } from "../passes/facts";
import type { FilmState } from "../cure/film-states";
import type { PassWork } from "../pattern/passes/work";

/** Done again and again: each round begins so many minutes after the one before it, until the film is so, or so many times. */
export type Repeat = { everyMin: number; until: FilmState } | { everyMin: number; times: number };

/** The most rounds of a pass, and sections of a coat. */
export const MOST_ROUNDS = 48;
export const MOST_SECTIONS = 40;

/**
 * One pass. Amounts by area (`mlPerM2`) are for what is sprayed or spread beside the mix: alcohol, spray paint.
 * `stopHere` says that the look may be finished after this pass, and what it is then.
 */
export type Pass = {
  id: string;
  kind: PassKind;
  tool: Tool;
  note: string;
  rounds: number;
  mlPerM2: number | null;
  /** Earliest minute after the coat was mixed; null when it follows at once. */
  fromMin: number | null;
  /** Waits so many minutes after the pass before it, or after `afterPassId`; absent or null where it does not. */
  afterMin?: number | null;
  afterPassId?: string;
  /** Not before this time of a day, min from midnight. */
  atMinute?: number;
  /** How long it takes, min, where that is given. */
  lastsMin?: number;
  repeat?: Repeat;
  /** So many sections, one after the other: with its neighbours of as many, each section is finished before the next is begun. */
  sections?: number;
  /** The colours of its coat that it uses; all when absent. */
  colourIds?: string[];
  /** The zones of its coat that it is done in; all when absent. */
  zoneIds?: string[];
  /** Its tool is wetted before: with alcohol, with mixed clear, or with a colour of its coat, by id. */
  toolWetWith?: "alcohol" | "clear" | (string & {});
  stopHere: string | null;
  /** Powder shaken into what is sprayed, g per 100 ml. */
  gPer100Ml?: number;
  /** How it is worked where that differs from the usual: what Rehearse sets. */
  work?: PassWork;
};

/** Alcohol flashes off in about five minutes (common practice, no source). */
export const FLASH_OFF_MIN = 5;

/** Whether it puts vapour in the air that burns: by what it is, or by alcohol on its tool. */
export const putsVapour = ({ kind, toolWetWith }: Pick<Pass, "kind" | "toolWetWith">): boolean =>
  PASS[kind].fire === "vapour" || toolWetWith === "alcohol";

/** A pass with its usual settings. */
export function usualPass(id: string, kind: PassKind, changes: Partial<Pass> = {}): Pass {
  const { tool, mlPerM2, fromMin } = PASS[kind];
  return { id, kind, tool, note: "", rounds: 1, mlPerM2, fromMin, stopHere: null, ...changes };
}
