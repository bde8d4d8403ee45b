import type { Box } from "../../geometry/ring";
import type { RehearsedCoat, RehearsedPass, Rehearsal } from "./rehearsal";
import type { Unlike } from "../placing/cells";
import { countersIn } from "../placing/random";
import { beside, dealtBy, weightOf, type Dealt, type Weight } from "../placing/weights";

/** One pass with all that it hangs on. */
export type PassScene = {
  of: Rehearsal;
  coat: RehearsedCoat;
  pass: RehearsedPass;
  seed: number;
  /** How unlike the colours lie about a place before this pass; worked out only where it is asked for. */
  unlike: () => Unlike;
};

/** The same with what follows from it. */
export type Scene = PassScene & {
  box: Box;
  areaM2: number;
  /** Sizes on a piece smaller than a square metre are smaller with it. */
  reach: number;
  angle: number;
  many: number;
  pressure: number;
  /** 0 on a runny film to 1 on one that hardly moves. */
  tears: number;
  largest: RehearsedCoat["colours"][number];
  /** Whether the largest share is poured by this pass too. */
  pours: boolean;
  /** The others by their shares, without those that are kept for veins. */
  others: RehearsedCoat["colours"];
  forVeins: RehearsedCoat["colours"];
};

type Colour = RehearsedCoat["colours"][number];

/** How much of a colour there shall be at each place: more where the ground of its coat shall be less. */
export function weightIn({ of: { aroundMm }, largest }: Scene, { at, soft }: Colour): Weight {
  const own = weightOf(soft, aroundMm);
  return at === largest.at ? own : beside(own, weightOf(largest.soft, aroundMm));
}

/** Where an even spread of a colour comes to lie by its weights. */
export const dealtIn = (scene: Scene, colour: Colour): Dealt => dealtBy(weightIn(scene, colour), scene.box);

/** A piece smaller than a hand still gets a few pulls; `most` is what a counter gets, and a larger piece as much of it as it is larger. */
export const countOf = (perM2: number, areaM2: number, most: number) =>
  Math.max(3, Math.min(Math.round(most * countersIn(areaM2)), Math.round(perM2 * areaM2)));

/** Colours with no more of a coat than this are kept for its veins, where it has any. */
export const VEIN_SHARE = 0.06;
