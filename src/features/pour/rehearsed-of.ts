import type { Measured } from "@/core/geometry/measure";
import type { JobDocument } from "@/core/job/job";
import { byIdentity } from "@/core/numerics/by-identity";
import type { Plan } from "@/core/plan/derive-plan";
import { rehearsalOf, type PieceRehearsal } from "@/core/rehearsal/rehearse";

const known = byIdentity((_plan: Plan) => new Map<string, PieceRehearsal | null>());

/** What is rehearsed of a piece of a plan as it stands, worked out once; null for one that nothing coloured is poured on. */
export function rehearsedOf(
  plan: Plan,
  document: JobDocument,
  piece: Measured,
  standingId: string,
): PieceRehearsal | null {
  const ofPlan = known(plan);
  const found = ofPlan.get(standingId);
  if (found !== undefined) return found;
  const of = rehearsalOf(plan, document, piece, standingId);
  ofPlan.set(standingId, of);
  return of;
}
