import type { Box } from "../geometry/ring";
import type { Op } from "./op";
import { air } from "./ops/air";
import { cover } from "./ops/cover";
import { fog } from "./ops/fog";
import { slit } from "./ops/slit";
import { wobble } from "./ops/wobble";
import { cells, puddles, pulls, ribbons, sourceOf, spread, vein } from "./scene";

/** What a pass does to the picture; those that do nothing to it are not among them. */
export const PATTERN_PASSES = [
  "lay",
  "drizzle",
  "bucket-pour",
  "spread",
  "palm",
  "skim",
  "roller-cut",
  "blow",
  "alcohol",
  "mica-alcohol",
  "fog",
  "veins",
  "chop",
  "accents",
] as const;
export type PatternPass = (typeof PATTERN_PASSES)[number];

/** A pass as it is rehearsed. */
export type RehearsedPass = {
  id: string;
  kind: PatternPass;
  rounds: number;
  mlPerM2: number | null;
  /** Flow left at its minute, 1 fresh, 0 set: a late stroke moves less. */
  flowLeft: number;
};

/** A coat as it is rehearsed: its colours by their places in the palette, with their shares. */
export type RehearsedCoat = {
  id: string;
  vein: boolean;
  colours: readonly { at: number; share: number }[];
  passes: readonly RehearsedPass[];
};

/** All that a picture hangs on: plain data, the same picture for the same. */
export type Rehearsal = {
  widthMm: number;
  heightMm: number;
  /** Place in the palette of what lies under everything. */
  base: number;
  coats: readonly RehearsedCoat[];
  /** Main direction, rad. */
  angle: number;
  seed: number;
};

/** What a pass has added when it is done, and whether it only pours: its soft edges are no mud. */
export type Step = { coatId: string; passId: string; ops: number; pours: boolean };
const POURS: readonly PatternPass[] = ["lay", "drizzle", "bucket-pour"];

const areaM2 = ({ widthMm, heightMm }: Rehearsal) => (widthMm * heightMm) / 1e6;
/** A piece smaller than a hand still gets a few pulls, a large one no more than can be followed. */
const countOf = (perM2: number, area: number, most: number) =>
  Math.max(3, Math.min(most, Math.round(perM2 * area)));
/** How far a pull still carries by the flow that is left: half way by a fifth of it (assumed). */
const carried = (flowLeft: number) => Math.sqrt(Math.max(0.02, flowLeft)) * 0.9 + 0.1;
/** Drops that a millilitre of alcohol makes on the film (assumed). */
const DROPS_PER_ML = 55;

/** Colours from the one with the largest share down. */
const bySize = ({ colours }: RehearsedCoat) => [...colours].sort((one, other) => other.share - one.share);

