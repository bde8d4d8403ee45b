import type { FactorId, Ground } from "../batch/factors";
import type { Piece } from "../geometry/piece";
import type { Coat } from "../schedule/coat";

/**
 * The job document: everything a finisher plans, and nothing that is computed from it.
 * Stored as one JSON with a revision; its schema is `src/contracts/job-document.ts`.
 */
export type JobDocument = {
  format: 1;
  pieces: Piece[];
  ground: Ground;
  work: {
    people: number;
    /** Temperature of room, ground and resin. */
    tempC: number;
    /** Minutes after midnight at which the first coat is mixed. */
    startMin: number;
  };
  /** The shop's own planning factors, where they differ from the usual. */
  factors: Partial<Record<FactorId, number>>;
  /** From the ground upward. */
  coats: Coat[];
  notes: string;
};
