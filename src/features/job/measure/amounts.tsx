"use client";

import type { Measured } from "@/core/geometry/measure";
import type { Totals } from "@/core/plan/derive-plan";
import { quantityText } from "@/core/units/format-quantity";
import { Figure } from "@/ui/figure";
import { useJob } from "../workspace/use-job";

type Amount = { topAreaMm2: number; faceAreaMm2: number; fillMl: number };

/** What there is to coat and to fill: of the picked piece, and of all of them where they are several. */
export function Amounts({ measured, totals }: { measured: Measured | null; totals: Totals }) {
  const all: Amount = { ...totals, fillMl: totals.fillMl + totals.voidMl };
  const one: Amount | null = measured && {
    topAreaMm2: measured.topAreaMm2,
    faceAreaMm2: measured.faceAreaMm2,
    fillMl: (measured.fillMl?.likely ?? 0) + measured.voidMl,
  };
  return (
    <div className="grid grid-cols-2 gap-8 pb-4 mb-4 border-b border-line">
      {totals.count > 1 ? (
        <>
          <Column label="This piece" amount={one} />
          <Column label={`All ${totals.count}`} amount={all} />
        </>
      ) : (
        <Single amount={all} />
      )}
    </div>
  );
}

/** One piece alone: its top, and beside it its faces or what it holds. */
function Single({ amount }: { amount: Amount }) {
  const { system } = useJob();
  const filled = amount.fillMl > 0;
  return (
    <>
      <div>
        <div className="label mb-1">Top</div>
        <Figure value={amount.topAreaMm2} dimension="area" system={system} size="large" />
      </div>
      <div>
        <div className="label mb-1">{filled ? "To fill" : "Faces"}</div>
        <Figure
          value={filled ? amount.fillMl : amount.faceAreaMm2}
          dimension={filled ? "volume" : "area"}
          system={system}
          size="large"
        />
      </div>
    </>
  );
}

/** The top, or what is filled where there is no top; the rest in words below. */
function Column({ label, amount }: { label: string; amount: Amount | null }) {
  const { system } = useJob();
  if (!amount)
    return (
      <div>
        <div className="label mb-1">{label}</div>
        <div className="text-sm text-danger">not counted</div>
      </div>
    );
  const { topAreaMm2, faceAreaMm2, fillMl } = amount;
  const onlyFilled = !(topAreaMm2 > 0) && fillMl > 0;
  const rest = [
    faceAreaMm2 > 0 && `faces ${quantityText(faceAreaMm2, "area", system)}`,
    fillMl > 0 && !onlyFilled && `to fill ${quantityText(fillMl, "volume", system)}`,
  ].filter(Boolean);
  return (
    <div>
      <div className="label mb-1">
        {label}, {onlyFilled ? "to fill" : "top"}
      </div>
      <Figure
        value={onlyFilled ? fillMl : topAreaMm2}
        dimension={onlyFilled ? "volume" : "area"}
        system={system}
        size="large"
      />
      {rest.length > 0 && <div className="label">{rest.join(" · ")}</div>}
    </div>
  );
}