function opsOf(of: Rehearsal, coat: RehearsedCoat, pass: RehearsedPass, seed: number): Op[] {
  const box: Box = { minX: 0, minY: 0, maxX: of.widthMm, maxY: of.heightMm };
  const area = areaM2(of);
  const reach = Math.min(1, Math.sqrt(area));
  const drag = carried(pass.flowLeft);
  const [largest, ...others] = bySize(coat);
  const angle = of.angle;
  if (!largest) return [];
  switch (pass.kind) {
    case "lay":
      // The largest share is the ground of the coat; the others are poured on it, large puddles first.
      return [
        cover(largest.at),
        ...others.flatMap(({ at, share }, n) =>
          puddles(box, {
            colour: at,
            cover: share * 0.85,
            radiusMm: 110 * reach * Math.sqrt(Math.max(0.25, share / 0.3)),
            seed: seed + n,
            along: angle,
            stretch: 3.5,
          }),
        ),
        ...(others.length > 0 ? nested(of, coat, 0.45, seed + 31) : []),
        flow(seed + 7, 11),
      ];
    case "drizzle":
    case "bucket-pour":
      return [...nested(of, coat, pass.kind === "bucket-pour" ? 1 : 0.6, seed), flow(seed + 3, 8)];
    case "spread":
      return pulls(box, {
        touch: "hand",
        many: countOf(14 * pass.rounds, area, 24),
        dragMm: 58 * drag,
        halfMm: 260 * reach,
        angle,
        turnRad: 0.3,
        smear: 0.05,
        seed,
      });
    case "palm":
      return pulls(box, {
        touch: "hand",
        many: countOf(44 * pass.rounds, area, 80),
        dragMm: 52 * drag,
        halfMm: 210 * reach,
        angle,
        turnRad: 0.45,
        smear: 0.05,
        seed,
      });
    case "skim":
      return pulls(box, {
        touch: "skim",
        many: countOf(20 * pass.rounds, area, 30),
        dragMm: 9 * drag,
        halfMm: 220 * reach,
        angle,
        turnRad: 0.8,
        smear: 0.7,
        seed,
      });
    case "roller-cut":
      return pulls(box, {
        touch: "roller",
        many: countOf(12 * pass.rounds, area, 24),
        dragMm: 44 * drag,
        halfMm: 260 * reach,
        angle: angle + Math.PI / 2,
        turnRad: 0.12,
        smear: 0.06,
        seed,
      });
    case "blow": {
      const random = sourceOf(seed, 3);
      return spread(box, countOf(9 * pass.rounds, area, 24), random).map(({ x, y }, n) =>
        air({
          x,
          y,
          angle: angle + (random() - 0.5) * 1.6,
          reachMm: 130 * reach * drag,
          spread: 0.55,
          seed: seed + n,
        }),
      );
    }
    case "alcohol":
    case "mica-alcohol":
      return [
        cells(box, {
          size: pass.kind === "alcohol" ? "small" : "medium",
          perM2: Math.min(4000, (pass.mlPerM2 ?? 9) * pass.rounds * DROPS_PER_ML),
          seed,
        }),
      ];
    case "fog":
      return [fog({ box, colour: (others[0] ?? largest).at, cover: 0.3, sizeMm: 170 * reach, seed })];
    case "veins":
      return (coat.vein ? bySize(coat) : others.slice(-1)).flatMap(({ at }, n) => [
        ...vein(box, {
          colour: at,
          angle: angle + 0.12 * (n - 0.5),
          thickMm: n === 0 ? 4.5 : 2.4,
          wanderRad: 1,
          branches: 5,
          hazeMm: 7 * pass.flowLeft,
          seed: seed + n,
        }),
      ]);
    case "chop": {
      const random = sourceOf(seed, 5);
      return spread(box, countOf(7 * pass.rounds, area, 16), random).map(({ x, y }, n) =>
        slit({
          x,
          y,
          angle: angle + Math.PI / 2 + (random() - 0.5) * 0.9,
          halfMm: 110 * reach,
          openMm: 2.2,
          reachMm: 14,
          seed: seed + n,
        }),
      );
    }
    case "accents":
      return puddles(box, {
        colour: (others.at(-1) ?? largest).at,
        cover: 0.012,
        radiusMm: Math.max(4, 9 * reach),
        seed,
      });
  }
}

/** Ribbons of all colours of a coat, the smaller ones within the larger. */
function nested(of: Rehearsal, coat: RehearsedCoat, dense: number, seed: number): Op[] {
  const [largest, ...others] = bySize(coat);
  if (!largest || others.length === 0) return [];
  const reach = Math.min(1, Math.sqrt(areaM2(of)));
  const few = others.slice(0, 3).map(({ at }) => at);
  const rows = few.flatMap((at) => [at, largest.at]);
  return ribbons(
    { minX: 0, minY: 0, maxX: of.widthMm, maxY: of.heightMm },
    {
      colours: rows,
      many: Math.max(3, Math.round(9 * dense * Math.min(2.2, Math.max(0.5, areaM2(of))))),
      wideMm: 74 * reach,
      angle: of.angle,
      wanderRad: 0.5,
      seed,
    },
  );
}

/** What the film does on its own while it is runny. */
const flow = (seed: number, heightMm: number): Op =>
  wobble({ heightMm, coarseMm: 480, fineMm: 70, shears: 6, seed });

/** The operations of a rehearsal in the order of its passes, and how many there are after each. */
export function compile(of: Rehearsal): { ops: Op[]; steps: Step[] } {
  const ops: Op[] = [];
  const steps: Step[] = [];
  of.coats.forEach((coat, n) =>
    coat.passes.forEach((pass, m) => {
      ops.push(...opsOf(of, coat, pass, of.seed * 1009 + n * 97 + m * 13));
      steps.push({
        coatId: coat.id,
        passId: pass.id,
        ops: ops.length,
        pours: POURS.includes(pass.kind),
      });
    }),
  );
  return { ops, steps };
}
