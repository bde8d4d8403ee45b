import { DAY_MIN, isOpen, nextOpen } from "./hours";
import { planDays, type DayPlan } from "./plan-days";
import type { Settings, WindowCoat } from "./coat-windows";
import type { Trouble } from "./troubles";

/** What each trouble costs when starts are weighed against each other (assumed). */
const COST: Record<Trouble["kind"], number> = {
  never: 1000,
  fire: 1000,
  past: 1000,
  night: 100,
  "no place": 80,
  late: 60,
  hands: 60,
  "may be late": 12,
  "sand first": 15,
  "not yet": 6,
  waits: 8,
  "after hours": 25,
};
const COST_OF_DAY = 6;
const SEARCH = { stepMin: 30, days: 6, apartMin: 120 };

/** Earlier starts that cost more, by the worst that each of them brings. */
export type PassedOver = { kind: Trouble["kind"]; many: number; fromMin: number; untilMin: number };

export type Start = {
  startMin: number;
  plan: DayPlan;
  cost: number;
  /** What speaks against starting earlier, the most frequent first. */
  passedOver: PassedOver[];
};
type Tried = Omit<Start, "passedOver">;

/** The worst trouble of a plan; null where it has none. */
const worstOf = ({ troubles }: DayPlan): Trouble["kind"] | null =>
  troubles.reduce<Trouble["kind"] | null>(
    (worst, { kind }) => (worst === null || COST[kind] > COST[worst] ? kind : worst),
    null,
  );

function passedOver(start: Tried, tried: readonly Tried[]): PassedOver[] {
  const byKind = new Map<Trouble["kind"], PassedOver>();
  for (const earlier of tried) {
    const kind = worstOf(earlier.plan);
    if (earlier.startMin >= start.startMin || earlier.cost <= start.cost || kind === null) continue;
    const known = byKind.get(kind);
    byKind.set(kind, {
      kind,
      many: (known?.many ?? 0) + 1,
      fromMin: Math.min(known?.fromMin ?? Infinity, earlier.startMin),
      untilMin: Math.max(known?.untilMin ?? -Infinity, earlier.startMin),
    });
  }
  return [...byKind.values()].sort((a, b) => b.many - a.many || a.fromMin - b.fromMin);
}

/**
 * The best few starts of the coming days, an hour or two apart, the least trouble first.
 * @param alsoFound what else is wrong with a plan, beside its own troubles
 */
export function findStarts(
  coats: readonly WindowCoat[],
  settings: Settings,
  most = 3,
  alsoFound: (plan: DayPlan) => Trouble[] = () => [],
): Start[] {
  const { hours, nowMin } = settings;
  const planFrom = (startMin: number, quick: boolean): DayPlan => {
    const plan = planDays(coats, startMin, { ...settings, quick });
    return { ...plan, troubles: [...plan.troubles, ...alsoFound(plan)] };
  };
  const from = nextOpen(Math.ceil((nowMin ?? 0) / SEARCH.stepMin) * SEARCH.stepMin, hours);
  const starts: Tried[] = [];
  for (let startMin = from; startMin < from + SEARCH.days * DAY_MIN; startMin += SEARCH.stepMin) {
    if (!isOpen(startMin, hours)) continue;
    const plan = planFrom(startMin, true);
    const troubles = plan.troubles.reduce((sum, { kind }) => sum + COST[kind], 0);
    const days = (plan.endMin - from) / DAY_MIN;
    starts.push({ startMin, plan, cost: troubles + COST_OF_DAY * days });
  }
  starts.sort((a, b) => a.cost - b.cost || a.startMin - b.startMin);
  const chosen: Tried[] = [];
  for (const start of starts) {
    if (chosen.length === most) break;
    if (chosen.every(({ startMin }) => Math.abs(startMin - start.startMin) >= SEARCH.apartMin))
      chosen.push(start);
  }
  return chosen.map((start) => ({
    ...start,
    plan: planFrom(start.startMin, settings.quick ?? false),
    passedOver: passedOver(start, starts),
  }));
}
