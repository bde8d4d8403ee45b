"use client";

import { useState } from "react";
import type { TrialSaid } from "@/contracts/trials";
import type { Side, TrialPlan, TrialRead } from "@/core/learning/trial";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { classNames } from "@/ui/class-names";
import { QuantityField } from "@/ui/quantity-field";
import { useDraft } from "@/ui/use-draft";
import { BoardPhotoDialog } from "./board-photo-dialog";

const SIDES: readonly Side[] = ["left", "right"];

/** One pair of boards: the better one is touched; what is measured is typed, or read off a photo. */
export function PairRow({
  trialId,
  pair,
  n,
  plan,
  named,
  system,
  tell,
}: {
  trialId: string;
  pair: TrialRead["pairs"][number];
  n: number;
  plan: TrialPlan;
  /** Says which way lies on which board. */
  named: boolean;
  system: UnitSystem;
  tell: (said: TrialSaid) => void;
}) {
  const { said, triedOn, first } = pair;
  const { draft, set } = useDraft<Partial<Record<Side, number>>>(`trial.${trialId}.${n}`, {});
  const [photoOf, setPhotoOf] = useState<Side | null>(null);
  const { measure } = plan;
  const valueOf = (side: Side) => draft[side] ?? pair[side];
  const measured = (side: Side, value: number) => {
    set({ [side]: value });
    const left = side === "left" ? value : valueOf("left");
    const right = side === "right" ? value : valueOf("right");
    if (left === null || right === null) return;
    tell({ kind: "measured", pair: n, left, right });
    set({ left: undefined, right: undefined });
  };
  const judge = (better: Side | "alike") => tell({ kind: "eye", pair: n, better });
  const wayOf = (side: Side) => (side === triedOn ? plan.tried : plan.now);
  const boardName = (side: Side) => `Board ${n + 1} ${side}`;
  return (
    <li
      className="border-b border-line py-3 grid grid-cols-[2rem_1fr_1fr_4.5rem] max-sm:grid-cols-[1.2rem_1fr_1fr_3.5rem] gap-4 max-sm:gap-2"
      aria-label={`Pair ${n + 1}`}
    >
      <span className="figure text-2xl pt-6">{n + 1}</span>
      {SIDES.map((side) => (
        <div key={side} className="min-w-0 flex flex-col gap-2">
          <button
            type="button"
            aria-pressed={said === side}
            aria-label={`${boardName(side)} is better`}
            onClick={() => judge(side)}
            className={classNames(
              "min-h-20 w-full flex-1 border px-3 py-2 text-left",
              said === side ? "border-ink bg-ink text-paper" : "border-line-strong bg-paper hover:border-ink",
            )}
          >
            <span className="heading text-lg block">
              {side}
              {said === side && ": better"}
            </span>
            {named && (
              <span className="text-sm block">
                {wayOf(side)}
                {side === first && ", poured first"}
              </span>
            )}
          </button>
          {measure && (
            <div className="flex gap-3 items-end flex-wrap">
              <QuantityField
                label={[measure.name, measure.unit].filter(Boolean).join(", ")}
                value={valueOf(side)}
                dimension="number"
                system={system}
                bounds={{ min: -1e6, max: 1e6 }}
                onChange={(value) => measured(side, value)}
                onClear={() => set({ [side]: undefined })}
                className="flex-1 min-w-24"
                keep={`trial.${trialId}.${n}.${side}`}
                bare
              />
              {measure.unit === "%" && (
                <Button
                  weight="quiet"
                  aria-label={`${boardName(side)}: read a photo`}
                  onClick={() => setPhotoOf(side)}
                >
                  photo
                </Button>
              )}
            </div>
          )}
        </div>
      ))}
      <button
        type="button"
        aria-pressed={said === "alike"}
        onClick={() => judge("alike")}
        className={classNames(
          "min-h-20 border self-start",
          said === "alike" ? "border-ink bg-ink text-paper" : "border-line-strong hover:bg-paper",
        )}
      >
        alike
      </button>
      {photoOf && (
        <BoardPhotoDialog
          name={boardName(photoOf)}
          counts={measure?.name ?? ""}
          onClose={() => setPhotoOf(null)}
          onShare={(share) => {
            measured(photoOf, Math.round(1000 * share) / 10);
            setPhotoOf(null);
          }}
        />
      )}
    </li>
  );
}
