import { KILLED } from "../colour/flakes";
import { mixLook, type MixPart } from "../colour/mix-look";
import { chromaOf, hueOf, labOfHex, type Lab } from "../colour/spaces";
import { even } from "../colour/spectrum";
import { liesOnTop } from "../schedule/coat";
import type { PassKind } from "../schedule/pass";
import { decimal, trimmed } from "../units/format-quantity";
import { partAt, type Advice, type AdvisedCoat, type Rule, type SeenColour } from "./advice";

/** What is called black, white, dark and yellow, in L*a*b* (assumed). */
const BLACK = { L: 25, C: 15 };
const WHITE = { L: 85, C: 12 };
const DARK_L = 40;
const YELLOW = { from: 62, to: 110, C: 25 };

/** Passes that work colours into each other. */
const BLENDS: readonly PassKind[] = ["palm", "skim", "roller-cut", "blow", "spread", "drizzle"];
const blends = ({ coat }: AdvisedCoat) => coat.passes.some((pass) => BLENDS.includes(pass.kind));

/** Mixed from colourants whose look is known, so that it can be foretold. */
const foretold = (seen: SeenColour): boolean =>
  seen.look !== null && seen.parts.length > 0 && seen.look.unknownIds.length === 0;
const labOf = (seen: SeenColour): Lab => (foretold(seen) ? seen.lab : labOfHex(seen.colour.hex));

const isBlack = (seen: SeenColour) => {
  const lab = labOf(seen);
  return seen.colour.look !== "clear" && lab[0] < BLACK.L && chromaOf(lab) < BLACK.C;
};
const isWhite = (seen: SeenColour) => {
  const lab = labOf(seen);
  return seen.colour.look !== "clear" && lab[0] > WHITE.L && chromaOf(lab) < WHITE.C;
};
const isMetallic = (seen: SeenColour) =>
  foretold(seen) ? (seen.look?.metallic ?? null) !== null : seen.colour.look === "metallic";

/** Black on bare, dry primer stays as a hard spot. */
export const blackOnPrimer: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below, belowWet, seen }) => {
    const black = seen.colours.find(isBlack);
    if (coat.kind !== "colour" || !black || seen.colours.length < 2 || belowWet || below?.kind !== "primer")
      return [];
    return [
      {
        rule: "black-on-primer",
        coatId: coat.id,
        at: black.colour.id,
        what: "Black goes last, into wet colour.",
        soWhat: "On the bare primer it stays as a hard spot.",
        kind: "common practice",
        why: "Black goes a long way and dominates. Dropped on dry primer it cannot glide and sets where it fell; poured inside other wet colours, last or among the last, it melts in.",
      },
    ];
  });

/** White that is worked over by all the others greys; laid last it stays white. */
export const whiteFirst: Rule = ({ coats }) =>
  coats.flatMap((advised) => {
    const { coat, seen } = advised;
    const [first, ...others] = seen.colours;
    if (coat.kind !== "colour" || !first || !isWhite(first) || !blends(advised)) return [];
    const dark = others.find((other) => labOf(other)[0] < DARK_L + 15 && other.colour.look !== "clear");
    if (!dark) return [];
    return [
      {
        rule: "white-first",
        coatId: coat.id,
        at: first.colour.id,
        what: `${first.colour.name} is laid first: with ${dark.colour.name} worked in it goes grey.`,
        soWhat: "Lay it last to keep it white; leave it first for soft greys.",
        kind: "common practice",
        why: "What should melt into the others goes early, what must stay strong goes late: white first gives grey, white last stays white. More white with black gives more grey, not more white.",
      },
    ];
  });

/** Hue that a yellow has by itself: in a thick layer, or over white where it is too clear to have one. */
function ownLook(parts: readonly MixPart[], filmMm: number): Lab {
  const thick = mixLook(parts, 100 * filmMm, even(0.02)).lab;
  return chromaOf(thick) > YELLOW.C ? thick : mixLook(parts, filmMm, even(0.8)).lab;
}

const isYellow = (lab: Lab) =>
  chromaOf(lab) > YELLOW.C && hueOf(lab) > YELLOW.from && hueOf(lab) < YELLOW.to && lab[0] > DARK_L;

/** A yellow that is darkened, turned away from red and hardly reddish is seen as olive (assumed bounds). */
const readsGreen = (lab: Lab, own: Lab) =>
  own[0] - lab[0] > 10 && hueOf(lab) - hueOf(own) > 5 && lab[1] < 4 && chromaOf(lab) > 4;

/** How certain it is that a yellow turns: as its card says, only if it is weaker than that, or not at all. */
function turns(parts: readonly MixPart[], own: Lab, look: (parts: readonly MixPart[]) => Lab) {
  if (readsGreen(look(parts), own)) return "turns";
  const weaker = parts.map((part) => ({
    ...part,
    gPer100G: part.gPer100G / (part.optics?.strength ?? 1),
  }));
  return readsGreen(look(weaker), own) ? "may turn" : null;
}

