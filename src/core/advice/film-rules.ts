import { PASS } from "../passes/facts";
import type { Coat } from "../schedule/coat";
import type { Advice, Rule } from "./advice";
import { BUCKET_LEAST_MM, HAND_LEAST_MM, filmToo, notForCounters as unprotected, tooThick } from "./words";

/** What is typed to two places is not short of what it stands for. */
const SLACK = 0.97;

/** Whether a coat's colours are worked by hand, as they are where nothing else is said. */
const byHand = ({ passes }: Coat): boolean =>
  passes.length === 0 || passes.some(({ kind, tool }) => PASS[kind].blends && tool === "hand");

/** A hand-worked colour coat under 3 fl oz/ft² is spread thin and pulls; a bucket pour under 8 does not level over primer. */
export const filmTooThin: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below, belowWet }): Advice[] => {
    if (coat.kind !== "colour") return [];
    const bucket = coat.passes.some((pass) => pass.kind === "bucket-pour");
    if (bucket && coat.filmMm < 0.99 * BUCKET_LEAST_MM && !belowWet && below?.kind !== "base") {
      return [
        {
          rule: "bucket-without-slick",
          coatId: coat.id,
          at: "film",
          ...filmToo.thinForBucket(),
        },
      ];
    }
    if (!bucket && byHand(coat) && coat.filmMm < SLACK * HAND_LEAST_MM) {
      return [
        {
          rule: "film-too-thin",
          coatId: coat.id,
          at: "film",
          ...filmToo.thin(),
        },
      ];
    }
    return [];
  });

export const filmTooThick: Rule = ({ coats }) =>
  coats.flatMap(({ coat, resin, pourDepthMm, reactingMm }): Advice[] => {
    const thickest = resin?.thickestFilmMm;
    const aloneMm = pourDepthMm ?? coat.filmMm;
    const deep = Math.max(aloneMm, reactingMm);
    const together = reactingMm > aloneMm + 1e-6;
    if (!resin || !thickest || deep <= thickest) return [];
    const layers = Math.ceil(deep / coat.coverShare / thickest);
    return [
      {
        rule: "film-too-thick",
        coatId: coat.id,
        at: "film",
        ...(together
          ? tooThick.together(resin.name, deep, thickest)
          : pourDepthMm === null
            ? tooThick.film(resin.name, thickest)
            : tooThick.pour(resin.name, deep, thickest, coat.kind === "fill" ? layers : null)),
      },
    ];
  });

export const notForCounters: Rule = ({ coats }) => {
  const last = coats[coats.length - 1];
  if (!last?.resin || last.resin.forCounters || last.resin.kind === "paint") return [];
  return [
    {
      rule: "not-for-counters",
      coatId: last.coat.id,
      at: "resin",
      ...unprotected(last.resin.name),
    },
  ];
};
