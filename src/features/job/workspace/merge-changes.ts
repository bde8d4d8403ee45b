import { deepEqual } from "fast-equals";

type Item = { id: string };
const isList = (value: unknown): value is Item[] =>
  Array.isArray(value) &&
  value.every((item) => typeof item === "object" && item !== null && typeof (item as Item).id === "string");
const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** What only makes sense as a whole: the shares of a coat sum to one. */
const WHOLE = new Set(["colours", "shape"]);

/**
 * What one changed of a document, put on top of what another made of it: nothing that the one did not touch is reverted. Where both changed the
 * same, mine stands.
 * @param base what both began from
 */
export function onTopOf<Value>(base: Value, mine: Value, theirs: Value): Value {
  return merged(base, mine, theirs) as Value;
}

function merged(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (deepEqual(mine, base)) return theirs;
  if (deepEqual(theirs, base)) return mine;
  if (isList(mine) && isList(theirs) && isList(base ?? []))
    return mergedList((base ?? []) as Item[], mine, theirs);
  if (!isObject(mine) || !isObject(theirs) || !isObject(base)) return mine;
  const all = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  const result: Record<string, unknown> = {};
  for (const key of all) {
    const value = WHOLE.has(key)
      ? deepEqual(mine[key], base[key])
        ? theirs[key]
        : mine[key]
      : merged(base[key], mine[key], theirs[key]);
    if (value !== undefined) result[key] = value;
  }
  return result;
}

/** Items by their ids, in my order; what they added stands behind what stands before it with them. */
function mergedList(base: Item[], mine: Item[], theirs: Item[]): Item[] {
  const [was, there, here] = [base, theirs, mine].map(
    (list) => new Map(list.map((item) => [item.id, item])),
  ) as [Map<string, Item>, Map<string, Item>, Map<string, Item>];
  const kept = mine.flatMap((item) => {
    const [before, other] = [was.get(item.id), there.get(item.id)];
    // They took out what I did not touch.
    if (before && !other && deepEqual(before, item)) return [];
    return [other ? (merged(before, item, other) as Item) : item];
  });
  theirs.forEach((item, at) => {
    const before = was.get(item.id);
    // Mine already, or taken out by me and not touched by them.
    if (here.has(item.id) || (before && deepEqual(before, item))) return;
    const behind = theirs
      .slice(0, at)
      .reverse()
      .find(({ id }) => kept.some((item) => item.id === id));
    kept.splice(behind ? kept.findIndex(({ id }) => id === behind.id) + 1 : 0, 0, item);
  });
  return kept;
}

/**
 * A document without what is refused of it: at a path it is again what it was. What did not stand there before, such as a coat that was just
 * added, is left out. Null where nothing can be put back.
 * @param path keys and places, as a contract tells them
 */
export function withoutAt<Value extends object>(
  document: Value,
  before: Value,
  path: readonly string[],
): Value | null {
  const put = (now: unknown, was: unknown, rest: readonly string[]): unknown => {
    const [key, ...further] = rest;
    if (key === undefined) return was;
    if (isList(now)) {
      const item = now[Number(key)];
      if (!item) return was;
      const known = isList(was) ? was.find(({ id }) => id === item.id) : undefined;
      if (!known) return now.filter((kept) => kept !== item);
      const mended = put(item, known, further);
      return now.map((kept) => (kept === item ? mended : kept));
    }
    if (!isObject(now) || !isObject(was) || !(key in now)) return was;
    const { [key]: inner, ...others } = now;
    const mended = further.length === 0 ? was[key] : put(inner, was[key], further);
    return mended === undefined ? others : { ...now, [key]: mended };
  };
  const mended = put(document, before, path) as Value;
  return deepEqual(mended, document) ? null : mended;
}
