import type { Advice } from "@/core/advice/advice";

/** What, so what, the kind of reason; "why" opens the reasoning. */
export function AdviceLine({ advice }: { advice: Advice }) {
  const danger = advice.kind === "safety";
  return (
    <div
      role={danger ? "alert" : "note"}
      className={`border-l-[3px] pl-3 py-0.5 my-2 ${danger ? "border-danger" : "border-ink"}`}
    >
      <p className={`text-sm leading-[1.35] ${danger ? "text-danger" : ""}`}>
        <span className="font-semibold">{advice.what}</span> {advice.soWhat}
      </p>
      <details className="label mt-0.5">
        <summary className="cursor-pointer list-none">
          {advice.kind} · <span className="underline underline-offset-2">why</span>
        </summary>
        <p className="mt-1 max-w-[56ch]">{advice.why}</p>
      </details>
    </div>
  );
}

/** The advice that speaks of a coat, at one or several of its lines. */
export function AdviceAt({
  advice,
  coatId,
  at,
}: {
  advice: readonly Advice[];
  coatId: string | null;
  at: readonly string[];
}) {
  return advice
    .filter((one) => one.coatId === coatId && one.at !== null && at.includes(one.at))
    .map((one) => <AdviceLine key={`${one.rule}-${one.at}`} advice={one} />);
}
