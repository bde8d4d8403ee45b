/**
 * What is sent to a worker arrives as a copy each time, so that nothing kept for the object itself is found again. A keeper gives back the
 * copy that came first, as long as it says the same: what was worked out for it stays known.
 * @param most how many are kept; the one that was not asked for longest goes first
 */
export function keeper<Value>(most: number): (value: Value) => Value {
  const kept = new Map<string, Value>();
  return (value) => {
    const text = JSON.stringify(value);
    const known = kept.get(text) ?? value;
    kept.delete(text);
    kept.set(text, known);
    if (kept.size > most) kept.delete(kept.keys().next().value as string);
    return known;
  };
}
