"use client";

import { useState } from "react";
import { passDetail } from "@/core/pour/step-words";
import type { Coat } from "@/core/schedule/coat";
import { PASS, type PassKind } from "@/core/passes/facts";
import type { CoatWindows } from "@/core/schedule/coat-windows";
import { manyWords } from "@/core/schedule/turns";
import { passPlaces } from "@/core/plan/set-room";
import { usualPass, type Pass } from "@/core/schedule/pass";
import { passWhenWords } from "@/core/schedule/when";
import { AdviceAt } from "../workspace/advice-line";
import { editCoat, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { PassForm, PassOptions } from "./pass-form";
import { useClockWords } from "@/ui/shop-clock";

/** ": 5 to 7 rounds", for what comes again until the film is so. */
function roundsWords(windows: CoatWindows | null, { id, repeat }: Pass): string {
  const turns = windows?.windows.find(({ pass }) => pass.id === id)?.turns ?? [];
  return repeat && "until" in repeat && turns.length > 0 ? `: ${manyWords(turns)} rounds` : "";
}

/** Why a pass is in no plan. */
const WHY_NOT = { faces: "no faces, or covered by then", edges: "no edges, or covered by then" };

/** The passes of a coat in order, each with its tool, amount, time, and the caution where it can hurt. */
export function PassList({ coat }: { coat: Coat }) {
  const { style } = useClockWords();
  const { plan, system, change } = useJob();
  const [openId, setOpenId] = useState<string | null>(null);
  const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === coat.id);
  const areaMm2 = planned?.batched?.topAreaMm2 ?? plan.totals.topAreaMm2;
  const isPlanned = ({ id }: Pass) =>
    !planned?.windows || planned.windows.windows.some(({ pass }) => pass.id === id);
  const add = (kind: PassKind) => {
    const fresh = usualPass(newId(), kind);
    change(editCoat(coat.id, (before) => ({ ...before, passes: [...before.passes, fresh] })));
    setOpenId(fresh.id);
  };
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-1">
        <h3 className="heading">Passes, in order</h3>
        <label className="label">
          <span className="sr-only">Add a pass</span>
          <select
            value=""
            onChange={(event) => event.target.value && add(event.target.value as PassKind)}
            className="select-mark bg-transparent w-28 pr-6 underline underline-offset-4 decoration-line-strong"
          >
            <option value="">add a pass</option>
            <PassOptions />
          </select>
        </label>
      </div>
      <AdviceAt coatId={coat.id} at={["passes"]} />
      <ol>
        {coat.passes.map((pass, index) => (
          <li key={pass.id}>
            <button
              type="button"
              aria-expanded={openId === pass.id}
              onClick={() => setOpenId(openId === pass.id ? null : pass.id)}
              className="w-full text-left py-1 flex gap-2 items-baseline hover:bg-paper"
            >
              <span className="figure text-sm w-4 shrink-0">{index + 1}</span>
              <span className="flex-1 min-w-0">
                {PASS[pass.kind].words}
                <span className="label block">
                  {passDetail({ ...pass, note: "" }, areaMm2, system, {
                    colours: coat.colours,
                    places: passPlaces(pass, coat, plan.pieces),
                  })}
                </span>
              </span>
              {!isPlanned(pass) ? (
                <span className="label whitespace-nowrap">{WHY_NOT[PASS[pass.kind].on ?? "edges"]}</span>
              ) : (
                <span className="label text-right max-w-[46%]">
                  {passWhenWords(pass, coat.passes, style)}
                  {roundsWords(planned?.windows ?? null, pass)}
                </span>
              )}
            </button>
            {openId === pass.id && <PassForm coat={coat} pass={pass} system={system} />}
            <AdviceAt coatId={coat.id} at={[pass.id]} />
            {pass.stopHere && (
              <p className="text-ink-soft pl-6 py-0.5 border-b border-dashed border-line-strong">
                may stop here: {pass.stopHere}
              </p>
            )}
          </li>
        ))}
      </ol>
      {coat.passes.length === 0 && <p className="text-ink-soft text-sm py-1">No pass yet.</p>}
    </div>
  );
}
