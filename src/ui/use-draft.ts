"use client";

import { useCallback, useState } from "react";
import { keepText, keptText } from "./kept-text";

/**
 * What is typed into a form that is opened by hand, kept for the session: closed by mistake, or reloaded, it is there again.
 * Call `drop` when it has been saved.
 */
export function useDraft<Draft extends object>(
  key: string,
  start: Draft,
): { draft: Draft; set: (next: Partial<Draft>) => void; drop: () => void } {
  const [draft, setDraft] = useState<Draft>(() => {
    const kept = keptText(key);
    if (kept === null) return start;
    try {
      return { ...start, ...(JSON.parse(kept) as Partial<Draft>) };
    } catch {
      return start;
    }
  });
  const set = useCallback(
    (next: Partial<Draft>) =>
      setDraft((before) => {
        const after = { ...before, ...next };
        keepText(key, JSON.stringify(after));
        return after;
      }),
    [key],
  );
  const drop = useCallback(() => keepText(key, null), [key]);
  return { draft, set, drop };
}
