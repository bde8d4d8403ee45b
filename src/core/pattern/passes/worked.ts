import type { Op } from "../engine/op";
import { drawnOutTo, practised } from "../placing/practised";
import { blades, carried, dragOf, pulls } from "../placing/pulls";
import type { WorkTool } from "./work";
import { countOf, type Scene } from "./scene";

type Worked = {
  perM2: number;
  most: number;
  halfMm: number;
  turnRad: number;
  /** Passes of the tool over each place that one pull stands for. */
  times: number;
  off?: number;
  again?: number;
  usual: WorkTool;
};

/** The pulls of a pass by its tool, pressure and way. */
export function worked(scene: Scene, of: Worked): Op[] {
  const { strokes, strokesOnMm } = scene.pass.work;
  if (!strokes) return byChance(scene, of);
  const practisedStrokes = strokesOnMm ? drawnOutTo(strokes, strokesOnMm, scene.of.topMm) : strokes;
  return practised(practisedStrokes, scene.pass.flowLeft, scene.seed);
}

function byChance(
  scene: Scene,
  { perM2, most, halfMm, turnRad, times, off = 0, again = 0, usual }: Worked,
): Op[] {
  const { box, areaM2, reach, angle, many, pressure, tears, pass, seed } = scene;
  const tool = pass.tool ?? usual;
  // Each round has its own pulls, so that one more only adds to what was done; on a large piece no more than can be followed.
  const count = countOf(perM2 * many, areaM2, Math.round(0.65 * most * Math.min(2, many)));
  return Array.from({ length: pass.rounds }, (_, round) => {
    const roundSeed = seed + 613 * round;
    if (tool === "blade")
      return blades(box, {
        many: Math.max(3, Math.round(count * 0.5)),
        widthMm: (pass.work.wideMm ?? 250) * Math.max(0.25, reach),
        lengthMm: 1.5 * halfMm * reach,
        share: 0.25 * (0.4 + 1.2 * pressure) * carried(pass.flowLeft),
        pressure,
        seed: roundSeed,
      });
    return pulls(box, {
      touch: tool,
      many: count,
      dragMm: dragOf(tool, pressure, times) * carried(pass.flowLeft) * Math.min(1, Math.max(0.3, reach)),
      halfMm: halfMm * reach,
      angle: angle + off,
      turnRad,
      way: pass.work.way ?? "free",
      tears,
      again,
      pressure,
      seed: roundSeed,
    });
  }).flat();
}
