import type { Kit } from "../cure/resin-card";
import { nth } from "../numerics/nth";

/** How many of each kit, what they cost and how much is left over. */
export type Purchase = {
  kits: { kit: Kit; count: number }[];
  cost: number;
  boughtMl: number;
  leftMl: number;
};

/** Steps into which a need is divided at most; beyond 200 l the search goes by more than a millilitre. */
const MOST_STEPS = 200_000;

type Best = { cost: number; bought: number; kit: number };

/**
 * The kits that cover a need, least by an order: a knapsack that is filled to at least the need, solved exactly on whole
 * millilitres by dynamic programming (a kit's part of a millilitre is not counted).
 */
function covered(
  needMl: number,
  kits: readonly Kit[],
  better: (a: Best, b: Best) => boolean,
): Purchase | null {
  const usable = kits.filter((kit) => kit.ml >= 1);
  if (usable.length === 0 || !(needMl > 0)) return null;
  const step = Math.max(1, Math.ceil(needMl / MOST_STEPS));
  const need = Math.ceil(needMl / step - 1e-9);
  const sizes = usable.map((kit) => Math.max(1, Math.floor(kit.ml / step + 1e-9)));
  const best: Best[] = [{ cost: 0, bought: 0, kit: -1 }];
  for (let volume = 1; volume <= need; volume += 1) {
    let found: Best | null = null;
    usable.forEach((kit, index) => {
      const rest = best[Math.max(0, volume - nth(sizes, index))] as Best;
      const bought = { cost: rest.cost + kit.price, bought: rest.bought + kit.ml, kit: index };
      if (found === null || better(bought, found)) found = bought;
    });
    best.push(found as unknown as Best);
  }
  const counts = usable.map(() => 0);
  for (let volume = need; volume > 0;) {
    const { kit } = best[volume] as Best;
    counts[kit] = nth(counts, kit) + 1;
    volume -= nth(sizes, kit);
  }
  const { cost, bought } = best[need] as Best;
  return {
    kits: usable.flatMap((kit, index) =>
      nth(counts, index) > 0 ? [{ kit, count: nth(counts, index) }] : [],
    ),
    cost,
    boughtMl: bought,
    leftMl: bought - needMl,
  };
}

const CENT = 0.005;

/** The cheapest kits that cover a need; of equally cheap ones those with the least left over. Null without kits or need. */
export const cheapestKits = (needMl: number, kits: readonly Kit[]): Purchase | null =>
  covered(needMl, kits, (a, b) => (Math.abs(a.cost - b.cost) > CENT ? a.cost < b.cost : a.bought < b.bought));

/** The kits that leave the least over; of equal ones the cheaper. */
export const leastLeftKits = (needMl: number, kits: readonly Kit[]): Purchase | null =>
  covered(needMl, kits, (a, b) =>
    Math.abs(a.bought - b.bought) > 1e-9 ? a.bought < b.bought : a.cost < b.cost,
  );
