"use client";

import { useMemo } from "react";
import type { Measured } from "@/core/geometry/measure";
import { derivePlan } from "@/core/plan/derive-plan";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from "@/core/job/technique-list";
import { jobWithLook, lookFits } from "@/core/job/looks";
import { Dialog } from "@/ui/dialog";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { useLit } from "@/pictures/use-lit";
import { usePicture } from "@/pictures/use-picture";

const WIDE_PX = 210;
const HIGH_PX = 120;

/** The looks of the trade on this piece: one is taken, and stays editable. */
export function LooksDialog({ piece, onClose }: { piece: Measured; onClose: () => void }) {
  const { document, change } = useJob();
  const offered = TECHNIQUE_IDS.filter(
    (id) => lookFits(id, piece) && jobWithLook(document, id, newId) !== null,
  );
  return (
    <Dialog open onClose={onClose} title={`Looks, on ${piece.name}`} wide>
      {offered.length === 0 && <p>Give the job a colour coat in Build first.</p>}
      <ul className="grid grid-cols-3 gap-4 max-md:grid-cols-2">
        {offered.map((id) => (
          <li key={id}>
            <button
              type="button"
              className="text-left w-full hover:outline-2 hover:outline-ink p-1"
              onClick={() => {
                change((job) => jobWithLook(job, id, newId) ?? job);
                onClose();
              }}
            >
              <Look id={id} pieceId={piece.id} />
              <span className="block font-semibold text-sm mt-1">{TECHNIQUES[id].name}</span>
              <span className="label">{TECHNIQUES[id].look}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="label mt-4">
        A look fills the colour coat: film, colours, shares, passes; one of fields or pebbles divides the
        piece, so that each can be moved. Undo brings back what was there.
      </p>
    </Dialog>
  );
}

function Look({ id, pieceId }: { id: TechniqueId; pieceId: string }) {
  const { document, cards, colours } = useJob();
  const { piece, of } = useMemo(() => {
    const job = jobWithLook(document, id, newId);
    const plan = job && derivePlan(job, cards, colours);
    const piece = plan?.pieces.find((piece) => piece.id === pieceId);
    return { piece: piece, of: job && plan && piece ? rehearsalOf(plan, job, piece) : null };
  }, [document, cards, colours, id, pieceId]);
  const size = piece && seenSize(piece);
  const width = size ? Math.round(Math.min(WIDE_PX, (HIGH_PX * size.widthMm) / size.heightMm)) : WIDE_PX;
  const [lit] = useLit();
  const picture = usePicture(of, of?.passes.length ?? 0, 2 * width, {
    measured: false,
    light: lit ? USUAL_LIGHT : null,
  });
  return (
    <span className="grid place-items-center" style={{ minHeight: Math.min(HIGH_PX, 90) }}>
      {piece && <PiecePicture picture={picture} piece={piece} name={TECHNIQUES[id].name} width={width} />}
    </span>
  );
}
