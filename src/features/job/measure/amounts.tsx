"use client";

import type { Measured } from "@/core/geometry/measure";
import type { Totals } from "@/core/plan/measured";
import type { Dimension } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { Figure } from "@/ui/figure";
import { useJob } from "../workspace/use-job";

/** `filled` where what it holds is the number to act on rather than its top; `turned` where it is a tumbler, that has no top but a coated wall. */
type Amount = { topAreaMm2: number; faceAreaMm2: number; fillMl: number; filled: boolean; turned: boolean };

const isTurned = ({ piece }: Measured): boolean => piece.shape.kind === "tumbler";
/** What its area is called and in what it is told. */
const areaOf = ({ turned }: Amount): { words: string; dimension: Dimension } =>
  turned ? { words: "Coated", dimension: "surface" } : { words: "Top", dimension: "area" };

/** What there is to coat and to fill: of the picked piece, and of all of them where they are several. */
export function Amounts({
  measured,
  pieces,
  totals,
}: {
  measured: Measured | null;
  pieces: readonly Measured[];
  totals: Totals;
}) {
  const all: Amount = {
    ...totals,
    fillMl: totals.fillMl + totals.voidMl,
    filled: pieces.length > 0 && pieces.every((piece) => piece.fillMl !== null),
    turned: pieces.length > 0 && pieces.every(isTurned),
  };
  const amount: Amount | null = measured && {
    topAreaMm2: measured.topAreaMm2,
    faceAreaMm2: measured.faceAreaMm2,
    fillMl: (measured.fillMl?.likely ?? 0) + measured.voidMl,
    filled: measured.fillMl !== null,
    turned: isTurned(measured),
  };
  return (
    <div className="grid grid-cols-2 gap-8 pb-4 mb-4 border-b border-line">
      {totals.count > 1 ? (
        <>
          <Column label="This piece" amount={amount} />
          <Column label={`All ${totals.count}`} amount={all} />
        </>
      ) : (
        <Single amount={all} perimeterMm={measured?.perimeterMm ?? 0} />
      )}
    </div>
  );
}

/** One piece alone: its top, and beside it what it holds, its faces, or the way around it. */
function Single({ amount, perimeterMm }: { amount: Amount; perimeterMm: number }) {
  const { system } = useJob();
  const [label, value, dimension]: [string, number, Dimension] =
    amount.fillMl > 0
      ? ["To fill", amount.fillMl, "volume"]
      : amount.faceAreaMm2 > 0
        ? ["Faces", amount.faceAreaMm2, "area"]
        : ["Around", perimeterMm, "length"];
  return (
    <>
      <div>
        <div className="label mb-1">{areaOf(amount).words}</div>
        <Figure value={amount.topAreaMm2} dimension={areaOf(amount).dimension} system={system} size="large" />
      </div>
      <div>
        <div className="label mb-1">{label}</div>
        <Figure value={value} dimension={dimension} system={system} size="large" />
      </div>
    </>
  );
}

/** The top, or what is filled; the rest in words below. */
function Column({ label, amount }: { label: string; amount: Amount | null }) {
  const { system } = useJob();
  if (!amount)
    return (
      <div>
        <div className="label mb-1">{label}</div>
        <div className="text-sm text-danger">not counted</div>
      </div>
    );
  const { topAreaMm2, faceAreaMm2, fillMl, filled } = amount;
  const rest = [
    filled && topAreaMm2 > 0 && `top ${quantityText(topAreaMm2, "area", system)}`,
    faceAreaMm2 > 0 && `faces ${quantityText(faceAreaMm2, "area", system)}`,
    fillMl > 0 && !filled && `to fill ${quantityText(fillMl, "volume", system)}`,
  ].filter(Boolean);
  return (
    <div>
      <div className="label mb-1">
        {label}, {filled ? "to fill" : areaOf(amount).words.toLowerCase()}
      </div>
      <Figure
        value={filled ? fillMl : topAreaMm2}
        dimension={filled ? "volume" : areaOf(amount).dimension}
        system={system}
        size="large"
      />
      {rest.length > 0 && <div className="label">{rest.join(" · ")}</div>}
    </div>
  );
}
