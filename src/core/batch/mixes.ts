import type { Batch } from "./batch-coat";
import type { Parts } from "./parts";
import type { Vessel } from "./vessel";

/** One vessel in which A meets B: the pot of a batch, or a cup that is mixed for itself. */
export type Mix = {
  /** The colour of its cup, or {@link POT}. */
  id: string;
  /** Of its cup; null for the pot. */
  name: string | null;
  parts: Parts;
  vessel: Vessel;
};

/** The id of the mix in the pot. No colour has it: ids of parts of a job hold no colon. */
export const POT = ":pot";

/** All mixes of a batch: its cups where each is mixed for itself, else its pot. */
export function mixesOf({ cups, parts, pot }: Batch): Mix[] {
  const mixes = cups.flatMap((cup): Mix[] =>
    cup.parts ? [{ id: cup.colourId, name: cup.name, parts: cup.parts, vessel: cup.vessel }] : [],
  );
  return mixes.length > 0 ? mixes : [{ id: POT, name: null, parts, vessel: pot }];
}
