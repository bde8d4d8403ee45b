import { chromaOf, labOfHex, type Lab } from "../colour/spaces";
import { PASS } from "../passes/facts";
import type { Advice, AdvisedCoat, Rule, SeenCoat, SeenColour } from "./advice";

/** What is called black, white and dark, in L*a*b* (assumed). */
const BLACK = { L: 25, C: 15 };
const WHITE = { L: 85, C: 12 };
export const DARK_L = 40;

export const blends = ({ coat }: AdvisedCoat) => coat.passes.some((pass) => PASS[pass.kind].blends);

/** Mixed from colourants whose look is known, so that it can be foretold. */
export const foretold = (seen: SeenColour): boolean =>
  seen.look !== null && seen.parts.length > 0 && seen.look.unknownIds.length === 0;
export const labOf = (seen: SeenColour): Lab => (foretold(seen) ? seen.lab : labOfHex(seen.colour.hex));

export const isBlack = (seen: SeenColour) => {
  const lab = labOf(seen);
  return seen.colour.look !== "clear" && lab[0] < BLACK.L && chromaOf(lab) < BLACK.C;
};
export const isWhite = (seen: SeenColour) => {
  const lab = labOf(seen);
  return seen.colour.look !== "clear" && lab[0] > WHITE.L && chromaOf(lab) < WHITE.C;
};
export const isMetallic = (seen: SeenColour) =>
  foretold(seen) ? (seen.look?.metallic ?? null) !== null : seen.colour.look === "metallic";

/**
 * A rule that looks at one coat and what lies under it: what it says is kept for as long as both look the same,
 * since films are worked out for it and a keystroke changes one coat.
 */
export function ofEachCoat(say: (advised: AdvisedCoat) => Advice[]): Rule {
  const said = new WeakMap<SeenCoat, Advice[]>();
  return ({ coats }) =>
    coats.flatMap((advised) => {
      const known = said.get(advised.seen) ?? say(advised);
      said.set(advised.seen, known);
      return known;
    });
}
