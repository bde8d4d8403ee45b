"use client";

import { readCombAt } from "@/core/inspect/combs";
import type { UnitSystem } from "@/core/units/dimension";
import { formatQuantity, quantityText } from "@/core/units/format-quantity";

const HIGH = 132;
const BODY = 46;
/** The gap under the shallowest and the deepest tooth, px. */
const GAP = { least: 5, most: 40 };

/**
 * The shop's comb as it stands in the film: the last tooth that came up wet is touched. Teeth stand shorter and shorter; the film wets them up to its
 * own height.
 */
export function CombDrawing({
  teethMm,
  wetted,
  system,
  onRead,
}: {
  teethMm: readonly number[];
  /** So many teeth were wetted; null before one is touched. */
  wetted: number | null;
  system: UnitSystem;
  onRead: (wetted: number) => void;
}) {
  const deepest = teethMm.at(-1) ?? 1;
  const gap = (mm: number) => GAP.least + ((GAP.most - GAP.least) * mm) / deepest;
  const word = (mm: number) => formatQuantity(mm, "comb", system).number;
  const said = (count: number) => {
    const { wetMm, dryMm } = readCombAt(teethMm, count);
    if (wetMm === null) return `no tooth wet, less than ${quantityText(dryMm ?? 0, "comb", system)}`;
    if (dryMm === null) return `all teeth wet, more than ${quantityText(wetMm, "comb", system)}`;
    return `wet to ${quantityText(wetMm, "comb", system)}, dry at ${quantityText(dryMm, "comb", system)}`;
  };
  return (
    <div
      role="group"
      aria-label="Comb: the last tooth that came up wet"
      className="flex border-y-2 border-ink bg-shade"
    >
      {[0, ...teethMm].map((mm, at) => {
        const isWet = wetted !== null && at > 0 && at <= wetted;
        const first = at === 0;
        return (
          <button
            key={mm}
            type="button"
            aria-label={said(at)}
            aria-pressed={wetted === at}
            onClick={() => onRead(at)}
            className={`relative flex-1 min-w-0 border-r border-line last:border-r-0 hover:bg-paper ${wetted === at ? "outline-2 -outline-offset-2 outline-signal" : ""}`}
            style={{ height: HIGH }}
          >
            <svg
              viewBox={`0 0 40 ${HIGH}`}
              preserveAspectRatio="none"
              className="absolute inset-0 size-full"
              aria-hidden
            >
              <rect x="0" y="0" width="40" height={BODY} fill="var(--color-ink-soft)" fillOpacity="0.45" />
              {first ? (
                <rect
                  x="4"
                  y={BODY}
                  width="32"
                  height={HIGH - BODY - 6}
                  fill="var(--color-ink-soft)"
                  fillOpacity="0.45"
                />
              ) : (
                <>
                  <rect
                    x="6"
                    y={BODY}
                    width="28"
                    height={HIGH - BODY - 6 - gap(mm)}
                    fill="var(--color-ink-soft)"
                    fillOpacity="0.45"
                  />
                  {isWet && (
                    <rect x="6" y={HIGH - 6 - gap(mm) - 16} width="28" height="16" fill="var(--color-ink)" />
                  )}
                </>
              )}
              <rect x="0" y={HIGH - 6} width="40" height="6" fill="var(--color-ink)" />
            </svg>
            <span className="absolute inset-x-0 top-3 text-center figure text-sm leading-none">
              {first ? "0" : word(mm)}
            </span>
          </button>
        );
      })}
    </div>
  );
}
