import type { Op } from "../engine/op";
import { wobble } from "../ops/wobble";
import { cells, DROPS_PER_ML, STAYS } from "../placing/cells";
import type { DropSize } from "./work";
import type { Scene } from "./scene";

/** Alcohol that washes the pattern away, ml/m² (assumed, uncalibrated). */
export const FLOODS_ML_PER_M2 = 40;

/** Alcohol of a size of drops by its dose; the film moves a little where it falls. */
export function sprayed(scene: Scene, size: DropSize): Op[] {
  const { of, box, pass, coat, many, seed, unlike } = scene;
  const dose = (pass.mlPerM2 ?? 9) * pass.rounds * many;
  const before = coat.passes.slice(0, coat.passes.indexOf(pass));
  const fogged = before.some(({ kind }) => kind === "fog");
  return [
    cells(box, {
      size,
      perM2: dose * DROPS_PER_ML[size] * (fogged ? 1 : STAYS),
      seed,
      unlike,
      filmMm: coat.filmMm,
      flowLeft: pass.flowLeft,
    }),
    // Above the dose at which it floods, what it does is no cell any more: the pattern runs.
    wobble({
      heightMm: 1.2 + 14 * Math.max(0, dose / FLOODS_ML_PER_M2 - 0.75),
      coarseMm: 90,
      fineMm: 30,
      shears: 3,
      seed: seed + 9,
      aroundMm: of.aroundMm,
    }),
  ];
}
