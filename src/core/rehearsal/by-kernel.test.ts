import { TECHNIQUE_IDS } from "../job/technique-list";
import { withTechnique } from "../job/techniques";
import { CLOSE, EACH, evaluate, ROUGH } from "../pattern/engine/evaluate";
import { openKernel } from "../pattern/engine/kernel";
import { pictureOf } from "../pattern/engine/picture";
import { compile } from "../pattern/passes/compile";
import { derivePlan } from "../plan/derive-plan";
import { CARDS, colourCoat, job, newId } from "../plan/testing/sample";
import { sheetOf } from "./judge-picture";
import { rehearsalOf } from "./rehearse";

/** Pixels of a picture of which one channel is off by more than 2 of 255. */
const pixelsOff = (one: Uint8ClampedArray, other: Uint8ClampedArray) => {
  let off = 0;
  for (let i = 0; i < one.length; i += 4)
    if ([0, 1, 2].some((channel) => Math.abs(one[i + channel]! - other[i + channel]!) > 2)) off += 1;
  return off;
};
function looked(look: (typeof TECHNIQUE_IDS)[number]) {
  const document = job((draft) => {
    draft.pieces[0]!.shape = { kind: "straight", lengthMm: 900, depthMm: 560 };
    const at = draft.coats.findIndex(({ kind }) => kind === "colour");
    draft.coats[at] = withTechnique(colourCoat(draft), look, newId);
  });
  const plan = derivePlan(document, CARDS);
  return rehearsalOf(plan, document, plan.pieces[0]!)!;
}

test("whole looks, each sample and drawn closely: of all their pixels at 200 px at most two in ten thousand differ to the eye", () => {
  let [off, all] = [0, 0];
  for (const look of TECHNIQUE_IDS) {
    const { rehearsal, palette } = looked(look);
    const sheet = sheetOf(rehearsal, palette.length, 200);
    const { ops } = compile(rehearsal);
    for (const closeness of [EACH, CLOSE, ROUGH]) {
      const [one, other] = [null, openKernel()].map((by) =>
        pictureOf(evaluate(ops, sheet, { closeness, kernel: by }), palette, 1),
      );
      off += pixelsOff(one!, other!);
      all += one!.length / 4;
    }
  }
  expect(all).toBeGreaterThan(500_000);
  expect(off / all).toBeLessThanOrEqual(2e-4);
});
