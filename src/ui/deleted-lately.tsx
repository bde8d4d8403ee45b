"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { BACK_FOR_DAYS, type Removed } from "@/core/shop/removed";
import { Button } from "./button";
import { useShopClock } from "./shop-clock";

/** What was deleted in the last days, each with the way back. */
export function DeletedLately({
  removed,
  onBack,
}: {
  removed: readonly Removed[];
  /** Brings one back; what is wrong in words, or null. */
  onBack: (id: string) => Promise<string | null>;
}) {
  const router = useRouter();
  const { say } = useShopClock();
  const [problem, setProblem] = useState<string | null>(null);
  if (removed.length === 0) return null;
  return (
    <section aria-label="Deleted lately" className="mt-8 border-t border-line pt-3 text-sm">
      <h2 className="label mb-1">Deleted in the last {BACK_FOR_DAYS} days</h2>
      {problem && (
        <p role="alert" className="text-danger border-l-2 border-danger pl-2 mb-2">
          {problem}
        </p>
      )}
      <ul>
        {removed.map(({ id, name, removedAt }) => (
          <li key={id} className="flex gap-4 items-baseline py-0.5">
            <span>{name}</span>
            <span className="text-ink-soft">{say(removedAt, "d MMM, HH:mm")}</span>
            <Button
              weight="quiet"
              onClick={async () => {
                const wrong = await onBack(id);
                setProblem(wrong);
                if (wrong === null) router.refresh();
              }}
            >
              bring it back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
