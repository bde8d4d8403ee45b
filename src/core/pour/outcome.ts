/** Plan and actual of one coat, side by side. Volumes in ml; null where nothing was entered. */
export type CoatOutcome = {
  coatId: string;
  name: string;
  areaMm2: number;
  plannedMl: number;
  mixedMl: number;
  /** True when A and B were weighed, not only ticked. */
  weighed: boolean;
  leftMl: number | null;
  shortMl: number | null;
  usedMl: number | null;
  /** Film that the used volume makes on the top's area, mm: the real rate, losses included. */
  plannedFilmMm: number;
  usedFilmMm: number | null;
  /** Share by which B was off for its A in the mix that was furthest off, and which it was; null when none was weighed. */
  ratioOff: { name: string; off: number } | null;
  plannedWorkMin: number;
  /** Minutes from the first weighing to the last pass that follows at once; null while open. */
  tookMin: number | null;
  words: string[];
};
