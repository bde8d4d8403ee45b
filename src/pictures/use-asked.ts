"use client";

import { useEffect, useState } from "react";
import type { Asked } from "@/workers/client";

/** What is asked of a worker and what it said, by what it was asked of: an answer that comes for something else is not taken. */
export function useAsked<Answer>(of: unknown) {
  const [asked, setAsked] = useState<{ of: unknown; stop: () => void } | null>(null);
  const [said, setSaid] = useState<{ of: unknown; answer: Answer | null } | null>(null);
  useEffect(() => () => asked?.stop(), [asked]);
  const isSaid = said !== null && said.of === of;
  return {
    ask: ({ answer, cancel }: Asked<Answer>) => {
      let stopped = false;
      const stop = () => {
        stopped = true;
        cancel();
      };
      setAsked({ of, stop });
      void answer.then((told) => {
        if (!stopped) setSaid({ of, answer: told });
      });
    },
    /** Null until there is one. */
    answer: isSaid ? said.answer : null,
    failed: isSaid && said.answer === null,
    busy: asked?.of === of && !isSaid,
    cancel: () => setAsked(null),
  };
}
