/** What a value holds, in little: how many numbers, two sums that move with each of them, and all its words. */
export type Digest = { numbers: number; sum: number; turned: number; words: string };

const PRIME = 0x01000193;

/** FNV-1a over the words, 32 bits; a change of any letter shows. */
function hashed(hash: number, text: string): number {
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), PRIME);
  return Math.imul(hash ^ 10, PRIME);
}

/** The digest of anything a plan is made of. Numbers count by their place, so that two that change places show; infinite ones count as words. */
export function digestOf(value: unknown): Digest {
  let [numbers, sum, turned, hash] = [0, 0, 0, 0x811c9dc5];
  const number = (x: number) => {
    if (!Number.isFinite(x)) hash = hashed(hash, String(x));
    else {
      numbers += 1;
      // Small numbers count beside large ones.
      const size = Math.sign(x) * Math.log1p(Math.abs(x) * 1000);
      sum += size;
      turned += size * (1 + (numbers % 17));
    }
  };
  const walk = (of: unknown, depth: number): void => {
    if (depth > 12) return;
    if (typeof of === "number") number(of);
    else if (typeof of === "string" || typeof of === "boolean" || of === null)
      hash = hashed(hash, String(of));
    else if (of instanceof Map) walk([...of].flat(), depth + 1);
    else if (of instanceof Set || Array.isArray(of) || ArrayBuffer.isView(of)) {
      hash = hashed(hash, "[");
      for (const under of of as Iterable<unknown>) walk(under, depth + 1);
    } else if (typeof of === "object")
      for (const key of Object.keys(of).sort()) {
        const under = (of as Record<string, unknown>)[key];
        if (under === undefined || typeof under === "function") continue;
        hash = hashed(hash, key);
        walk(under, depth + 1);
      }
  };
  walk(value, 0);
  return {
    numbers,
    sum: Number(sum.toPrecision(12)),
    turned: Number(turned.toPrecision(12)),
    words: (hash >>> 0).toString(16),
  };
}
