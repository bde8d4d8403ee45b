"use client";

import { useEffect, useState } from "react";
import type { PictureMeasures } from "@/core/rehearsal/judge-picture";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { SISTER_PX, sistersOf, sisterSpread, type SisterSpread } from "@/core/rehearsal/sister-spread";
import { askFor, callOff } from "@/pictures/picture-pool";
import type { Picture } from "@/pictures/use-picture";

/** How far the numbers of a picture may differ by chance: its sisters are measured when it is done; null until they are. */
export function useSisterSpread(
  of: PieceRehearsal | null,
  passes: number,
  picture: Picture | null,
): SisterSpread | null {
  const measures = picture?.sharp && picture.measured ? picture.measures : null;
  const [found, setFound] = useState<{ measures: PictureMeasures; spread: SisterSpread } | null>(null);
  useEffect(() => {
    if (!of || !measures || measures.passes !== passes) return;
    const owner = {};
    const all = [of.rehearsal, ...sistersOf(of.rehearsal)].map((rehearsal) => ({
      rehearsal,
      palette: of.palette,
    }));
    const measured: PictureMeasures[] = [];
    all.forEach((sister, n) =>
      askFor(owner, sister, [
        {
          kind: "measure",
          passes,
          widthPx: SISTER_PX,
          done: (picture) => {
            measured[n] = picture;
            const [first, ...sisters] = measured;
            if (first && sisters.filter(Boolean).length === all.length - 1)
              setFound({ measures, spread: sisterSpread(measures, first, sisters) });
          },
        },
      ]),
    );
    return () => callOff(owner);
  }, [of, passes, measures]);
  return found && found.measures === measures ? found.spread : null;
}
