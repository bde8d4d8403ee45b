"use client";

import { GROUNDS } from "@/core/batch/grounds";
import { useState } from "react";
import type { BatchedCoat } from "@/core/batch/batch-coat";
import { FACTORS, TOOL_WORDS, type FactorId } from "@/core/batch/factors";
import type { Loss } from "@/core/batch/losses";
import type { PlannedCoat } from "@/core/plan/timed";
import type { UnitSystem } from "@/core/units/dimension";
import { formatQuantity, quantityText, runText, trimmed } from "@/core/units/format-quantity";
import { adoptedWords, factorText } from "@/core/learning/learning-words";
import { Button } from "@/ui/button";
import { useShopClock } from "@/ui/shop-clock";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";

type Line = {
  id: string;
  name: string;
  how: string;
  ml: number;
  low: number;
  high: number;
  factors: FactorId[];
  shade: string;
};

const SHADES = ["#1e2124", "#3d4145", "#63666a", "#7b7a75", "#92908a", "#a9a69d", "#bfbbb0"];

const LOSS_NAMES: Record<Loss["id"], string> = {
  cups: "Cups",
  sticks: "Sticks",
  tools: "Tools, wetted",
  buckets: "Bucket walls",
  "run-off": "Run-off",
  tape: "Over the tape",
  ground: "Thirsty ground",
  shrink: "Sinks while it cures",
};

function lossHow(loss: Loss, system: UnitSystem): { how: string; factors: FactorId[] } {
  const length = (mm: number) => runText(mm, system);
  switch (loss.id) {
    case "cups":
      return {
        how: `${loss.cups} cups, ${trimmed(loss.filmMm, 2)} mm on their walls`,
        factors: ["cupFilmMm"],
      };
    case "buckets":
      return {
        how: `${loss.buckets} buckets, scraped to ${trimmed(loss.filmMm, 2)} mm`,
        factors: ["bucketFilmMm"],
      };
    case "sticks":
      return { how: `${loss.sticks} × ${trimmed(loss.eachMl, 1)} ml`, factors: ["stickMl"] };
    case "tools":
      return { how: loss.tools.map(({ tool }) => TOOL_WORDS[tool]).join(", "), factors: ["toolMl"] };
    case "run-off":
      return {
        how: [
          loss.openLengthMm > 0 ? `${length(loss.openLengthMm)} open` : null,
          loss.faceLengthMm > 0 ? `${length(loss.faceLengthMm)} of faces` : null,
          loss.share < 0.995 ? `thin film: ${trimmed(loss.share * 100, 0)} %` : null,
        ]
          .filter(Boolean)
          .join(", "),
        factors: ["runOffOpenMlPerM", "runOffFaceMlPerM"],
      };
    case "tape":
      return {
        how: `${length(loss.lengthMm)} behind tape, ${trimmed(loss.overMm, 1)} mm over it`,
        factors: ["tapeOverMm"],
      };
    case "ground":
      return {
        how: loss.grounds
          .filter(({ mlPerM2 }) => mlPerM2 > 0)
          .map(({ ground, mlPerM2 }) => `${GROUNDS[ground].words}, ${quantityText(mlPerM2, "spray", system)}`)
          .join("; "),
        factors: ["groundMlPerM2"],
      };
    case "shrink":
      return { how: `${trimmed(loss.pct, 1)} % of what is filled`, factors: ["shrinkPct"] };
  }
}

function linesOf(planned: PlannedCoat & { batched: BatchedCoat }, system: UnitSystem): Line[] {
  const { batched, coat } = planned;
  const lines: Omit<Line, "shade">[] = [
    {
      id: "top",
      name: batched.fills ? "To fill" : "On the top",
      how: batched.fills
        ? `${trimmed(coat.coverShare * 100, 0)} % of ${batched.count === 1 ? "the" : batched.count} volume${batched.count === 1 ? "" : "s"}`
        : `${quantityText(batched.topAreaMm2 * coat.coverShare, "area", system)}${coat.filmByPieceMm && Object.keys(coat.filmByPieceMm).length > 0 ? ", films by piece" : ` × ${quantityText(coat.filmMm, "film", system)}`}`,
      ml: batched.onTopMl.likely,
      low: batched.onTopMl.low,
      high: batched.onTopMl.high,
      factors: batched.fills ? [] : ["filmLaidTimes"],
    },
  ];
  if (batched.onFacesMl.likely > 0) {
    const { low, likely, high } = batched.onFacesMl;
    lines.push({
      id: "faces",
      name: "On the faces",
      how: quantityText(batched.faceAreaMm2 * coat.coverShare, "area", system),
      ml: likely,
      low,
      high,
      factors: ["faceFilmShare"],
    });
  }
  for (const loss of batched.losses)
    lines.push({
      id: loss.id,
      name: LOSS_NAMES[loss.id],
      ml: loss.ml.likely,
      low: loss.ml.low,
      high: loss.ml.high,
      ...lossHow(loss, system),
    });
  for (const need of batched.embeds)
    lines.push({
      id: `embed-${need.id}`,
      name: `Clear for ${need.name.toLowerCase() || "embeds"}`,
      how: `to wet and to lock in ${quantityText(need.solidMl, "volume", system)}`,
      ml: need.wetMl.likely + need.lockMl.likely,
      low: need.wetMl.low + need.lockMl.low,
      high: need.wetMl.high + need.lockMl.high,
      factors: [],
    });
  const held = batched.held.reduce((sum, kept) => sum + kept.ml, 0);
  const shaded: Line[] = lines.map((line, index) => ({
    ...line,
    shade: SHADES[Math.min(index, SHADES.length - 1)] ?? "#000",
  }));
  if (held > 0)
    shaded.push({
      id: "held",
      name: "Held back",
      how: batched.held.map((held) => held.name.toLowerCase()).join(", "),
      ml: held,
      low: held,
      high: held,
      factors: [],
      shade: "#e9e4d6",
    });
  return shaded;
}

