import { trimmed } from "../units/format-quantity";
import type { Advice, Rule } from "./advice";

const FL_OZ_PER_FT2_MM = 0.31833;

/** A hand-worked colour coat under 3 fl oz/ft² is spread thin and pulls; a bucket pour under 8 does not level over primer. */
export const filmTooThin: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below, belowWet }): Advice[] => {
    if (coat.kind !== "colour") return [];
    const bucket = coat.passes.some((pass) => pass.kind === "bucket-pour");
    const rate = coat.filmMm / FL_OZ_PER_FT2_MM;
    if (bucket && rate < 7.95 && !belowWet && below?.kind !== "base") {
      return [
        {
          rule: "bucket-without-slick",
          coatId: coat.id,
          at: "film",
          what: "Under 8 fl oz/ft² a bucket pour does not level over bare primer.",
          soWhat: "Lay a thin slick coat first, or pour thicker.",
          kind: "common practice",
          why: "Puddles poured with gaps close by their own weight. At 2.5 mm (8 fl oz/ft²) there is enough of it behind a dam; below that the gaps stay dry unless the ground is wet.",
        },
      ];
    }
    if (!bucket && rate < 2.9) {
      return [
        {
          rule: "film-too-thin",
          coatId: coat.id,
          at: "film",
          what: "Under 3 fl oz/ft² (0.95 mm) a hand-worked colour coat runs short.",
          soWhat: "The colour gets spread thin and pulls.",
          kind: "common practice",
          why: "About 3 fl oz/ft² ends on the piece when colour is worked by hand, and 3.5 to 4 are mixed: the surplus is freedom, no colour has to be used to the last drop.",
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
        what: together
          ? `${trimmed(deep, 1)} mm react together, poured wet on wet; ${resin.name} is made for ${trimmed(thickest, 1)} mm.`
          : pourDepthMm === null
            ? `${resin.name} is made for films up to ${thickest} mm.`
            : `${trimmed(deep, 0)} mm deep; ${resin.name} is made for pours up to ${thickest} mm.`,
        soWhat: together
          ? "Heat goes by all of it: let each layer gel first, inside its recoat window or next day."
          : coat.kind === "fill"
            ? `Thicker, it heats up, yellows or cracks: fill it in ${layers} layers, each with its share.`
            : "Thicker, it heats up, yellows or cracks: pour it in layers.",
        kind: "data sheet",
        why: "Curing gives heat, and a film loses it through its surface only. Twice the depth holds the heat about four times as long.",
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
      what: `${last.resin.name} has no protection against light and scratches.`,
      soWhat: "Fine for samples; finish a counter with a clear that has it.",
      kind: "data sheet",
      why: "Economy resins yellow and scratch. The last coat is what the light and the knives meet.",
    },
  ];
};
