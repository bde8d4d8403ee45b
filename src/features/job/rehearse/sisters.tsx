"use client";

import { useMemo } from "react";
import type { Measured } from "@/core/geometry/measure";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { useLit } from "@/pictures/use-lit";
import { usePicture } from "@/pictures/use-picture";

const GAP = 16;

/** Four pictures "of the same slab", side by side; one is chosen. */
export function Sisters({
  of,
  piece,
  passes,
  width,
  onPick,
}: {
  of: PieceRehearsal;
  piece: Measured;
  passes: number;
  width: number;
  onPick: (seed: number) => void;
}) {
  const { seed } = of.rehearsal;
  const { widthMm, heightMm } = seenSize(piece);
  const widthOf = Math.floor(Math.min((width - GAP) / 2, (190 * widthMm) / heightMm));
  return (
    <div className="flex flex-wrap gap-4" role="group" aria-label="Four sisters">
      {[0, 1, 2, 3].map((next) => (
        <Sister
          key={seed + next}
          of={of}
          piece={piece}
          passes={passes}
          seed={seed + next}
          width={widthOf}
          onPick={() => onPick(seed + next)}
        />
      ))}
    </div>
  );
}

function Sister({
  of,
  piece,
  passes,
  seed,
  width,
  onPick,
}: {
  of: PieceRehearsal;
  piece: Measured;
  passes: number;
  seed: number;
  width: number;
  onPick: () => void;
}) {
  const sister = useMemo(() => ({ ...of, rehearsal: { ...of.rehearsal, seed } }), [of, seed]);
  const [lit] = useLit();
  const picture = usePicture(sister, passes, width, {
    measured: false,
    light: lit ? USUAL_LIGHT : null,
  });
  return (
    <button type="button" onClick={onPick} className="text-left hover:outline-2 hover:outline-ink">
      <PiecePicture picture={picture} piece={piece} name={`Sister ${seed}`} width={width} />
      <span className="label">sister {seed}</span>
    </button>
  );
}
