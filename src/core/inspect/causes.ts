import { EVIDENCE, type Cause, type Evidence, type Fault, type Grade } from "./fault-table";

/** What is known of a piece: how far each thing is so, 0 to 1; what is unknown is not there. */
export type Known = ReadonlyMap<string, number>;

/** A cause with how likely it is, what speaks for it and what against, the strongest first. `id` is "other" for something else. */
export type RankedCause = {
  id: string;
  cause: Cause | null;
  probability: number;
  speaksFor: string[];
  speaksAgainst: string[];
};

/** How much a link counts, by how it is known (judgement). */
const GRADE: Record<Grade, number> = { s: 1, p: 0.8, g: 0.5 };
/** No item says more than this about a cause, and all together no more than that. */
const MOST_ITEM = 10;
const MOST_ALL = 50;
/** A likelihood ratio nearer to 1 than this speaks neither way. */
const SPEAKS = 1.15;
const OTHER = "other";

const logit = (p: number) => Math.log(p / (1 - p));

/** How often an item is found with a cause, drawn towards how often it is found anyway by how surely the link is known. */
function withCause(base: number, p: number, grade: Grade): number {
  const drawn = 1 / (1 + Math.exp(-(logit(base) + GRADE[grade] * (logit(p) - logit(base)))));
  const low = Math.max(base / MOST_ITEM, 1 - MOST_ITEM * (1 - base));
  const high = Math.min(MOST_ITEM * base, 1 - (1 - base) / MOST_ITEM);
  return Math.min(high, Math.max(low, drawn));
}

/** How often an item is found with each cause of a fault, in their order, and with something else last. */
function chances(fault: Fault, item: Evidence): number[] {
  const of = ({ evidence }: Cause) => {
    const link = evidence.find(({ id }) => id === item.id);
    return link ? withCause(item.base, link.p, link.grade) : item.base;
  };
  return [...fault.causes.map(of), item.base];
}

/** How much more likely what is known of an item is with each cause than without any. */
const ratios = (item: Evidence, chance: readonly number[], u: number): number[] =>
  chance.map((p) => (u * p + (1 - u) * (1 - p)) / (u * item.base + (1 - u) * (1 - item.base)));

const spreadOf = (ratios: readonly number[]) => Math.log(Math.max(...ratios) / Math.min(...ratios));

type Table = { items: { item: Evidence; chance: number[] }[]; priors: number[] };

function tableOf(fault: Fault): Table {
  const ids = new Set(fault.causes.flatMap(({ evidence }) => evidence.map(({ id }) => id)));
  const items = [...ids].flatMap((id) => {
    const item = EVIDENCE.get(id);
    return item ? [{ item, chance: chances(fault, item) }] : [];
  });
  return { items, priors: [...fault.causes.map(({ prior }) => prior), fault.otherPrior] };
}

/** Of what is known the items that count, one of each group, with their ratios. */
function counting({ items }: Table, known: Known): { item: Evidence; ratios: number[] }[] {
  const byGroup = new Map<string, { item: Evidence; ratios: number[]; spread: number }>();
  for (const { item, chance } of items) {
    const u = known.get(item.id);
    if (u === undefined) continue;
    const here = ratios(item, chance, u);
    const spread = spreadOf(here);
    const before = byGroup.get(item.group);
    if (!before || spread > before.spread) byGroup.set(item.group, { item, ratios: here, spread });
  }
  return [...byGroup.values()];
}

/** How likely each cause is, in their order, something else last; they sum to 1. */
function posterior(table: Table, known: Known): number[] {
  const counted = counting(table, known);
  const weights = table.priors.map((prior, cause) => {
    const product = counted.reduce((all, { ratios }) => all * (ratios[cause] as number), 1);
    return prior * Math.min(MOST_ALL, Math.max(1 / MOST_ALL, product));
  });
  const sum = weights.reduce((all, weight) => all + weight, 0);
  return weights.map((weight) => weight / sum);
}

const entropy = (shares: readonly number[]): number =>
  shares.reduce((bits, share) => (share > 0 ? bits - share * Math.log2(share) : bits), 0);

/** How much each unknown item would tell on average if it were asked for, bits. */
function tells(table: Table, known: Known): Map<string, number> {
  const now = posterior(table, known);
  const bits = new Map<string, number>();
  for (const { item, chance } of table.items) {
    if (known.has(item.id)) continue;
    const yes = now.reduce((sum, share, cause) => sum + share * (chance[cause] as number), 0);
    const after = (u: number) => entropy(posterior(table, new Map([...known, [item.id, u]])));
    bits.set(item.id, Math.max(0, entropy(now) - yes * after(1) - (1 - yes) * after(0)));
  }
  return bits;
}

/** A question that tells less than this is not asked, bits. */
const LEAST_BITS = 1e-6;

/**
 * The causes of a fault by what is known, the likeliest first, and what to ask next: the item that tells most on average, or null where none tells anything.
 * Naive Bayes with capped, graded likelihood ratios; every number of its table is judgement, so that a cause is "most likely", never proven.
 * @param asked what was asked already and nobody knows: it is not asked again
 */
export function causesOf(
  fault: Fault,
  known: Known,
  asked: ReadonlySet<string> = new Set(),
): { causes: RankedCause[]; ask: Evidence | null; bits: ReadonlyMap<string, number> } {
  const table = tableOf(fault);
  const shares = posterior(table, known);
  const counted = counting(table, known);
  const speaking = (cause: number, sign: 1 | -1) =>
    counted
      .map(({ item, ratios }) => ({ id: item.id, says: sign * Math.log(ratios[cause] as number) }))
      .filter(({ says }) => says > Math.log(SPEAKS))
      .sort((a, b) => b.says - a.says)
      .map(({ id }) => id);
  const causes = shares.map((probability, at): RankedCause => {
    const cause = fault.causes[at] ?? null;
    return {
      id: cause?.id ?? OTHER,
      cause,
      probability,
      speaksFor: speaking(at, 1),
      speaksAgainst: speaking(at, -1),
    };
  });
  const bits = tells(table, known);
  const [next] = [...bits]
    .filter(([id, tell]) => tell > LEAST_BITS && !asked.has(id))
    .sort(([, a], [, b]) => b - a);
  return {
    causes: causes.sort((a, b) => b.probability - a.probability),
    ask: (next && EVIDENCE.get(next[0])) ?? null,
    bits,
  };
}
