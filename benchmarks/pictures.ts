import { compile } from "@/core/pattern/passes/compile";
import { CLOSE, EACH, evaluate, ROUGH, type Closeness } from "@/core/pattern/engine/evaluate";
import { practisedStroke } from "@/core/pattern/placing/practised";
import { measurePicture, sheetOf } from "@/core/rehearsal/judge-picture";
import { SISTER_PX, SISTERS, sistersOf } from "@/core/rehearsal/sister-spread";
import { derivePlan } from "@/core/plan/derive-plan";
import { newPiece } from "@/core/geometry/new-piece";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { sampleJob } from "@/core/job/sample-job";
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from "@/core/job/technique-list";
import { withTechnique } from "@/core/job/techniques";
import { cards } from "./kitchen";
import { paced, type Paced } from "./pace";

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
  const planned = job.coats.find((coat) => coat.kind === "colour");
  if (!planned) throw new Error("no colour coat");
  const filled = { ...withTechnique(planned, look, id), coverShare: 1 };
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
  return all.sort((a, b) => a - b)[Math.floor(times / 2)] ?? NaN;
};

/** Half of a sheet, as each of the two workers draws it. */
const half = (sheet: ReturnType<typeof sheetOf>) => ({ ...sheet, heightPx: Math.ceil(sheet.heightPx / 2) });

export type PictureTimes = {
  /** Of each look: compiled and half of it drawn at 400 px, as each of two workers does; half of it at 800 and at 1600 px. */
  looks: { look: string; first: Paced; middle: Paced; sharp: Paced; ops: number }[];
  /** Of each look at 800 px by the definition and by the kernel, ms: each sample, and closely. */
  kernel: { look: string; each: readonly [number, number]; close: readonly [number, number] }[];
  plainNs: number;
  skippingNs: number;
  closeNs: number;
  /** A last pass changed, at 800 px: only it is compiled and drawn over what is kept of those before. */
  late: Paced;
  /** Four sisters measured at 200 px, two to a worker. */
  sisters: Paced;
  /** One part of a practised pull at 1200 px, after 20 others. */
  pull: Paced;
};

export function pictures(): PictureTimes {
  const looks = TECHNIQUE_IDS.map((look) => {
    const { rehearsal, palette } = rehearsed(look);
    const { ops } = compile(rehearsal);
    const sharp = (widthPx: number) =>
      paced(() =>
        timed(
          () => void evaluate(ops, half(sheetOf(rehearsal, palette.length, widthPx)), { closeness: CLOSE }),
        ),
      );
    return {
      look,
      ops: ops.length,
      first: paced(() =>
        timed(() => {
          const fresh = compile(rehearsal);
          evaluate(fresh.ops, half(sheetOf(rehearsal, palette.length, 400)), { closeness: ROUGH });
        }, 5),
      ),
      middle: sharp(800),
      sharp: sharp(1600),
    };
  });
  const kernel = TECHNIQUE_IDS.map((look) => {
    const { rehearsal, palette } = rehearsed(look);
    const { ops } = compile(rehearsal);
    const sheet = sheetOf(rehearsal, palette.length, 800);
    const takes = (how: { kernel?: null; closeness: Closeness }) =>
      timed(() => void evaluate(ops, sheet, how), 5);
    return {
      look,
      each: [takes({ closeness: EACH, kernel: null }), takes({ closeness: EACH })] as const,
      close: [takes({ closeness: CLOSE, kernel: null }), takes({ closeness: CLOSE })] as const,
    };
  });
  const { rehearsal, palette } = rehearsed("palm-blend");
  const compiled = compile(rehearsal);
  const { ops } = compiled;
  const sheet = sheetOf(rehearsal, palette.length, 800);
  const per = (work: () => void) => (1e6 * timed(work)) / (sheet.widthPx * sheet.heightPx * ops.length);
  const plainNs = per(() => void evaluate(ops, sheet, { skipping: false, kernel: null }));
  const skippingNs = per(() => void evaluate(ops, sheet, { kernel: null }));
  const closeNs = per(() => void evaluate(ops, sheet, { closeness: CLOSE, kernel: null }));
  const last = compiled.steps.length - 1;
  const before = compiled.steps[last - 1]?.ops ?? 0;
  const changedLate = {
    ...rehearsal,
    coats: rehearsal.coats.map((coat, n) => ({
      ...coat,
      passes: coat.passes.map((pass, m) =>
        n === rehearsal.coats.length - 1 && m === coat.passes.length - 1
          ? { ...pass, work: { many: 2 } }
          : pass,
      ),
    })),
  };
  const kept = evaluate(ops.slice(0, before), sheetOf(rehearsal, palette.length, 640), { closeness: CLOSE });
  const changed = compile(changedLate, compiled);
  if (before < 1 || changed.ops[before - 1] !== ops[before - 1])
    throw new Error("nothing was kept of the passes before");
  const late = paced(() =>
    timed(() => {
      const { ops: all } = compile(changedLate, compiled);
      evaluate(all.slice(before), half(sheetOf(changedLate, palette.length, 800)), {
        closeness: ROUGH,
        under: kept,
      });
    }),
  );
  const sisters = paced(() =>
    timed(() => {
      for (const sister of sistersOf(rehearsal).slice(0, SISTERS / 2))
        measurePicture({ rehearsal: sister, palette }, last + 1, SISTER_PX);
    }),
  );
  const wet = sheetOf(rehearsal, palette.length, 1200);
  const under = evaluate(ops, wet);
  const pulledAt = (n: number) =>
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
  const pulls = Array.from({ length: 20 }, (_, n) => pulledAt(n)).flat();
  const box = pulls.at(-1)?.box ?? rehearsal.box;
  const part = {
    ...wet,
    fromX: box.minX,
    fromY: box.minY,
    widthPx: Math.max(2, Math.round((box.maxX - box.minX) / wet.pixelMm)),
    heightPx: Math.max(2, Math.round((box.maxY - box.minY) / wet.pixelMm)),
  };
  const pull = paced(() => timed(() => void evaluate(pulls, part, { under }), 7));
  return { looks, kernel, plainNs, skippingNs, closeNs, late, sisters, pull };
}
