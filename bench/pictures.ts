import { compile } from "@/core/pattern/compile";
import { evaluate } from "@/core/pattern/evaluate";
import { practisedStroke } from "@/core/pattern/scene/practised";
import { sheetOf } from "@/core/plan/judge-picture";
import { derivePlan } from "@/core/plan/derive-plan";
import { newPiece } from "@/core/plan/new-piece";
import { rehearsalOf } from "@/core/plan/rehearse";
import { sampleJob } from "@/core/plan/sample-job";
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from "@/core/plan/technique-list";
import { withTechnique } from "@/core/plan/techniques";
import { cards } from "./kitchen";

let made = 0;
const id = () => `picture-${(made += 1)}`;

/** A look on a counter of 1600 × 580 mm, or on what it is for. */
function rehearsed(look: TechniqueId) {
  const { for: kind, rehearsal } = TECHNIQUES[look];
  const job = sampleJob(cards, id);
  const piece = newPiece(
    kind === "tumbler" ? "tumbler" : kind === "channel" ? "river" : "straight",
    "Piece",
    id,
  );
  if (piece.shape.kind === "straight") Object.assign(piece.shape, { lengthMm: 1600, depthMm: 580 });
  const own = job.coats.find((coat) => coat.kind === "colour");
  if (!own) throw new Error("no colour coat");
  const filled = { ...withTechnique(own, look, id), coverShare: 1 };
  const document = {
    ...job,
    pieces: [piece],
    rehearsal,
    coats: [...job.coats.slice(0, 1), kind === "channel" ? { ...filled, kind: "fill" as const } : filled],
  };
  const plan = derivePlan(document, cards);
  const of = plan.pieces[0] ? rehearsalOf(plan, document, plan.pieces[0]) : null;
  if (!of) throw new Error(`${look} cannot be rehearsed`);
  return of;
}

const timed = (work: () => void, times = 3): number => {
  const all = Array.from({ length: times }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return all.sort((one, other) => one - other)[Math.floor(times / 2)] ?? NaN;
};

export type PictureTimes = {
  /** Of each look: compiled and drawn at 260 px; at 1600 px on one thread. */
  looks: { look: string; firstMs: number; sharpMs: number; ops: number }[];
  /** Of a sample and operation, ns: passing over what does not reach, and the plain evaluation of all. */
  perSampleOpNs: number;
  plainNs: number;
  /** A last pass changed, at 260 px. */
  lateMs: number;
  /** One part of a practised pull at 800 px, after 20 others. */
  pullMs: number;
};

export function pictures(): PictureTimes {
  const looks = TECHNIQUE_IDS.map((look) => {
    const { rehearsal, palette } = rehearsed(look);
    const { ops } = compile(rehearsal);
    return {
      look,
      ops: ops.length,
      firstMs: timed(() => {
        const fresh = compile(rehearsal);
        evaluate(fresh.ops, sheetOf(rehearsal, palette.length, 260));
      }),
      sharpMs: timed(() => void evaluate(ops, sheetOf(rehearsal, palette.length, 1600)), 1),
    };
  });
  const { rehearsal, palette } = rehearsed("palm-blend");
  const { ops } = compile(rehearsal);
  const sheet = sheetOf(rehearsal, palette.length, 400);
  const samples = sheet.widthPx * sheet.heightPx * ops.length;
  const perSampleOpNs = (1e6 * timed(() => void evaluate(ops, sheet))) / samples;
  const plainNs = (1e6 * timed(() => void evaluate(ops, sheet, { skipping: false }))) / samples;
  const late = {
    ...rehearsal,
    coats: rehearsal.coats.map((coat) => ({
      ...coat,
      passes: coat.passes.map((pass, n) =>
        n === coat.passes.length - 1 ? { ...pass, work: { many: 2 } } : pass,
      ),
    })),
  };
  const lateMs = timed(() => {
    const { ops: changed } = compile(late);
    evaluate(changed, sheetOf(late, palette.length, 260));
  });
  const wet = sheetOf(rehearsal, palette.length, 800);
  const under = evaluate(ops, wet);
  const pull = (n: number) =>
    practisedStroke(
      {
        tool: "hand",
        pressure: 0.5,
        points: [
          [200 + 11 * n, 200],
          [260 + 11 * n, 230],
          [330 + 11 * n, 250],
        ],
      },
      0.8,
      n,
    );
  const pulls = Array.from({ length: 20 }, (_, n) => pull(n)).flat();
  const box = pulls.at(-1)?.box ?? rehearsal.box;
  const part = {
    ...wet,
    fromX: box.minX,
    fromY: box.minY,
    widthPx: Math.max(2, Math.round((box.maxX - box.minX) / wet.pixelMm)),
    heightPx: Math.max(2, Math.round((box.maxY - box.minY) / wet.pixelMm)),
  };
  const pullMs = timed(() => void evaluate(pulls, part, { under }), 7);
  return { looks, perSampleOpNs, plainNs, lateMs, pullMs };
}
