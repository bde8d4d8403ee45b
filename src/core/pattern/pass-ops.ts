import type { Box } from "../geometry/ring";
import type { Op } from "./op";
import { air } from "./ops/air";
import { cover } from "./ops/cover";
import { field } from "./ops/field";
import { fog } from "./ops/fog";
import { mask } from "./ops/mask";
import { slit } from "./ops/slit";
import { tilt } from "./ops/tilt";
import { wobble } from "./ops/wobble";
import type { PatternPass, RehearsedCoat, RehearsedPass, Rehearsal } from "./rehearsal";
import { cells, DROPS_PER_ML, scattered, STAYS, type Unlike } from "./scene/cells";
import { nests, puddleRadiusMm, puddles, ribbons, shadows } from "./scene/pours";
import { blades, carried, dragOf, pulls, tearing } from "./scene/pulls";
import { practised } from "./scene/practised";
import { acrossOf, areaOf, between, sourceOf, spread } from "./scene/random";
import { closed } from "./seam";
import { growVeins, USUAL_MANNER, veinOps } from "./vein";
import type { PourStyle, WorkTool } from "./work";

/** One pass with all that it hangs on. */
export type PassScene = {
  of: Rehearsal;
  coat: RehearsedCoat;
  pass: RehearsedPass;
  seed: number;
  /** How unlike the colours lie about a place before this pass; worked out only where it is asked for. */
  unlike: () => Unlike;
};

type Scene = PassScene & {
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
  /** The others by their shares, without those that are kept for veins. */
  others: RehearsedCoat["colours"];
  forVeins: RehearsedCoat["colours"];
};

/** A piece smaller than a hand still gets a few pulls, a large one no more than can be followed. */
const countOf = (perM2: number, areaM2: number, most: number) =>
  Math.max(3, Math.min(most, Math.round(perM2 * areaM2)));

/** What the film does on its own while it is runny. */
const flow = ({ of: { aroundMm }, seed, reach }: Scene, heightMm: number): Op =>
  wobble({
    heightMm: heightMm * Math.max(0.4, reach),
    coarseMm: 480 * Math.max(0.4, reach),
    fineMm: 45,
    shears: 7,
    seed: seed + 7,
    aroundMm,
  });

/** Ribbons of all colours of a coat, the smaller ones within the larger. */
function nested(
  { box, coat, largest, others, angle, reach, areaM2, pass, seed }: Scene,
  dense: number,
): Op[] {
  if (others.length === 0) return [];
  const few = others.slice(0, 3);
  return few.flatMap((colour, n) => {
    const { share } = colour;
    const next = few[(n + 1) % few.length] as (typeof few)[number];
    // One colour, a sliver of the ground in it, the next one, and again.
    const row = [colour, largest, next, ...(few.length > 2 ? [largest] : [])];
    const total = coat.colours.reduce((sum, one) => sum + one.share, 0) || 1;
    return ribbons(box, {
      colours: row,
      many: Math.max(
        1,
        Math.round(9 * dense * (share / total + 0.12) * Math.min(2.2, Math.max(0.5, areaM2))),
      ),
      wideMm: (pass.work.wideMm ?? 62) * reach,
      angle,
      wanderRad: 0.5,
      seed: seed + 71 * n,
    });
  });
}

/** How far the film flows on its own after it is poured so, mm (assumed, by eye). */
const FLOWS_MM: Record<PourStyle, number> = {
  puddles: 11,
  bands: 7,
  spots: 9,
  nests: 15,
  fields: 9,
  clouds: 16,
};
const poured = (scene: Scene, style: PourStyle): Op[] => [
  // The largest share is the ground of the coat; the others are poured on it.
  cover(scene.largest.at, scene.largest.hides),
  ...POURED[style](scene),
  flow(scene, FLOWS_MM[style]),
];

/** In fields side by side a colour of no more than this lies along the borders. */
const SEAM_SHARE = 0.15;

/** A puddle of a colour with three tenths of a coat, ml on a square metre and more (assumed); of one with less it is smaller. */
const PUDDLE_ML = 48;

