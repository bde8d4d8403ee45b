"use client";

import type { Plan } from "@/core/plan/derive-plan";
import type { PourState } from "@/core/pour/pour-events";
import type { RunStep } from "@/core/pour/run-sheet";
import { canBeFirst } from "@/core/pour/sheet-now";
import { Dialog } from "@/ui/dialog";
import { useShopClock } from "@/ui/shop-clock";
import type { Act } from "./pour-store";

const press = "underline underline-offset-4 whitespace-nowrap min-h-11 px-1";

/** All acts of the pour: what is done and when, what is to come, whose it is; one is taken first, done once more, or given to somebody. */
export function ActsDialog({
  plan,
  steps,
  state,
  step,
  people,
  record,
  onCallOff,
  onClose,
}: {
  plan: Plan;
  steps: readonly RunStep[];
  state: PourState;
  step: RunStep | null;
  /** Who works in the shop. */
  people: readonly string[];
  record: (act: Act) => Promise<void>;
  onCallOff: () => void;
  onClose: () => void;
}) {
  const { say } = useShopClock();
  /** The act that was done last: what is done once more comes after it. */
  const lastDone = steps.findLast(({ id }) => state.doneAt.has(id))?.id ?? null;
  const take = (act: Act) => {
    void record(act);
    onClose();
  };
  const dropped = plan.coats.filter(({ coat }) => state.droppedCoats.has(coat.id)).map(({ coat }) => coat);
  const coats = [...new Set(steps.map(({ coatId }) => coatId))];
  return (
    <Dialog open onClose={onClose} title="All acts" wide>
      <div className="text-ink flex flex-col gap-5">
        {coats.map((coatId) => {
          const ofCoat = steps.filter((one) => one.coatId === coatId);
          return (
            <section key={coatId}>
              <h3 className="heading text-lg border-b border-ink">{ofCoat[0]?.coatName}</h3>
              <ol aria-label={ofCoat[0]?.coatName}>
                {ofCoat.map((one) => {
                  const done = state.doneAt.get(one.id);
                  const out = state.skipped.has(one.id);
                  const isNext = one.id === step?.id;
                  return (
                    <li
                      key={one.id}
                      className="border-b border-line grid grid-cols-[52px_1fr_auto] gap-x-3 items-center min-h-11"
                      aria-current={isNext ? "step" : undefined}
                    >
                      <span className="label">
                        {done ? say(done, "HH:mm") : out ? "out" : isNext ? "now" : ""}
                      </span>
                      <span className={isNext ? "font-semibold" : done || out ? "text-ink-soft" : ""}>
                        {one.title}
                        {one.batch !== null && `, batch ${one.batch}`}
                      </span>
                      <span className="flex gap-4 items-center">
                        {!done && !out && people.length > 1 && (
                          <select
                            aria-label={`Whose: ${one.title}`}
                            value={state.givenTo.get(one.id) ?? ""}
                            onChange={(event) =>
                              void record({ kind: "give", stepId: one.id, to: event.target.value || null })
                            }
                            className="select-mark border border-line-strong bg-paper h-9 pl-2 pr-6 max-w-36"
                          >
                            <option value="">anybody</option>
                            {people.map((name) => (
                              <option key={name}>{name}</option>
                            ))}
                          </select>
                        )}
                        {(done || isNext) && one.kind === "pass" && (
                          <button
                            type="button"
                            className={press}
                            onClick={() =>
                              take({ kind: "again", stepId: one.id, afterId: done ? lastDone : one.id })
                            }
                          >
                            once more
                          </button>
                        )}
                        {out && (
                          <button
                            type="button"
                            className={press}
                            onClick={() => take({ kind: "untick", stepId: one.id })}
                          >
                            bring it back
                          </button>
                        )}
                        {!isNext && canBeFirst(one, steps, state) && (
                          <button
                            type="button"
                            className={press}
                            onClick={() => take({ kind: "first", stepId: one.id })}
                          >
                            this first
                          </button>
                        )}
                      </span>
                    </li>
                  );
                })}
              </ol>
            </section>
          );
        })}
        {dropped.map(({ id, name }) => (
          <p key={id} className="flex items-center justify-between gap-4 border-b border-line min-h-11">
            {name} is left out.
            <button type="button" className={press} onClick={() => take({ kind: "bring-coat", coatId: id })}>
              pour it after all
            </button>
          </p>
        ))}
        <button type="button" className={`${press} self-start`} onClick={onCallOff}>
          call this pour off
        </button>
      </div>
    </Dialog>
  );
}
