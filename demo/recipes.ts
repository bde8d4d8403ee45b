import type { BoardFields } from "@/contracts/recipes";
import type { ColourCard } from "@/core/colour/colour-card";
import { colourPlan } from "@/core/plan/colour-plan";
import type { RecipeCoat, RecipeDocument } from "@/core/recipe/recipe";
import type { Lab } from "@/core/colour/spaces";

type DemoBoard = Pick<BoardFields, "result" | "clientWord" | "decision"> & {
  daysAgo: number;
  /** How far the board came out from what was foretold; null for one that nobody measured. */
  off: Lab | null;
  picture: boolean;
};
export type DemoVersion = {
  /** From which version it was made, by number; null for the first. */
  from: number | null;
  change: string;
  daysAgo: number;
  edit: (document: RecipeDocument) => RecipeDocument;
  boards: DemoBoard[];
};
export type DemoRecipe = {
  name: string;
  /** The job whose coats it begins with. */
  job: string;
  versions: DemoVersion[];
  /** Jobs made of one of its versions, and of which board. */
  jobs: { name: string; version: number; board: boolean }[];
};

const onColourCoat =
  (change: (coat: RecipeCoat) => RecipeCoat) =>
  (document: RecipeDocument): RecipeDocument => ({
    ...document,
    coats: document.coats.map((coat) => (coat.kind === "colour" ? change(coat) : coat)),
  });

/** Moves share from one colour to another, by name. */
const moved = (from: string, to: string, by: number) =>
  onColourCoat((coat) => ({
    ...coat,
    colours: coat.colours.map((colour) => ({
      ...colour,
      share: colour.share + (colour.name === to ? by : colour.name === from ? -by : 0),
    })),
  }));

const last = (name: string) =>
  onColourCoat((coat) => ({
    ...coat,
    colours: [
      ...coat.colours.filter((colour) => colour.name !== name),
      ...coat.colours.filter((colour) => colour.name === name),
    ],
  }));

const asIs = (document: RecipeDocument) => document;
const both =
  (...edits: ((document: RecipeDocument) => RecipeDocument)[]) =>
  (document: RecipeDocument) =>
    edits.reduce((before, edit) => edit(before), document);

/** The made-up shop's recipes, each begun with the coats of one of its jobs. The last version is what that job is made of. */
export const DEMO_RECIPES: readonly DemoRecipe[] = [
  {
    name: "Harbour slate",
    job: "Serving counter",
    versions: [
      {
        from: null,
        change: "First try, heavy on the pewter",
        daysAgo: 41,
        edit: both(moved("Bone white", "Pewter", 0.14), last("Bone white")),
        boards: [
          {
            daysAgo: 40,
            off: [-4, 0, -2],
            picture: true,
            decision: "refused",
            result: "Silver takes over; from the door it is one grey.",
            clientWord: "too metallic for bread",
          },
        ],
      },
      {
        from: 1,
        change: "14 % less pewter, white last",
        daysAgo: 33,
        edit: moved("Pewter", "Bone white", 0.14),
        boards: [
          {
            daysAgo: 32,
            off: [3, 1, 2],
            picture: true,
            decision: "open",
            result: "Calm, but hard edges between white and black. White first next time.",
            clientWord: "nearly",
          },
        ],
      },
      {
        from: 1,
        change: "Another way: copper in place of the pewter",
        daysAgo: 31,
        edit: onColourCoat((coat) => ({
          ...coat,
          colours: coat.colours.map((colour) => {
            if (colour.name !== "Pewter") return colour;
            const { parts: _pewter, ...rest } = colour;
            return { ...rest, name: "Copper", hex: "#A8623E", gPer100G: 1.6 };
          }),
        })),
        boards: [
          {
            daysAgo: 30,
            off: null,
            picture: true,
            decision: "refused",
            result: "Handsome, but it fights the oak shelves.",
            clientWord: "no",
          },
        ],
      },
      {
        from: 2,
        change: "White first, so that it melts into the greys",
        daysAgo: 22,
        edit: onColourCoat((coat) => ({
          ...coat,
          colours: [
            ...coat.colours.filter((colour) => colour.name === "Bone white"),
            ...coat.colours.filter((colour) => colour.name !== "Bone white"),
          ],
        })),
        boards: [
          {
            daysAgo: 21,
            off: [-1, 0.5, 1],
            picture: true,
            decision: "approved",
            result: "Soft greys, the veins stand. Keep.",
            clientWord: "that is the one",
          },
        ],
      },
    ],
    jobs: [{ name: "Serving counter", version: 4, board: true }],
  },
  {
    name: "Copper drift",
    job: "Bistro table",
    versions: [
      {
        from: null,
        change: "As on the market stall",
        daysAgo: 64,
        edit: moved("Bone white", "Copper", 0.08),
        boards: [
          {
            daysAgo: 62,
            off: [2, 3, 3],
            picture: true,
            decision: "open",
            result: "Copper loses its definition in the middle.",
            clientWord: "",
          },
        ],
      },
      {
        from: 1,
        change: "8 % less copper",
        daysAgo: 50,
        edit: moved("Copper", "Bone white", 0.08),
        boards: [
          {
            daysAgo: 48,
            off: [0, 1, 2],
            picture: true,
            decision: "approved",
            result: "Bands stay apart; two palm rounds are enough.",
            clientWord: "like a river bed, lovely",
          },
        ],
      },
    ],
    jobs: [{ name: "Bistro table", version: 2, board: true }],
  },
  {
    name: "Granite by fog",
    job: "Hallway floor",
    versions: [
      {
        from: null,
        change: "From the workshop floor, not yet on a board",
        daysAgo: 12,
        edit: asIs,
        boards: [],
      },
    ],
    jobs: [],
  },
];

/** Colours of the pattern as they are foretold, for a picture of a board, and the whole from some steps back. */
export function foretold(document: RecipeDocument, shelf: readonly ColourCard[]) {
  const looks = colourPlan(document, shelf);
  const pattern = looks.coats.find(({ coat }) => coat.kind === "colour");
  return {
    lab: (pattern?.average ?? looks.finished).lab,
    colours: (pattern?.colours ?? []).map(({ hex, colour }) => ({ hex, share: colour.share })),
  };
}
