/** A pure function that keeps its answer for each object it was asked about, as long as that object lives. */
export function byIdentity<Given extends object, Answer>(
  workOut: (given: Given) => Answer,
): (given: Given) => Answer {
  const kept = new WeakMap<Given, { answer: Answer }>();
  return (given) => {
    const known = kept.get(given);
    if (known) return known.answer;
    const answer = workOut(given);
    kept.set(given, { answer });
    return answer;
  };
}
