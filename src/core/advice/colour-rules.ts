import type { CoatColour } from "../batch/coat-colour";
import type { Advice, Rule } from "./advice";

function channels(hex: string): [number, number, number] {
  const value = parseInt(hex.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

export const isBlack = (colour: CoatColour) =>
  colour.look !== "clear" && Math.max(...channels(colour.hex)) < 60;

const isYellow = (colour: CoatColour) => {
  const [red, green, blue] = channels(colour.hex);
  return red > 150 && green > 110 && blue < 0.6 * green && red - blue > 90;
};

/** Black on bare, dry primer stays as a hard spot. */
export const blackOnPrimer: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below, belowWet }) => {
    const black = coat.colours.find(isBlack);
    if (coat.kind !== "colour" || !black || coat.colours.length < 2 || belowWet || below?.kind !== "primer")
      return [];
    return [
      {
        rule: "black-on-primer",
        coatId: coat.id,
        at: black.id,
        what: "Black goes last, into wet colour.",
        soWhat: "On the bare primer it stays as a hard spot.",
        kind: "common practice",
        why: "Black goes a long way and dominates. Dropped on dry primer it cannot glide and sets where it fell; poured inside other wet colours, last or among the last, it melts in.",
      },
    ];
  });

/** Yellow over black or dark brown turns green. */
export const yellowOverBlack: Rule = ({ coats }) =>
  coats.flatMap(({ coat, below }) => {
    const yellow = coat.colours.find(isYellow);
    if (!yellow || !below || !below.colours.some(isBlack)) return [];
    return [
      {
        rule: "yellow-over-black",
        coatId: coat.id,
        at: yellow.id,
        what: `${yellow.name} over black turns green.`,
        soWhat: "Lay a clear or neutral slick coat first, or a more opaque yellow.",
        kind: "common practice",
        why: "A thin yellow film lets the dark ground through, and black with yellow reads as green.",
      },
    ];
  });

/** Without a data sheet: 5 % by mass for pastes and powders, 2 % for water- or solvent-borne colour (from memory, no source). */
const LARGEST_LOAD = { opaque: 5, metallic: 5, tint: 2, clear: 0 };

export const loadTooLarge: Rule = ({ coats }) =>
  coats.flatMap(({ coat }) =>
    coat.colours
      // Mixed from the shelf, each colourant has the limit of its own card: the Colour view says it there.
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
  coats.flatMap(({ coat }) => {
    const share = coat.colours
      .filter((colour) => colour.look === "metallic")
      .reduce((sum, colour) => sum + colour.share, 0);
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
