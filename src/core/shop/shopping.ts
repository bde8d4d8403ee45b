import { cheapestKits, leastLeftKits, type Purchase } from "../batch/buy";
import type { ResinCard } from "../cure/resin-card";
import { sumOf, type Spread } from "../numerics/spread";
import type { SprayNeed } from "../schedule/sprays";
import type { Plan } from "../plan/derive-plan";

/** What of the shelf is free for the jobs that are bought for: mix by resin card, ml; the rest by name or size. */
export type OnShelf = {
  resinMl: Record<string, number>;
  /** By lower-case name, g. */
  colourG: Record<string, number>;
  embedG: Record<string, number>;
  /** By nominal size in whole ml. */
  cups: Record<string, number>;
  sticks: number;
};
export const NOTHING_ON_SHELF: OnShelf = { resinMl: {}, colourG: {}, embedG: {}, cups: {}, sticks: 0 };

export type ResinNeed = {
  card: ResinCard;
  ml: Spread;
  /** What of it stands on the shelf, ml of mix: so much less is bought. */
  onShelfMl: number;
  cheapest: Purchase | null;
  leastLeft: Purchase | null;
  /** Of what is bought: by kits where the card has them, else by the price of a litre; null when neither is known. */
  cost: number | null;
};
export type ColourNeed = { name: string; hex: string | null; grams: Spread; onShelfG: number };

/** What jobs need together, and what it costs. */
export type Shopping = {
  resins: ResinNeed[];
  colours: ColourNeed[];
  sprays: {
    words: string;
    container: SprayNeed["container"];
    containerMl: number;
    ml: Spread;
    containers: number;
  }[];
  embeds: { name: string; grams: number; onShelfG: number }[];
  /** Cups and buckets by size, and sticks. */
  vessels: { nominalMl: number; count: number; onShelf: number }[];
  sticks: number;
  sticksOnShelf: number;
  /** Cost of what is known; `unpriced` names the resins that have no price. */
  cost: number;
  unpriced: string[];
  perM2: number | null;
  perPiece: number | null;
};

