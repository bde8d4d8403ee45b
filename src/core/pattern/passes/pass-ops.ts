import type { Box } from "../../geometry/ring";
import type { ZoneField } from "../engine/zone-field";
import { inZone } from "../ops/in-zone";
import type { Op } from "../engine/op";
import { air } from "../ops/air";
import { fog } from "../ops/fog";
import { mask } from "../ops/mask";
import { slit } from "../ops/slit";
import { tilt } from "../ops/tilt";
import { flow, nested, poured } from "./poured";
import { behindBarriers, boxOfZone, fieldsOf } from "./barriers";
import { countOf, dealtIn, VEIN_SHARE, weightIn, type PassScene, type Scene } from "./scene";
import { sprayed } from "./sprayed";
import { worked } from "./worked";
import { PASS, type PatternPass } from "../../passes/facts";
import type { RehearsedPass, RehearsedZone } from "./rehearsal";
import { scattered } from "../placing/cells";
import { puddles } from "../placing/pours";
import { carried, pulls, tearing } from "../placing/pulls";
import { acrossOf, areaOf, sourceOf, spread } from "../placing/random";
import type { Weight } from "../placing/weights";
import { closed } from "../engine/seam";
import { growVeins, USUAL_MANNER, veinOps } from "./vein";

/** Whether a vein runs where its colour shall be: not where there shall be less than half of it. */
const wanted = (points: readonly { x: number; y: number }[], weight: Weight): boolean =>
  2 * points.reduce((sum, { x, y }) => sum + Math.min(1, weight(x, y)), 0) >= points.length;

/** What each kind of pass does. */
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
    return forVeins.flatMap((colour, n) => {
      const weight = weightIn(scene, colour);
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
      })
        .filter(({ points }) => wanted(points, weight))
        .flatMap((vein) => veinOps(vein, manner, colour.at, spreads));
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
  accents: (scene) => {
    const { box, others, largest, reach, pass, many, seed } = scene;
    const colour = others.at(-1) ?? largest;
    return puddles(box, {
      colour: colour.at,
      dealt: dealtIn(scene, colour),
      cover: 0.012 * many,
      radiusMm: (pass.work.wideMm ?? 18) * 0.5 * Math.max(0.4, reach),
      seed,
      pushes: 0.9,
    });
  },
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

const inStrips = ({ kind, work }: RehearsedPass) =>
  PASS[kind].strips === true && work.pour !== "fields" && !work.strokes;

const within = (scene: Scene, box: Box, seed: number): Scene => {
  const areaM2 = areaOf(box) / 1e6;
  return { ...scene, box, areaM2, reach: Math.min(1, Math.sqrt(areaM2)), seed };
};

/** A pass over strips, each with its own pours and pulls, lapping over the one before; the ground and what flows lie under and over all. */
function overStrips(scene: Scene, strips: readonly Box[], make: (scene: Scene) => Op[]): Op[] {
  const each = strips.map((box, n) => make(within(scene, box, scene.seed + 409 * n)));
  const first = each[0] ?? [];
  return [
    ...first.filter(({ kind }) => kind === "cover"),
    ...each.flatMap((ops) => ops.filter(({ kind }) => kind !== "cover" && kind !== "wobble")),
    ...first.filter(({ kind }) => kind === "wobble"),
  ];
}

/** What lays colour; all else only moves what lies there, and crosses a border on which nothing stands. */
const LAYS: ReadonlySet<Op["kind"]> = new Set(["cover", "drop", "line", "field", "flecks", "mask"]);

/** A pass in the zones of its coat, each with its own colours: behind a barrier all of it, else what it lays. What flows by itself does so once. */
function inZones(given: PassScene, zones: readonly RehearsedZone[]): Op[] {
  const { of, coat, pass } = given;
  // What was drawn by hand is done once, over all of the piece.
  if (pass.work.strokes) return behindBarriers(of, coat, onPiece(given, of.box));
  const fields = fieldsOf(of);
  const done = zones.filter(({ at }) => pass.zones?.includes(at) ?? true);
  const each = done.flatMap((zone, n): { op: Op; n: number; held: boolean; inside: ZoneField }[] => {
    const inside = fields[zone.at];
    if (!inside) return [];
    const { zones: _zones, strips: _strips, ...rest } = coat;
    const own = { ...rest, colours: zone.colours };
    const box = boxOfZone(of, zone.at);
    const seed = given.seed + 211 * n;
    return onPiece({ ...given, coat: own, seed }, box).map((op) => ({ op, n, held: zone.held, inside }));
  });
  return each.flatMap(({ op, n, held, inside }) => {
    // Done in some zones alone it is kept off the others.
    if (held || pass.zones || LAYS.has(op.kind)) return [inZone(op, inside)];
    return op.kind === "wobble" && n > 0 ? [] : [op];
  });
}

/** The operations of one pass. */
export function passOps(given: PassScene): Op[] {
  const { zones } = given.coat;
  return zones ? inZones(given, zones) : onPiece(given, given.of.box);
}

/** The operations of a pass over a box of the piece. */
function onPiece(given: PassScene, box: Box): Op[] {
  const { of, coat, pass, seed } = given;
  const [largest, ...smaller] = [...coat.colours].sort((a, b) => b.share - a.share);
  if (!largest) return [];
  const few = smaller.filter(({ share }) => share <= VEIN_SHARE);
  const forVeins = coat.vein ? [largest, ...smaller] : few.length > 0 ? few : smaller.slice(-1);
  const keeps = !coat.vein && coat.passes.some(({ kind }) => kind === "veins");
  const areaM2 = areaOf(box) / 1e6;
  const { work, uses } = pass;
  const used = ({ at }: { at: number }) => uses?.includes(at) ?? true;
  const scene: Scene = {
    ...given,
    seed: seed + 7 * (work.seed ?? 0),
    box,
    areaM2,
    reach: Math.min(1, Math.sqrt(areaM2)),
    angle: of.angle + ((work.turnDeg ?? 0) * Math.PI) / 180,
    many: work.many ?? 1,
    pressure: work.pressure ?? 0.5,
    tears: tearing(pass.flowLeft),
    largest,
    pours: used(largest),
    others: (keeps ? smaller.filter((puddle) => !few.includes(puddle)) : smaller).filter(used),
    forVeins: forVeins.some(used) ? forVeins.filter(used) : forVeins,
  };
  const make = PASS_OPS[pass.kind];
  const ops = coat.strips && inStrips(pass) ? overStrips(scene, coat.strips, make) : make(scene);
  const { aroundMm } = of;
  return aroundMm === null ? ops : ops.map((op) => closed(op, aroundMm));
}
