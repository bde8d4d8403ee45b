import type { Known } from "./causes";
import { dampness, roomTemperature } from "./evidence/of-room";
import { colourLoad, massBig, media, mixedLess, mixShort, ratioOff, stoodInPot } from "./evidence/of-mix";
import { alcoholMuch, faces, flame, ground, passesMany, passTimes, scrapeGap } from "./evidence/of-passes";
import { film, filmThick, groundBelow, squareEdge } from "./evidence/of-piece";
import type { Logged, Read } from "./evidence/logged";

const READERS: readonly ((log: Logged) => Read[])[] = [
  ratioOff,
  mixShort,
  colourLoad,
  massBig,
  stoodInPot,
  mixedLess,
  media,
  roomTemperature,
  dampness,
  passTimes,
  alcoholMuch,
  flame,
  passesMany,
  faces,
  scrapeGap,
  ground,
  groundBelow,
  film,
  filmThick,
  squareEdge,
];

/** All that the log of a coat says by itself. */
export const evidenceIn = (log: Logged): Read[] => READERS.flatMap((read) => read(log));

/** What is known of a fault: what the log says, and what was answered, which goes before it. */
export function knownOf(reads: readonly Read[], answers: ReadonlyMap<string, number | null>): Known {
  const known = new Map(reads.map(({ id, u }) => [id, u]));
  for (const [id, u] of answers)
    if (u === null) known.delete(id);
    else known.set(id, u);
  return known;
}
