import { copiedCoat } from "../job/builds";
import { newCoat } from "../job/new-job";
import type { NewId } from "../geometry/new-piece";
import type { Plan } from "../plan/derive-plan";
import { placeless, byFilm, isFill, COVER_BOUNDS, type Coat, type StartsAfter } from "../schedule/coat";
import { usualPass, type Pass } from "../schedule/pass";
import { PASS, type PassKind } from "../passes/facts";
import { FACTORS } from "../batch/factors";
import type { Pin } from "./inspection";

/** What a repair asks for as coats: what is done before, and what is poured. Common practice, no source. */
type Recoat = {
  before: readonly PassKind[];
  /** The coat at fault once more, its colours with it; or a clear one over all. */
  pour: "same" | "clear";
  startsAfter: StartsAfter;
  /** Only where the fault is, rather than over the whole of the piece. */
  spot: boolean;
  note: string;
};

const sanded = (pour: Recoat["pour"], note: string, spot = false): Recoat => ({
  before: ["sand", "clean"],
  pour,
  startsAfter: "next-day",
  spot,
  note,
});

/** By the name of a repair in the table of faults. Those that are not here are no coat: wait, protect, throw a cup away. */
const RECOATS: Readonly<Record<string, Recoat>> = {
  scrape: sanded("same", "Scrape the soft out down to firm film first, sand around it.", true),
  strip: sanded("same", "The layer that is to go comes off first."),
  touchWet: sanded("same", "Corners first.", true),
  coat: sanded("clear", "220 all over."),
  sandFlat: sanded("clear", "Flush: no step under the finger."),
  freshIn: sanded("same", "Cover it with a late colour or a vein.", true),
  stop: sanded("same", "The colour once more, fewer strokes."),
  respray: sanded("same", "The colour once more; spray on a heavier film, a fine mist."),
  newCup: sanded("same", "Less of the water-borne colour."),
  pick: sanded("clear", "400 and up, until the nib is gone."),
  torch: sanded("clear", "Open the bubbles, fill them, sand."),
  cleanCoat: {
    ...sanded("clear", "Sand through the craters. Clean with solvent twice, no flame near it."),
    before: ["sand", "clean", "clean"],
  },
  wash: {
    ...sanded("clear", "Wash with warm water first, dry, then sand."),
    before: ["clean", "sand", "clean"],
  },
  clear: sanded("clear", "Sand flush; no draught while it sets."),
  mixMore: {
    before: [],
    pour: "same",
    startsAfter: "recoat",
    spot: true,
    note: "Wet into wet where it is short.",
  },
  cut: sanded("same", "The brown out; look at the ground below for charring.", true),
  leave: sanded("same", "Flush."),
  peel: sanded("same", "Peel what lifts, down to sound film."),
  fillUp: sanded("same", "Top up.", true),
  refeed: {
    before: [],
    pour: "same",
    startsAfter: "recoat",
    spot: true,
    note: "Feed the edge, rub it over.",
  },
};

export const isRecoat = (repair: string): boolean => Object.hasOwn(RECOATS, repair);

/** A patch is fed beyond the fault on all sides: so many times its area (judgement). */
const PATCH_TIMES = 2.5;
/** A fault whose size nobody said, mm. */
const USUAL_PATCH_MM = 100;

/** A fill lacks at most what it sinks by while it cures. */
const SUNK_SHARE = FACTORS.shrinkPct.usual.high / 100;

/** The share of what a coat covers that is fed for these faults. */
function patchShare(
  plan: Pick<Plan, "pieces">,
  pins: readonly Pick<Pin, "sizeMm">[],
  pieceIds: readonly string[],
): number {
  const area = plan.pieces
    .filter(({ id }) => pieceIds.includes(id))
    .reduce((sum, { topAreaMm2, count }) => sum + topAreaMm2 * count, 0);
  const faults = pins.reduce((sum, { sizeMm }) => sum + (Math.PI / 4) * (sizeMm ?? USUAL_PATCH_MM) ** 2, 0);
  if (!(area > 0)) return 1;
  return Math.min(COVER_BOUNDS.max, Math.max(0.01, (PATCH_TIMES * faults) / area));
}

/** What of a coat's passes is done once more on a patch; the picture's fine work and what comes hours after are not. */
const ON_A_PATCH: ReadonlySet<PassKind> = new Set([
  "lay",
  "spread",
  "palm",
  "bucket-pour",
  "roll",
  "flood",
  "flame",
  "faces",
]);

/**
 * The coat that a repair comes to: made ready (scraped, sanded, wiped), then poured where the faults are.
 * @returns null for a repair that is no coat
 */
export function repairCoat({
  repair,
  fault,
  coat,
  pins,
  plan,
  newId,
}: {
  repair: string;
  /** Its name, as the table has it. */
  fault: string;
  /** The coat at fault. */
  coat: Coat;
  pins: readonly Pick<Pin, "sizeMm" | "place">[];
  plan: Pick<Plan, "pieces">;
  newId: NewId;
}): Coat | null {
  const recoat = Object.hasOwn(RECOATS, repair) ? RECOATS[repair] : undefined;
  if (!recoat) return null;
  const pieceIds = [...new Set(pins.map(({ place }) => place.pieceId))];
  const name = `Repair: ${fault.toLowerCase()}`.slice(0, 60);
  const before = recoat.before.map((kind): Pass => usualPass(newId(), kind, { fromMin: null }));
  const clear = newCoat("clear", name, coat.resinCardId, newId);
  const base = recoat.pour === "same" ? { ...byFilm(placeless(copiedCoat(coat, newId))), name } : clear;
  const own = base.passes.filter(({ kind }) =>
    recoat.spot ? ON_A_PATCH.has(kind) : PASS[kind].phase !== "before",
  );
  return {
    ...base,
    startsAfter: recoat.startsAfter,
    coverShare: recoat.spot
      ? isFill(coat)
        ? SUNK_SHARE
        : patchShare(plan, pins, pieceIds)
      : base.coverShare,
    coversFaces: recoat.spot ? pins.length === 0 : base.coversFaces,
    // What is to be done stands with the first act.
    passes: [...before, ...own].map((pass, at) => (at === 0 ? { ...pass, note: recoat.note } : pass)),
    ...(pieceIds.length > 0 && { pieceIds }),
  };
}