const group = <Item, Key>(items: readonly Item[], keyOf: (item: Item) => Key): Map<Key, Item[]> => {
  const groups = new Map<Key, Item[]>();
  for (const item of items) {
    const key = keyOf(item);
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return groups;
};

/** Enough for the high end of the need in nine of ten jobs, less what is there. */
const toBuyMl = (ml: Spread, onShelfMl: number): number => Math.max(0, ml.high - onShelfMl);

const byName = (name: string) => name.trim().toLowerCase();
/** Never more than is needed. */
const atMost = (there: number | undefined, needed: number) => Math.min(there ?? 0, needed);

/** What the plans of one job or several need together, and what is to be bought for them. */
export function shoppingFor(plans: readonly Plan[], shelf: OnShelf = NOTHING_ON_SHELF): Shopping {
  const coats = plans
    .flatMap((plan) => plan.coats)
    .filter((coat) => coat.resin !== null && coat.batched !== null);
  const resins = [...group(coats, (coat) => coat.resin?.id)].map(([, list]): ResinNeed => {
    const card = list[0]?.resin as ResinCard;
    const ml = sumOf(list.map((coat) => coat.batched?.mixMl as Spread));
    const onShelfMl = atMost(shelf.resinMl[card.id], ml.high);
    const buyMl = toBuyMl(ml, onShelfMl);
    const cheapest = cheapestKits(buyMl, card.kits);
    const byLitre = card.pricePerLitre === null ? null : (card.pricePerLitre * buyMl) / 1000;
    return {
      card,
      ml,
      onShelfMl,
      cheapest,
      leastLeft: leastLeftKits(buyMl, card.kits),
      cost: cheapest?.cost ?? (buyMl === 0 ? 0 : byLitre),
    };
  });
  const doses = coats.flatMap(({ coat, batched }) =>
    coat.colours.flatMap((colour) => {
      const { low, likely, high } = batched?.mixMl as Spread;
      const all = (batched?.batches ?? [])
        .flatMap((batch) => batch.cups.filter((cup) => cup.colourId === colour.id))
        .flatMap((cup) => cup.doses);
      // Cups of one coat are off together, as its mix is: they are summed before they get their spread.
      return [...group(all, (dose) => dose.id)].map(([, list]) => {
        const grams = list.reduce((sum, dose) => sum + dose.grams, 0);
        return {
          name: list[0]?.name ?? "",
          hex: colour.parts ? null : colour.hex,
          grams: { low: (grams * low) / likely, likely: grams, high: (grams * high) / likely },
        };
      });
    }),
  );
  const colours = [...group(doses, (dose) => byName(dose.name))].map(([name, list]): ColourNeed => {
    const grams = sumOf(list.map((dose) => dose.grams));
    return {
      name: list[0]?.name ?? "",
      hex: list[0]?.hex ?? null,
      grams,
      onShelfG: atMost(shelf.colourG[name], grams.high),
    };
  });
  const sprays = [
    ...group(
      coats.flatMap((coat) => coat.sprays),
      (spray) => `${spray.container} ${spray.words}`,
    ),
  ].map(([, list]) => {
    const ml = sumOf(list.map((spray) => spray.ml));
    const [first] = list as [SprayNeed];
    const eachMl = first.container === "can" ? first.containerMl / 2 : first.containerMl;
    return {
      words: first.words,
      container: first.container,
      containerMl: first.containerMl,
      ml,
      containers: Math.max(1, Math.ceil(ml.high / eachMl - 1e-9)),
    };
  });
  const embeds = [
    ...group(
      coats.flatMap(({ embeds }) => embeds),
      (embed) => embed.name,
    ),
  ].map(([name, list]) => {
    const grams = list.reduce((sum, embed) => sum + embed.massG, 0);
    return { name, grams, onShelfG: atMost(shelf.embedG[byName(name)], grams) };
  });
  const used = coats.flatMap(({ batched }) =>
    (batched?.batches ?? []).flatMap((batch) => [
      ...(batch.cups.some((cup) => cup.parts !== null) ? [] : [batch.pot, batch.pot]),
      ...(batch.cups.length > 1 ? batch.cups.map((cup) => cup.vessel) : []),
    ]),
  );
  const vessels = [...group(used, (vessel) => vessel.nominalMl)]
    .map(([nominalMl, list]) => ({
      nominalMl,
      count: list.length,
      onShelf: atMost(shelf.cups[Math.round(nominalMl)], list.length),
    }))
    .sort((a, b) => a.nominalMl - b.nominalMl);
  const sticks = coats.reduce(
    (sum, { batched }) =>
      sum +
      (batched?.losses.reduce((count, loss) => count + (loss.id === "sticks" ? loss.sticks : 0), 0) ?? 0),
    0,
  );
  const cost = resins.reduce((sum, resin) => sum + (resin.cost ?? 0), 0);
  // What lies on the piece costs what of it is used, wherever it came from; the rest of a kit is there for the next.
  const usedCost = resins.reduce((sum, { ml, card }) => {
    const all = cheapestKits(ml.high, card.kits);
    return (
      sum +
      (all
        ? (all.cost * Math.min(ml.likely, all.boughtMl)) / all.boughtMl
        : ((card.pricePerLitre ?? 0) * ml.likely) / 1000)
    );
  }, 0);
  const areaM2 = plans.reduce((sum, plan) => sum + plan.totals.topAreaMm2, 0) / 1e6;
  const pieces = plans.reduce((sum, plan) => sum + plan.totals.count, 0);
  return {
    resins,
    colours,
    sprays,
    embeds,
    vessels,
    sticks,
    sticksOnShelf: atMost(shelf.sticks, sticks),
    cost,
    unpriced: resins.filter((resin) => resin.cost === null).map((resin) => resin.card.name),
    perM2: areaM2 > 0 ? usedCost / areaM2 : null,
    perPiece: pieces > 0 ? usedCost / pieces : null,
  };
}
