"use client";

import { Fragment } from "react";
import type { Crossing, PieceVein } from "@/core/veins/tape";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";
import { KIND_WORDS, toldStretches, turnWords, widthText } from "@/core/veins/tape-words";
import { useJob } from "../workspace/use-job";

/** Where a vein comes over an edge: the number for the tape, large, and from which end it is laid. */
function End({ crossing, none, system }: { crossing: Crossing | null; none: string; system: UnitSystem }) {
  if (!crossing) return <span className="text-ink-soft">{none}</span>;
  const { words, from, alongMm, lowerAlongMm } = crossing;
  return (
    <>
      <span className="figure text-lg">{quantityText(alongMm, "length", system)}</span>{" "}
      <span className="label">{quantityText(alongMm, "length", otherSystem(system))}</span>
      <span className="block text-ink-soft">
        {words}, from {from}
        {lowerAlongMm !== null && ` · foot of the face ${quantityText(lowerAlongMm, "length", system)}`}
      </span>
    </>
  );
}

/** The veins of a piece as a tape tells them: where each comes on, where it goes off, how wide it is there. */
export function TapeList({ veins }: { veins: readonly PieceVein[] }) {
  const { system } = useJob();
  const told = veins
    .map((vein) => ({ vein, stretches: toldStretches(vein) }))
    .filter(({ stretches }) => stretches.length > 0);
  if (told.length === 0) return <p className="text-ink-soft text-sm py-2">No vein comes over this piece.</p>;
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="label text-left">
          <th className="font-normal py-1 w-40">Vein</th>
          <th className="font-normal">enters</th>
          <th className="font-normal">leaves</th>
          <th className="font-normal">wide there · at most</th>
        </tr>
      </thead>
      <tbody>
        {told.map(({ vein, stretches }) =>
          stretches.map((stretch, n) => {
            const turns = turnWords(stretch, system);
            const edge = stretch.leaves ?? stretch.enters;
            return (
              <Fragment key={`${vein.veinId} ${n}`}>
                <tr className="border-t border-line align-top">
                  <td className="py-1.5">
                    {stretch.kind === "main" ? (
                      <>
                        <span className="figure text-lg">{vein.number}</span> {vein.name}
                      </>
                    ) : (
                      <span className="pl-5 text-ink-soft">{KIND_WORDS[stretch.kind]}</span>
                    )}
                  </td>
                  <td className="py-1.5">
                    <End crossing={stretch.enters} none="begins on the piece" system={system} />
                  </td>
                  <td className="py-1.5">
                    <End crossing={stretch.leaves} none="ends on the piece" system={system} />
                  </td>
                  <td className="py-1.5 figure">
                    {edge ? widthText(edge.widthMm, system) : "—"} · {widthText(stretch.widestMm, system)}
                  </td>
                </tr>
                {turns && stretch.kind === "main" && (
                  <tr>
                    <td />
                    <td colSpan={3} className="label pb-1.5">
                      {turns}
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          }),
        )}
      </tbody>
    </table>
  );
}
