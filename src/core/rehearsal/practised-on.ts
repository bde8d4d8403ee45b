import type { Op } from "../pattern/engine/op";
import { behindBarriers } from "../pattern/passes/barriers";
import type { PractisedStroke } from "../pattern/passes/work";
import { practisedStroke } from "../pattern/placing/practised";
import type { PieceRehearsal } from "./rehearse";

/** A pull of a practice: with the minute of the film at which it was begun. */
export type PracticeStroke = PractisedStroke & { atMin: number; flowLeft: number };

/**
 * What a drawn pull does to the piece after so many passes: to the film that the last of them was done in, and to what barriers leave of it.
 * @param number its place among the pulls, from 0
 */
export function practisedOn(
  { rehearsal, passes }: PieceRehearsal,
  done: number,
  stroke: PracticeStroke,
  number: number,
): Op[] {
  const ops = practisedStroke(stroke, stroke.flowLeft, rehearsal.seed + 31 * number);
  const filmCoatId = (passes[done - 1] ?? passes[0])?.filmCoatId;
  const film = rehearsal.coats.find(({ id }) => id === filmCoatId);
  return film ? behindBarriers(rehearsal, film, ops) : ops;
}
