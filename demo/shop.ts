import { randomUUID } from "node:crypto";
import type { BenchSettings } from "@/contracts/bench";
import type { JobFields } from "@/contracts/jobs";
import { colourantNamed, colourFrom } from "@/core/colour/starter-colours";
import { mixedFrom, type CoatColour } from "@/core/batch/coat-colour";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { Piece } from "@/core/geometry/piece";
import type { JobDocument } from "@/core/job/job";
import { emptyJob, newCoat } from "@/core/job/new-job";
import { dammed, newPiece } from "@/core/geometry/new-piece";
import { withTechnique } from "@/core/job/techniques";
import type { Coat, CoatKind } from "@/core/schedule/coat";
import { geode, island } from "./zones";

/** The made-up shop. Every name here is invented. */
export const DEMO_SHOP = "Lantern Yard Coatings";
export const DEMO_PASSWORD = "pour-when-ready";
export const DEMO_PEOPLE = [
  { name: "Ines Calder", email: "ines@lantern-yard.example", role: "owner" as const },
  { name: "Tomas Reyle", email: "tomas@lantern-yard.example", role: "hand" as const },
];

/** Two pairs of hands, a run of trestles, a turner for two dozen. */
export const DEMO_BENCH: BenchSettings = {
  hands: 2,
  hours: { openMin: 8 * 60, closeMin: 18 * 60, sleepFromMin: 22 * 60, sleepToMin: 6 * 60 },
  benchMm: 12_000,
  spindles: 24,
  faceMm: null,
  planerMm: 510,
  combMm: null,
  // That of the machine it is shown on.
  timeZone: null,
};
/** What the thermometer on the wall said, °C and %. */
export const DEMO_ROOM = [21.5, 52] as const;

const inch = (inches: number) => inches * 25.4;
const id = () => randomUUID();

type DemoJob = {
  fields: Omit<JobFields, "dueOn"> & { dueInDays: number | null };
  /** Days from now to its first day, for one that is planned for a day. */
  startsInDays?: number;
  document: JobDocument;
  pour?: "wet" | "left-over" | "ran-short";
};

const straight = (name: string, length: number, depth: number, changes: Partial<Piece> = {}): Piece => ({
  ...newPiece("straight", name, id),
  shape: { kind: "straight", lengthMm: length, depthMm: depth },
  ...changes,
});

const FACE_38 = { treatment: "face", heightMm: 38, roundingMm: 3 } as const;
const AT_WALL = { treatment: "wall", heightMm: 0, roundingMm: 0 } as const;

/** A colour coat whose veins are a coat of their own. */
const withoutVeins = (coat: Coat): Coat => ({
  ...coat,
  passes: coat.passes.filter((pass) => pass.kind !== "veins"),
});

