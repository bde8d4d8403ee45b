import { splitParts } from "../batch/parts";
import type { ResinCard } from "../cure/resin-card";
import { exactly, type Spread } from "../numerics/spread";
import type { Plan } from "../plan/derive-plan";
import { shoppingFor } from "../shop/shopping";
import type { Part, ShelfItem } from "./item";

/** So much of a part of an item, in the unit of its kind. */
export type ItemNeed = { itemId: string; part: Part; amount: Spread };

const named = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
/** Sizes of cups that are called alike. */
const SAME_CUP = 0.03;

/** A and B, and C where there is one, of so much mix. */
function partsOf(card: ResinCard, mixMl: Spread): { part: Part; amount: Spread }[] {
  const [low, likely, high] = [mixMl.low, mixMl.likely, mixMl.high].map((ml) => splitParts(ml, card)) as [
    ReturnType<typeof splitParts>,
    ReturnType<typeof splitParts>,
    ReturnType<typeof splitParts>,
  ];
  return (
    [
      ["A", { low: low.aG, likely: likely.aG, high: high.aG }],
      ["B", { low: low.bG, likely: likely.bG, high: high.bG }],
      ["C", { low: low.cG, likely: likely.cG, high: high.cG }],
    ] as const
  ).flatMap(([part, amount]) => (amount.high > 0 ? [{ part, amount }] : []));
}

/** What a plan takes of what stands on the shelf. Paint in cans goes by its colour, which a plan does not name: it is not counted. */
export function needsOf(plan: Plan, items: readonly ShelfItem[]): ItemNeed[] {
  const { resins, colours, embeds, sprays, vessels, sticks } = shoppingFor([plan]);
  const one = (item: ShelfItem | undefined, amount: Spread): ItemNeed[] =>
    item && amount.high > 0 ? [{ itemId: item.id, part: "whole", amount }] : [];
  const ofKind = (kind: ShelfItem["kind"], name: string) =>
    items.find((item) => item.kind === kind && named(item.name, name));
  const alcohol = sprays.filter(({ container }) => container === "bottle").map(({ ml }) => ml);
  const total = (end: keyof Spread) => alcohol.reduce((all, ml) => all + ml[end], 0);
  return [
    ...resins.flatMap(({ card, ml }) => {
      const item = items.find(({ kind, cardId }) => kind === "resin" && cardId === card.id);
      return item ? partsOf(card, ml).map((need) => ({ itemId: item.id, ...need })) : [];
    }),
    ...colours.flatMap(({ name, grams }) => one(ofKind("colour", name), grams)),
    ...embeds.flatMap(({ name, grams }) => one(ofKind("embed", name), exactly(grams))),
    // One coat's passes are off together, as its area is.
    ...one(
      items.find(({ kind }) => kind === "alcohol"),
      { low: total("low"), likely: total("likely"), high: total("high") },
    ),
    ...vessels.flatMap(({ nominalMl, count }) =>
      one(
        items.find(({ cupMl }) => cupMl !== null && Math.abs(cupMl / nominalMl - 1) <= SAME_CUP),
        exactly(count),
      ),
    ),
    ...one(
      items.find(({ use }) => use === "stick"),
      exactly(sticks),
    ),
  ];
}
