import { LRUCache } from "lru-cache";

/** Text of documents whose reading is kept in this process, together, bytes. */
const MOST_BYTES = 24_000_000;

const kept = new LRUCache<string, { value: unknown }>({ maxSize: MOST_BYTES });

/**
 * What was read of a stored document that never changes under its key: for a page that lists many of them, again and again. `bytes` is part of
 * the key, so that what was repaired by hand in the database is read anew.
 */
export function keptDocument<Value>(key: string, bytes: number): Value | undefined {
  return kept.get(`${key} ${bytes}`)?.value as Value | undefined;
}

export function keepDocument(key: string, bytes: number, value: unknown): void {
  kept.set(`${key} ${bytes}`, { value }, { size: Math.max(1, bytes) });
}
