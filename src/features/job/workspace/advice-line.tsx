"use client";

import { saidIn } from "@/core/units/said";
import { useState } from "react";
import { adviceKey, canSetAside, type Advice } from "@/core/advice/advice";
import { Button } from "@/ui/button";
import { TextField } from "@/ui/text-field";
import { useJob } from "./use-job";

/** What, so what, the kind of reason; "why" opens the reasoning; it can be set aside with a note where `onSetAside` is given. */
export function AdviceLine({ advice, onSetAside }: { advice: Advice; onSetAside?: (note: string) => void }) {
  const { system } = useJob();
  const danger = advice.kind === "safety";
  const [asking, setAsking] = useState(false);
  const [note, setNote] = useState("");
  return (
    <div
      role={danger ? "alert" : "note"}
      className={`border-l-[3px] pl-3 py-0.5 my-2 ${danger ? "border-danger" : "border-ink"}`}
    >
      <p className={`text-sm leading-[1.35] ${danger ? "text-danger" : ""}`}>
        <span className="font-semibold">{saidIn(advice.what, system)}</span> {saidIn(advice.soWhat, system)}
      </p>
      <div className="label mt-0.5 flex gap-x-3 flex-wrap items-baseline">
        <details>
          <summary className="cursor-pointer list-none">
            {advice.kind} · <span className="underline underline-offset-2">why</span>
          </summary>
          <p className="mt-1 max-w-[56ch]">{saidIn(advice.why, system)}</p>
        </details>
        {onSetAside && !asking && (
          <button type="button" className="underline underline-offset-2" onClick={() => setAsking(true)}>
            set aside
          </button>
        )}
      </div>
      {asking && onSetAside && (
        <form
          method="post"
          className="flex gap-2 items-end mt-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            onSetAside(note.trim());
          }}
        >
          <TextField
            label="Why it does not matter here"
            autoFocus
            value={note}
            maxLength={200}
            frame="flex-1"
            onChange={(event) => setNote(event.target.value)}
            onKeyDown={(event) => event.key === "Escape" && setAsking(false)}
          />
          <Button type="submit" className="!min-h-8 !px-2.5">
            set aside
          </Button>
        </form>
      )}
    </div>
  );
}

/** The advice that speaks of a coat, at one or several of its lines, and what was set aside there. */
export function AdviceAt({ coatId, at }: { coatId: string | null; at: readonly string[] }) {
  const { plan, system, change } = useJob();
  const here = (advice: Advice) => advice.coatId === coatId && advice.at !== null && at.includes(advice.at);
  const aside = plan.setAside.filter(({ advice }) => here(advice));
  const setAside = (advice: Advice, note: string) =>
    change((job) => ({ ...job, setAside: { ...job.setAside, [adviceKey(advice)]: note } }));
  const takeBack = (advice: Advice) =>
    change((job) => {
      const { [adviceKey(advice)]: _gone, ...others } = job.setAside ?? {};
      return { ...job, setAside: others };
    });
  return (
    <>
      {plan.advice.filter(here).map((advice) => (
        <AdviceLine
          key={`${advice.rule}-${advice.at}`}
          advice={advice}
          onSetAside={canSetAside(advice) ? (note) => setAside(advice, note) : undefined}
        />
      ))}
      {aside.map(({ advice, note }) => (
        <p key={`${advice.rule}-${advice.at}`} className="label border-l-[3px] border-line pl-3 my-2">
          <span className="line-through decoration-line-strong">{saidIn(advice.what, system)}</span>{" "}
          {note ? `Set aside: ${note}` : "Set aside."}{" "}
          <button type="button" className="underline underline-offset-2" onClick={() => takeBack(advice)}>
            bring it back
          </button>
        </p>
      ))}
    </>
  );
}