/** Share of a dark neighbour that is worked into a colour where they meet (assumed). */
const NEIGHBOUR = 0.15;
const share = (parts: readonly MixPart[], of: number): MixPart[] =>
  parts.map((part) => ({ ...part, gPer100G: part.gPer100G * of }));

/** Yellow over or into black or dark brown turns green: foretold where its colourants are known. */
export const yellowOverDark: Rule = ({ coats }) =>
  coats.flatMap((advised): Advice[] => {
    const { coat, below, seen } = advised;
    const dark = labOfHex(seen.under.hex)[0] < DARK_L;
    return seen.colours.flatMap((one): Advice[] => {
      const { colour, parts } = one;
      if (!foretold(one)) {
        if (!dark || !below || !isYellow(labOfHex(colour.hex)) || colour.look === "clear") return [];
        return [
          {
            rule: "yellow-over-dark",
            coatId: coat.id,
            at: colour.id,
            what: `${colour.name} over ${below.name} may turn green.`,
            soWhat: "Mix it from the shelf and its hue is foretold; or lay a neutral slick coat first.",
            kind: "common practice",
            why: "A thin yellow film lets the dark ground through, and black with yellow reads as green. How much this one hides is not known: its look is only typed.",
          },
        ];
      }
      const own = ownLook(parts, coat.filmMm);
      if (!isYellow(own)) return [];
      const over = (of: readonly MixPart[]) => mixLook(of, coat.filmMm, seen.under.internal).lab;
      const sure = dark ? turns(parts, own, over) : null;
      if (sure)
        return [
          {
            rule: "yellow-over-dark",
            coatId: coat.id,
            at: colour.id,
            what: `${colour.name} over ${below?.name ?? "this ground"} ${sure} green: hue ${decimal(hueOf(over(parts)), 0)}°, L* ${decimal(over(parts)[0], 0)}, by itself ${decimal(hueOf(own), 0)}° and ${decimal(own[0], 0)}.`,
            soWhat: "More of it or a thicker film, a neutral slick coat first, or a lighter ground.",
            kind: "physics",
            why: "A thin yellow film lets the dark ground through: it loses its red and its light, and a dark yellow is seen as olive. Worked out from its colourants over this ground at this film.",
          },
        ];
      const neighbour = blends(advised)
        ? seen.colours.find((other) => other !== one && foretold(other) && isBlack(other))
        : undefined;
      if (!neighbour) return [];
      const into = (of: readonly MixPart[]) =>
        mixLook(
          [...share(of, 1 - NEIGHBOUR), ...share(neighbour.parts, NEIGHBOUR)],
          100 * coat.filmMm,
          even(0.02),
        ).lab;
      const meets = turns(parts, own, into);
      if (!meets) return [];
      return [
        {
          rule: "yellow-into-black",
          coatId: coat.id,
          at: colour.id,
          what: `${colour.name} ${meets} green where ${neighbour.colour.name} is worked into it.`,
          soWhat: "Keep clear or a brown between them, and lay it late.",
          kind: "physics",
          why: `With ${NEIGHBOUR * 100} % of its neighbour in it, its hue goes from ${decimal(hueOf(own), 0)}° to ${decimal(hueOf(into(parts)), 0)}° and L* to ${decimal(into(parts)[0], 0)}: olive.`,
        },
      ];
    });
  });

/** A metallic that other pigments cover no longer shimmers. */
export const metallicKilled: Rule = ({ coats }) =>
  coats.flatMap(({ coat, seen }) =>
    seen.colours.flatMap(({ colour, look, parts }): Advice[] => {
      const visible = look?.metallic?.visible;
      if (visible === undefined || visible >= KILLED) return [];
      // What veils it most: the part without which most of it would be seen.
      const veil = parts
        .filter(({ optics, gPer100G }) => optics && !optics.flake && gPer100G > 0)
        .map(({ id }) => ({
          id,
          seen:
            mixLook(
              parts.filter((part) => part.id !== id),
              coat.filmMm,
              even(0.02),
            ).metallic?.visible ?? 0,
        }))
        .sort((one, other) => other.seen - one.seen)[0];
      const name = colour.parts?.find((part) => part.cardId === veil?.id)?.name;
      return [
        {
          rule: "metallic-killed",
          coatId: coat.id,
          at: colour.id,
          what: `${decimal(visible * 100, 0)} % of the shimmer of ${colour.name} is seen.`,
          soWhat:
            veil && name
              ? `Take less ${name}, or lay it beside in a cup of its own: without it ${decimal(veil.seen * 100, 0)} %.`
              : "Take more of it.",
          kind: "physics",
          why: "A flake is seen through what lies over it. White and other opaque pigments in the same cup cover it; below about 60 % the eye sees a flat grey.",
        },
      ];
    }),
  );

