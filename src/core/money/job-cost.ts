import { cheapestKits } from "../batch/buy";
import type { ColourCard } from "../colour/colour-card";
import type { ResinCard } from "../cure/resin-card";
import { exactly, scaled, sumOf, within, type Spread } from "../numerics/spread";
import type { Plan } from "../plan/derive-plan";
import { actsOf } from "../schedule/acts";
import { DAY_MIN } from "../schedule/hours";
import { shoppingFor } from "../shop/shopping";
import { toMinor } from "./money";
import type { Rates, UsedBy } from "./rates";

export type CostKind = "resin" | "colour" | "used up" | "hours" | "boards" | "disposal" | "overhead";

/** One line of what a job costs, in minor units, with its reason; null where its price is not known. */
export type CostLine = { kind: CostKind; words: string; why: string; cost: Spread | null };

export type JobCost = {
  lines: CostLine[];
  /** All lines whose price is known. */
  total: Spread;
  /** Hours of one person, with setting up and boards. */
  hours: Spread;
  /** The same without boards. */
  workHours: Spread;
  /** Each resin with what is mixed of it, ml; its cost is null where it has no price. */
  resins: { cardId: string; name: string; ml: Spread; cost: Spread | null }[];
  unpriced: string[];
};

/** Hands are slower or faster than the plan's minutes by so much (common practice, no source). */
const HOURS_SPREAD = { below: 0.15, above: 0.3 };

/** What a millilitre of a resin's mix costs, minor units: as its lots were paid for, else by its card; null when nobody knows. */
export function resinPerMl(
  card: ResinCard,
  needMl: number,
  currency: string,
  lotPricePerMl: number | null,
): { perMl: number; by: "lot" | "litre" | "kits" } | null {
  if (lotPricePerMl !== null) return { perMl: toMinor(1, currency) * lotPricePerMl, by: "lot" };
  if (card.pricePerLitre !== null)
    return { perMl: (toMinor(1, currency) * card.pricePerLitre) / 1000, by: "litre" };
  const kits = cheapestKits(needMl, card.kits);
  return kits && kits.cost > 0
    ? { perMl: (toMinor(1, currency) * kits.cost) / kits.boughtMl, by: "kits" }
    : null;
}

const BY_WORDS = {
  lot: "as the lots on the shelf were paid for",
  litre: "by the litre of its card",
  kits: "by its kits",
};

/** Minutes of one person: every act by all that are on the job, mixing by one. */
function workMinutes(plan: Plan, people: number): number {
  return actsOf(plan.coats.flatMap(({ windows }) => windows ?? []))
    .filter(({ maybe }) => !maybe)
    .reduce((sum, { kind, atMin, untilMin }) => sum + (untilMin - atMin) * (kind === "mix" ? 1 : people), 0);
}

/** Days on which something is done. */
const daysOf = (plan: Plan): number =>
  new Set(
    actsOf(plan.coats.flatMap(({ windows }) => windows ?? [])).map(({ atMin }) =>
      Math.floor(atMin / DAY_MIN),
    ),
  ).size;

/**
 * What a job costs the shop, line by line from its plan.
 * @param people who work on it together
 * @param lotPrices what a millilitre of a resin's mix was paid for, in whole units of the currency, by resin card
 */
