import type { Minor } from "./money";
import type { PriceUnit } from "./price";

/** What something used up is counted by. */
export type UsedBy = "coat" | "person and coat" | "m2" | "edge m" | "cup" | "stick" | "alcohol l" | "can";

export const USED_BY_WORDS: Record<UsedBy, string> = {
  coat: "for each coat",
  "person and coat": "for each person at a coat",
  m2: "for each m² of a coat",
  "edge m": "for each m of edge",
  cup: "for each cup or bucket",
  stick: "for each stick",
  "alcohol l": "for each litre of alcohol",
  can: "for each can of paint",
};

/** Something that work uses up: so many by what, each at a price. */
export type UsedUp = { words: string; by: UsedBy; many: number; each: Minor };

/** A row of the price list. */
export type ListRow = { words: string; unit: PriceUnit; each: Minor };

/** What a shop reckons with. Money in whole minor units of its currency. */
export type Rates = {
  /** ISO 4217. */
  currency: string;
  /** An hour of one person. */
  hourly: Minor;
  /** Minutes of one person before the first act of each day and after the last one. */
  setUpMin: number;
  /** Minutes of one person and ml of mix for a sample board, and how many are made for a job. */
  boardMin: number;
  boardMl: number;
  boards: number;
  /** A litre of leftovers and rags taken away. */
  disposalPerLitre: Minor;
  /** Rent, light, insurance: on top of all else, %. */
  overheadPct: number;
  usedUp: UsedUp[];
  list: ListRow[];
  /** What shall stay of a price, %. */
  marginPct: number;
  taxName: string;
  taxPct: number;
  taxBy: "total" | "line";
  roundTo: Minor;
  /** Days that a quote stands, and the terms beneath it. */
  validDays: number;
  terms: string;
};

/** What a shop begins with (common practice, no source): every number is to be typed over. */
export const USUAL_RATES: Rates = {
  currency: "USD",
  hourly: 4500,
  setUpMin: 45,
  boardMin: 40,
  boardMl: 180,
  boards: 1,
  disposalPerLitre: 300,
  overheadPct: 15,
  usedUp: [
    { words: "Gloves, pairs", by: "person and coat", many: 2, each: 30 },
    { words: "Rollers, brushes", by: "coat", many: 1, each: 350 },
    { words: "Tape and film", by: "edge m", many: 1, each: 25 },
    { words: "Sandpaper", by: "m2", many: 1, each: 120 },
    { words: "Cups, buckets", by: "cup", many: 1, each: 45 },
    { words: "Sticks", by: "stick", many: 1, each: 8 },
    { words: "Alcohol", by: "alcohol l", many: 1, each: 800 },
    { words: "Spray paint", by: "can", many: 1, each: 700 },
  ],
  list: [
    { words: "Counter, one colour", unit: "ft2", each: 6500 },
    { words: "Counter, veins or metallics", unit: "ft2", each: 9500 },
    { words: "Floor", unit: "ft2", each: 1200 },
    { words: "Face, edge", unit: "ft", each: 1500 },
    { words: "Cut-out", unit: "piece", each: 7500 },
    { words: "Inlay", unit: "piece", each: 12000 },
  ],
  marginPct: 40,
  taxName: "Tax",
  taxPct: 0,
  taxBy: "total",
  roundTo: 500,
  validDays: 30,
  terms:
    "Half on order, half on completion. The room is kept at the planned temperature, and the surface is not used until we say so. The picture shows the character of the work: no two pours are the same.",
};
