import { splitParts, type Ratio } from "../batch/parts";
import type { ResinCard } from "../cure/resin-card";
import { scaled, type Spread } from "../numerics/spread";
import type { OnShelf } from "../shop/shopping";
import type { Part, ShelfItem } from "./item";
import type { Lot } from "./lot";
import { pairsLeft, type PairsLeft } from "./pairs";
import { reserve, type JobNeeds, type Shortage } from "./reserve";
import { isPast, leftOf, lotState, usedFirst } from "./stock";

/** What ends within so many days and is taken by no job is proposed for something small. */
export const SOON_DAYS = 60;

/** How an item stands: of a resin all amounts are of the mix, ml; else in the unit of its kind. */
export type ItemStands = {
  item: ShelfItem;
  card: ResinCard | null;
  /** Those that go first, first; past their date, last. */
  lots: Lot[];
  /** What is there and in date. */
  there: number;
  /** What is there and past its date. */
  past: number;
  /** Of a resin: its pairs that are in date. */
  pairs: PairsLeft | null;
  /** What approved jobs take, and job by job. */
  reserved: Spread;
  jobs: { jobId: string; name: string; day: string; amount: Spread }[];
  shortages: Shortage[];
  /** Less than the shop wants to have. */
  few: boolean;
  /** By the book less than nothing is left of something: it is to be counted. */
  toCount: boolean;
  /** The day on which the first of what is in date ends. */
  endsOn: string | null;
};

/** A need of A as so much mix, ml. */
const asMix = (amount: Spread, card: Ratio): Spread => scaled(amount, 1 / splitParts(1, card).aG);

/** How everything on the shelf stands on a day, with what approved jobs take of it. */
export function itemsStand(
  items: readonly ShelfItem[],
  lots: readonly Lot[],
  jobs: readonly JobNeeds[],
  cards: readonly ResinCard[],
  day: string,
): ItemStands[] {
  const { shortages, reservedOf } = reserve(jobs, lots);
  return items.map((item): ItemStands => {
    const card = cards.find(({ id }) => id === item.cardId) ?? null;
    const ofItem = lots.filter(({ itemId }) => itemId === item.id).sort(usedFirst);
    const [past, inDate] = [
      ofItem.filter((lot) => isPast(lot, day)),
      ofItem.filter((lot) => !isPast(lot, day)),
    ];
    const part: Part = item.kind === "resin" ? "A" : "whole";
    const amountOf = (of: readonly Lot[]) =>
      card && item.kind === "resin"
        ? pairsLeft(card, of).mixMl
        : of.reduce((all, lot) => all + leftOf(lot, part), 0);
    const inUnit = (amount: Spread) => (card && item.kind === "resin" ? asMix(amount, card) : amount);
    const there = amountOf(inDate);
    const ends = inDate.flatMap((lot) =>
      [...lotState(lot).left.values()].some((left) => left > 0) ? (lotState(lot).facts.bestBefore ?? []) : [],
    );
    return {
      item,
      card,
      lots: [...inDate, ...past],
      there,
      past: amountOf(past),
      pairs: card && item.kind === "resin" ? pairsLeft(card, inDate) : null,
      reserved: inUnit(reservedOf(item.id, part)),
      jobs: jobs.flatMap(({ jobId, name, day: on, needs }) =>
        needs
          .filter((need) => need.itemId === item.id && need.part === part)
          .map(({ amount }) => ({ jobId, name, day: on, amount: inUnit(amount) })),
      ),
      shortages: shortages.filter(({ itemId }) => itemId === item.id),
      few: item.keepAtLeast !== null && there < item.keepAtLeast,
      toCount: ofItem.some((lot) => [...lotState(lot).left.values()].some((left) => left < -0.5)),
      endsOn: ends.sort()[0] ?? null,
    };
  });
}

/** What is free beyond what jobs take at the high end of their needs, as it is bought for. */
export function freeOf(stands: readonly ItemStands[]): OnShelf {
  const free = ({ there, reserved }: ItemStands) => Math.max(0, there - reserved.high);
  const byName = (kind: ShelfItem["kind"]) =>
    Object.fromEntries(
      stands
        .filter(({ item }) => item.kind === kind)
        .map((one) => [one.item.name.trim().toLowerCase(), free(one)]),
    );
  return {
    resinMl: Object.fromEntries(
      stands.flatMap((one) => (one.item.kind === "resin" && one.card ? [[one.card.id, free(one)]] : [])),
    ),
    colourG: byName("colour"),
    embedG: byName("embed"),
    cups: Object.fromEntries(
      stands.flatMap((one) => (one.item.cupMl === null ? [] : [[Math.round(one.item.cupMl), free(one)]])),
    ),
    sticks: stands.reduce((sum, one) => sum + (one.item.use === "stick" ? free(one) : 0), 0),
  };
}

/** What a millilitre of a resin's mix was paid for, by resin card: over all its lots whose price was typed, as far as they came in matching pairs. */
export function paidPerMl(stands: readonly ItemStands[]): Record<string, number> {
  return Object.fromEntries(
    stands.flatMap(({ item, card, lots }) => {
      if (item.kind !== "resin" || !card) return [];
      const priced = lots.filter((lot) => lotState(lot).facts.price !== null);
      const perA = splitParts(1, card).aG;
      const ml = priced.reduce((sum, lot) => sum + (lotState(lot).came.get("A") ?? 0) / perA, 0);
      const paid = priced.reduce((sum, lot) => sum + (lotState(lot).facts.price ?? 0), 0);
      return ml > 0 ? [[card.id, paid / ml] as const] : [];
    }),
  );
}