/** Colours poured on the largest one's ground, by the way they are poured. */
const POURED: Record<PourStyle, (scene: Scene) => Op[]> = {
  puddles: (scene) => [
    ...scene.others.flatMap(({ at, share, hides }, n) =>
      puddles(scene.box, {
        hides,
        colour: at,
        cover: share * 0.8 * scene.many,
        radiusMm: puddleRadiusMm(PUDDLE_ML * scene.reach ** 2 * Math.max(0.15, share / 0.3)),
        seed: scene.seed + n,
        along: scene.angle,
        stretch: 3.6,
        turnRad: 0.4,
      }),
    ),
    ...nested(scene, 0.8 * scene.many),
  ],
  bands: ({ box, others, largest, angle, reach, seed, many, pass, areaM2 }) => [
    ...others.flatMap((colour, n) => {
      const { share } = colour;
      // As many as cover their share, for what comes later lies on some of it; where they would be too many they are wider.
      const wideMm = (pass.work.wideMm ?? 30) * Math.max(0.5, reach) * (0.6 + share);
      const wanted = (1.6 * share * many * areaM2 * 1e6) / (0.43 * acrossOf(box) * 0.7 * wideMm);
      const count = Math.max(2, Math.min(44, Math.round(wanted)));
      return ribbons(box, {
        colours: n % 2 === 0 ? [colour, largest] : [colour],
        many: count,
        wideMm: wideMm * Math.max(1, wanted / count),
        angle,
        wanderRad: 0.09,
        turnRad: 0.03,
        reach: [0.12, 0.75],
        seed: seed + 31 * n,
      });
    }),
  ],
  spots: ({ box, others, reach, seed, many, pass }) => [
    ...others.flatMap(({ at, share, hides }, n) =>
      puddles(box, {
        hides,
        colour: at,
        cover: share * 1.1 * many,
        radiusMm:
          (pass.work.wideMm ?? 110) * 0.5 * Math.max(0.2, reach) * between(sourceOf(seed, n), 0.7, 1.2),
        seed: seed + n,
        stretch: 1.1,
        turnRad: 3,
        pushes: 0.75,
      }),
    ),
  ],
  nests: ({ box, largest, others, areaM2, reach, seed, many, angle, pass }) => [
    ...nests(box, {
      colours: [largest, ...others],
      many: countOf(17 * many, areaM2, 30),
      radiusMm: (pass.work.wideMm ?? 200) * Math.max(0.3, reach),
      along: angle,
      stretch: 2.4,
      seed,
    }),
  ],
  clouds: ({ box, others, areaM2, angle, reach, seed, many, pass }) => [
    ...others.flatMap(({ at, share, hides }, n) =>
      shadows(box, {
        colour: at,
        many: countOf(60 * share * many, areaM2, 20),
        wideMm: (pass.work.wideMm ?? 60) * reach,
        angle,
        hides,
        seed: seed + 17 * n,
      }),
    ),
  ],
  fields: ({ of, box, coat, angle: given, seed, pass }) => {
    // Around a tumbler a border must meet itself.
    const angle = of.aroundMm === null ? given : Math.sign(given || 1) * (Math.PI / 2);
    // Fields follow each other along the main direction in the order of the colours; what there is little of lies along their borders.
    const wide = coat.colours.filter(({ share }) => share > SEAM_SHARE);
    const seams = coat.colours.filter(({ share }) => share <= SEAM_SHARE && share > VEIN_SHARE);
    const across = acrossOf(box);
    const [middleX, middleY] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
    const span =
      Math.abs(Math.cos(angle)) * (box.maxX - box.minX) + Math.abs(Math.sin(angle)) * (box.maxY - box.minY);
    const total = wide.reduce((sum, { share }) => sum + share, 0) || 1;
    let walked = -span / 2;
    return [
      ...wide.flatMap((colour, n) => {
        const at = walked;
        walked += (colour.share / total) * span;
        const border = (by: number) => ({
          x: middleX + (at + by) * Math.cos(angle),
          y: middleY + (at + by) * Math.sin(angle),
          angle,
          wanderMm: (pass.work.wideMm ?? 60) * Math.min(1, across / 900),
          lengthMm: 0.7 * across,
          edgeMm: 1.2,
          seed: seed + n,
          aroundMm: of.aroundMm,
        });
        if (n === 0) return [cover(colour.at, colour.hides)];
        return [
          field({ ...border(0), colour: colour.at, hides: colour.hides }),
          ...seams.map((seam) => {
            const wideMm = (seam.share * span) / Math.max(1, wide.length - 1);
            return field({
              ...border(-wideMm / 2),
              wideMm,
              colour: seam.at,
              hides: seam.hides,
            });
          }),
        ];
      }),
    ];
  },
};

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
function worked(scene: Scene, of: Worked): Op[] {
  const { strokes } = scene.pass.work;
  return strokes ? practised(strokes, scene.pass.flowLeft, scene.seed) : byChance(scene, of);
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
    const own = seed + 613 * round;
    if (tool === "blade")
      return blades(box, {
        many: Math.max(3, Math.round(count * 0.5)),
        widthMm: (pass.work.wideMm ?? 250) * Math.max(0.25, reach),
        lengthMm: 1.5 * halfMm * reach,
        share: 0.25 * (0.4 + 1.2 * pressure) * carried(pass.flowLeft),
        pressure,
        seed: own,
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
      seed: own,
    });
  }).flat();
}

