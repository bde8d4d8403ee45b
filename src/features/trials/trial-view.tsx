"use client";

import { useState } from "react";
import type { TrialSaid } from "@/contracts/trials";
import type { Trial, TrialRead } from "@/core/learning/trial";
import { stateWords, toldWords, trialWords } from "@/core/learning/trial-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { PairRow } from "./pair-row";
import { DifferenceDrawing } from "./difference-drawing";

/** One trial: what it says, and its pairs. While they are judged nothing says which way lies on which board, unless it is asked for. */
export function TrialView({
  trial: { id, plan, read },
  system,
  tell,
  problem,
}: {
  trial: Trial & { read: TrialRead };
  system: UnitSystem;
  tell: (said: TrialSaid) => void;
  problem: string | null;
}) {
  const [open, setOpen] = useState(false);
  const named = read.done || open;
  const words = trialWords(plan, read);
  return (
    <section aria-label={plan.name}>
      <div className="flex items-baseline gap-4 flex-wrap">
        <h2 className="heading text-xl mr-auto">{plan.name}</h2>
        <Button weight="quiet" onClick={() => tell({ kind: "away", away: !read.away })}>
          {read.away ? "Bring it back" : "Put it away"}
        </Button>
      </div>
      <p className="text-ink-soft">
        Now: {plan.now}. Tried: {plan.tried}.
      </p>
      {read.done ? (
        <div className="flex gap-10 flex-wrap my-4" role="status">
          <Verdict label="by eye, what was tried is" value={toldWords(read.eye.told)} words={words.eye} />
          {read.measure && (
            <div className="max-w-md">
              <Verdict
                label={`by ${plan.measure?.name ?? "number"}, what was tried is`}
                value={toldWords(read.measure.told)}
                words={words.measure}
              />
              <DifferenceDrawing plan={plan} read={read} />
            </div>
          )}
        </div>
      ) : (
        <div className="my-4">
          <div className="figure text-4xl leading-none">{stateWords(plan, read)}</div>
          <p className="mt-2">
            {plan.asks} Best judged by somebody who has not poured them, in daylight, without asking which is
            which.
          </p>
        </div>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 my-2">
          {problem}
        </p>
      )}
      {!read.done && (
        <Button className="min-h-11 mb-3" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Hide what goes where" : "Show what goes where, to pour"}
        </Button>
      )}
      <ol className="border-t border-ink">
        {read.pairs.map((pair, n) => (
          <PairRow
            key={n}
            trialId={id}
            pair={pair}
            n={n}
            plan={plan}
            named={named}
            system={system}
            tell={tell}
          />
        ))}
      </ol>
    </section>
  );
}

function Verdict({ label, value, words }: { label: string; value: string; words: string | null }) {
  return (
    <div className="max-w-md">
      <div className="label">{label}</div>
      <div className="figure text-4xl leading-none my-1">{value}</div>
      <p>{words}</p>
    </div>
  );
}
