import type { Spread } from "../numerics/spread";

export type Tool =
  | "none"
  | "hand"
  | "roller"
  | "wide-blade"
  | "squeegee"
  | "trowel"
  | "brush"
  | "foam-brush"
  | "stick"
  | "comb"
  | "torch"
  | "heat-gun"
  | "hair-dryer"
  | "spray-bottle"
  | "spray-can"
  | "bucket"
  | "scraper";

export const TOOL_WORDS: Record<Tool, string> = {
  none: "no tool",
  hand: "gloved hand",
  roller: "small roller",
  "wide-blade": "wide blade",
  squeegee: "squeegee",
  trowel: "notched trowel",
  brush: "brush",
  "foam-brush": "foam brush",
  stick: "stick",
  comb: "comb",
  torch: "torch",
  "heat-gun": "heat gun",
  "hair-dryer": "hair dryer",
  "spray-bottle": "spray bottle",
  "spray-can": "spray can",
  bucket: "bucket",
  scraper: "putty knife",
};

export type FactorId =
  | "cupFilmMm"
  | "bucketFilmMm"
  | "stickMl"
  | "toolMl"
  | "runOffOpenMlPerM"
  | "runOffFaceMlPerM"
  | "tapeOverMm"
  | "groundMlPerM2"
  | "faceFilmShare"
  | "shrinkPct"
  | "sprayOnPiece"
  | "notchShare"
  | "filmLaidTimes"
  | "workTimes";

/** A planning factor: its usual value and spread, its unit and why it is so. */
export type Factor = {
  id: FactorId;
  name: string;
  unit: string;
  usual: Spread;
  kind: "physics" | "common practice" | "assumed";
  why: string;
};

/**
 * What tools and vessels keep. Every value is a shop's to change; the log can replace it.
 */
export const FACTORS: Record<FactorId, Factor> = {
  cupFilmMm: {
    id: "cupFilmMm",
    name: "left on a cup's wall",
    unit: "mm",
    usual: { low: 0.3, likely: 0.5, high: 0.8 },
    kind: "physics",
    why: "A film draining down a wall for half a minute is 2/3·√(η·L/(ρ·g·t)) thick (Jeffreys 1930): 0.5 mm for fresh resin in a 10 cm cup, not scraped.",
  },
  bucketFilmMm: {
    id: "bucketFilmMm",
    name: "left on a bucket's wall",
    unit: "mm",
    usual: { low: 0.12, likely: 0.25, high: 0.45 },
    kind: "assumed",
    why: "A bucket is scraped, a cup is not: about half of what drains slowly. Two buckets, since a clean second one keeps unmixed resin off the piece.",
  },
  stickMl: {
    id: "stickMl",
    name: "left on a stick",
    unit: "ml",
    usual: { low: 1, likely: 2, high: 4 },
    kind: "assumed",
    why: "One stick a cup, wiped on the rim; in cups under 250 ml less, as the stick and its wet face are smaller.",
  },
  toolMl: {
    id: "toolMl",
    name: "kept by tools, times the usual",
    unit: "×",
    usual: { low: 0.5, likely: 1, high: 1.8 },
    kind: "assumed",
    why: "Each tool wets once: small roller 15 ml, notched trowel 12, squeegee 8, wide blade, brush and foam brush 6, gloved hand 4, comb and stick 2.",
  },
  runOffOpenMlPerM: {
    id: "runOffOpenMlPerM",
    name: "run-off at an open edge",
    unit: "ml/m",
    usual: { low: 10, likely: 25, high: 50 },
    kind: "assumed",
    why: "What goes over an edge that is neither dammed nor coated and is not picked up again.",
  },
  runOffFaceMlPerM: {
    id: "runOffFaceMlPerM",
    name: "drip from a face",
    unit: "ml/m",
    usual: { low: 4, likely: 10, high: 20 },
    kind: "assumed",
    why: "What hangs and drips from the lower edge of a coated face; it is scraped off while it sets.",
  },
  tapeOverMm: {
    id: "tapeOverMm",
    name: "poured over a tape",
    unit: "mm",
    usual: { low: 2, likely: 4, high: 8 },
    kind: "assumed",
    why: "A stream that runs along a tape covers a strip of it, and what lies there goes off with it: a narrow zone loses more for its area.",
  },
  groundMlPerM2: {
    id: "groundMlPerM2",
    name: "drunk by the ground",
    unit: "ml/m²",
    usual: { low: 0, likely: 0, high: 0 },
    kind: "assumed",
    why: "Only the first coat: bare MDF about 60 ml/m², wood 40, concrete 90; primed or cured ground next to nothing.",
  },
  faceFilmShare: {
    id: "faceFilmShare",
    name: "film on faces, share of the top's",
    unit: "×",
    usual: { low: 0.4, likely: 0.6, high: 0.8 },
    kind: "assumed",
    why: "A face drains while the film still moves; what stays and what has run through is a little over half of the film on the top.",
  },
  shrinkPct: {
    id: "shrinkPct",
    name: "filled volume sinks while it cures",
    unit: "%",
    usual: { low: 1, likely: 3, high: 6 },
    kind: "assumed",
    why: "Epoxy shrinks a few hundredths of its volume as it cures, and wormholes hold air that the resin takes the place of: so fills are topped up.",
  },
  notchShare: {
    id: "notchShare",
    name: "of a notch's film, stays",
    unit: "×",
    usual: { low: 0.5, likely: 0.68, high: 0.85 },
    kind: "physics",
    why: "A notched edge is pulled leaning at 45 to 60°: its ridges are lower by the sine of that angle, 0.71 to 0.87, and it pushes a little along. Measure yours with a comb gauge and put it here.",
  },
  filmLaidTimes: {
    id: "filmLaidTimes",
    name: "film laid, times the planned",
    unit: "×",
    usual: { low: 1, likely: 1, high: 1 },
    kind: "assumed",
    why: "A hand that lays a little more than is planned does so every time. The log tells by how much: the comb, and what is left over.",
  },
  workTimes: {
    id: "workTimes",
    name: "time for mixing and laying, times the planned",
    unit: "×",
    usual: { low: 1, likely: 1, high: 1 },
    kind: "assumed",
    why: "How long this shop takes for what is planned at the coat's rate. The log tells it.",
  },
  sprayOnPiece: {
    id: "sprayOnPiece",
    name: "of what is sprayed, lands on the piece",
    unit: "%",
    usual: { low: 45, likely: 65, high: 85 },
    kind: "assumed",
    why: "Fog drifts past the edges and dries in the air; drops from a bottle mostly land.",
  },
};

/** What each tool keeps, ml; see {@link FACTORS.toolMl}. */
export const TOOL_ML: Partial<Record<Tool, number>> = {
  hand: 4,
  roller: 15,
  "wide-blade": 6,
  squeegee: 8,
  trowel: 12,
  brush: 6,
  "foam-brush": 6,
  stick: 2,
  comb: 2,
};

/** A factor as planned with: the shop's own value keeps the relative spread of the usual one. */
export function factorSpread(
  id: FactorId,
  own: Partial<Record<FactorId, number>>,
  usual: Spread = FACTORS[id].usual,
): Spread {
  const value = own[id];
  if (value === undefined) return usual;
  if (usual.likely === 0) return { low: value * 0.5, likely: value, high: value * 2 };
  return {
    low: (usual.low / usual.likely) * value,
    likely: value,
    high: (usual.high / usual.likely) * value,
  };
}
