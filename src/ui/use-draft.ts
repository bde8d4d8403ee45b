"use client";

import { useCallback, useState } from "react";
import { keepText, keptText } from "./kept-text";

/** What is tried in a panel that saves nothing, kept for the session: closed or reloaded, it is there again. */
export function useDraft<Draft extends object>(
  key: string,
  start: Draft,
): { draft: Draft; set: (next: Partial<Draft>) => void } {
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
  return { draft, set };
}
