import { compile, coloursIn } from "../passes/compile";
import { evaluate } from "./evaluate";
import { PATTERN_PASSES } from "../../passes/facts";
import type { Rehearsal } from "../passes/rehearsal";

const AROUND = 250;
const wall = (kinds: Rehearsal["coats"][number]["passes"][number]["kind"][]): Rehearsal => ({
  box: { minX: 0, minY: 0, maxX: AROUND, maxY: 200 },
  topMm: { wide: AROUND, high: 200 },
  aroundMm: AROUND,
  base: 0,
  angle: Math.PI / 2,
  seed: 2,
  coats: [
    {
      id: "colour",
      vein: false,
      filmMm: 0.7,
      veins: null,
      colours: [
        { at: 1, share: 0.5, hides: 1 },
        { at: 2, share: 0.3, hides: 1 },
        { at: 3, share: 0.2, hides: 1 },
      ],
      passes: kinds.map((kind, n) => ({
        id: `${n}`,
        kind,
        tool: "hand",
        rounds: 1,
        mlPerM2: 8,
        flowLeft: 0.8,
        paint: kind === "fog" || kind === "mask" ? 3 : null,
        work: {},
      })),
    },
  ],
});

test.each(PATTERN_PASSES.filter((kind) => kind !== "lay"))(
  "lay and %s on a tumbler: the wall is the same a whole turn further, so that the seam closes",
  (kind) => {
    const of = wall(["lay", kind]);
    const { ops } = compile(of);
    const strip = (fromX: number) =>
      evaluate(ops, {
        widthPx: 6,
        heightPx: 60,
        pixelMm: 3,
        fromX,
        fromY: 5,
        base: 0,
        colours: coloursIn(of),
      }).weight;
    const [here, there] = [strip(-9), strip(AROUND - 9)];
    const apart = here.reduce((sum, share, i) => sum + Math.abs(share - there[i]!), 0) / (2 * 6 * 60);
    // Two copies of one pull that overlap at the seam are done in another order there.
    expect(apart).toBeLessThan(0.03);
  },
);
