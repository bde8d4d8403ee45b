import type { BatchLimit } from "../batch/split-batches";
import { FULLEST } from "../batch/vessel";
import { DEW_MARGIN_K } from "../cure/dew-point";
import type { Spread } from "../numerics/spread";
import { FLASH_OFF_MIN } from "../schedule/pass";
import type { Trouble } from "../schedule/troubles";
import { decimal, trimmed } from "../units/format-quantity";
import { depthInUnits, inUnits } from "../units/said";
import type { Advice } from "./advice";

/**
 * All that the rules say, as functions of the values they found: what is so, so what, and why. The rules decide, these speak; another language
 * would stand beside this file.
 */
export type Said = Pick<Advice, "what" | "soWhat" | "kind" | "why">;

const minutes = (value: number) => `${Math.round(value)} min`;
const hours = (value: number) => `${Math.round(value / 60)} h`;
const percent = (share: number) => `${decimal(share * 100, 0)} %`;
const celsius = (tempC: number) => inUnits(tempC, "temperature");

/** What asks for more than one batch when it is not the pot life. */
const OTHER_LIMITS: Record<Exclude<BatchLimit, "pot life">, Said> = {
  "largest vessel": {
    what: "the largest vessel at hand holds no more.",
    soWhat: "A larger bucket would save mixes, as far as the pot life goes.",
    kind: "common practice",
    why: `A vessel is filled to ${Math.round(FULLEST * 100)} % at most, so that it can be stirred without spilling.`,
  },
  "largest mix": {
    what: "the card allows no larger mix.",
    soWhat: "Mix them one after another and pour each at once.",
    kind: "data sheet",
    why: "In a pot the resin heats itself; makers name the mass above which it may boil, crack or smoke.",
  },
  kit: {
    what: "each is one kit at most.",
    soWhat: "A whole kit mixed at once is in ratio without a scale.",
    kind: "common practice",
    why: "This coat is set to be mixed by kits, in Build.",
  },
};

export const batchesToo = {
  /** Even the most batches do not live as long as the work takes. */
  slow: (many: number, potLifeLowMin: number): Said => ({
    what: `Even ${many} batches do not live as long as the work takes.`,
    soWhat: "Work faster, with more hands, cooler, or with a slower resin.",
    kind: "physics",
    why: `A batch must be out of its pot within ${minutes(potLifeLowMin)} (the low end of its pot life); mixing and your rate need longer.`,
  }),
  large: (many: number, limit: Exclude<BatchLimit, "pot life">): Said => ({
    ...OTHER_LIMITS[limit],
    what: `Even ${many} batches are too large: ${OTHER_LIMITS[limit].what}`,
    soWhat: "Lay the coat on fewer pieces at a time, or with larger vessels.",
  }),
};

export const batchesBy = {
  limit: (many: number, limit: Exclude<BatchLimit, "pot life">): Said => ({
    ...OTHER_LIMITS[limit],
    what: `${many} batches: ${OTHER_LIMITS[limit].what}`,
  }),
  potLife: (many: number, atOnce: Spread, each: Spread, work: Spread): Said => ({
    what: `${many} batches. All at once would live ${minutes(atOnce.likely)} in the pot; the work takes you ${minutes(work.likely)}.`,
    soWhat: `One batch lives ${minutes(each.likely)} (${Math.round(each.low)} to ${Math.round(each.high)}).`,
    kind: "physics",
    why: "In a pot the resin heats itself: the more there is, the sooner it thickens. Pot life is computed for this mass and temperature from the card's own pot life; its low end decides.",
  }),
};

export const cardConflict = (resin: string, conflict: string): Said => ({
  what: `${resin}: ${conflict}`,
  soWhat: "Times from this card are less sure.",
  kind: "data sheet",
  why: "The card's working time, gel, tack-free time and pot life are fitted by one curve. A number that lies far off it was measured otherwise, or mistyped.",
});

const ROOM_WHY =
  "Cure about doubles in speed for each 10 °C. Below about 18 °C it still hardens but its glass transition stays low.";
export const roomToo = {
  cold: (): Said => ({
    what: "Below 18 °C (64 °F) resin is thick, traps bubbles and may stay under-cured.",
    soWhat: "Warm the room and the ground; part A in a water bath.",
    kind: "common practice",
    why: ROOM_WHY,
  }),
  warm: (): Said => ({
    what: "Above 27 °C (81 °F) resin runs thin and sets early.",
    soWhat: "Work in the cool of the morning, or in smaller batches.",
    kind: "common practice",
    why: ROOM_WHY,
  }),
};

const SHEET_WHY =
  "The limits stand on the resin's card, from its sheet. Outside of them its maker promises nothing: it may stay soft, blush, or set too fast to be worked.";
