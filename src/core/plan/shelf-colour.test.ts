import { starterColours } from "../colour/starter-colours";
import { labOfHex } from "../colour/spaces";
import { derivePlan } from "./derive-plan";
import { colourFromCard, partOfCard, remixed } from "./shelf-colour";
import { CARDS, job, newId } from "./testing/sample";

const shelf = starterColours(newId);
const cards = new Map(shelf.map((card) => [card.id, card]));
const named = (name: string) => shelf.find((card) => card.name === name)!;
const { looks } = derivePlan(job(), CARDS, shelf);
const film = { filmMm: 1, under: looks.coats[2]!.under };

test("a colourant of the shelf becomes a colour with its first dose, within what its card allows", () => {
  for (const card of shelf) {
    const colour = colourFromCard(card, "c", 0.1, film);
    const [part] = colour.parts!;
    expect(colour).toMatchObject({ id: "c", name: card.name, share: 0.1, gPer100G: part!.gPer100G });
    expect(part).toMatchObject({ cardId: card.id, measure: card.measure });
    expect(part!.gPer100G).toBeGreaterThan(0);
    expect(part!.gPer100G).toBeLessThanOrEqual(card.mostPer100G ?? Infinity);
  }
});

test("it is drawn as it looks in its film: white is light, black is dark, flakes glitter, a dye is clear", () => {
  const seen = (kind: (card: (typeof shelf)[number]) => boolean) =>
    colourFromCard(shelf.find(kind)!, "c", 0.1, film);
  const white = shelf.find(({ name }) => /white paste/i.test(name))!;
  const black = shelf.find(({ name }) => /black paste/i.test(name))!;
  expect(labOfHex(colourFromCard(white, "w", 0.1, film).hex)[0]).toBeGreaterThan(70);
  expect(labOfHex(colourFromCard(black, "k", 0.1, film).hex)[0]).toBeLessThan(25);
  expect(seen(({ appearance }) => appearance.by === "flakes").look).toBe("metallic");
  expect(seen(({ appearance }) => appearance.by === "dye").look).toBe("tint");
});

test("mixed of nothing it is clear and keeps the colour it was drawn in; mixed anew, no dose of a cup is given", () => {
  const white = named(shelf.find(({ name }) => /white paste/i.test(name))!.name);
  const colour = { ...colourFromCard(white, "c", 0.1, film), cupDose: 3 };
  const clear = remixed(colour, [], cards, film);
  expect(clear).toMatchObject({ look: "clear", hex: colour.hex });
  expect(clear).not.toHaveProperty("parts");
  expect(remixed(colour, [partOfCard(white)], cards, film)).not.toHaveProperty("cupDose");
});