export function jobCost(
  plan: Plan,
  people: number,
  rates: Rates,
  colours: readonly ColourCard[],
  lotPrices: Readonly<Record<string, number>> = {},
): JobCost {
  const { currency } = rates;
  const shopping = shoppingFor([plan]);
  const lines: CostLine[] = [];
  const resins: JobCost["resins"] = [];
  for (const { card, ml } of shopping.resins) {
    const price = resinPerMl(card, ml.high, currency, lotPrices[card.id] ?? null);
    const cost = price && scaled(ml, price.perMl);
    resins.push({ cardId: card.id, name: card.name, ml, cost });
    lines.push({
      kind: "resin",
      words: card.name,
      why: price ? BY_WORDS[price.by] : "no price on its card",
      cost,
    });
  }
  for (const { name, grams } of shopping.colours) {
    const perKg =
      colours.find((card) => card.name.trim().toLowerCase() === name.trim().toLowerCase())?.pricePerKg ??
      null;
    lines.push({
      kind: "colour",
      words: name,
      why: perKg === null ? "no price on its card" : "by the kilogram of its card",
      cost: perKg === null ? null : scaled(grams, (toMinor(1, currency) * perKg) / 1000),
    });
  }
  const counts = countsOf(plan, people, shopping);
  for (const { words, by, many, each } of rates.usedUp) {
    const count = scaled(counts[by], many);
    if (count.high > 0) lines.push({ kind: "used up", words, why: by, cost: scaled(count, each) });
  }
  const days = daysOf(plan);
  const minutes = within(workMinutes(plan, people), HOURS_SPREAD.below, HOURS_SPREAD.above);
  const setUp = exactly(rates.setUpMin * days);
  const boards = exactly(rates.boardMin * rates.boards);
  const perMin = rates.hourly / 60;
  lines.push({
    kind: "hours",
    words: "Work",
    why: `the plan's own minutes, ${people === 1 ? "one person" : `${people} people`}`,
    cost: scaled(minutes, perMin),
  });
  if (days > 0)
    lines.push({
      kind: "hours",
      words: "Setting up, cleaning",
      why: `${rates.setUpMin} min on each of ${days} ${days === 1 ? "day" : "days"}`,
      cost: scaled(setUp, perMin),
    });
  const boardResin = shopping.resins.find(({ card }) => card.kind !== "paint");
  if (rates.boards > 0) {
    const price =
      boardResin &&
      resinPerMl(boardResin.card, boardResin.ml.high, currency, lotPrices[boardResin.card.id] ?? null);
    lines.push({
      kind: "boards",
      words: rates.boards === 1 ? "A sample board" : `${rates.boards} sample boards`,
      why: `${rates.boardMin} min and its resin each`,
      cost: exactly(boards.likely * perMin + rates.boards * rates.boardMl * (price?.perMl ?? 0)),
    });
  }
  const leftMl = sumOf(
    plan.coats.flatMap(({ batched }) => (batched ? batched.losses.map((loss) => loss.ml) : [])),
  );
  if (leftMl.high > 0)
    lines.push({
      kind: "disposal",
      words: "Taken away",
      why: "what is lost of the mix, hardened, and rags",
      cost: scaled(leftMl, rates.disposalPerLitre / 1000),
    });
  const known = sumOf(lines.flatMap(({ cost }) => cost ?? []));
  if (rates.overheadPct > 0)
    lines.push({
      kind: "overhead",
      words: "Overhead",
      why: `${rates.overheadPct} % of all else`,
      cost: scaled(known, rates.overheadPct / 100),
    });
  return {
    lines,
    total: scaled(known, 1 + rates.overheadPct / 100),
    hours: scaled(sumOf([minutes, setUp, boards]), 1 / 60),
    workHours: scaled(sumOf([minutes, setUp]), 1 / 60),
    resins,
    unpriced: lines.filter(({ cost }) => cost === null).map(({ words }) => words),
  };
}

/** How often each thing is used up by, in the unit of its words. */
function countsOf(
  plan: Plan,
  people: number,
  shopping: ReturnType<typeof shoppingFor>,
): Record<UsedBy, Spread> {
  const poured = plan.coats.filter(({ batched }) => batched !== null);
  const areaM2 = poured.reduce((sum, { batched }) => sum + (batched?.topAreaMm2 ?? 0), 0) / 1e6;
  const edgeM = (plan.totals.openLengthMm + plan.totals.dripLengthMm) / 1000;
  const bottles = shopping.sprays.filter(({ container }) => container === "bottle");
  const cans = shopping.sprays.filter(({ container }) => container === "can");
  return {
    coat: exactly(poured.length),
    "person and coat": exactly(people * poured.length),
    m2: exactly(areaM2),
    "edge m": exactly(edgeM),
    cup: exactly(shopping.vessels.reduce((sum, { count }) => sum + count, 0)),
    stick: exactly(shopping.sticks),
    "alcohol l": scaled(sumOf(bottles.map(({ ml }) => ml)), 1 / 1000),
    can: exactly(cans.reduce((sum, { containers }) => sum + containers, 0)),
  };
}

/** What the price must be without tax, so that the margin stays of it: cost / (1 − margin). */
export const priceForMargin = (cost: number, marginPct: number): number =>
  cost / (1 - Math.min(95, marginPct) / 100);
