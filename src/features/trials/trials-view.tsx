"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { received, type Sent } from "@/contracts/sent";
import { readTrial, type Trial } from "@/core/learning/trial";
import { stateWords } from "@/core/learning/trial-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Checkbox } from "@/ui/checkbox";
import { classNames } from "@/ui/class-names";
import { useShopClock } from "@/ui/shop-clock";
import { BeginTrial } from "./begin-trial";
import { TrialView } from "./trial-view";
import { useTell } from "./use-tell";

/** Two ways side by side on boards: those of the shop, one of them, or a new one. */
export function TrialsView({
  shown,
  chosen,
  system,
}: {
  shown: Sent<Trial[]>;
  chosen: string | null;
  system: UnitSystem;
}) {
  const kept = useMemo(() => received(shown), [shown]);
  const { tell, told, problem } = useTell(kept);
  const trials = told.map((trial) => ({ ...trial, read: readTrial(trial.plan, trial.entries) }));
  const [away, setAway] = useState(false);
  const { say } = useShopClock();
  const list = trials.filter(({ id, read }) => away || !read.away || id === chosen);
  const trial = chosen === "new" ? undefined : (trials.find(({ id }) => id === chosen) ?? list[0]);
  return (
    <main className="px-7 max-sm:px-4 py-5 max-w-[1226px] grid grid-cols-[260px_1fr] gap-10 max-lg:grid-cols-1 max-lg:gap-6">
      <nav aria-label="Trials">
        <Link href="/learn" className="label underline underline-offset-4">
          How good are we?
        </Link>
        <h1 className="heading text-2xl mt-1 mb-3">Trials</h1>
        {trial && (
          <Link
            href="/learn/trials?trial=new"
            className="inline-flex items-center border border-ink px-3.5 min-h-11 hover:bg-paper"
          >
            Try two ways
          </Link>
        )}
        <ul className="mt-4">
          {list.map(({ id, plan, at, read }) => (
            <li key={id} className="border-t border-line">
              <Link
                href={`/learn/trials?trial=${id}`}
                aria-current={id === trial?.id ? "page" : undefined}
                className={classNames(
                  "block py-2 pl-3 border-l-[3px] hover:bg-paper",
                  id === trial?.id ? "border-signal" : "border-transparent",
                )}
              >
                <span className="font-semibold block">{plan.name}</span>
                <span className="label">
                  {say(at, "d MMM yyyy")}, {read.away ? "put away" : stateWords(plan, read)}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {trials.some(({ read }) => read.away) && (
          <div className="mt-3">
            <Checkbox label="those put away as well" checked={away} onChange={setAway} />
          </div>
        )}
      </nav>
      {trial ? (
        <TrialView
          key={trial.id}
          trial={trial}
          system={system}
          tell={(said) => tell(trial.id, said)}
          problem={problem?.trialId === trial.id ? problem.message : null}
        />
      ) : (
        <BeginTrial system={system} />
      )}
    </main>
  );
}
