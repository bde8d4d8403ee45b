import { readFileSync } from "node:fs";
import { ciede2000 } from "@/core/colour/ciede2000";
import { opticsOf } from "@/core/colour/colour-card";
import { starterColours } from "@/core/colour/starter-colours";
import { labOfHex } from "@/core/colour/spaces";
import { cardLook, LADDER } from "./card-look";

let made = 0;
const cards = starterColours(() => `card-${(made += 1)}`);
const lookOf = (name: string) => {
  const card = cards.find((colourant) => colourant.name === name)!;
  return cardLook(card, opticsOf(card)!);
};
const L = (hex: string) => labOfHex(hex)[0];

test("a paste let down with white gets lighter from step to step", () => {
  for (const card of cards.filter((card) => card.kind === "paste" && card.index !== "PW6")) {
    const { ladder } = cardLook(card, opticsOf(card)!);
    expect(ladder).toHaveLength(LADDER.length);
    // Yellows change little in lightness at first: never darker by more than a step of a screen.
    ladder!.slice(1).forEach((hex, step) => expect(L(hex)).toBeGreaterThan(L(ladder![step]!) - 1));
    expect(L(ladder![LADDER.length - 1]!)).toBeGreaterThan(L(ladder![0]!) + 5);
  }
});

test("the ladder counts dry pigment, whatever a paste holds of it: the tenth is the published tint", () => {
  const { masstones } = JSON.parse(readFileSync("src/core/colour/reference/colour.json", "utf8")) as {
    masstones: Record<string, { masstone: string; tint10: string }>;
  };
  for (const card of cards) {
    if (card.kind !== "paste" || card.appearance.by !== "pigment") continue;
    const { ladder } = cardLook(card, opticsOf(card)!);
    const { masstone, tint10 } = masstones[card.appearance.pigment]!;
    expect(ciede2000(labOfHex(ladder![0]!), labOfHex(masstone))).toBeLessThan(0.5);
    expect(ciede2000(labOfHex(ladder![LADDER.indexOf(0.1)]!), labOfHex(tint10))).toBeLessThan(0.5);
  }
});

test("flakes and dyes have no ladder; flakes shimmer, dyes are gone over black", () => {
  const silver = lookOf("Silver mica");
  expect(silver.ladder).toBeNull();
  expect(silver.overWhite).toHaveLength(7);
  expect(L(silver.overBlack[3]!)).toBeGreaterThan(L(silver.overBlack[0]!) + 10);
  const dye = lookOf("Blue dye");
  expect(dye.ladder).toBeNull();
  expect(L(dye.overBlack[0]!)).toBeLessThan(12);
  expect(L(dye.overWhite[0]!)).toBeGreaterThan(35);
});

test("what is shown of each card is in the usual load of its kind", () => {
  expect(lookOf("Silver glitter").gPer100G).toBe(10);
  expect(lookOf("Blue dye").gPer100G).toBe(0.2);
  expect(lookOf("Red oxide paste").gPer100G).toBe(3);
});
