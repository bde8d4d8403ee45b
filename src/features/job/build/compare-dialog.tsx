"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { listBuilds, type JobBuild } from "@/contracts/jobs";
import { withBuild } from "@/core/job/builds";
import { derivePlan } from "@/core/plan/derive-plan";
import { type PlannedCoat } from "@/core/plan/timed";
import { COAT_WORDS, isFill } from "@/core/schedule/coat";
import { PASS } from "@/core/passes/facts";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { SelectField } from "@/ui/text-field";
import { newId } from "../workspace/edits";
import { useJob, useJobState } from "../workspace/use-job";

/** Two builds side by side, both on the pieces of this job; the other one can be taken over. */
export function CompareDialog({ onClose }: { onClose: () => void }) {
  const { document, plan, cards, change } = useJob();
  const job = useJobState((state) => state.job);
  const [builds, setBuilds] = useState<JobBuild[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [otherId, setOtherId] = useState("");

  useEffect(() => {
    let here = true;
    void callAct(listBuilds, {}).then((result) => {
      if (!here) return;
      if (result.ok)
        setBuilds(result.value.filter((build) => build.jobId !== job.id && build.coats.length > 0));
      else setProblem(result.error.message);
    });
    return () => {
      here = false;
    };
  }, [job.id]);

  const other = builds?.find((build) => build.jobId === otherId);
  const otherPlan = other && derivePlan(withBuild(document, other.coats, newId), cards);
  const rows = Math.max(plan.coats.length, otherPlan?.coats.length ?? 0);

  return (
    <Dialog open onClose={onClose} title="Two builds side by side" wide>
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2">
          {problem}
        </p>
      )}
      {builds?.length === 0 && <p className="text-ink-soft">No other job has coats yet.</p>}
      {builds && builds.length > 0 && (
        <SelectField
          label="Compare with"
          value={otherId}
          onChange={(event) => setOtherId(event.target.value)}
          frame="mb-4"
        >
          <option value="">choose a job</option>
          {builds.map((build) => (
            <option key={build.jobId} value={build.jobId}>
              {build.name}, {build.coats.length} {build.coats.length === 1 ? "coat" : "coats"}
            </option>
          ))}
        </SelectField>
      )}
      {other && otherPlan && (
        <>
          <div className="grid grid-cols-2 gap-x-6 border-t border-ink">
            <div className="heading py-2">{job.name}</div>
            <div className="heading py-2">{other.name}, on these pieces</div>
            {Array.from({ length: rows }, (_, index) => (
              <div key={index} className="contents">
                <Side planned={plan.coats[index]} beside={otherPlan.coats[index]} />
                <Side planned={otherPlan.coats[index]} beside={plan.coats[index]} />
              </div>
            ))}
          </div>
          <Button
            weight="primary"
            className="mt-5"
            onClick={() => {
              change((before) => withBuild(before, other.coats, newId));
              onClose();
            }}
          >
            Take the build of {other.name}
          </Button>
          <p className="label mt-2">It replaces the coats of this job. Undo brings them back.</p>
        </>
      )}
    </Dialog>
  );
}

/** One coat of a build; what differs from the one beside it stands out. */
function Side({ planned, beside }: { planned: PlannedCoat | undefined; beside: PlannedCoat | undefined }) {
  const { system } = useJob();
  if (!planned) return <div className="border-t border-line py-2 text-ink-soft">none</div>;
  const lines = (planned: PlannedCoat): [string, string][] => [
    isFill(planned.coat)
      ? ["fills", `${decimal(planned.coat.coverShare * 100, 0)} %`]
      : ["film", quantityText(planned.coat.filmMm, "film", system)],
    ["resin", planned.resin?.name ?? "none"],
    ["mix", planned.batched ? quantityText(planned.batched.mixMl.likely, "volume", system) : "not counted"],
    ["batches", planned.batched ? String(planned.batched.batches.length) : "none"],
    [
      "colours",
      planned.coat.colours.map(({ name, share }) => `${name} ${decimal(share * 100, 0)} %`).join(", "),
    ],
    ["passes", planned.coat.passes.map((pass) => PASS[pass.kind].words.toLowerCase()).join(", ") || "none"],
  ];
  const others = new Map(beside ? lines(beside) : []);
  return (
    <div className="border-t border-line py-2 min-w-0">
      <div>
        {planned.coat.name} <span className="label">{COAT_WORDS[planned.coat.kind].toLowerCase()}</span>
      </div>
      <dl className="text-sm grid grid-cols-[64px_1fr]">
        {lines(planned).map(([word, value]) => (
          <div key={word} className="contents">
            <dt className="label">{word}</dt>
            <dd className={others.get(word) === value ? "text-ink-soft" : "font-semibold"}>{value}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