export const outsideSheet = {
  damp: (resin: string, mostPct: number, isPct: number): Said => ({
    what: `${resin} wants ${Math.round(mostPct)} % humidity at most; the room has ${Math.round(isPct)} %.`,
    soWhat: "Run a dehumidifier until the coat has set.",
    kind: "data sheet",
    why: SHEET_WHY,
  }),
  cold: (resin: string, fromC: number): Said => ({
    what: `The room is colder than ${resin} allows: ${celsius(fromC)}.`,
    soWhat: "Warm the room and the ground, or wait.",
    kind: "data sheet",
    why: SHEET_WHY,
  }),
  warm: (resin: string, toC: number): Said => ({
    what: `The room is warmer than ${resin} allows: ${celsius(toC)}.`,
    soWhat: "Work in the cool of the day, or wait.",
    kind: "data sheet",
    why: SHEET_WHY,
  }),
};

export const nearDewPoint = (dewC: number, coldestC: number): Said => ({
  what: `The surface is to stay ${DEW_MARGIN_K} °C (5 °F) above the dew point, which is ${celsius(dewC)}; it gets as cold as ${celsius(coldestC)}.`,
  soWhat: "Warm the piece and the room, or dry the air, before the coat and until it has set.",
  kind: "physics",
  why: "Water that condenses on a surface, or on the wet film, keeps the next coat from holding and makes the film blush. The dew point goes by temperature and humidity of the room; a piece that stood in the cold sweats first.",
});
export const dampRoom = (humidityPct: number): Said => ({
  what: `${Math.round(humidityPct)} % humidity: the film may blush and haze.`,
  soWhat: "Run a dehumidifier, and wash off the blush before a further coat.",
  kind: "common practice",
  why: "The hardener takes up water and carbon dioxide from damp air before it has reacted; what forms lies on the film as a greasy haze.",
});

/** Films that work asks for, mm: 8 and 3 fl oz/ft² (common practice, no source). */
export const BUCKET_LEAST_MM = 2.5466;
export const HAND_LEAST_MM = 0.955;

export const filmToo = {
  thinForBucket: (): Said => ({
    what: `Under ${inUnits(BUCKET_LEAST_MM, "film")} a bucket pour does not level over bare primer.`,
    soWhat: "Lay a thin slick coat first, or pour thicker.",
    kind: "common practice",
    why: `Puddles poured with gaps close by their own weight. At ${inUnits(BUCKET_LEAST_MM, "film")} there is enough of it behind a dam; below that the gaps stay dry unless the ground is wet.`,
  }),
  thin: (): Said => ({
    what: `Under ${inUnits(HAND_LEAST_MM, "film")} a hand-worked colour coat runs short.`,
    soWhat: "The colour gets spread thin and pulls.",
    kind: "common practice",
    why: `About ${inUnits(HAND_LEAST_MM, "film")} ends on the piece when colour is worked by hand, and a sixth to a third more is mixed: the surplus is freedom, no colour has to be used to the last drop.`,
  }),
};

const DEPTH: Pick<Said, "kind" | "why"> = {
  kind: "data sheet",
  why: "Curing gives heat, and a film loses it through its surface only. Twice the depth holds the heat about four times as long.",
};
export const tooThick = {
  together: (resin: string, deepMm: number, thickestMm: number): Said => ({
    ...DEPTH,
    what: `${depthInUnits(deepMm)} react together, poured wet on wet; ${resin} is made for ${depthInUnits(thickestMm)}.`,
    soWhat: "Heat goes by all of it: let each layer gel first, inside its recoat window or next day.",
  }),
  film: (resin: string, thickestMm: number): Said => ({
    ...DEPTH,
    what: `${resin} is made for films up to ${depthInUnits(thickestMm)}.`,
    soWhat: "Thicker, it heats up, yellows or cracks: pour it in layers.",
  }),
  /** @param layers of a fill that can be dealt out; null for a void */
  pour: (resin: string, deepMm: number, thickestMm: number, layers: number | null): Said => ({
    ...DEPTH,
    what: `${depthInUnits(deepMm)} deep; ${resin} is made for pours up to ${depthInUnits(thickestMm)}.`,
    soWhat:
      layers === null
        ? "Thicker, it heats up, yellows or cracks: pour it in layers."
        : `Thicker, it heats up, yellows or cracks: fill it in ${layers} layers, each with its share.`,
  }),
};

export const notForCounters = (resin: string): Said => ({
  what: `${resin} has no protection against light and scratches.`,
  soWhat: "Fine for samples; finish a counter with a clear that has it.",
  kind: "data sheet",
  why: "Economy resins yellow and scratch. The last coat is what the light and the knives meet.",
});

const LOAD: Pick<Said, "kind" | "why"> = {
  kind: "common practice",
  why: "What is not resin does not cure. Pastes and powders are carried to about 5 % by mass, water- or solvent-borne colour to about 2 %; the product's data sheet comes first.",
};
export const load = {
  ofClear: (colour: string): Said => ({
    ...LOAD,
    what: `${colour} is clear and has a dose.`,
    soWhat: "Set the dose to 0 or change its look.",
  }),
  heavy: (colour: string, gPer100G: number, most: number): Said => ({
    ...LOAD,
    what: `${gPer100G} g per 100 g is a heavy load for ${colour}.`,
    soWhat: `Without a data sheet stay at or under ${most} g: above it the mix may cure soft or curdle.`,
  }),
  overCard: (colourant: string, most: number, waterBorne: boolean): Said => ({
    what: `More ${colourant} than its card allows: ${trimmed(most, 2)} g in 100 g.`,
    soWhat: waterBorne ? "The mix strings and curdles." : "The resin may stay soft.",
    kind: "data sheet",
    why: waterBorne
      ? "Acrylic paint is water-borne. A little makes an opaque, stiffer mix that stays where it is put; past its share the water breaks the resin into strings."
      : "What is not resin does not cure. The limit is the card's; change it there if the sheet says otherwise.",
  }),
};

/** What the troubles of the days mean for a coat; what is wrong is said by the days themselves. */
export const DAYS: Partial<Record<Trouble["kind"], Omit<Said, "what"> & { rule: string }>> = {
  night: {
    rule: "asleep",
    kind: "physics",
    soWhat: "Start earlier, or let Windows find a start in which nobody is woken.",
    why: "When a pass is right is computed from the resin's card and the room. A dam that stays until the morning is locked in; drips that were not scraped are sanded next day.",
  },
  fire: {
    rule: "fire",
    kind: "safety",
    soWhat: "Move one of them: no flame or hot air until the vapour is gone.",
    why: "Alcohol and paint vapour hangs in the room, whatever coat it was sprayed on. About five minutes in an aired room clear it.",
  },
  "sand first": {
    rule: "after-recoat",
    kind: "data sheet",
    soWhat: "Sand and wipe it, or move the coats closer together.",
    why: "Within its recoat window a film still bonds with the next by itself; afterwards it needs scratches to hold on to. The window stands on the resin's card and shifts with the room.",
  },
  late: {
    rule: "window-over",
    kind: "physics",
    soWhat: "Lay less at a time, work with more hands, cooler, or with a slower resin.",
    why: "The pass comes when the hands are free of those before it. By then the film has thickened past what the pass needs.",
  },
  never: {
    rule: "never-there",
    kind: "physics",
    soWhat: "Warm the room, or take a resin that cures in the cold.",
    why: "At this temperature the cure goes so slowly that the film does not get there in a hundred days.",
  },
};

export const shortNight = (below: string, sandable: Spread, coat: string, lateMin: number): Said => ({
  what: `The night is too short: ${below} can be sanded ${hours(sandable.likely)} after it was mixed (${hours(sandable.low)} to ${hours(sandable.high)}).`,
  soWhat: `${coat} waits ${hours(lateMin)} longer; warm the room, begin earlier the day before, or take a resin that sands sooner.`,
  kind: "physics",
  why: "Sanded too soon it clogs the paper and dents. The card's own time to sanding is moved by the room's temperature, about half for each 10 °C warmer.",
});

export const whiteYellows = (resin: string, madeForLight: boolean): Said => ({
  what: `White under or in ${resin} yellows with age in sunlight.`,
  soWhat: madeForLight
    ? "Tell the client, keep it from a south window, or take a coating that is no epoxy for the last coat."
    : "Its card is not made for light: take one that is, or a coating that is no epoxy, for the last coat.",
  kind: "common practice",
  why: "Epoxies yellow under ultraviolet light, the sooner the less they are stabilised; on white and clear it is seen first. Hybrid coatings that are no epoxy stay white; they are thinner and behave differently.",
});

export const adhesiveUnderClear = (): Said => ({
  what: "Set them with resin, not with hot glue.",
  soWhat: "Under clear some adhesives go brown.",
  kind: "common practice",
  why: "Hot glue under clear has discoloured finished work. A dab of the same resin, gone gummy, holds a stone and is never seen.",
});

export const blackOnPrimer = (): Said => ({
  what: "Black goes last, into wet colour.",
  soWhat: "On the bare primer it stays as a hard spot.",
  kind: "common practice",
  why: "Black goes a long way and dominates. Dropped on dry primer it cannot glide and sets where it fell; poured inside other wet colours, last or among the last, it melts in.",
});

export const whiteFirst = (white: string, dark: string, neutral: boolean): Said => ({
  what: `${white} is laid first: with ${dark} worked in it goes ${neutral ? "grey" : "pale and dull"}.`,
  soWhat: `Lay it last to keep it white; leave it first for soft ${neutral ? "greys" : "tones"}.`,
  kind: "common practice",
  why: "What should melt into the others goes early, what must stay strong goes late: white first gives grey, white last stays white. More white with black gives more grey, not more white.",
});

export const thinBeforeHeavy = (heavy: string, thin: string, glitter: boolean): Said => ({
  what: `${heavy} is poured before ${thin}.`,
  soWhat: `Dyes first, then micas, glitters last: move ${heavy} behind it.`,
  kind: "common practice",
  why: glitter
    ? "Coarse flakes sink where they fall and are washed about by what is poured later; laid last they stay where they are wanted, and seen."
    : "What is thin runs on over what was poured before and carries its flakes away; poured first it makes the ground that micas lie on.",
});

export const metallic = {
  much: (share: number): Said => ({
    what: `${Math.round(share * 100)} % of this coat is metallic.`,
    soWhat: "Metallics need opaque neighbours; over about half they lose definition.",
    kind: "common practice",
    why: "A metallic is read against what stands beside it. With little opaque colour left, the whole top shimmers evenly and the pattern goes.",
  }),
  /** @param veil what covers it most, and how much of it would be seen without */
  killed: (colour: string, visible: number, veil: { name: string; seen: number } | null): Said => ({
    what: `${percent(visible)} of the shimmer of ${colour} is seen.`,
    soWhat: veil
      ? `Take less ${veil.name}, or lay it beside in a cup of its own: without it ${percent(veil.seen)}.`
      : "Take more of it.",
    kind: "physics",
    why: "A flake is seen through what lies over it. White and other opaque pigments in the same cup cover it; below about 60 % the eye sees a flat grey.",
  }),
};

/** A hue and a lightness as they are told. */
export type Tone = { hue: number; lightness: number };
const tone = ({ hue, lightness }: Tone, joined: string) =>
  `${decimal(hue, 0)}°${joined}${decimal(lightness, 0)}`;

export const yellow = {
  unknown: (colour: string, below: string): Said => ({
    what: `${colour} over ${below} may turn green.`,
    soWhat: "Mix it from the shelf and its hue is foretold; or lay a neutral slick coat first.",
    kind: "common practice",
    why: "A thin yellow film lets the dark ground through, and black with yellow reads as green. How much this one hides is not known: its look is only typed.",
  }),
  over: (colour: string, ground: string, sure: string, seen: Tone, alone: Tone): Said => ({
    what: `${colour} over ${ground} ${sure} green: hue ${tone(seen, ", L* ")}, by itself ${tone(alone, " and ")}.`,
    soWhat: "More of it or a thicker film, a neutral slick coat first, or a lighter ground.",
    kind: "physics",
    why: "A thin yellow film lets the dark ground through: it loses its red and its light, and a dark yellow is seen as olive. Worked out from its colourants over this ground at this film.",
  }),
  into: (colour: string, sure: string, neighbour: string, share: number, alone: Tone, mixed: Tone): Said => ({
    what: `${colour} ${sure} green where ${neighbour} is worked into it.`,
    soWhat: "Keep clear or a brown between them, and lay it late.",
    kind: "physics",
    why: `With ${share * 100} % of its neighbour in it, its hue goes from ${decimal(alone.hue, 0)}° to ${decimal(mixed.hue, 0)}° and L* to ${decimal(mixed.lightness, 0)}: olive.`,
  }),
};

export const flameAfterVapour = (
  flame: string,
  vapour: string,
  gapMin: number,
  vapourAtMin: number,
): Said => ({
  what: `${flame} comes ${gapMin > 0 ? `${gapMin} min` : "at once"} after ${vapour.toLowerCase()}.`,
  soWhat: `Fire. Let it flash off ${FLASH_OFF_MIN} minutes first: set it to start at ${vapourAtMin + FLASH_OFF_MIN} min or later.`,
  kind: "safety",
  why: "Alcohol and paint vapour above the film lights from a torch or a hot-air gun. About five minutes in an aired room clear it; more when it is cold or still.",
});

export const alcoholTooEarly = (fromMin: number): Said => ({
  what: `Fog at ${fromMin} min is early at this temperature.`,
  soWhat: "Cells run. Wait 15 to 20 minutes, until the film is heavier.",
  kind: "common practice",
  why: "Why waiting helps cells to hold is not explained by viscosity alone; that it does is what practitioners agree on, at 20 to 21 °C; sooner when warm.",
});
