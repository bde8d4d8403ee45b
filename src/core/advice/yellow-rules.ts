import { mixLook, type MixPart } from "../colour/mix-look";
import { chromaOf, hueOf, labOfHex, type Lab } from "../colour/spaces";
import { even } from "../colour/spectrum";
import type { Advice, Rule } from "./advice";
import { blends, DARK_L, foretold, isBlack, ofEachCoat } from "./seen-colour";
import { yellow, type Tone } from "./words";

/** What is called yellow, in L*a*b* (assumed). */
const YELLOW = { from: 62, to: 110, C: 25 };

/** Hue that a yellow has by itself: in a thick layer, or over white where it is too clear to have one. */
function ownLook(parts: readonly MixPart[], filmMm: number): Lab {
  const thick = mixLook(parts, 100 * filmMm, even(0.02)).lab;
  return chromaOf(thick) > YELLOW.C ? thick : mixLook(parts, filmMm, even(0.8)).lab;
}

const isYellow = (lab: Lab) =>
  chromaOf(lab) > YELLOW.C && hueOf(lab) > YELLOW.from && hueOf(lab) < YELLOW.to && lab[0] > DARK_L;

/** A yellow that is darkened, turned away from red and hardly reddish is seen as olive (assumed bounds). */
const readsGreen = (lab: Lab, colour: Lab) =>
  colour[0] - lab[0] > 10 && hueOf(lab) - hueOf(colour) > 5 && lab[1] < 4 && chromaOf(lab) > 4;

/** How certain it is that a yellow turns: as its card says, only if it is weaker than that, or not at all. */
function turns(parts: readonly MixPart[], lab: Lab, look: (parts: readonly MixPart[]) => Lab) {
  if (readsGreen(look(parts), lab)) return "turns";
  const weaker = parts.map((part) => ({
    ...part,
    gPer100G: part.gPer100G / (part.optics?.strength ?? 1),
  }));
  return readsGreen(look(weaker), lab) ? "may turn" : null;
}

const toneOf = (lab: Lab): Tone => ({ hue: hueOf(lab), lightness: lab[0] });

/** Share of a dark neighbour that is worked into a colour where they meet (assumed). */
const NEIGHBOUR = 0.15;
const share = (parts: readonly MixPart[], of: number): MixPart[] =>
  parts.map((part) => ({ ...part, gPer100G: part.gPer100G * of }));

/** Yellow over or into black or dark brown turns green: foretold where its colourants are known. */
export const yellowOverDark: Rule = ofEachCoat((advised): Advice[] => {
  const { coat, below, seen } = advised;
  const dark = labOfHex(seen.under.hex)[0] < DARK_L;
  return seen.colours.flatMap((looks): Advice[] => {
    const { colour, parts } = looks;
    if (!foretold(looks)) {
      if (!dark || !below || !isYellow(labOfHex(colour.hex)) || colour.look === "clear") return [];
      return [
        {
          rule: "yellow-over-dark",
          coatId: coat.id,
          at: colour.id,
          ...yellow.unknown(colour.name, below.name),
        },
      ];
    }
    const lab = ownLook(parts, coat.filmMm);
    if (!isYellow(lab)) return [];
    const over = (of: readonly MixPart[]) => mixLook(of, coat.filmMm, seen.under.internal).lab;
    const sure = dark ? turns(parts, lab, over) : null;
    if (sure)
      return [
        {
          rule: "yellow-over-dark",
          coatId: coat.id,
          at: colour.id,
          ...yellow.over(colour.name, below?.name ?? "this ground", sure, toneOf(over(parts)), toneOf(lab)),
        },
      ];
    const neighbour = blends(advised)
      ? seen.colours.find((other) => other !== looks && foretold(other) && isBlack(other))
      : undefined;
    if (!neighbour) return [];
    const into = (of: readonly MixPart[]) =>
      mixLook(
        [...share(of, 1 - NEIGHBOUR), ...share(neighbour.parts, NEIGHBOUR)],
        100 * coat.filmMm,
        even(0.02),
      ).lab;
    const meets = turns(parts, lab, into);
    if (!meets) return [];
    return [
      {
        rule: "yellow-into-black",
        coatId: coat.id,
        at: colour.id,
        ...yellow.into(
          colour.name,
          meets,
          neighbour.colour.name,
          NEIGHBOUR,
          toneOf(lab),
          toneOf(into(parts)),
        ),
      },
    ];
  });
});
