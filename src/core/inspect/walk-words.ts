import type { When } from "../pour/inspect-events";

/** What is looked for at a point of the walk round, wet and cured; null where there is nothing to look for then. Common practice, no source. */
export type Look = { title: string } & Record<When, string | null>;

export const walkWords = {
  cover: {
    title: "Cover",
    wet: "Light held low: no ground, no primer shows through. Feed thin places now.",
    cured: "Light held low: no ground shows, no dips.",
  },
  balance: {
    title: "Balance",
    wet: "Three steps back: left and right, front and back weigh alike, as far as it was meant.",
    cured: "Three steps back, in daylight: left and right, front and back weigh alike.",
  },
  dead: {
    title: "Dead areas",
    wet: "No hand-sized area where nothing happens. A last ribbon or vein still sinks in.",
    cured: "No hand-sized area where nothing happens.",
  },
  made: {
    title: "Marks of the hand",
    wet: "No straight pull, print of a glove or edge of a cup. Rub them out while it flows.",
    cured: "No straight pull, print of a glove or edge of a cup.",
  },
  regular: {
    title: "Too regular",
    wet: "No stripes at even steps, no two spots alike side by side.",
    cured: "No stripes at even steps, no two spots alike side by side.",
  },
  foreign: {
    title: "Foreign colour",
    wet: "Nothing from another cup, blade or glove. Lift it with a blade tip.",
    cured: "Nothing from another cup, blade or glove.",
  },
  bubbles: {
    title: "Bubbles",
    wet: "Against the light: pinholes, rings, the same spot again after the torch.",
    cured: "Against the light: pinholes, craters, domes below the face.",
  },
  dust: {
    title: "Dust and hairs",
    wet: "Nibs, hairs, an insect: lift them with tape or a blade tip, then leave it alone.",
    cured: "Nibs and hairs under the finger.",
  },
  moving: {
    title: "Still moving or settled",
    wet: "Veins, cells and edges: do they still move? Look again in ten minutes before you walk away.",
    cured: null,
  },
  firm: {
    title: "Firm everywhere",
    wet: null,
    cured: "A thumbnail leaves no mark, nothing is sticky, in the corners neither.",
  },
  gloss: {
    title: "Gloss",
    wet: null,
    cured: "One gloss all over: no haze, no greasy film, no ripples in the light of a window.",
  },
  tile: {
    title: "Beside the client's tile",
    wet: null,
    cured: "In daylight, tile flat on the piece, from three steps back: lighter, darker, warmer?",
  },
} as const satisfies Record<string, Look>;

const many = (count: number, one: string, more: string) => (count === 1 ? one : `${count} ${more}`);

/** Points that hang on the piece, with its name where there are several. */
export const pieceWalkWords = {
  outer: (count: number): Look => ({
    title: many(count, "The outside corner", "outside corners"),
    wet: "Film pulls thin over them: brush wet resin on, corners first.",
    cured: "No bald tip, no pale line along the edge.",
  }),
  inner: (count: number): Look => ({
    title: many(count, "The inside corner", "inside corners"),
    wet: "Colour gathers, air stays: tease it out with a stick.",
    cured: "No pool of colour, no bubble in the corner.",
  }),
  cutOut: (name: string): Look => ({
    title: `Rim of ${name}`,
    wet: "It drains into the hole: an even, unbroken film all around.",
    cured: "No bald rim, no beads hanging inside.",
  }),
  faces: (): Look => ({
    title: "Faces",
    wet: "Covered to the lower edge, no dry windows. Brush them again within the hour.",
    cured: "Covered to the lower edge, no runs, no windows.",
  }),
  under: (): Look => ({
    title: "Under-edges",
    wet: "Run a gloved finger along below: scrape the drips before they set.",
    cured: "No cured drips, nothing sharp.",
  }),
  dams: (): Look => ({
    title: "Dammed edges",
    wet: "Nothing seeps out under the dam; no lip climbs it.",
    cured: "No lip, no tear where the dam was.",
  }),
  joints: (): Look => ({
    title: "Joints",
    wet: "Nothing sinks into the joint, the pattern runs on over it.",
    cured: "No line, no step over the joint.",
  }),
  zones: (count: number): Look => ({
    title: `Between the ${count} zones`,
    wet: "Clean lines, nothing creeps under a tape or over a bead.",
    cured: "Clean lines, no step that catches a nail.",
  }),
  seams: (count: number): Look => ({
    title: many(count, "The seam between sections", "seams between sections"),
    wet: "Sections run together without a line.",
    cured: "No line, no step between sections.",
  }),
  wall: (): Look => ({
    title: "Around the wall",
    wet: "Turn it once and look: no sag at the bottom, rim clean.",
    cured: "No sag, a clean rim, the bottom stands flat.",
  }),
  banks: (): Look => ({
    title: "Banks and ends",
    wet: "Wetted to the wood, no rising strings of air, no leak at the tape.",
    cured: "No air along the wood, nothing has sunk.",
  }),
  mould: (): Look => ({
    title: "Level in the mould",
    wet: "Full to the line all round; air from the walls has risen.",
    cured: "Level, nothing sunk at the middle, walls clean.",
  }),
};
