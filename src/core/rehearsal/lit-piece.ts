import type { Rehearsal } from "../pattern/passes/rehearsal";

/** Colours of veins: laid when the film was thick, their borders stay crisp. */
export const lateColours = ({ coats }: Pick<Rehearsal, "coats">): ReadonlySet<number> =>
  new Set(coats.filter(({ vein }) => vein).flatMap(({ colours }) => colours.map(({ at }) => at)));

/** The middle of what is seen, mm: the lamp and the eye stand by it. */
export const middleOf = ({
  box: { minX, minY, maxX, maxY },
}: Pick<Rehearsal, "box">): { x: number; y: number } => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });
