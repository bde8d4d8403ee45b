import type { CoatColour } from "./coat-colour";
import { FULLEST } from "./vessel";

/** The most that a coat is mixed of, ml: a floor of some ten thousand square metres. */
export const MOST_MIX_ML = 100_000_000;

/** What is given of a coat's amount where it is not its film: the film is then worked out. */
export type GivenAmount =
  /** All that is mixed, ml. */
  | { by: "mixed"; ml: number }
  /** Whole kits, A and B together, ml each. */
  | { by: "kits"; kitMl: number; count: number }
  /** So many mixes in one vessel, filled as high as it can be stirred. */
  | { by: "vessel"; vesselMl: number; count: number }
  /** A volume that is mixed for an area, as makers say it of a kit. */
  | { by: "coverage"; ml: number; areaMm2: number }
  /** The cups whose volumes are given, and the shares of the others. */
  | { by: "cups" };

/** All that is mixed by what is given, ml; null where the cups say it. */
export function givenMixMl(given: GivenAmount, topAreaMm2: number): number | null {
  switch (given.by) {
    case "mixed":
      return given.ml;
    case "kits":
      return given.kitMl * given.count;
    case "vessel":
      return given.vesselMl * FULLEST * given.count;
    case "coverage":
      return (given.ml * topAreaMm2) / given.areaMm2;
    case "cups":
      return null;
  }
}

type SharedColour = Pick<CoatColour, "share" | "reserve" | "givenMl">;

/** What is laid of the cups whose volumes are given, without what is held back of them, ml. */
export const givenLaidMl = (colours: readonly SharedColour[]): number =>
  colours.reduce(
    (sum, { givenMl, reserve }) => sum + (givenMl === undefined ? 0 : givenMl / (1 + reserve)),
    0,
  );

/** What is laid of each colour of a work volume, ml: the given cups first, the others share the rest by their shares. */
export function laidMl(workMl: number, colours: readonly SharedColour[]): number[] {
  const restMl = Math.max(0, workMl - givenLaidMl(colours));
  const free = colours.filter(({ givenMl }) => givenMl === undefined);
  const shares = free.reduce((sum, { share }) => sum + share, 0);
  return colours.map(({ givenMl, share, reserve }) =>
    givenMl !== undefined
      ? givenMl / (1 + reserve)
      : shares > 0
        ? (restMl * share) / shares
        : restMl / free.length,
  );
}

/** Two things that were given and cannot both be. Volumes are those of the whole coat, ml. */
export type GivenConflict =
  /** The given cups hold more than the film or the mix takes, or, all given, not as much. */
  | { kind: "cups"; against: "film" | "mixed"; cupsMl: number; takesMl: number; all: boolean }
  /** Cups, tools and edges keep all of it. */
  | { kind: "lost"; lostMl: number }
  /** The amount should follow from the cups, and none is given. */
  | { kind: "no-cup" };

/** The work volume that was given, ml: all that is laid and lost, without what is held back and goes around embeds. */
export type GivenWork = { workMl: number; conflict: GivenConflict | null };

const TOLERANCE = 1e-9;
const near = (a: number, b: number) => Math.abs(a - b) <= TOLERANCE * Math.max(1, Math.abs(a), Math.abs(b));

/**
 * The work volume W behind what is given. With cups given that hold C and lay L of it, reserves r of the others by their shares, clear held
 * back k and embeds E, the mix is C + (W − L)(1 + r) + k·W + E.
 * @param embedsMl clear that goes around what lies in it
 * @param mixMl all that is mixed; null where the cups say it
 * @returns null where no cup says it either
 */
export function workOfMix(
  mixMl: number | null,
  colours: readonly SharedColour[],
  clearReserve: number,
  embedsMl: number,
): GivenWork | null {
  const given = colours.filter(({ givenMl }) => givenMl !== undefined);
  const free = colours.filter(({ givenMl }) => givenMl === undefined);
  const laid = givenLaidMl(colours);
  const cupsMl = given.reduce((sum, { givenMl = 0 }) => sum + givenMl, 0);
  const freeShare = free.reduce((sum, { share }) => sum + share, 0);
  if (mixMl === null) {
    if (given.length === 0 || !(laid > 0)) return null;
    // Free shares that leave the given ones nothing would ask for no end of resin.
    return freeShare >= 1 ? null : { workMl: laid / (1 - freeShare), conflict: null };
  }
  const all = free.length === 0;
  const heldBack =
    freeShare > 0 ? free.reduce((sum, { share, reserve }) => sum + share * reserve, 0) / freeShare : 0;
  const workMl = all
    ? (mixMl - embedsMl - cupsMl + laid) / (1 + clearReserve)
    : (mixMl - embedsMl - cupsMl + laid * (1 + heldBack)) / (1 + heldBack + clearReserve);
  const fits = all && given.length > 0 ? near(workMl, laid) : workMl >= laid - TOLERANCE;
  if (fits) return { workMl, conflict: null };
  const cupsMixMl = cupsMl + clearReserve * laid + embedsMl;
  return {
    workMl: laid,
    conflict: { kind: "cups", against: "mixed", cupsMl: cupsMixMl, takesMl: mixMl, all },
  };
}

/** Cups that are given while the film is: what cannot be, or null. */
export function conflictWithFilm(workMl: number, colours: readonly SharedColour[]): GivenConflict | null {
  const given = colours.filter(({ givenMl }) => givenMl !== undefined);
  if (given.length === 0) return null;
  const laid = givenLaidMl(colours);
  const all = given.length === colours.length;
  if (all ? near(laid, workMl) : laid <= workMl) return null;
  return { kind: "cups", against: "film", cupsMl: laid, takesMl: workMl, all };
}