const PASS_OPS: Record<PatternPass, (scene: Scene) => Op[]> = {
  lay: (scene) => poured(scene, scene.pass.work.pour ?? "puddles"),
  drizzle: (scene) => [...nested(scene, 0.55 * scene.many), flow(scene, 8)],
  "bucket-pour": (scene) => poured(scene, scene.pass.work.pour ?? "nests"),
  spread: (scene) =>
    worked(scene, {
      perM2: 16,
      most: 26,
      halfMm: 320,
      turnRad: 0.3,
      times: 1.5,
      again: 0.6,
      usual: "hand",
    }),
  palm: (scene) =>
    worked(scene, {
      perM2: 40,
      most: 64,
      halfMm: 250,
      turnRad: 0.4,
      times: 1.5,
      again: 0.35,
      usual: "hand",
    }),
  comb: (scene) => [
    // Twice, both ways.
    ...worked(scene, { perM2: 16, most: 24, halfMm: 330, turnRad: 0.06, times: 1.6, usual: "fingers" }),
  ],
  skim: (scene) => [
    ...worked(scene, { perM2: 14, most: 18, halfMm: 260, turnRad: 0.8, times: 1, usual: "blade" }),
    ...pulls(scene.box, {
      touch: "skim",
      many: countOf(12 * scene.pass.rounds, scene.areaM2, 18),
      dragMm: 9 * carried(scene.pass.flowLeft),
      halfMm: 220 * scene.reach,
      angle: scene.angle,
      turnRad: 0.8,
      seed: scene.seed + 1,
    }),
  ],
  "roller-cut": (scene) =>
    worked(scene, {
      perM2: 14,
      most: 26,
      halfMm: 240,
      turnRad: 0.14,
      times: 1.8,
      off: Math.PI / 2,
      usual: "roller",
    }),
  blow: ({ box, areaM2, reach, angle, many, pass, seed }) => {
    const random = sourceOf(seed, 3);
    return spread(box, countOf(9 * pass.rounds * many, areaM2, 24), random).map(({ x, y }, n) =>
      air({
        x,
        y,
        angle: angle + (random() - 0.5) * 1.6,
        reachMm: 150 * reach * carried(pass.flowLeft),
        spread: 0.55,
        seed: seed + n,
      }),
    );
  },
  tilt: ({ of, box, angle: given, pass, many, seed }) => {
    // A tumbler's runs along its wall.
    const angle = of.aroundMm === null ? given : Math.sign(given || 1) * (Math.PI / 2);
    const across = acrossOf(box);
    return [
      tilt({
        x: (box.minX + box.maxX) / 2 - (Math.cos(angle) * across) / 2,
        y: (box.minY + box.maxY) / 2 - (Math.sin(angle) * across) / 2,
        angle,
        lengthMm: across,
        widthMm: 1.5 * across,
        share: 0.22 * many * carried(pass.flowLeft),
        seed,
        aroundMm: of.aroundMm,
      }),
    ];
  },
  alcohol: (scene) => sprayed(scene, scene.pass.work.drops ?? "small"),
  "mica-alcohol": (scene) => [
    ...sprayed(scene, scene.pass.work.drops ?? "medium"),
    ...(scene.pass.paint === null
      ? []
      : [
          scattered(scene.box, {
            colour: scene.pass.paint,
            perM2: 2600 * scene.many,
            radiusMm: 0.9,
            hides: 0.7,
            seed: scene.seed + 5,
          }),
        ]),
  ],
  fog: ({ of, box, others, largest, reach, pass, many, seed }) => [
    fog({
      box: box,
      colour: pass.paint ?? (others[0] ?? largest).at,
      // Light for grey, heavy for granite.
      cover: Math.min(0.85, 0.045 * (pass.mlPerM2 ?? 10) * many),
      sizeMm: (pass.work.wideMm ?? 190) * Math.max(0.3, reach),
      seed: seed + of.seed,
      aroundMm: of.aroundMm,
    }),
  ],
  veins: (scene) => {
    const { box, coat, pass, angle, many, seed, forVeins, reach } = scene;
    // A fresh film lets a vein spread and fade; a late one keeps it.
    const spreads = { wider: 1 + 0.9 * pass.flowLeft, hides: 0.97 - 0.22 * pass.flowLeft };
    if (coat.veins)
      return coat.veins.flatMap(({ veins, manner, at }) =>
        veins.flatMap((vein) => veinOps(vein, manner, at, spreads)),
      );
    return forVeins.flatMap(({ at }, n) => {
      const thin = n > 0;
      const manner = {
        ...USUAL_MANNER,
        hazeMm: thin ? 0 : 8,
        branching: thin ? 0.25 : 0.6,
        hairs: thin ? 0.3 : 0.9,
      };
      return growVeins(box, {
        angle: angle + 0.1 * n,
        metresPerM2: (thin ? 1.6 : 3.6) * many,
        thickMm: (pass.work.wideMm ?? 7) * Math.max(0.4, reach) * (thin ? 0.45 : 1),
        manner,
        seed: seed + n,
      }).flatMap((vein) => veinOps(vein, manner, at, spreads));
    });
  },
  chop: ({ box, areaM2, angle, reach, pass, many, seed }) => {
    const random = sourceOf(seed, 5);
    return spread(box, countOf(7 * pass.rounds * many, areaM2, 16), random).map(({ x, y }, n) =>
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
  },
  accents: ({ box, others, largest, reach, pass, many, seed }) => [
    ...puddles(box, {
      colour: (others.at(-1) ?? largest).at,
      cover: 0.012 * many,
      radiusMm: (pass.work.wideMm ?? 18) * 0.5 * Math.max(0.4, reach),
      seed,
      pushes: 0.9,
    }),
  ],
  glitter: ({ box, pass, others, largest, angle, many, reach, seed }) => {
    // Early it swirls along; late it stays the line it was dabbed in.
    const way = growVeins(box, {
      angle,
      metresPerM2: 1.6 * many,
      thickMm: 10,
      manner: { ...USUAL_MANNER, wander: 0.3 },
      seed,
    });
    const wide = (14 + 60 * pass.flowLeft) * Math.max(0.4, reach);
    const near = (x: number, y: number) => {
      let best = Infinity;
      for (const { points } of way)
        for (let n = 1; n < points.length; n += 1) {
          const [from, to] = [points[n - 1]!, points[n]!];
          const [dx, dy] = [to.x - from.x, to.y - from.y];
          const t = Math.min(
            1,
            Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / (dx * dx + dy * dy || 1)),
          );
          best = Math.min(best, Math.hypot(x - from.x - t * dx, y - from.y - t * dy));
        }
      return Math.exp(-((best / wide) ** 2));
    };
    return [
      scattered(box, {
        colour: pass.paint ?? (others.at(-1) ?? largest).at,
        perM2: 30_000,
        radiusMm: 0.6,
        hides: 0.9,
        seed,
        band: near,
      }),
    ];
  },
  mask: ({ of, box, pass, largest, reach, seed }) => [
    mask({
      box,
      sizeMm: (pass.work.wideMm ?? 120) * Math.max(0.35, reach),
      jointMm: 5 * Math.max(0.5, reach),
      colour: pass.paint ?? largest.at,
      seed,
      aroundMm: of.aroundMm,
    }),
  ],
};

