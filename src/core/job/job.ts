import type { Ground } from "../batch/grounds";
import type { Target } from "../colour/target";
import type { FactorId } from "../batch/factors";
import type { Room } from "../cure/room";
import type { Piece } from "../geometry/piece";
import type { VeinMap } from "../veins/vein-map";
import type { Coat } from "../schedule/coat";
import type { Hours } from "../schedule/hours";

/** Which version of which recipe a job was made from, and the sample board that was approved, if there was one. */
export type RecipeReference = {
  versionId: string;
  name: string;
  number: number;
  board?: { number: number; lengthMm: number; depthMm: number };
  /** The piece whose coats were kept, where they are not those of the first. */
  pieceId?: string;
};

/**
 * The job document: everything a finisher plans, and nothing that is computed from it.
 * Stored as one JSON with a revision; its schema is `src/contracts/job-document.ts`.
 */
export type JobDocument = {
  format: 1;
  pieces: Piece[];
  ground: Ground;
  /** Pieces and zones that lie on another ground, by their ids. */
  groundByPiece?: Record<string, Ground>;
  work: {
    people: number;
    /** Temperature of room, ground and resin. */
    tempC: number;
    /** Minutes after midnight at which the first coat is mixed. */
    startMin: number;
    /** Sizes of cups and buckets at hand, ml; the usual ones when absent or empty. */
    vesselsMl?: number[];
    /** Step of the scale in use, g; 1 when absent. */
    scaleStepG?: number;
    /** How warm it is through the days; `tempC` all along when absent. */
    room?: Room;
    /** Relative humidity of the room, %. */
    humidityPct?: number;
    /** When somebody works and when nobody is woken; the usual hours when absent. */
    hours?: Hours;
    /** The first day, year-month-day. */
    startOn?: string;
  };
  /** The shop's own planning factors, where they differ from the usual. */
  factors: Partial<Record<FactorId, number>>;
  /** From the ground upward. */
  coats: Coat[];
  /** Which of the sister pictures is rehearsed, and along which direction its pattern runs, degrees. */
  rehearsal?: { seed: number; angleDeg: number };
  /** Where the pieces will stand, and the veins across them as one stone. */
  veinMap?: VeinMap;
  /** The colour that the client wants, as seen from some steps back. */
  target?: Target;
  /** What else it shall go with: cabinets, a floor. */
  otherTargets?: Target[];
  /** The recipe version that its coats were taken from; they may have been changed since. */
  recipe?: RecipeReference;
  /** Advice that was set aside, by `adviceKey`, with the reason that was given. */
  setAside?: Record<string, string>;
  /** What to do otherwise next time, as was found in Inspect. */
  nextTime?: string[];
  notes: string;
};
