import type { Box } from "../../geometry/ring";
import type { Op } from "../engine/op";
import { cover } from "../ops/cover";
import { field } from "../ops/field";
import { wobble } from "../ops/wobble";
import { nests, puddleRadiusMm, puddles, ribbons, shadows } from "../placing/pours";
import { acrossOf, between, countersIn, sourceOf } from "../placing/random";
import { weightOf } from "../placing/weights";
import type { PourStyle } from "./work";
import { countOf, dealtIn, VEIN_SHARE, weightIn, type Scene } from "./scene";

/** What the film does on its own while it is runny. */
export const flow = ({ of: { aroundMm }, seed, reach }: Scene, heightMm: number): Op =>
  wobble({
    heightMm: heightMm * Math.max(0.4, reach),
    coarseMm: 480 * Math.max(0.4, reach),
    fineMm: 45,
    shears: 7,
    seed: seed + 7,
    aroundMm,
  });

/** Ribbons of all colours of a coat, the smaller ones within the larger. */
export function nested(scene: Scene, dense: number): Op[] {
  const { box, coat, largest, others, angle, reach, areaM2, pass, seed } = scene;
  if (others.length === 0) return [];
  const few = others.slice(0, 3);
  return few.flatMap((colour, n) => {
    const { share } = colour;
    const next = few[(n + 1) % few.length] as (typeof few)[number];
    // One colour, a sliver of the ground in it, the next one, and again.
    const row = [colour, largest, next, ...(few.length > 2 ? [largest] : [])];
    const total = coat.colours.reduce((sum, colour) => sum + colour.share, 0) || 1;
    return ribbons(box, {
      colours: row.map((part) => ({ ...part, weight: weightIn(scene, part) })),
      dealt: dealtIn(scene, colour),
      many: Math.max(
        1,
        Math.round(
          9 * dense * (share / total + 0.12) * Math.min(2.2 * countersIn(areaM2), Math.max(0.5, areaM2)),
        ),
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
/** The colours of a coat poured, and what the film then does on its own. */
export const poured = (scene: Scene, style: PourStyle): Op[] => [
  // The largest share is the ground of the coat; the others are poured on it.
  ...(scene.pours ? [cover(scene.largest.at, scene.largest.hides)] : []),
  ...POURED[style](scene),
  flow(scene, FLOWS_MM[style]),
];

/** In fields side by side a colour of no more than this lies along the borders. */
const SEAM_SHARE = 0.15;

/** A puddle of a colour with three tenths of a coat, ml on a square metre and more (assumed); of one with less it is smaller. */
const PUDDLE_ML = 48;

/** The part of a box between two distances from its middle along a direction, by the axis that the direction follows most. */
function stripOf(box: Box, angle: number, from: number, to: number): Box {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const lengthwise = Math.abs(c) >= Math.abs(s);
  const [low, high] = lengthwise ? [box.minX, box.maxX] : [box.minY, box.maxY];
  const along = lengthwise ? c : s;
  const ends = [from, to].map((by) => Math.min(high, Math.max(low, (low + high) / 2 + by / along)));
  const [near, far] = [Math.min(...ends), Math.max(...ends)];
  return lengthwise ? { ...box, minX: near, maxX: far } : { ...box, minY: near, maxY: far };
}

/** Colours in the order in which they follow each other along a direction: as they are typed, but for those that shall be more at one end of it. */
function inOrder(
  colours: Scene["others"],
  box: Box,
  angle: number,
  aroundMm: number | null,
): Scene["others"] {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const rows = colours.map((colour, n) => {
    if (!colour.soft?.length) return { colour, along: null, n };
    const weight = weightOf(colour.soft, aroundMm);
    let [sum, moment] = [0, 0];
    for (let row = 0; row < LOOKS; row += 1)
      for (let column = 0; column < LOOKS; column += 1) {
        const x = box.minX + ((column + 0.5) / LOOKS) * (box.maxX - box.minX);
        const y = box.minY + ((row + 0.5) / LOOKS) * (box.maxY - box.minY);
        sum += weight(x, y);
        moment += weight(x, y) * (c * x + s * y);
      }
    return { colour, along: moment / sum, n };
  });
  if (rows.every(({ along }) => along === null)) return colours;
  const [middleX, middleY] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const middle = c * middleX + s * middleY;
  return [...rows]
    .sort((a, b) => (a.along ?? middle) - (b.along ?? middle) || a.n - b.n)
    .map(({ colour }) => colour);
}
const LOOKS = 16;

/** Colours poured on the largest one's ground, by the way they are poured. */
const POURED: Record<PourStyle, (scene: Scene) => Op[]> = {
  puddles: (scene) => [
    ...scene.others.flatMap((colour, n) =>
      puddles(scene.box, {
        hides: colour.hides,
        colour: colour.at,
        dealt: dealtIn(scene, colour),
        cover: colour.share * 0.8 * scene.many,
        radiusMm: puddleRadiusMm(PUDDLE_ML * scene.reach ** 2 * Math.max(0.15, colour.share / 0.3)),
        seed: scene.seed + n,
        along: scene.angle,
        stretch: 3.6,
        turnRad: 0.4,
      }),
    ),
    ...nested(scene, 0.8 * scene.many),
  ],
  bands: (scene) => {
    const { box, others, largest, angle, reach, seed, many, pass, areaM2 } = scene;
    return others.flatMap((colour, n) => {
      const dealt = dealtIn(scene, colour);
      const share = dealt.cover(colour.share);
      // As many as cover their share, for what comes later lies on some of it; where they would be too many they are wider.
      const wideMm = (pass.work.wideMm ?? 30) * Math.max(0.5, reach) * (0.6 + share);
      const wanted = (1.6 * share * many * areaM2 * 1e6) / (0.43 * acrossOf(box) * 0.7 * wideMm);
      const count = Math.max(2, Math.min(Math.round(44 * countersIn(areaM2)), Math.round(wanted)));
      return ribbons(box, {
        colours: (n % 2 === 0 ? [colour, largest] : [colour]).map((part) => ({
          ...part,
          weight: weightIn(scene, part),
        })),
        dealt,
        many: count,
        wideMm: wideMm * Math.max(1, wanted / count),
        angle,
        wanderRad: 0.09,
        turnRad: 0.03,
        reach: [0.12, 0.75],
        seed: seed + 31 * n,
      });
    });
  },
  spots: (scene) => {
    const { box, others, reach, seed, many, pass } = scene;
    return others.flatMap((colour, n) =>
      puddles(box, {
        hides: colour.hides,
        colour: colour.at,
        dealt: dealtIn(scene, colour),
        cover: colour.share * 1.1 * many,
        radiusMm:
          (pass.work.wideMm ?? 110) * 0.5 * Math.max(0.2, reach) * between(sourceOf(seed, n), 0.7, 1.2),
        seed: seed + n,
        stretch: 1.1,
        turnRad: 3,
        pushes: 0.75,
      }),
    );
  },
  nests: (scene) => {
    const { box, largest, others, areaM2, reach, seed, many, angle, pass } = scene;
    return nests(box, {
      colours: [largest, ...others].map((colour) => ({ ...colour, weight: dealtIn(scene, colour).density })),
      many: countOf(17 * many, areaM2, 30),
      radiusMm: (pass.work.wideMm ?? 200) * Math.max(0.3, reach),
      along: angle,
      stretch: 2.4,
      seed,
    });
  },
  clouds: (scene) => {
    const { box, others, areaM2, angle, reach, seed, many, pass } = scene;
    return others.flatMap((colour, n) => {
      const dealt = dealtIn(scene, colour);
      return shadows(box, {
        colour: colour.at,
        many: countOf(60 * dealt.cover(colour.share) * many, areaM2, 20),
        wideMm: (pass.work.wideMm ?? 60) * reach,
        angle,
        hides: colour.hides,
        seed: seed + 17 * n,
        dealt,
        weight: weightIn(scene, colour),
      });
    });
  },
  fields: ({ of, box, coat, angle: given, seed, pass, many, areaM2, reach }) => {
    // Around a tumbler a border must meet itself.
    const angle = of.aroundMm === null ? given : Math.sign(given || 1) * (Math.PI / 2);
    // Fields follow each other along the main direction in the order of the colours; what there is little of lies along their borders.
    const once = inOrder(
      coat.colours.filter(({ share }) => share > SEAM_SHARE),
      box,
      angle,
      of.aroundMm,
    );
    const times = Math.max(1, Math.round(many));
    const wide = Array.from({ length: times }, () => once).flat();
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
        // A field is not one flat colour: soft shadows of its neighbour drift along its border, and what is poured next ends them.
        const neighbour = wide[n + 1] ?? wide[n - 1];
        const drifts = neighbour
          ? shadows(stripOf(box, angle, at, at + (colour.share / total) * span), {
              colour: neighbour.at,
              many: countOf(22, areaM2 / wide.length, 12),
              wideMm: 95 * reach,
              angle: angle + Math.PI / 2,
              hides: 0.45 * neighbour.hides,
              seed: seed + 41 * n,
            })
          : [];
        if (n === 0) return [cover(colour.at, colour.hides), ...drifts];
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
          ...drifts,
        ];
      }),
    ];
  },
};