/** Alcohol of a size of drops by its dose; the film moves a little where it falls. */
function sprayed(scene: Scene, size: NonNullable<RehearsedPass["work"]["drops"]>): Op[] {
  const { of, box, pass, coat, many, seed, unlike } = scene;
  const dose = (pass.mlPerM2 ?? 9) * pass.rounds * many;
  const before = coat.passes.slice(0, coat.passes.indexOf(pass));
  const fogged = before.some(({ kind }) => kind === "fog");
  return [
    cells(box, {
      size,
      perM2: dose * DROPS_PER_ML[size] * (fogged ? 1 : STAYS),
      seed,
      unlike: unlike(),
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

/** Alcohol that washes the pattern away, ml/m² (assumed, uncalibrated). */
export const FLOODS_ML_PER_M2 = 40;

/** Colours with no more of a coat than this are kept for its veins, where it has any. */
const VEIN_SHARE = 0.06;

/** The operations of one pass. */
export function passOps(given: PassScene): Op[] {
  const { of, coat, pass, seed } = given;
  const [largest, ...smaller] = [...coat.colours].sort((one, other) => other.share - one.share);
  if (!largest) return [];
  const few = smaller.filter(({ share }) => share <= VEIN_SHARE);
  const forVeins = coat.vein ? [largest, ...smaller] : few.length > 0 ? few : smaller.slice(-1);
  const keeps = !coat.vein && coat.passes.some(({ kind }) => kind === "veins");
  const areaM2 = areaOf(of.box) / 1e6;
  const { work } = pass;
  const ops = PASS_OPS[pass.kind]({
    ...given,
    seed: seed + 7 * (work.seed ?? 0),
    box: of.box,
    areaM2,
    reach: Math.min(1, Math.sqrt(areaM2)),
    angle: of.angle + ((work.turnDeg ?? 0) * Math.PI) / 180,
    many: work.many ?? 1,
    pressure: work.pressure ?? 0.5,
    tears: tearing(pass.flowLeft),
    largest,
    others: keeps ? smaller.filter((one) => !few.includes(one)) : smaller,
    forVeins,
  });
  const { aroundMm } = of;
  return aroundMm === null ? ops : ops.map((op) => closed(op, aroundMm));
}
