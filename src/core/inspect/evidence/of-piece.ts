import { GROUNDS } from "../../batch/grounds";
import { edgeOf } from "../../geometry/piece";
import { isFill, liesOnTop } from "../../schedule/coat";
import { trimmed } from "../../units/format-quantity";
import { depthInUnits, inUnits } from "../../units/said";
import { measuredAs, yesNo, type Logged, type Read } from "./logged";

/** A ground that drinks more than this is open, ml/m². */
const OPEN_ML_PER_M2 = 20;

/** What it lay on: bare and thirsty, or something before it; and whether hollows were filled first. */
export function groundBelow({ plan, planned, document }: Logged): Read[] {
  const below = plan.coats.slice(0, plan.coats.indexOf(planned)).filter(({ coat }) => liesOnTop(coat));
  const drinks = GROUNDS[document.ground].mlPerM2.likely;
  const { words } = GROUNDS[document.ground];
  const open = below.length === 0 && drinks >= OPEN_ML_PER_M2;
  const voids = plan.pieces.some(({ voidMl }) => voidMl > 0);
  const filled = plan.coats.some(({ coat }) => coat.kind === "prefill");
  return [
    yesNo(
      "porous",
      open,
      open ? `it lay on ${words}, nothing under it` : `what lay under it was not open ${words}`,
    ),
    yesNo(
      "noSlick",
      planned.coat.startsAfter !== "wet",
      planned.coat.startsAfter === "wet" ? "a wet coat lay under it" : "no wet coat lay under it",
    ),
    ...(voids
      ? [
          yesNo(
            "voidsOpen",
            !filled,
            filled ? "its hollows were filled first" : "its hollows were not filled first",
          ),
        ]
      : []),
  ];
}

/** The film by comb, else by what was used, against the plan. */
export function film({ outcome, combShare }: Logged): Read[] {
  const { usedFilmMm, plannedFilmMm } = outcome;
  const used = usedFilmMm !== null && plannedFilmMm > 0 ? usedFilmMm / plannedFilmMm : null;
  const share = combShare ?? used;
  if (share === null) return [];
  const words = `${trimmed(share * 100, 0)} % of the film planned, by ${combShare === null ? "what was used" : "the comb"}`;
  // What was used says little of one place; that more lay than planned it does say.
  return [
    ...(combShare === null ? [] : [measuredAs("filmThin", share, words)]),
    measuredAs("filmHeavy", share, words),
  ];
}

/** How deep it was poured at once, against the card. */
export function filmThick({ planned: { coat, resin, pourDepthMm } }: Logged): Read[] {
  const most = resin?.thickestFilmMm ?? null;
  const deep = isFill(coat) ? pourDepthMm : coat.filmMm;
  if (most === null || deep === null || !(most > 0)) return [];
  return [
    measuredAs(
      "filmThick",
      deep / most,
      `${depthInUnits(deep)} at once, the card allows ${depthInUnits(most)}`,
    ),
  ];
}

/** The sharpest edge that the film goes over. */
export function squareEdge({ plan }: Logged): Read[] {
  const radii = plan.pieces.flatMap(({ piece, outline }) =>
    outline.sides.flatMap(({ name }) => {
      const { treatment, roundingMm, heightMm } = edgeOf(piece, name);
      return treatment === "face" || (treatment === "dam" && heightMm > 0) ? [roundingMm] : [];
    }),
  );
  if (radii.length === 0) return [];
  const least = Math.min(...radii);
  return [measuredAs("squareEdge", least, `its sharpest edge is rounded by ${inUnits(least, "length")}`)];
}
