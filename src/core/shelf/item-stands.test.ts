import { splitParts } from "../batch/parts";
import { starterCards } from "../cure/starter-cards";
import { freeOf, itemsStand, paidPerMl } from "./item-stands";
import type { JobNeeds } from "./reserve";
import { itemOf } from "./testing/items";
import { lotOf } from "./testing/lots";

let made = 0;
const cards = starterCards(() => `id-${(made += 1)}`);
const coating = cards.find(({ kind }) => kind === "coating")!;
const pair = splitParts(4000, coating);
const both = (share: number) => ({ A: pair.aG * share, B: pair.bG * share });
const items = [
  itemOf("r", { cardId: coating.id, keepAtLeast: 9000 }),
  itemOf("mica", { kind: "colour", name: "Silver Mica" }),
  itemOf("cups", { kind: "consumable", use: "cup", cupMl: 500 }),
  itemOf("sticks", { kind: "consumable", use: "stick" }),
];
const lots = [
  lotOf(1, "r", both(1), { facts: { bestBefore: "2026-02-01", full: both(1) } }),
  lotOf(2, "r", both(2), { facts: { bestBefore: "2026-09-01", full: both(1) } }),
  lotOf(3, "mica", { whole: 60 }),
  lotOf(4, "cups", { whole: 20 }),
  lotOf(
    5,
    "sticks",
    { whole: 30 },
    { told: [{ kind: "took", part: "whole", amount: 40, what: "other", why: "" }] },
  ),
];
const job: JobNeeds = {
  jobId: "j",
  name: "Bakery",
  day: "2026-03-04",
  needs: [
    { itemId: "r", part: "A", amount: { low: pair.aG, likely: pair.aG, high: 1.5 * pair.aG } },
    { itemId: "r", part: "B", amount: { low: pair.bG, likely: pair.bG, high: 1.5 * pair.bG } },
    { itemId: "mica", part: "whole", amount: { low: 10, likely: 20, high: 30 } },
  ],
};
const stands = itemsStand(items, lots, [job], cards, "2026-03-01");
const of = (id: string) => stands.find((one) => one.item.id === id)!;

test("a resin stands in millilitres of its mix: what is in date, what is past it, what jobs take", () => {
  const resin = of("r");
  expect(resin.there).toBeCloseTo(8000, 6);
  expect(resin.past).toBeCloseTo(4000, 6);
  expect(resin.pairs).toMatchObject({ full: 2, over: null });
  expect(resin.reserved.likely).toBeCloseTo(4000, 6);
  expect(resin.reserved.high).toBeCloseTo(6000, 6);
  expect(resin.jobs).toMatchObject([{ name: "Bakery", day: "2026-03-04" }]);
  expect(resin.jobs[0]!.amount.likely).toBeCloseTo(4000, 6);
  expect([resin.few, resin.endsOn, resin.toCount]).toEqual([true, "2026-09-01", false]);
  expect(resin.lots.map(({ code }) => code)).toEqual([2, 1]);
});
test("less than nothing by the book is to be counted", () => expect(of("sticks").toCount).toBe(true));
test("free is what stays when jobs take the high end of their needs, by the names that are bought by", () => {
  const free = freeOf(stands);
  expect(free.resinMl[coating.id]).toBeCloseTo(2000, 6);
  expect([free.colourG["silver mica"], free.cups[500], free.sticks]).toEqual([30, 20, 0]);
});
test("what was paid for a millilitre is over all lots with a price: 90 for one pair and 170 for two are 260 for 12 litres", () => {
  const priced = [
    lotOf(1, "r", both(1), { facts: { price: 90 } }),
    lotOf(2, "r", both(2), { facts: { price: 170 } }),
    lotOf(3, "r", both(5)),
  ];
  const paid = paidPerMl(itemsStand(items, priced, [], cards, "2026-03-01"));
  expect(paid).toEqual({ [coating.id]: expect.closeTo(260 / 12_000, 9) });
});
