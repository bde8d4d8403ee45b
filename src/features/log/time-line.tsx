import type { Plan } from "@/core/plan/derive-plan";
import { mixedAt, type PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { useShopClock } from "@/ui/shop-clock";
import { sinceMixText } from "@/ui/clock-words";

/** Each act with its time, minutes after its coat was mixed, and the minute that was planned. */
export function TimeLine({
  plan,
  steps,
  state,
}: {
  plan: Plan;
  steps: readonly RunStep[];
  state: PourState;
}) {
  const { say } = useShopClock();
  const rows = steps.flatMap((step) => {
    const at = state.doneAt.get(step.id);
    if (!at) return [];
    const mixed = mixedAt(steps, state, step.coatId);
    const first = steps.find((earlier) => earlier.coatId === step.coatId && earlier.kind === "weigh");
    const minute = mixed ? (Date.parse(at) - Date.parse(mixed)) / 60000 : 0;
    return [{ step, at, minute, planned: first ? step.untilMin - first.atMin : 0 }];
  });
  const name = (coatId: string) => plan.coats.find((planned) => planned.coat.id === coatId)?.coat.name ?? "";
  return (
    <section>
      <h2 className="heading text-lg mb-2">What was done, when</h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="label text-left">
            <th className="font-normal py-1 w-16">Clock</th>
            <th className="font-normal">Act</th>
            <th className="font-normal">Coat</th>
            <th className="font-normal text-right">After mixing</th>
            <th className="font-normal text-right">Planned</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ step, at, minute, planned }) => (
            <tr key={step.id} className="border-t border-line">
              <td className="figure py-1">{say(at, "HH:mm")}</td>
              <td>{step.title}</td>
              <td className="text-ink-soft">{name(step.coatId)}</td>
              <td className="figure text-right">{sinceMixText(minute)}</td>
              <td className="text-right text-ink-soft">
                {step.kind === "pass" ? sinceMixText(planned) : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