/** The demo jobs, for a shop that has these resin cards and colourants. */
export function demoJobs(cards: readonly ResinCard[], shelf: readonly ColourCard[]): DemoJob[] {
  const card = (word: string) => cards.find((resin) => resin.name.includes(word))?.id ?? null;
  const [coating, fast, deep, paint] = [
    card("Slow coating"),
    card("Fast resin"),
    card("Deep casting"),
    card("primer"),
  ];
  const coat = (kind: CoatKind, name: string, resin = kind === "primer" ? paint : coating): Coat =>
    newCoat(kind, name, resin, id);
  const white = (base: Coat): Coat => ({
    ...base,
    colours: [colourFrom(colourantNamed("Flat white"), id(), 1, 0.05)],
  });
  /** A colour by its usual name, mixed from the shelf. */
  const fromShelf = (colour: CoatColour, doses: [string, number][]): CoatColour =>
    mixedFrom(
      colour,
      doses.flatMap(([name, gPer100G]) => {
        const card = shelf.find((card) => card.name === name);
        return card ? [{ cardId: card.id, name, gPer100G, measure: card.measure }] : [];
      }),
    );
  const SHELF: Record<string, [string, number][]> = {
    "Bone white": [
      ["White paste", 4],
      ["Yellow oxide paste", 0.08],
      ["Raw umber paste", 0.03],
    ],
    Pewter: [
      ["Silver mica", 1.4],
      ["Gunmetal mica", 0.6],
    ],
    "Ink black": [["Black paste", 1.5]],
    Graphite: [["Gunmetal mica", 2]],
    Brass: [["Gold mica", 1.8]],
  };
  const mixed = (coat: Coat): Coat => ({
    ...coat,
    colours: coat.colours.map((colour) => fromShelf(colour, SHELF[colour.name] ?? [])),
  });
  const job = (document: Partial<JobDocument>): JobDocument => ({ ...emptyJob(), ...document });

  const bakery = job({
    ground: "mdf",
    work: { people: 1, tempC: 21, startMin: 9 * 60 },
    notes: "Client's tile is a warm grey. Veins must run on over the joint at the corner.",
    target: { lab: [72, 1, 6], name: "Client's tile" },
    pieces: [
      straight("Left run", inch(96), inch(25.5), {
        edges: {
          back: AT_WALL,
          left: AT_WALL,
          front: FACE_38,
          right: { treatment: "open", heightMm: 0, roundingMm: 0 },
        },
      }),
      straight("Till run", inch(72), inch(25.5), {
        edges: {
          back: AT_WALL,
          front: FACE_38,
          right: FACE_38,
          left: { treatment: "open", heightMm: 0, roundingMm: 0 },
        },
        cutOuts: [
          {
            id: id(),
            name: "Hand-wash",
            shape: { kind: "round", diameterMm: 305 },
            fromLeftMm: inch(54),
            fromFrontMm: inch(13),
            innerFace: { heightMm: 38, roundingMm: 3 },
          },
        ],
      }),
      straight("Pass shelf", inch(60), inch(14), {
        edges: { back: AT_WALL, front: FACE_38, left: FACE_38, right: FACE_38 },
      }),
    ],
    coats: [
      coat("primer", "Primer, black"),
      mixed(coat("base", "Base, black")),
      mixed(
        withoutVeins({
          ...withTechnique(coat("colour", "Colour"), "palm-blend", id),
          filmMm: 0.955,
          name: "Colour, palm blend",
        }),
      ),
      mixed(coat("vein", "Veins, graphite and brass")),
      coat("clear", "Clear flood"),
    ],
  });

  const hallway = job({
    ground: "concrete",
    work: { people: 2, tempC: 19, startMin: 8 * 60 },
    pieces: [
      {
        ...newPiece("floor", "Hallway", id),
        // Along the hall, round the stair, back past the cupboard.
        shape: {
          kind: "floor",
          points: [
            [0, 0],
            [5200, 0],
            [5200, 2350],
            [3650, 2350],
            [3650, 1420],
            [0, 1420],
          ],
          starts: [0, 1, 2, 3, 4, 5],
        },
        edges: { "side-5": { treatment: "dam", heightMm: 0, roundingMm: 0 } },
        cutOuts: [
          {
            id: id(),
            name: "Column",
            shape: { kind: "rectangle", lengthMm: 300, depthMm: 300 },
            fromLeftMm: 4300,
            fromFrontMm: 1250,
            innerFace: null,
          },
        ],
      },
    ],
    coats: [
      {
        ...coat("base", "Base, grey"),
        colours: [colourFrom(colourantNamed("Stone grey"), id(), 1, 0.05)],
        startsAfter: "next-day",
      },
      {
        ...withTechnique(coat("colour", "Colour"), "fog-fracture", id),
        name: "Colour, fog and fracture",
        filmMm: 0.95,
        rateM2PerH: 12,
        startsAfter: "recoat",
      },
    ],
  });

  const bistro = job({
    pieces: [
      {
        ...newPiece("round", "Bistro top", id),
        shape: { kind: "round", diameterMm: 800 },
        edges: { rim: { treatment: "face", heightMm: 30, roundingMm: 4 } },
      },
    ],
    coats: [
      white(coat("base", "Base, white")),
      {
        ...withTechnique(coat("colour", "Colour"), "palm-blend", id),
        name: "Colour, copper drift",
        colours: [
          colourFrom(colourantNamed("Bone white"), id(), 0.5),
          colourFrom(colourantNamed("Copper"), id(), 0.3),
          colourFrom(colourantNamed("Clear"), id(), 0.12),
          colourFrom(colourantNamed("Umber"), id(), 0.08),
        ],
      },
    ],
  });

  const reception = job({
    pieces: [
      dammed({
        ...newPiece("l-run", "Desk", id),
        shape: {
          kind: "l-run",
          lengthMm: 2600,
          depthMm: 720,
          returnLengthMm: 1750,
          returnDepthMm: 640,
          turn: "right",
        },
        edges: { backLong: FACE_38, wallReturn: FACE_38 },
      }),
    ],
    coats: [
      coat("primer", "Primer, black"),
      coat("base", "Slick coat, black"),
      { ...withTechnique(coat("colour", "Colour"), "bucket-pour", id), name: "Colour, bucket pour" },
      coat("clear", "Clear flood"),
    ],
  });

  const tray = job({
    ground: "wood",
    pieces: [
      {
        ...newPiece("rectangle", "Walnut tray", id),
        shape: { kind: "rectangle", lengthMm: 520, depthMm: 340 },
        edges: {
          front: { treatment: "dam", heightMm: 0, roundingMm: 0 },
          back: { treatment: "dam", heightMm: 0, roundingMm: 0 },
          left: { treatment: "dam", heightMm: 0, roundingMm: 0 },
          right: { treatment: "dam", heightMm: 0, roundingMm: 0 },
        },
      },
    ],
    coats: [
      coat("seal", "Seal"),
      {
        ...withTechnique(coat("colour", "Colour", fast), "palm-blend", id),
        name: "Colour, deep blue",
        filmMm: 1.6,
        colours: [
          colourFrom(colourantNamed("Deep blue"), id(), 0.55),
          colourFrom(colourantNamed("Pearl white"), id(), 0.3),
          colourFrom(colourantNamed("Clear"), id(), 0.15),
        ],
      },
    ],
  });

  const coasters = job({
    pieces: [
      {
        ...newPiece("round", "Coaster", id),
        count: 12,
        shape: { kind: "round", diameterMm: 102 },
        edges: { rim: { treatment: "open", heightMm: 0, roundingMm: 0 } },
      },
    ],
    ground: "primed",
    coats: [
      {
        ...withTechnique(coat("colour", "Colour", fast), "palm-blend", id),
        name: "Colour, sea",
        filmMm: 1.2,
        school: "colour-into-a",
        colours: [
          colourFrom(colourantNamed("Sea green"), id(), 0.5),
          colourFrom(colourantNamed("Pearl white"), id(), 0.35),
          colourFrom(colourantNamed("Clear"), id(), 0.15),
        ],
      },
    ],
  });

  const river = job({
    ground: "wood",
    work: { people: 2, tempC: 20, startMin: 8 * 60 },
    notes: "Two elm boards; the bark side runs along the river. Knots are filled the day before.",
    pieces: [
      {
        ...newPiece("river", "River", id),
        shape: {
          kind: "river",
          depthMm: 42,
          stations: [
            [0, 95, 80],
            [350, 120, 65],
            [700, 88, 104],
            [1050, 132, 70],
            [1400, 110, 92],
            [1750, 76, 118],
            [2100, 102, 84],
          ].map(([atMm = 0, farMm = 0, nearMm = 0]) => ({ atMm, farMm, nearMm })),
        },
        voids: [{ id: id(), name: "Knot", lengthMm: 45, widthMm: 30, depthMm: 20, count: 3 }],
      },
      {
        ...newPiece("rectangle", "Table top", id),
        shape: { kind: "rectangle", lengthMm: 2100, depthMm: 950, cornerRadiiMm: [25, 25, 25, 25] },
      },
    ],
    coats: [
      coat("prefill", "Knots", deep),
      {
        ...coat("fill", "River, first layer", deep),
        coverShare: 0.5,
        filmMm: 21,
      },
      {
        ...coat("fill", "River, second layer", deep),
        coverShare: 0.5,
        filmMm: 21,
        startsAfter: "tacky",
      },
      coat("clear", "Clear flood"),
    ],
  });
  const onPieces = (coat: Coat, at: number): Coat => ({ ...coat, pieceIds: [river.pieces[at]?.id ?? ""] });
  river.coats = river.coats.map((coat, index) => onPieces(coat, index < 3 ? 0 : 1));

  const tumblers = job({
    ground: "primed",
    pieces: [
      {
        ...newPiece("tumbler", "Tumbler", id),
        count: 24,
        shape: {
          kind: "tumbler",
          topDiameterMm: 88,
          bottomDiameterMm: 70,
          heightMm: 172,
          base: true,
          rimBandMm: 12,
          patch: { widthMm: 62, heightMm: 40, fromBottomMm: 62 },
        },
      },
    ],
    coats: [
      {
        ...coat("colour", "Colour, glitter", fast),
        filmMm: 0.6,
        passes: [],
        colours: [
          colourFrom(colourantNamed("Pearl white"), id(), 0.6),
          colourFrom(colourantNamed("Sea green"), id(), 0.4),
        ],
        embeds: [
          { id: id(), name: "Fine glitter", kind: "glitter", massG: 120, densityGPerMl: 1.4, lockedShare: 1 },
        ],
      },
      { ...coat("clear", "Clear", fast), filmMm: 0.8, passes: [] },
    ],
  });

  const panels = job({
    ground: "primed",
    notes: "Seven panels as a honeycomb on the stair wall; the middle one is the gold one.",
    pieces: [
      {
        ...newPiece("polygon", "Hexagon", id),
        count: 6,
        shape: { kind: "polygon", sides: 6, sideMm: 200 },
      },
      { ...newPiece("polygon", "Hexagon, middle", id), shape: { kind: "polygon", sides: 6, sideMm: 200 } },
    ],
    coats: [
      coat("base", "Base, black"),
      {
        ...withTechnique(coat("colour", "Colour"), "palm-blend", id),
        name: "Colour, slate and pearl",
        filmMm: 1.1,
        colours: [
          colourFrom(colourantNamed("Pewter"), id(), 0.45),
          colourFrom(colourantNamed("Pearl white"), id(), 0.4),
          colourFrom(colourantNamed("Clear"), id(), 0.15),
        ],
      },
      {
        ...withTechnique(coat("colour", "Colour"), "palm-blend", id),
        name: "Colour, copper",
        filmMm: 1.1,
        startsAfter: "wet",
        colours: [
          colourFrom(colourantNamed("Copper"), id(), 0.7),
          colourFrom(colourantNamed("Clear"), id(), 0.3),
        ],
      },
    ],
  });
  const [six, middle] = panels.pieces;
  panels.coats = panels.coats.map((coat, index) =>
    index === 0 ? coat : { ...coat, pieceIds: [(index === 1 ? six : middle)?.id ?? ""] },
  );

  const sample = job({
    ground: "mdf",
    pieces: [
      {
        ...newPiece("sample", "Sample board 7", id),
      },
    ],
    coats: [coat("base", "Base, black")],
  });

  return [
    {
      fields: { name: "Serving counter", client: "Corner bakery", status: "approved", dueInDays: 9 },
      document: bakery,
      startsInDays: 2,
    },
    {
      fields: { name: "Bistro table", client: "Café under the arch", status: "pouring", dueInDays: 5 },
      document: bistro,
      pour: "wet",
    },
    {
      fields: { name: "Reception desk", client: "Millrace dental rooms", status: "curing", dueInDays: 2 },
      document: reception,
      pour: "ran-short",
    },
    {
      fields: { name: "Hallway floor", client: "", status: "planning", dueInDays: 24 },
      document: hallway,
      startsInDays: 5,
    },
    {
      fields: { name: "Walnut tray with a channel", client: "P. Osgar", status: "done", dueInDays: -12 },
      document: tray,
      pour: "left-over",
    },
    {
      fields: {
        name: "Club coasters, a dozen",
        client: "Riverside rowing",
        status: "planning",
        dueInDays: 16,
      },
      document: coasters,
    },
    {
      fields: { name: "River table, elm", client: "Hollins farm", status: "approved", dueInDays: 19 },
      document: river,
      startsInDays: 1,
    },
    {
      fields: { name: "Market tumblers", client: "", status: "planning", dueInDays: 12 },
      document: tumblers,
      startsInDays: 2,
    },
    {
      fields: { name: "Honeycomb wall", client: "D. Amara", status: "planning", dueInDays: 30 },
      document: panels,
    },
    {
      fields: { name: "Island with a leaf", client: "Quay house", status: "planning", dueInDays: 34 },
      document: island(coating),
    },
    {
      fields: { name: "Geode, blue and brass", client: "", status: "planning", dueInDays: 40 },
      document: geode(coating),
    },
    {
      fields: { name: "Sample board 7", client: "", status: "planning", dueInDays: null },
      document: sample,
    },
  ];
}
