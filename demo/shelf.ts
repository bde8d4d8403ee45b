import type { ShelfItemFields, StockSaid } from "@/contracts/shelf";
import { splitParts } from "@/core/batch/parts";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { Part } from "@/core/shelf/item";
import type { LotFacts } from "@/core/shelf/lot";
import { NO_FACTS } from "@/core/shelf/stock";

type DemoLot = {
  /** Days from now, or null for a bottle without a date. */
  boughtDaysAgo: number;
  endsInDays: number | null;
  facts: Partial<Omit<LotFacts, "boughtOn" | "bestBefore">>;
  came: Partial<Record<Part, number>>;
  told?: { daysAgo: number; said: StockSaid }[];
};
export type DemoItem = { fields: ShelfItemFields; lots: DemoLot[] };

/** The shelf is kept since so many days. */
export const SHELF_SINCE_DAYS = 44;

const plain = { cardId: null, use: null, cupMl: null, keepAtLeast: null, hazards: "" };
const BURNS = "Burns easily; its vapour too. Keep from flame and sparks. Ventilate.";
const SENSITISES = "May sensitise skin. Nitrile gloves, eye protection. Safety sheet 14.";

/** What the made-up shop has: full pairs, an old lot, a short one, a half that is over. */
export function demoShelf(cards: readonly ResinCard[], colours: readonly ColourCard[]): DemoItem[] {
  const card = (word: string): ResinCard => {
    const found = cards.find(({ name }) => name.includes(word));
    if (!found) throw new Error(`No card ${word}`);
    return found;
  };
  const resin = (word: string, lots: DemoLot[], keepAtLeast: number | null = null): DemoItem => {
    const { id: cardId, name } = card(word);
    return { fields: { ...plain, kind: "resin", name, cardId, keepAtLeast, hazards: SENSITISES }, lots };
  };
  const pairs = (word: string, ml: number, many: number) => {
    const { aG, bG } = splitParts(ml, card(word));
    const full = { A: Math.round(aG), ...(bG > 0 && { B: Math.round(bG) }) };
    return { full, came: { A: full.A * many, ...(full.B !== undefined && { B: full.B * many }) } };
  };
  const resinLot = (
    word: string,
    ml: number,
    many: number,
    { number, place, price }: { number: string; place: string; price: number },
    dates: Pick<DemoLot, "boughtDaysAgo" | "endsInDays" | "told">,
  ): DemoLot => {
    const { full, came } = pairs(word, ml, many);
    return { ...dates, facts: { number, place, price, full, tareG: { A: 182, B: 164 } }, came };
  };
  const colour = (name: string, came: number, told: DemoLot["told"] = []): DemoItem[] => {
    const found = colours.find((one) => one.name === name);
    if (!found) return [];
    const fields = { ...plain, kind: "colour" as const, name, cardId: found.id, keepAtLeast: 40 };
    const facts = { place: "Drawer 2", full: { whole: came }, tareG: { whole: 31 }, price: 18.5 };
    return [{ fields, lots: [{ boughtDaysAgo: 120, endsInDays: null, facts, came: { whole: came }, told }] }];
  };
  const pieces = (
    name: string,
    use: NonNullable<ShelfItemFields["use"]>,
    came: number,
    more: Partial<ShelfItemFields> = {},
  ): DemoItem => ({
    fields: { ...plain, kind: "consumable", name, use, ...more },
    lots: [
      {
        boughtDaysAgo: 60,
        endsInDays: null,
        facts: { place: "Rack by the door", full: { whole: came } },
        came: { whole: came },
      },
    ],
  });
  const took = (part: Part, amount: number, what: "sample" | "lost", why: string): StockSaid => ({
    kind: "took",
    part,
    amount,
    what,
    why,
  });
  return [
    resin(
      "Slow coating",
      [
        resinLot(
          "Slow coating",
          3785,
          1,
          { number: "SC 4471", place: "Rack 1, bottom", price: 92 },
          {
            boughtDaysAgo: 430,
            endsInDays: -52,
            told: [{ daysAgo: 40, said: took("A", 640, "sample", "boards for the bakery") }],
          },
        ),
        resinLot(
          "Slow coating",
          5678,
          6,
          { number: "SC 5120", place: "Rack 1", price: 792 },
          {
            boughtDaysAgo: 44,
            endsInDays: 310,
            told: [{ daysAgo: 12, said: took("B", 210, "lost", "tipped over") }],
          },
        ),
      ],
      8000,
    ),
    resin("Fast resin", [
      resinLot(
        "Fast resin",
        946,
        2,
        { number: "F 88", place: "Rack 2", price: 74 },
        {
          boughtDaysAgo: 90,
          endsInDays: 41,
          told: [
            { daysAgo: 30, said: took("A", 690, "sample", "sample boards 5 and 6") },
            { daysAgo: 30, said: took("B", 210, "sample", "sample boards 5 and 6") },
            { daysAgo: 6, said: { kind: "counted", part: "A", amount: 408, grossG: 590 } },
          ],
        },
      ),
    ]),
    resin("Deep casting", [
      resinLot(
        "Deep casting",
        11_356,
        1,
        { number: "DC-2203", place: "Floor, by the wall", price: 246 },
        { boughtDaysAgo: 30, endsInDays: 200 },
      ),
    ]),
    ...colour("Black paste", 500),
    ...colour("White paste", 500, [{ daysAgo: 20, said: took("whole", 60, "sample", "board 6") }]),
    ...colour("Silver mica", 60, [{ daysAgo: 15, said: took("whole", 34, "sample", "board 7") }]),
    ...colour("Gold mica", 100),
    {
      fields: { ...plain, kind: "alcohol", name: "Alcohol, 91 %", keepAtLeast: 500, hazards: BURNS },
      lots: [
        {
          boughtDaysAgo: 50,
          endsInDays: null,
          facts: { place: "Metal cupboard", full: { whole: 1000 }, tareG: { whole: 64 }, price: 24 },
          came: { whole: 3000 },
        },
      ],
    },
    {
      fields: { ...plain, kind: "spray", name: "Spray paint, matt black", keepAtLeast: 2, hazards: BURNS },
      lots: [
        {
          boughtDaysAgo: 80,
          endsInDays: null,
          facts: { place: "Metal cupboard", full: { whole: 1 }, price: 21 },
          came: { whole: 3 },
        },
      ],
    },
    pieces("Cups of 500 ml", "cup", 80, { cupMl: 500, keepAtLeast: 30 }),
    pieces("Stirring sticks", "stick", 150, { keepAtLeast: 50 }),
    pieces("Nitrile gloves, pairs", "gloves", 64, { keepAtLeast: 20 }),
  ];
}

/** A lot's facts with its days as dates, seen from a moment. */
export const datedFacts = ({ boughtDaysAgo, endsInDays, facts }: DemoLot, now: Date): LotFacts => {
  const day = (inDays: number) => new Date(now.getTime() + inDays * 86_400_000).toISOString().slice(0, 10);
  return {
    ...NO_FACTS,
    ...facts,
    boughtOn: day(-boughtDaysAgo),
    bestBefore: endsInDays === null ? null : day(endsInDays),
  };
};