/** Past what its card allows. */
export const overCardLimit: Rule = ({ coats, colourants }) =>
  coats.flatMap(({ coat }) =>
    coat.colours.flatMap((colour) =>
      (colour.parts ?? []).flatMap(({ cardId, name, gPer100G }): Advice[] => {
        const card = colourants.get(cardId);
        const most = card?.mostPer100G ?? null;
        if (!card || most === null || gPer100G <= most + 1e-9) return [];
        const water = card.kind === "acrylic";
        return [
          {
            rule: "over-card-limit",
            coatId: coat.id,
            at: partAt(colour.id, cardId),
            what: `More ${name} than its card allows: ${trimmed(most, 2)} g in 100 g.`,
            soWhat: water ? "The mix strings and curdles." : "The resin may stay soft.",
            kind: "data sheet",
            why: water
              ? "Acrylic paint is water-borne. A little makes an opaque, stiffer mix that stays where it is put; past its share the water breaks the resin into strings."
              : "What is not resin does not cure. The limit is the card's; change it there if the sheet says otherwise.",
          },
        ];
      }),
    ),
  );

/** Share of white or clear above which ageing shows. */
const MUCH_WHITE = 0.3;

/** The coat that light and eye meet: the last that lies on the top. */
const outermost = (coats: readonly AdvisedCoat[]) => coats.filter(({ coat }) => liesOnTop(coat)).at(-1);

/** White, and what is under clear, yellows with age. */
export const whiteYellows: Rule = ({ coats }) => {
  const top = outermost(coats);
  if (!top?.card || top.card.kind === "hybrid" || top.card.kind === "paint") return [];
  const white = coats.find(
    ({ coat, seen }) =>
      coat.kind === "colour" &&
      seen.colours.filter(isWhite).reduce((sum, { colour }) => sum + colour.share, 0) >= MUCH_WHITE,
  );
  const one = white?.seen.colours.find(isWhite);
  if (!white || !one) return [];
  return [
    {
      rule: "white-yellows",
      coatId: white.coat.id,
      at: "shares",
      what: `White under or in ${top.card.name} yellows with age in sunlight.`,
      soWhat: top.card.forCounters
        ? "Tell the client, keep it from a south window, or take a coating that is no epoxy for the last coat."
        : "Its card is not made for light: take one that is, or a coating that is no epoxy, for the last coat.",
      kind: "common practice",
      why: "Epoxies yellow under ultraviolet light, the sooner the less they are stabilised; on white and clear it is seen first. Hybrid coatings that are no epoxy stay white; they are thinner and behave differently.",
    },
  ];
};

/** What is glued in under clear. */
export const adhesiveUnderClear: Rule = ({ coats }) =>
  coats.flatMap(({ coat }, at): Advice[] => {
    const set = (coat.embeds ?? []).find(({ kind }) => kind !== "glitter");
    const pass = coat.passes.find(({ kind }) => kind === "stones");
    if (!set && !pass) return [];
    const lookedThrough = coats
      .slice(at)
      .some(({ coat: over }) => over.colours.some(({ look }) => look === "clear" || look === "tint"));
    if (!lookedThrough) return [];
    return [
      {
        rule: "adhesive-under-clear",
        coatId: coat.id,
        at: pass?.id ?? "embeds",
        what: "Set them with resin, not with hot glue.",
        soWhat: "Under clear some adhesives go brown.",
        kind: "common practice",
        why: "Hot glue under clear has discoloured finished work. A dab of the same resin, gone gummy, holds a stone and is never seen.",
      },
    ];
  });

/** Without a data sheet: 5 % by mass for pastes and powders, 2 % for water- or solvent-borne colour (from memory, no source). */
const LARGEST_LOAD = { opaque: 5, metallic: 5, tint: 2, clear: 0 };

export const loadTooLarge: Rule = ({ coats }) =>
  coats.flatMap(({ coat }) =>
    coat.colours
      // Mixed from the shelf, each colourant has the limit of its own card.
      .filter((colour) => !colour.parts && colour.gPer100G > LARGEST_LOAD[colour.look])
      .map((colour): Advice => ({
        rule: "load-too-large",
        coatId: coat.id,
        at: colour.id,
        what:
          colour.look === "clear"
            ? `${colour.name} is clear and has a dose.`
            : `${colour.gPer100G} g per 100 g is a heavy load for ${colour.name}.`,
        soWhat:
          colour.look === "clear"
            ? "Set the dose to 0 or change its look."
            : `Without a data sheet stay at or under ${LARGEST_LOAD[colour.look]} g: above it the mix may cure soft or curdle.`,
        kind: "common practice",
        why: "What is not resin does not cure. Pastes and powders are carried to about 5 % by mass, water- or solvent-borne colour to about 2 %; the product's data sheet comes first.",
      })),
  );

/** Too much metallic loses its definition. */
export const metallicShare: Rule = ({ coats }) =>
  coats.flatMap(({ coat, seen }) => {
    const share = seen.colours.filter(isMetallic).reduce((sum, { colour }) => sum + colour.share, 0);
    if (coat.kind !== "colour" || coat.colours.length < 2 || share <= 0.5) return [];
    return [
      {
        rule: "metallic-share",
        coatId: coat.id,
        at: "shares",
        what: `${Math.round(share * 100)} % of this coat is metallic.`,
        soWhat: "Metallics need opaque neighbours; over about half they lose definition.",
        kind: "common practice",
        why: "A metallic is read against what stands beside it. With little opaque colour left, the whole top shimmers evenly and the pattern goes.",
      },
    ];
  });
