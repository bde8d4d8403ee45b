"use client";

import { useMemo, useState } from "react";
import { asResinCard, type ResinCardFields } from "@/contracts/resin-card";
import type { Calibration } from "@/core/cure/calibrate";
import { filmLifeAt, type FilmInRoom } from "@/core/cure/film-in-room";
import { fittedResin, type FittedResin } from "@/core/cure/fitted-resin";
import type { ResinCard } from "@/core/cure/resin-card";
import { startOf } from "@/core/schedule/coat-windows";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText, trimmed } from "@/core/units/format-quantity";
import { Beam } from "@/ui/beam";
import { SelectField } from "@/ui/text-field";
import { useSize } from "@/ui/use-size";
import { PotTable } from "./pot-table";

/** Until the page is laid out. */
const NARROWEST_PX = 200;
const TEMPERATURES_C = [15, 20, 25, 30];

/** What the fit says: beams at four temperatures, pots at four masses, residuals in plain words; beside another resin where one is chosen. */
export function CardBehaviour({
  fields,
  system,
  others,
}: {
  fields: ResinCardFields;
  system: UnitSystem;
  others: readonly ResinCard[];
}) {
  const resin = useMemo(
    () => fittedResin(asResinCard("00000000-0000-4000-8000-000000000000", fields)),
    [fields],
  );
  const [besideId, setBesideId] = useState("");
  const both = useMemo(() => {
    const beside = others.find(({ id }) => id === besideId);
    return beside ? [resin, fittedResin(beside)] : [resin];
  }, [resin, others, besideId]);
  const until = Math.max(...both.map((shown) => startOf(filmLifeAt(shown, 15), "set").likely * 1.05));
  const { fit } = resin;
  const { ref, width } = useSize<HTMLDivElement>();
  return (
    <section aria-label="What the fit says" className="flex-1 min-w-0 px-7 py-5">
      <div className="flex items-end gap-4 mb-1">
        <h2 className="heading text-xl flex-1">What these numbers say</h2>
        {others.length > 0 && (
          <SelectField
            label="Set beside it"
            value={besideId}
            onChange={(event) => setBesideId(event.target.value)}
            frame="w-52"
          >
            <option value="">no other</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        )}
      </div>
      <p className="text-ink-soft mb-4">
        A film at four temperatures, on one scale of {Math.round(until / 60)} hours. The short line under a
        border is its spread. Point at a moment, or walk to it by arrow keys.
      </p>
      {TEMPERATURES_C.map((tempC) => (
        <div key={tempC} className="flex items-end gap-4 mb-1">
          <span className="figure text-lg w-16 pb-2 shrink-0">
            {quantityText(tempC, "temperature", system)}
          </span>
          <div ref={tempC === TEMPERATURES_C[0] ? ref : undefined} className="flex-1 min-w-0 max-w-[520px]">
            {both.map((shown) => (
              <CardBeam
                key={shown.id}
                width={width || NARROWEST_PX}
                resin={shown}
                tempC={tempC}
                until={until}
                system={system}
                named={both.length > 1}
              />
            ))}
          </div>
        </div>
      ))}
      <PotTable both={both} system={system} />
      {resin.kind === "hybrid" && (
        <p className="border-l-[3px] border-ink pl-3 mt-3 max-w-[56ch]">
          This is no epoxy: how it heats itself is not modelled. Its times are shifted by temperature as an
          epoxy&apos;s would be, with a wider spread; its own sheet comes first.
        </p>
      )}
      <h3 className="heading mt-6 mb-1">Sheet against fit</h3>
      {fit.residuals.length === 0 ? (
        <p className="text-ink-soft">
          No working time, gel, tack-free time or pot life is given: usual values of this kind stand in, with
          a wide spread.
        </p>
      ) : (
        <table className="text-sm">
          <thead>
            <tr className="label text-left">
              <th className="font-normal pr-10 py-1">Number</th>
              <th className="font-normal pr-10 text-right">Card</th>
              <th className="font-normal text-right">Fit</th>
            </tr>
          </thead>
          <tbody>
            {fit.residuals.map((residual, index) => (
              <tr key={`${residual.what} ${index}`} className="border-t border-line">
                <td className="py-1 pr-10">{residual.what}</td>
                <td className="figure text-right pr-10">{Math.round(residual.sheetMin)} min</td>
                <td className="figure text-right">{Math.round(residual.modelMin)} min</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {fit.conflicts.map((conflict) => (
        <p key={conflict} className="border-l-[3px] border-ink pl-3 mt-3 max-w-[56ch]">
          {conflict}
        </p>
      ))}
      <Learnt fit={fit} depthMm={resin.thickestFilmMm} system={system} />
    </section>
  );
}

/** The life of a film at one temperature; any moment of it can be asked. */
function CardBeam({
  resin,
  tempC,
  until,
  system,
  named,
  width,
}: {
  width: number;
  resin: FittedResin;
  tempC: number;
  until: number;
  system: UnitSystem;
  named: boolean;
}) {
  const film = useMemo(
    (): FilmInRoom => ({ resin, room: { kind: "constant", tempC }, mixedAtMin: 0 }),
    [resin, tempC],
  );
  const name = resin.name || "this resin";
  return (
    <div className="relative hover:z-10 focus-within:z-10">
      {named && <p className="label -mb-1">{name}</p>}
      <Beam
        life={filmLifeAt(resin, tempC)}
        nowMin={null}
        untilMin={until}
        width={width}
        height={20}
        moment={{ film, name: `${name} at ${quantityText(tempC, "temperature", system)}`, system }}
      />
    </div>
  );
}

/** What the card has taught beside its rate. */
function Learnt({
  fit: { learnt, parameters },
  depthMm,
  system,
}: {
  fit: Calibration;
  depthMm: number | null;
  system: UnitSystem;
}) {
  const lines = [
    learnt.activation
      ? `From its two gel times: it goes ${trimmed(Math.exp((parameters.activationJPerMol / 8.314) * (1 / 293.15 - 1 / 303.15)), 1)} times as fast at 30 °C as at 20 °C.`
      : null,
    learnt.heat && depthMm !== null
      ? `From the ${quantityText(depthMm, "film", system)} that it is rated for: ${trimmed(parameters.heatJPerKg / 1000, 0)} kJ of heat in a kilogram.`
      : null,
  ].filter((line) => line !== null);
  return lines.map((line) => (
    <p key={line} className="text-sm text-ink-soft mt-2">
      {line}
    </p>
  ));
}
