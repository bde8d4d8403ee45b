import type { Plan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { askFor, callOff } from "@/pictures/picture-pool";

const owner = {};
/** What was begun last: coming to it again begins nothing anew. */
let begun: JobDocument | null = null;
/** As wide as a first picture, px, and half as high as most of them. */
const WIDE_PX = 400;
const HIGH_PX = 64;

/**
 * Starts both workers on the first piece that can be rehearsed, so that its picture is there at once when Rehearse is opened: what takes long is
 * to start them, to make the operations of the passes, and to draw for the first time.
 */
export function beginPicture(plan: Plan, document: JobDocument): void {
  if (begun === document) return;
  begun = document;
  const of = plan.pieces
    .map((piece) => rehearsalOf(plan, document, piece))
    .find((rehearsed) => rehearsed !== null);
  if (!of) return;
  const part = {
    kind: "rows" as const,
    passes: of.passes.length,
    widthPx: WIDE_PX,
    from: 0,
    to: HIGH_PX,
    rough: true,
    done: () => undefined,
  };
  callOff(owner);
  askFor(owner, of, [part, part]);
}
