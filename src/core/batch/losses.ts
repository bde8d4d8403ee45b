import { GROUNDS, type Ground } from "./grounds";
import { scaled, sumOf, type Spread } from "../numerics/spread";
import { factorSpread, TOOL_ML, type FactorId, type Tool } from "./factors";
import { vesselFor, wettedAreaMm2 } from "./vessel";

/** One loss with the numbers it was made of, so that a view can show the sum as it was done. */
export type Loss =
  | { id: "cups"; ml: Spread; cups: number; wettedMm2: number; filmMm: number }
  | { id: "sticks"; ml: Spread; sticks: number; eachMl: number }
  | { id: "tools"; ml: Spread; tools: { tool: Tool; ml: number }[] }
  | { id: "buckets"; ml: Spread; buckets: number; wettedMm2: number; filmMm: number }
  | {
      id: "run-off";
      ml: Spread;
      openLengthMm: number;
      faceLengthMm: number;
      openMlPerM: number;
      faceMlPerM: number;
      /** How much of the usual run-off a film so thin has, open edges and faces together. */
      share: number;
    }
  | { id: "tape"; ml: Spread; lengthMm: number; overMm: number }
  | { id: "ground"; ml: Spread; grounds: { ground: Ground; areaMm2: number; mlPerM2: number }[] }
  | { id: "shrink"; ml: Spread; pct: number };

export type LossInput = {
  /** Millilitres of each colour over all batches; a batch has one cup of each. */
  cupsMl: readonly number[];
  /** Vessels are chosen for so many times what goes into them, at least 1. */
  room: number;
  /** Millilitres mixed in buckets over all batches; 0 when every cup is mixed for itself. */
  bucketMl: number;
  /** Share of each batch. */
  shares: readonly number[];
  tools: readonly Tool[];
  openLengthMm: number;
  faceLengthMm: number;
  /** How much of the usual run-off there is at each, by the film: {@link runOffShare}. */
  openShare: number;
  faceShare: number;
  /** Border behind tape, mm, and the film along it, mm² of its section over all of it. */
  tapedLengthMm: number;
  tapedFilmMm2: number;
  /** What drinks, with its area; only the first coat on it. */
  grounds: readonly { ground: Ground; areaMm2: number }[];
  /** Volume that is filled and sinks a little as it cures, ml. */
  filledMl: number;
  /** Sizes of cups and buckets at hand; the usual ones when none are named. */
  vesselsMl: readonly number[];
  factors: Partial<Record<FactorId, number>>;
};

/** From a cup of this size on a whole stick is wet (assumed), ml. */
const WHOLE_STICK_ML = 250;

/** How much of a stick a cup wets: cups alike in shape take sticks and depths alike, so that the wet face grows as the volume's two thirds. */
const stickOf = (ml: number): number => Math.min(1, Math.cbrt(Math.max(0, ml) / WHOLE_STICK_ML) ** 2);

/** Films of 3 fl oz/ft² and more run off as usual, mm. */
const RUNS_FULL_MM = 0.95;

/** How much of the usual run-off a film has: it comes from a strip along the edge, so that a thin one has less, as its thickness goes (assumed). */
export const runOffShare = (filmMm: number): number => Math.min(1, filmMm / RUNS_FULL_MM);

/** All that does not end on the piece, one by one, in the order in which it is lost. */
export function lossesOf(input: LossInput): Loss[] {
  const { factors, shares } = input;
  const batches = shares.length;
  const wetted = (ml: number) =>
    shares.reduce(
      (sum, share) => sum + wettedAreaMm2(vesselFor(ml * share * input.room, input.vesselsMl), ml * share),
      0,
    );
  const losses: Loss[] = [];
  if (input.bucketMl > 0) {
    // Mixed in one, scraped into a clean second one.
    const wettedMm2 = 2 * wetted(input.bucketMl);
    const film = factorSpread("bucketFilmMm", factors);
    losses.push({
      id: "buckets",
      ml: scaled(film, wettedMm2 / 1000),
      buckets: 2 * batches,
      wettedMm2,
      filmMm: film.likely,
    });
  }
  if (input.cupsMl.length > 0) {
    const wettedMm2 = input.cupsMl.reduce((sum, ml) => sum + wetted(ml), 0);
    const film = factorSpread("cupFilmMm", factors);
    losses.push({
      id: "cups",
      ml: scaled(film, wettedMm2 / 1000),
      cups: batches * input.cupsMl.length,
      wettedMm2,
      filmMm: film.likely,
    });
  }
  const stirredMl = input.cupsMl.length > 0 ? input.cupsMl : [input.bucketMl];
  const sticks = batches * stirredMl.length;
  const stick = factorSpread("stickMl", factors);
  const wetSticks = shares.reduce(
    (sum, share) => sum + stirredMl.reduce((all, ml) => all + stickOf(ml * share), 0),
    0,
  );
  losses.push({
    id: "sticks",
    ml: scaled(stick, wetSticks),
    sticks,
    eachMl: (stick.likely * wetSticks) / sticks,
  });

  const times = factorSpread("toolMl", factors);
  const tools = [...new Set(input.tools)].flatMap((tool) =>
    TOOL_ML[tool] ? [{ tool, ml: TOOL_ML[tool] }] : [],
  );
  const toolMl = tools.reduce((sum, { ml }) => sum + ml, 0);
  if (toolMl > 0) losses.push({ id: "tools", ml: scaled(times, toolMl), tools });

  const open = factorSpread("runOffOpenMlPerM", factors);
  const face = factorSpread("runOffFaceMlPerM", factors);
  if (input.openLengthMm + input.faceLengthMm > 0) {
    const [openM, faceM] = [
      (input.openLengthMm * input.openShare) / 1000,
      (input.faceLengthMm * input.faceShare) / 1000,
    ];
    losses.push({
      id: "run-off",
      ml: {
        low: open.low * openM + face.low * faceM,
        likely: open.likely * openM + face.likely * faceM,
        high: open.high * openM + face.high * faceM,
      },
      openLengthMm: input.openLengthMm,
      faceLengthMm: input.faceLengthMm,
      openMlPerM: open.likely,
      faceMlPerM: face.likely,
      share: ((openM + faceM) * 1000) / (input.openLengthMm + input.faceLengthMm),
    });
  }
  if (input.tapedFilmMm2 > 0) {
    const over = factorSpread("tapeOverMm", factors);
    losses.push({
      id: "tape",
      ml: scaled(over, input.tapedFilmMm2 / 1000),
      lengthMm: input.tapedLengthMm,
      overMm: over.likely,
    });
  }
  const grounds = input.grounds.map(({ ground, areaMm2 }) => ({
    ground,
    areaMm2,
    drunk: factorSpread("groundMlPerM2", factors, GROUNDS[ground].mlPerM2),
  }));
  const drunkMl = sumOf(grounds.map(({ areaMm2, drunk }) => scaled(drunk, areaMm2 / 1e6)));
  if (drunkMl.likely > 0)
    losses.push({
      id: "ground",
      ml: drunkMl,
      grounds: grounds.map(({ ground, areaMm2, drunk }) => ({ ground, areaMm2, mlPerM2: drunk.likely })),
    });
  const shrink = factorSpread("shrinkPct", factors);
  if (input.filledMl > 0 && shrink.likely > 0)
    losses.push({ id: "shrink", ml: scaled(shrink, input.filledMl / 100), pct: shrink.likely });
  return losses;
}
