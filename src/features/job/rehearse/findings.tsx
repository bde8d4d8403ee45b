import { saidIn } from "@/core/units/said";
import { useJob } from "../workspace/use-job";
import type { Finding } from "@/core/rehearsal/judge-picture";

const GRADE: Record<Finding["grade"], string> = { change: "change", look: "look", note: "note" };

/** What the eye would regret: from what must change down; numbers are those on the picture. */
export function Findings({ findings }: { findings: readonly Finding[] }) {
  const { system } = useJob();
  const placed = findings.filter(({ place }) => place !== null);
  if (findings.length === 0)
    return <p className="text-sm text-ink-soft">Nothing to regret: balanced, clear, no thin place.</p>;
  return (
    <ul className="text-sm">
      {findings.map((finding) => (
        <li key={finding.id} className="flex gap-2 py-1 border-t border-line first:border-t-0">
          <span className="w-12 shrink-0">
            {finding.place ? (
              <span className="figure text-xs size-5 inline-grid place-items-center rounded-full border border-ink bg-paper">
                {placed.indexOf(finding) + 1}
              </span>
            ) : (
              <span className={`label ${finding.grade === "change" ? "font-semibold text-ink" : ""}`}>
                {GRADE[finding.grade]}
              </span>
            )}
          </span>
          <span>
            <span className={finding.grade === "change" ? "font-semibold" : ""}>
              {saidIn(finding.what, system)}
            </span>{" "}
            <span className="text-ink-soft">{saidIn(finding.soWhat, system)}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
