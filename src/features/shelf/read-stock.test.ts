import { starterColours } from "@/core/colour/starter-colours";
import { starterCards } from "@/core/cure/starter-cards";
import type { ShelfItem } from "@/core/shelf/item";
import { stockRow } from "./read-stock";

let made = 0;
const newId = () => `00000000-0000-4000-8000-${String((made += 1)).padStart(12, "0")}`;
const cards = starterCards(newId);
const colours = starterColours(newId);
const gloves: ShelfItem = {
  id: newId(),
  kind: "consumable",
  name: "Nitrile gloves",
  cardId: null,
  use: "gloves",
  cupMl: null,
  keepAtLeast: null,
  hazards: "",
};
const BLANK = {
  name: "",
  kind: "",
  amount: "",
  amountB: "",
  number: "",
  bought: "",
  best: "",
  price: "",
  place: "",
};
const read = (cells: Partial<typeof BLANK>, monthFirst = true) =>
  stockRow({ ...BLANK, ...cells }, { items: [gloves], cards, colours }, monthFirst);
const value = (cells: Partial<typeof BLANK>, monthFirst = true) => {
  const said = read(cells, monthFirst);
  if (!said || !("value" in said)) throw new Error(JSON.stringify(said));
  return said.value;
};

test("what is on the shelf gets a lot, whatever its letters; what is not is put there by its kind and card", () => {
  const known = value({
    name: "nitrile GLOVES",
    amount: "200",
    number: "N-7",
    bought: "3/14/2026",
    price: "$31.50",
    place: "Door",
  });
  expect(known.item).toEqual({ id: gloves.id });
  expect(known.came).toEqual({ whole: 200 });
  expect(known.facts).toMatchObject({
    number: "N-7",
    boughtOn: "2026-03-14",
    bestBefore: null,
    price: 31.5,
    place: "Door",
  });
  expect(value({ name: "Nitrile gloves", amount: "1", bought: "14/3/2026" }, false).facts.boughtOn).toBe(
    "2026-03-14",
  );
  const slow = cards.find(({ name }) => name.startsWith("Slow"))!;
  const resin = value({ name: slow.name, kind: "Epoxy", amount: "4,200", amountB: "3.9" });
  expect(resin.came).toEqual({ A: 4200, B: 3.9 });
  expect(resin.item).toMatchObject({ fields: { kind: "resin", cardId: slow.id } });
  const [mica] = colours as [(typeof colours)[number]];
  expect(value({ name: mica.name, kind: "pigment", amount: "80" }).item).toMatchObject({
    fields: { kind: "colour", cardId: mica.id },
  });
  expect(value({ name: "Tape, 2 in", kind: "tape", amount: "6" }).item).toMatchObject({
    fields: { kind: "consumable", use: "other" },
  });
});
test.each([
  [{ name: "Mystery", amount: "3" }, /^“Mystery” is not on the shelf\. Say its kind/],
  [{ name: "Mystery", kind: "resin", amount: "3" }, /has no card: make its resin card first/],
  [{ name: "Nitrile gloves", amount: "a few" }, /“a few” is no amount of “Nitrile gloves”/],
  [{ name: "Nitrile gloves", amount: "" }, /is no amount/],
  [{ name: "Nitrile gloves", amount: "3", bought: "in May" }, /“in May” is no day/],
  [{ name: "Nitrile gloves", amount: "3", best: "2026-02-30" }, /“2026-02-30” is no day/],
  [{ name: "Nitrile gloves", amount: "3", price: "gift" }, /“gift” is no price/],
  [{ name: "Nitrile gloves", amount: "3", number: "x".repeat(90) }, /At most 80 letters/],
])("what cannot be read is told in words: %j", (cells, words) => {
  expect(read(cells)).toEqual({ problem: expect.stringMatching(words) });
});
test("a line without a name is passed over", () => expect(read({ amount: "3" })).toBeNull());
