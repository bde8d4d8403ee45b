import { splitParts } from "@/core/batch/parts";
import type { ItemStands } from "@/core/shelf/item-stands";
import { lotState } from "@/core/shelf/stock";

const WIDTH = 400;
const HEIGHT = 14;
const BAR = 8;

/** Ends of full pairs along what is there, ml of mix. */
function pairMarks({ card, pairs, lots }: ItemStands): number[] {
  const full = lots.map((lot) => lotState(lot).facts.full.A ?? 0).find((grams) => grams > 0);
  if (!card || !pairs || !full) return [];
  const pairMl = full / splitParts(1, card).aG;
  return Array.from({ length: Math.min(40, pairs.full) }, (_, n) => (n + 1) * pairMl);
}

/** What is there as a bar: dark what jobs take of it, light what is free, outlined what they lack; marks at full pairs. */
export function StockGauge({ stands }: { stands: ItemStands }) {
  const { there, reserved, shortages } = stands;
  const all = Math.max(there, reserved.likely) || 1;
  const x = (amount: number) => (Math.min(amount, all) / all) * (WIDTH - 1);
  const taken = Math.min(there, reserved.likely);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      className="w-full h-3.5 my-1 block"
      aria-hidden
    >
      <rect
        x={0.5}
        y={0.5}
        width={x(there)}
        height={BAR}
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
        vectorEffect="non-scaling-stroke"
      />
      <rect x={0.5} y={0.5} width={x(taken)} height={BAR} fill="var(--color-ink)" />
      {reserved.likely > there && (
        <rect
          x={x(there)}
          y={0.5}
          width={x(reserved.likely) - x(there)}
          height={BAR}
          fill={shortages.length > 0 ? "var(--color-danger)" : "var(--color-line-strong)"}
        />
      )}
      {pairMarks(stands).map((ml) => (
        <line
          key={ml}
          x1={x(ml)}
          x2={x(ml)}
          y1={BAR}
          y2={HEIGHT}
          stroke="var(--color-ink)"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
