import { labOfXyz, xyzOfLinear, type Lab } from "../../colour/spaces";
import type { Ink } from "../../pattern/engine/picture";

/** Colours of a palette that a photo cannot tell apart: one look, with the places of all that have it. */
export type Look<Of extends Ink> = { ink: Of; members: number[] };

/** A photo tells colours apart from so much on, ΔE*ab (about what a balanced photo is off by; docs/models/colour.md). */
const APART = 4;

/** Looks nearer than this are told apart by a good photo only: their sum is sure, their parts are not (judgement). */
const NEARLY = 8;

const apart = (a: Ink, b: Ink): number => {
  const [one, other] = [a, b].map(({ rgb }) => labOfXyz(xyzOfLinear(rgb))) as [Lab, Lab];
  return Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2]);
};

/** Whether a photo cannot tell two colours apart. */
export const looksTheSame = (a: Ink, b: Ink): boolean => apart(a, b) < APART;

/** Of each look the others that it is hard to tell from. */
export const nearlyAlike = (looks: readonly Look<Ink>[]): number[][] =>
  looks.map(({ ink }, n) =>
    looks.flatMap(({ ink: other }, m) => (m !== n && apart(ink, other) < NEARLY ? [m] : [])),
  );

/** The looks of a palette: colours that look the same are one, such as a black base and the same black in the coat on it. */
export function looksApart<Of extends Ink>(inks: readonly Of[]): Look<Of>[] {
  const looks: Look<Of>[] = [];
  inks.forEach((ink, at) => {
    const same = looks.find(({ ink: other }) => looksTheSame(ink, other));
    if (same) same.members.push(at);
    else looks.push({ ink, members: [at] });
  });
  return looks;
}
