"use client";

import { useMemo, useState } from "react";
import { potLifeSpread } from "@/core/batch/split-batches";
import type { FittedResin } from "@/core/cure/fitted-resin";
import { heatIsKnown, leftStanding, type Heat } from "@/core/cure/left-standing";
import { CUP, potLifeMin, SPREAD_OUT, type Container } from "@/core/cure/pot";
import { scaled } from "@/core/numerics/spread";
import type { UnitSystem } from "@/core/units/dimension";
import { formatQuantity, quantityText } from "@/core/units/format-quantity";
import { Choice } from "@/ui/choice";

const MASSES_G = [100, 500, 1500, 5000];
const ROOM_C = 21;

const CONTAINERS: Record<"cup" | "tall" | "tray", { words: string; container: Container }> = {
  cup: { words: "cup", container: CUP },
  tall: { words: "tall bucket", container: { heightToWidth: 2 } },
  tray: { words: "spread out, 4 mm", container: SPREAD_OUT },
};

const HEAT_WORDS: Record<Heat, string> = {
  warm: "only warm",
  hot: "hot to hold",
  smokes: "boils and smokes",
};

/** Pots of four masses: how long each lives, what twice as much does, and how hot it gets when it is left standing. */
export function PotTable({ both, system }: { both: readonly FittedResin[]; system: UnitSystem }) {
  const [shape, setShape] = useState<keyof typeof CONTAINERS>("cup");
  const { container } = CONTAINERS[shape];
  const rows = useMemo(
    () =>
      both.map((resin) => ({
        resin,
        pots: MASSES_G.map((massG) => {
          const p = resin.fit.parameters;
          const cup = potLifeSpread(massG, ROOM_C, resin);
          // The spread is that of the cup; another shape moves it as a whole.
          const life = scaled(cup, potLifeMin(massG, ROOM_C, ROOM_C, p, container) / cup.likely);
          return {
            massG,
            life,
            twice: potLifeMin(2 * massG, ROOM_C, ROOM_C, p, container),
            stands: leftStanding(resin, massG, ROOM_C, container),
          };
        }),
      })),
    [both, container],
  );
  const temp = (tempC: number) => formatQuantity(tempC, "temperature", system).number;
  return (
    <section aria-label="In the pot">
      <div className="flex items-baseline gap-4 mt-6 mb-2 flex-wrap">
        <h3 className="heading flex-1">In the pot at {quantityText(ROOM_C, "temperature", system)}</h3>
        <Choice
          label="What it stands in"
          value={shape}
          options={(Object.keys(CONTAINERS) as (keyof typeof CONTAINERS)[]).map((value) => ({
            value,
            words: CONTAINERS[value].words,
          }))}
          onChange={setShape}
        />
      </div>
      {rows.map(({ resin, pots }) => (
        <div
          key={resin.id}
          className="grid grid-cols-4 gap-4 border-t border-line pt-2 mb-3 max-w-[640px] max-sm:grid-cols-2"
        >
          {rows.length > 1 && (
            <p className="label col-span-4 max-sm:col-span-2">{resin.name || "this resin"}</p>
          )}
          {pots.map(({ massG, life, twice, stands: { peakC, peakAtMin, heat } }) => (
            <div key={massG}>
              <div className="label">{quantityText(massG, "mass", system)} lives</div>
              <div className="figure text-2xl">
                {Math.round(life.likely)}
                <span className="unit">min</span>
              </div>
              <div className="label">
                {Math.round(life.low)} to {Math.round(life.high)}; twice as much {Math.round(twice)}
              </div>
              {!heatIsKnown(resin) && (
                <div className="text-xs mt-1">how hot it gets is not modelled: see its sheet</div>
              )}
              <div className="text-xs mt-1" hidden={!heatIsKnown(resin)}>
                left standing {quantityText(peakC.likely, "temperature", system)} ({temp(peakC.low)} to{" "}
                {temp(peakC.high)}) after {Math.round(peakAtMin)} min:{" "}
                <span className={heat === "smokes" ? "text-danger" : ""}>{HEAT_WORDS[heat]}</span>
              </div>
            </div>
          ))}
        </div>
      ))}
    </section>
  );
}
