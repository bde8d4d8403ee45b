"use client";

import { useMemo } from "react";
import { asResinCard, type ResinCardFields } from "@/contracts/resin-card";
import { potLifeSpread } from "@/core/batch/batch-coat";
import { calibrate } from "@/core/cure/calibrate";
import { filmLifeAt } from "@/core/cure/film-in-room";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { Beam } from "@/ui/beam";

const TEMPERATURES_C = [15, 20, 25, 30];
const MASSES_G = [100, 500, 1500, 5000];

/** What the fit says: beams at four temperatures, pot life at four masses, residuals in plain words. */
export function CardBehaviour({ fields, system }: { fields: ResinCardFields; system: UnitSystem }) {
  const card = useMemo(() => asResinCard("00000000-0000-4000-8000-000000000000", fields), [fields]);
  const calibration = useMemo(() => calibrate(card), [card]);
  const until =
    (filmLifeAt(card, calibration, 15).find((start) => start.state === "set")?.fromMin.likely ?? 600) * 1.05;
  const pots = useMemo(
    () => MASSES_G.map((massG) => ({ massG, life: potLifeSpread(massG, 21, calibration, card.kind) })),
    [calibration, card.kind],
  );
  return (
    <section aria-label="What the fit says" className="flex-1 min-w-0 px-7 py-5">
      <h2 className="heading text-xl mb-1">What these numbers say</h2>
      <p className="text-ink-soft mb-4">
        A film at four temperatures, on one scale of {Math.round(until / 60)} hours. The short line under a
        border is its spread.
      </p>
      {TEMPERATURES_C.map((tempC) => (
        <div key={tempC} className="flex items-end gap-4 mb-1 overflow-hidden">
          <span className="figure text-lg w-16 pb-2 shrink-0">
            {quantityText(tempC, "temperature", system)}
          </span>
          <Beam
            life={filmLifeAt(card, calibration, tempC)}
            nowMin={null}
            untilMin={until}
            width={520}
            height={20}
          />
        </div>
      ))}
      <h3 className="heading mt-6 mb-2">In the pot at {quantityText(21, "temperature", system)}</h3>
      <div className="flex gap-8">
        {pots.map(({ massG, life }) => (
          <div key={massG}>
            <div className="label">{quantityText(massG, "mass", system)}</div>
            <div className="figure text-2xl">
              {Math.round(life.likely)}
              <span className="unit">min</span>
            </div>
            <div className="label">
              {Math.round(life.low)} to {Math.round(life.high)}
            </div>
          </div>
        ))}
      </div>
      {card.kind === "hybrid" && (
        <p className="border-l-[3px] border-ink pl-3 mt-3 max-w-[56ch]">
          This is no epoxy: how it heats itself is not modelled. Its times are shifted by temperature as an
          epoxy&apos;s would be, with a wider spread; its own sheet comes first.
        </p>
      )}
      <h3 className="heading mt-6 mb-1">Sheet against fit</h3>
      {calibration.residuals.length === 0 ? (
        <p className="text-ink-soft">
          No working time, gel, tack-free time or pot life is given: usual values of this kind stand in, with
          a wide spread.
        </p>
      ) : (
        <table className="text-sm">
          <thead>
            <tr className="label text-left">
              <th className="font-normal pr-10 py-1">Number</th>
              <th className="font-normal pr-10 text-right">Sheet</th>
              <th className="font-normal text-right">Fit</th>
            </tr>
          </thead>
          <tbody>
            {calibration.residuals.map((residual) => (
              <tr key={residual.what} className="border-t border-line">
                <td className="py-1 pr-10">{residual.what}</td>
                <td className="figure text-right pr-10">{Math.round(residual.sheetMin)} min</td>
                <td className="figure text-right">{Math.round(residual.modelMin)} min</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {calibration.conflicts.map((conflict) => (
        <p key={conflict} className="border-l-[3px] border-ink pl-3 mt-3 max-w-[56ch]">
          {conflict}
        </p>
      ))}
    </section>
  );
}
