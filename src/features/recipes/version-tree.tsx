"use client";

import { useMemo } from "react";
import type { RecipeVersion, SampleBoard } from "@/contracts/recipes";
import { layOutVersions } from "@/core/recipe/version-tree";
import { useShopClock } from "@/ui/shop-clock";

const ROW = 76;
const LANE = 18;
/** From the left edge to the middle of the first lane, and from a row's top to its mark. */
const FIRST = 11;
const MARK = 20;

/** The versions of a recipe as a tree, the newest above: what changed, and which boards were poured of each. */
export function VersionTree({
  versions,
  boards,
  pickedId,
  besideId,
  onPick,
}: {
  versions: readonly RecipeVersion[];
  boards: readonly SampleBoard[];
  pickedId: string;
  besideId: string | null;
  onPick: (versionId: string) => void;
}) {
  const { say } = useShopClock();
  const placed = useMemo(() => layOutVersions(versions), [versions]);
  const lanes = Math.max(...placed.map(({ lane }) => lane)) + 1;
  const at = (row: number, lane: number) => ({ x: FIRST + lane * LANE, y: row * ROW + MARK });
  return (
    <div className="relative">
      <svg
        width={FIRST * 2 + (lanes - 1) * LANE}
        height={placed.length * ROW}
        aria-hidden
        className="absolute left-0 top-0"
      >
        {placed.map(({ version, row, lane, parent }) => {
          if (!parent) return null;
          const [here, from] = [at(row, lane), at(parent.row, parent.lane)];
          const bend = Math.min(here.y + ROW / 2, from.y);
          return (
            <path
              key={version.id}
              d={
                here.x === from.x
                  ? `M${here.x} ${here.y}V${from.y}`
                  : `M${here.x} ${here.y}V${Math.max(bend, from.y - ROW / 2)}L${from.x} ${from.y}`
              }
              fill="none"
              stroke="var(--color-ink)"
              strokeWidth="1.5"
            />
          );
        })}
        {placed.map(({ version, row, lane }) => {
          const { x, y } = at(row, lane);
          const approved = boards.some(
            (board) => board.versionId === version.id && board.decision === "approved",
          );
          return approved ? (
            <rect key={version.id} x={x - 7} y={y - 7} width="14" height="14" fill="var(--color-ink)" />
          ) : (
            <rect
              key={version.id}
              x={x - 5}
              y={y - 5}
              width="10"
              height="10"
              fill="var(--color-ground)"
              stroke="var(--color-ink)"
              strokeWidth="1.5"
            />
          );
        })}
      </svg>
      <ol aria-label="Versions" style={{ paddingLeft: FIRST * 2 + (lanes - 1) * LANE + 10 }}>
        {placed.map(({ version }) => {
          const tried = boards.filter((board) => board.versionId === version.id);
          const approved = tried.filter((board) => board.decision === "approved");
          const on = version.id === pickedId;
          return (
            <li key={version.id} style={{ height: ROW }} className="border-b border-line last:border-b-0">
              <button
                type="button"
                aria-pressed={on}
                onClick={() => onPick(version.id)}
                className={`text-left w-full h-full pl-3 pt-2.5 border-l-4 overflow-hidden flex flex-col items-stretch ${on ? "border-signal" : version.id === besideId ? "border-ink" : "border-transparent hover:border-line-strong"}`}
              >
                <span className="flex items-baseline gap-3">
                  <span className="heading">Version {version.number}</span>
                  <span className="label">{say(version.madeAt, "d MMM yyyy")}</span>
                  {approved.length > 0 && (
                    <span className="text-sm font-semibold ml-auto">
                      board {approved.map((board) => board.number).join(", ")} approved
                    </span>
                  )}
                  {approved.length === 0 && tried.length > 0 && (
                    <span className="label ml-auto">
                      board {tried.map((board) => board.number).join(", ")}
                    </span>
                  )}
                </span>
                <span className="text-sm text-ink-soft line-clamp-2 leading-[1.3]">
                  {version.change || "no word on what changed"}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