/**
 * What the mixed volume is made of, line by line and as one column; each factor can be opened and changed. Where the mix is given it is read
 * downwards: what is taken from it, and last what stays on the piece.
 */
export function LossList({ planned }: { planned: PlannedCoat & { batched: BatchedCoat } }) {
  const { system } = useJob();
  const [open, setOpen] = useState<string | null>(null);
  const down = planned.batched.mixGiven;
  const upwards = linesOf(planned, system);
  const lines = down ? upwards.reverse() : upwards;
  const total = lines.reduce((sum, line) => sum + line.ml, 0);
  return (
    <div className="flex gap-3.5 mt-4">
      <svg width="26" height="320" aria-hidden className="shrink-0 sticky top-0">
        {
          lines.reduce<{ y: number; bars: React.ReactNode[] }>(
            ({ y, bars }, line) => {
              const high = (line.ml / total) * 318;
              return {
                y: y + high,
                bars: [
                  ...bars,
                  <rect
                    key={line.id}
                    x="0.5"
                    y={y + 1}
                    width="25"
                    height={Math.max(1, high - 1)}
                    fill={line.shade}
                    stroke={line.id === "held" ? "var(--color-ink)" : "none"}
                    strokeWidth="0.8"
                  />,
                ],
              };
            },
            { y: 0, bars: [] },
          ).bars
        }
      </svg>
      <ul className="flex-1 min-w-0">
        {lines.map((line) => {
          const shown = formatQuantity(line.ml, "volume", system);
          return (
            <li key={line.id} className="border-b border-line">
              <button
                type="button"
                disabled={line.factors.length === 0}
                aria-expanded={open === line.id}
                onClick={() => setOpen(open === line.id ? null : line.id)}
                className="w-full text-left py-1.5 flex items-baseline gap-2 enabled:hover:bg-paper"
              >
                <span className={`flex-1 min-w-0 ${down && line.id === "top" ? "font-semibold" : ""}`}>
                  {down && line.id === "top" ? `Stays ${line.name.toLowerCase()}` : line.name}
                  <span className="label block">{line.how}</span>
                </span>
                <span
                  className="figure text-lg whitespace-nowrap"
                  title={
                    line.low < line.high
                      ? `${Math.round(line.low)} to ${Math.round(line.high)} ml`
                      : undefined
                  }
                >
                  {down && line.id !== "top" && "− "}
                  {shown.number}
                  <span className="label ml-1">{shown.unit}</span>
                </span>
              </button>
              {open === line.id &&
                line.factors.map((factor) => (
                  <FactorForm key={factor} factor={factor} low={line.low} high={line.high} />
                ))}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function FactorForm({ factor, low, high }: { factor: FactorId; low: number; high: number }) {
  const { document, adopted, system, change } = useJob();
  const { say } = useShopClock();
  const own = adopted[factor];
  const { name, unit, usual, why, kind } = FACTORS[factor];
  const typed = document.factors[factor];
  const set = (value: number | undefined) =>
    change((job) => {
      const { [factor]: _before, ...rest } = job.factors;
      return { ...job, factors: value === undefined ? rest : { ...rest, [factor]: value } };
    });
  return (
    <div className="bg-shade p-3 mb-1.5 flex flex-col gap-2">
      <QuantityField
        label={`${name}, ${unit}`}
        value={typed ?? (usual.likely || null)}
        dimension="number"
        system={system}
        bounds={{ min: 0, max: 1000 }}
        onChange={set}
        onClear={() => set(undefined)}
        keep={`factor.${factor}`}
        bare
      />
      <p className="label">
        {kind} · {why} Here {Math.round(low)} to {Math.round(high)} ml.
      </p>
      {own && (
        <p className="label">
          {typed === own.value ? (
            `It is ${adoptedWords(own, say(own.at, "d MMM"))}.`
          ) : (
            <>
              {factorText(factor, own.value)} is {adoptedWords(own, say(own.at, "d MMM"))}.{" "}
              <Button weight="quiet" className="text-xs" onClick={() => set(own.value)}>
                plan with it
              </Button>
            </>
          )}
        </p>
      )}
      {typed !== undefined && (
        <Button weight="quiet" className="self-start text-xs" onClick={() => set(undefined)}>
          back to the usual{usual.likely > 0 ? ` ${trimmed(usual.likely, 2)} ${unit}` : ""}
        </Button>
      )}
    </div>
  );
}
