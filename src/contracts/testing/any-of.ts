import type { z } from "zod";
import { seeded } from "@/core/numerics/random";

type Random = () => number;
/** What the walk needs of a Zod schema's inside. */
type Def = {
  type: string;
  shape?: Record<string, z.ZodType>;
  element?: z.ZodType;
  innerType?: z.ZodType;
  options?: z.ZodType[];
  items?: z.ZodType[];
  entries?: Record<string, string>;
  values?: unknown[];
  keyType?: z.ZodType;
  valueType?: z.ZodType;
  in?: z.ZodType;
};
type Check = { check: string; value?: number; minimum?: number; maximum?: number; format?: string };
type Bounds = { minimum?: number; maximum?: number; whole?: boolean };

const defOf = (schema: z.ZodType) =>
  (schema as unknown as { _zod: { def: Def & { format?: string; checks?: { _zod: { def: Check } }[] } } })
    ._zod.def;

/** What the checks of a number or a list hold it to. */
function boundsOf(schema: z.ZodType): Bounds {
  const bounds: Bounds = {};
  for (const { _zod } of defOf(schema).checks ?? []) {
    const { check, value, minimum, maximum } = _zod.def;
    if (check === "greater_than") bounds.minimum = value;
    if (check === "less_than") bounds.maximum = value;
    if (check === "min_length") bounds.minimum = minimum;
    if (check === "max_length") bounds.maximum = maximum;
    if (check === "number_format") bounds.whole = true;
  }
  return bounds;
}
const pick = <Item>(random: Random, items: readonly Item[]): Item =>
  items[Math.floor(random() * items.length)] as Item;

/** Few ids, so that parts point at each other. */
const IDS = ["a", "b", "c", "d-1", "to-string", "ValueOf"];
const UUIDS = [1, 2, 3].map((one) => `0000000${one}-0000-4000-8000-000000000000`);
const TEXTS = ["", "x", "Serving counter", "\u{1F600} é", "a".repeat(30), "<b>&\"'", "edge seal"];
/** For texts with a pattern: the first that fits is taken. */
const SHAPED = ["a", "b", "#3a4b5c", "2026-11-03", "b.2", "c"];
const EDGE_NAMES = ["front", "back", "left", "right", "side-1", "side-2", "rim"];

function anyNumber(random: Random, { minimum = -1e6, maximum = 1e6, whole = false }: Bounds): number {
  const [low, high] = [Math.max(minimum, -1e9), Math.min(maximum, 1e9)];
  const chance = random();
  let value: number;
  if (chance < 0.06) value = low;
  else if (chance < 0.12) value = high;
  else if (chance < 0.2) value = 0;
  else if (chance < 0.6 && high > 1) value = Math.exp(random() * Math.log(Math.min(high, 4000)));
  else value = low + random() * (high - low);
  value = Math.min(high, Math.max(low, value));
  return whole ? Math.round(value) : value;
}

/**
 * Something that a schema describes, by a seeded walk over it: not what people type, but all that they could send. Refinements are not known to
 * the walk; `mend` puts right what they ask, with the schema still the judge.
 * @param most items of a list at most
 */
export function anyOf(schema: z.ZodType, random: Random, most = 4): unknown {
  const def = defOf(schema);
  switch (def.type) {
    case "object": {
      const made: Record<string, unknown> = {};
      for (const [key, of] of Object.entries(def.shape ?? {})) {
        const value = anyOf(of, random, most);
        if (value !== undefined) made[key] = value;
      }
      return made;
    }
    case "array": {
      const { minimum = 0, maximum = Infinity } = boundsOf(schema);
      const length = Math.min(maximum, Math.max(minimum, Math.floor(random() * (most + 1))));
      return Array.from({ length }, () => anyOf(def.element as z.ZodType, random, most));
    }
    case "tuple":
      return (def.items ?? []).map((of) => anyOf(of, random, most));
    case "union":
      return anyOf(pick(random, def.options ?? []), random, most);
    case "optional":
      return random() < 0.5 ? undefined : anyOf(def.innerType as z.ZodType, random, most);
    case "nullable":
      return random() < 0.3 ? null : anyOf(def.innerType as z.ZodType, random, most);
    case "readonly":
    case "default":
      return anyOf(def.innerType as z.ZodType, random, most);
    case "pipe":
      return anyOf(def.in as z.ZodType, random, most);
    case "enum":
      return pick(random, Object.values(def.entries ?? {}));
    case "literal":
      return pick(random, def.values ?? []);
    case "boolean":
      return random() < 0.5;
    case "number":
      return anyNumber(random, boundsOf(schema));
    case "record": {
      const made: Record<string, unknown> = {};
      for (let at = Math.floor(random() * 3); at > 0; at -= 1) {
        const key = String(anyOf(def.keyType as z.ZodType, random, most));
        made[key] = anyOf(def.valueType as z.ZodType, random, most);
      }
      return made;
    }
    case "string": {
      if (def.format === "uuid") return pick(random, UUIDS);
      const fitting = [...IDS, ...SHAPED, ...TEXTS, ...EDGE_NAMES].filter(
        (text) => schema.safeParse(text).success,
      );
      return fitting.length > 0 ? pick(random, fitting) : "";
    }
    case "custom":
      return pick(random, EDGE_NAMES);
    default:
      throw new Error(`A schema of the kind ${def.type} is not walked`);
  }
}

type Mended = {
  pieces: {
    shape: { points?: unknown[]; starts?: number[]; outline?: unknown };
    edges: Record<string, unknown>;
  }[];
  coats: { colours: { share: number }[] }[];
};

/** What the refinements of a job document ask for: shares that sum to one, edges that begin within the outline, edges that there are. */
export function mendDocument(document: unknown): unknown {
  const { pieces, coats } = document as Mended;
  for (const { shape, edges } of pieces) {
    for (const outline of [shape, shape.outline as Mended["pieces"][0]["shape"] | undefined])
      if (outline?.points && outline.starts) {
        const last = outline.points.length;
        const starts = outline.starts.map((start) => start % last);
        outline.starts = [...new Set(starts)].sort((a, b) => a - b);
      }
    for (const name of Object.keys(edges))
      if (!EDGE_NAMES.includes(name) || name === "rim") delete edges[name];
  }
  for (const { colours } of coats) {
    const sum = colours.reduce((total, { share }) => total + share, 0);
    for (const [at, colour] of colours.entries())
      colour.share = sum > 0 ? colour.share / sum : at === 0 ? 1 : 0;
  }
  return document;
}

/** A job document that the contract allows, by a seed. */
export const anyDocument = (schema: z.ZodType, seed: number, most = 4): unknown =>
  mendDocument(anyOf(schema, seeded(seed), most));
