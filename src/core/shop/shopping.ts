import { cheapestKits, leastLeftKits, type Purchase } from "../batch/buy";
import type { ResinCard } from "../cure/resin-card";
import { sumOf, type Spread } from "../numerics/spread";
import type { SprayNeed } from "../schedule/sprays";
import type { Plan } from "../plan/derive-plan";

export type ResinNeed = {
  card: ResinCard;
  ml: Spread;
  cheapest: Purchase | null;
  leastLeft: Purchase | null;
  /** By kits where the card has them, else by the price of a litre; null when neither is known. */
  cost: number | null;
};
export type ColourNeed = { name: string; hex: string | null; grams: Spread };

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
  embeds: { name: string; grams: number }[];
  /** Cups and buckets by size, and sticks. */
  vessels: { nominalMl: number; count: number }[];
  sticks: number;
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

/** Enough for the high end of the need in nine of ten jobs. */
const toBuyMl = (ml: Spread): number => ml.high;

/** What the plans of one job or several need together. */
export function shoppingFor(plans: readonly Plan[]): Shopping {
  const coats = plans
    .flatMap((plan) => plan.coats)
    .filter((coat) => coat.resin !== null && coat.batched !== null);
  const resins = [...group(coats, (coat) => coat.resin?.id)].map(([, list]): ResinNeed => {
    const card = list[0]?.resin as ResinCard;
    const ml = sumOf(list.map((coat) => coat.batched?.mixMl as Spread));
    const cheapest = cheapestKits(toBuyMl(ml), card.kits);
    const byLitre = card.pricePerLitre === null ? null : (card.pricePerLitre * toBuyMl(ml)) / 1000;
    return {
      card,
      ml,
      cheapest,
      leastLeft: leastLeftKits(toBuyMl(ml), card.kits),
      cost: cheapest?.cost ?? byLitre,
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
  const colours = [...group(doses, (dose) => dose.name.trim().toLowerCase())].map(([, list]): ColourNeed => ({
    name: list[0]?.name ?? "",
    hex: list[0]?.hex ?? null,
    grams: sumOf(list.map(({ grams }) => grams)),
  }));
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
  ].map(([name, list]) => ({ name, grams: list.reduce((sum, embed) => sum + embed.massG, 0) }));
  const used = coats.flatMap(({ batched }) =>
    (batched?.batches ?? []).flatMap((batch) => [
      ...(batch.cups.some((cup) => cup.parts !== null) ? [] : [batch.pot, batch.pot]),
      ...(batch.cups.length > 1 ? batch.cups.map((cup) => cup.vessel) : []),
    ]),
  );
  const vessels = [...group(used, (vessel) => vessel.nominalMl)]
    .map(([nominalMl, list]) => ({ nominalMl, count: list.length }))
    .sort((a, b) => a.nominalMl - b.nominalMl);
  const sticks = coats.reduce(
    (sum, { batched }) =>
      sum +
      (batched?.losses.reduce((count, loss) => count + (loss.id === "sticks" ? loss.sticks : 0), 0) ?? 0),
    0,
  );
  const cost = resins.reduce((sum, resin) => sum + (resin.cost ?? 0), 0);
  // What lies on the piece costs what of it is used; the rest of a kit is there for the next.
  const usedCost = resins.reduce(
    (sum, { cost: own, cheapest, ml, card }) =>
      sum +
      (own === null
        ? 0
        : cheapest && cheapest.boughtMl > 0
          ? (own * Math.min(ml.likely, cheapest.boughtMl)) / cheapest.boughtMl
          : ((card.pricePerLitre ?? 0) * ml.likely) / 1000),
    0,
  );
  const areaM2 = plans.reduce((sum, plan) => sum + plan.totals.topAreaMm2, 0) / 1e6;
  const pieces = plans.reduce((sum, plan) => sum + plan.totals.count, 0);
  return {
    resins,
    colours,
    sprays,
    embeds,
    vessels,
    sticks,
    cost,
    unpriced: resins.filter((resin) => resin.cost === null).map((resin) => resin.card.name),
    perM2: areaM2 > 0 ? usedCost / areaM2 : null,
    perPiece: pieces > 0 ? usedCost / pieces : null,
  };
}
