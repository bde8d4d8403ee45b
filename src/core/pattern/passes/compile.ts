import { evaluate, ROUGH } from "../engine/evaluate";
import { segregated } from "../engine/measures";
import type { Op } from "../engine/op";
import { flecks } from "../ops/flecks";
import { passOps } from "./pass-ops";
import { PASS, type PassFacts } from "../../passes/facts";
import type { Rehearsal, RehearsedCoat, RehearsedPass } from "./rehearsal";
import type { Unlike } from "../placing/cells";
import { nth } from "../../numerics/nth";

/** What a pass has added when it is done, and what it does to the picture. */
export type Step = { coatId: string; passId: string; ops: number; picture: PassFacts["picture"] };

/** Side of a sample by which alcohol finds where unlike colours meet, mm, and how far it looks. */
const LOOK_MM = 14;
const MOST_LOOKS = 110;
const REACH_MM = 40;
/** Of what lies under it a stone covers so much. */
const STONE_HIDES = 0.97;

/** How many colours a rehearsal speaks of. */
export const coloursIn = ({ base, coats }: Rehearsal): number =>
  1 +
  Math.max(
    base,
    ...coats.flatMap(({ colours, passes, veins, stones }) => [
      ...colours.map(({ at }) => at),
      ...passes.map(({ paint }) => paint ?? 0),
      ...(stones ?? []).map(({ at }) => at),
      ...(veins ?? []).map(({ at }) => at),
    ]),
  );

/** How unlike the colours lie about each place of what was done so far: 1 less the share of the one there is most of. */
function unlikeOf(of: Rehearsal, ops: readonly Op[]): Unlike {
  const { minX, minY, maxX, maxY } = of.box;
  const pixelMm = Math.max(LOOK_MM, (maxX - minX) / MOST_LOOKS);
  const sheet = {
    widthPx: Math.max(1, Math.ceil((maxX - minX) / pixelMm)),
    heightPx: Math.max(1, Math.ceil((maxY - minY) / pixelMm)),
    pixelMm,
    fromX: minX,
    fromY: minY,
    base: of.base,
    colours: coloursIn(of),
  };
  const most = segregated(evaluate(ops, sheet, { closeness: ROUGH }), REACH_MM);
  return (x, y) => {
    const column = Math.min(sheet.widthPx - 1, Math.max(0, Math.floor((x - minX) / pixelMm)));
    const row = Math.min(sheet.heightPx - 1, Math.max(0, Math.floor((y - minY) / pixelMm)));
    return 1 - nth(most, row * sheet.widthPx + column);
  };
}

/** The operations of a rehearsal in the order of its passes, how many there are after each, and what each pass was made of. */
export type Compiled = { ops: Op[]; steps: Step[]; prints: string[] };

/**
 * What the operations of a pass hang on, besides the passes before it: two passes with the same print, after the same ones, are the same.
 * @param seed of the pass, by its place among coats and passes
 */
function printOf(
  { coats: _coats, ...of }: Rehearsal,
  { passes, ...coat }: RehearsedCoat,
  pass: RehearsedPass,
  seed: number,
): string {
  return JSON.stringify([of, coat, passes.map(({ kind }) => kind), pass, seed]);
}

/** @param earlier another rehearsal's: the passes with which both begin are taken from it */
export function compile(of: Rehearsal, earlier: Compiled | null = null): Compiled {
  const ops: Op[] = [];
  const steps: Step[] = [];
  const prints: string[] = [];
  let same = earlier !== null;
  of.coats.forEach((coat, n) =>
    coat.passes.forEach((pass, m) => {
      const seed = of.seed * 1009 + n * 97 + m * 13;
      const print = printOf(of, coat, pass, seed);
      const at = steps.length;
      same &&= earlier?.prints[at] === print;
      // What comes later is no part of what lies there when cells are made.
      const before = ops.slice();
      ops.push(
        ...(same && earlier
          ? earlier.ops.slice(at > 0 ? earlier.steps[at - 1]?.ops : 0, earlier.steps[at]?.ops)
          : passOps({ of, coat, pass, seed, unlike: () => unlikeOf(of, before) })),
      );
      // Stones are set when the film has been worked.
      if (m === coat.passes.length - 1 && !same)
        for (const { at: colour, places } of coat.stones ?? []) ops.push(flecks(places, colour, STONE_HIDES));
      prints.push(print);
      steps.push({
        coatId: coat.id,
        passId: pass.id,
        ops: ops.length,
        picture: PASS[pass.kind].picture,
      });
    }),
  );
  return { ops, steps, prints };
}

/** How many operations there are after so many passes. */
export const opsAfter = ({ steps }: Compiled, passes: number): number =>
  passes > 0 ? (steps[passes - 1]?.ops ?? 0) : 0;
