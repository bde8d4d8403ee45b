import { liveLine, NOTHING_STEPS, steadyGrams, type LiveLine, type Weighing } from "./weigh-live";

/** What is to be weighed next: which line, into which vessel, how much, g. */
export type NextLine = {
  id: string;
  vesselId: string;
  targetG: number;
  /** How much less than that is enough. */
  toleranceG: number;
};

/** A weighing at a scale as it goes on. `baseG` is what the scale showed when the line began; null until the vessel is tared. */
export type WeighSession = {
  lineId: string | null;
  vesselId: string | null;
  baseG: number | null;
  readings: readonly Weighing[];
  /** The line that was taken last: it is not taken twice. */
  takenId: string | null;
};

export const NEW_SESSION: WeighSession = {
  lineId: null,
  vesselId: null,
  baseG: null,
  readings: [],
  takenId: null,
};

/** How far back a scale is looked at, ms. */
const LOOKED_BACK_MS = 3000;

/** What a screen shows of it: the vessel is to be put on and tared, or how the line stands. */
export type WeighShown = LiveLine | { kind: "tare"; grams: number };

/**
 * A session after one more reading, what is shown of it, and what was taken by it: grams of a line, once, when the scale is at rest where it should be.
 * A vessel begins tared; lines into the same vessel follow each other on top of what is in it.
 */
export function heardScale(
  before: WeighSession,
  weighing: Weighing,
  line: NextLine | null,
  stepG: number,
): { session: WeighSession; shown: WeighShown | null; taken: { id: string; grams: number } | null } {
  const recent = before.readings.filter(({ atMs }) => weighing.atMs - atMs <= LOOKED_BACK_MS);
  const readings = [...recent, weighing];
  if (!line) return { session: { ...before, readings, lineId: null }, shown: null, taken: null };
  let session: WeighSession = { ...before, readings };
  if (line.vesselId !== before.vesselId)
    session = {
      vesselId: line.vesselId,
      lineId: line.id,
      baseG: null,
      readings: [weighing],
      takenId: null,
    };
  else if (line.id !== before.lineId)
    session = {
      ...session,
      lineId: line.id,
      baseG: session.baseG === null ? null : weighing.grams,
      readings: [weighing],
    };
  if (session.baseG === null) {
    const steady = steadyGrams(session.readings, stepG);
    if (steady === null || Math.abs(steady) > NOTHING_STEPS * stepG)
      return { session, shown: { kind: "tare", grams: weighing.grams }, taken: null };
    session = { ...session, baseG: 0 };
  }
  const baseG = session.baseG ?? 0;
  const shown = liveLine(session.readings, { ...line, baseG, stepG });
  if (shown?.kind === "tared") return { session: { ...session, baseG: 0 }, shown, taken: null };
  if (shown?.kind !== "take" || session.takenId === line.id) return { session, shown, taken: null };
  return { session: { ...session, takenId: line.id }, shown, taken: { id: line.id, grams: shown.grams } };
}
