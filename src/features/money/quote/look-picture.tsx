"use client";

import { useEffect, useMemo, useRef } from "react";
import { addPicture } from "@/contracts/add-picture";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { derivePlan } from "@/core/plan/derive-plan";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { drawPiece } from "@/pictures/piece-picture";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { usePicture } from "@/pictures/use-picture";
import { ShopPicture } from "@/ui/shop-picture";

/** Wide enough for the width of a page in print. */
const WIDE_PX = 1200;

/** A look's picture is kept, or there is none, with the reason in words. */
export type OnPicture = (
  lookId: string,
  got: { pictureId: string; trouble: null } | { pictureId: null; trouble: string },
) => void;

/** The client's picture of a look: of its largest piece that has a pattern, drawn here and kept with the shop's pictures. */
export function LookPicture({
  lookId,
  name,
  document,
  cards,
  colours,
  pictureId,
  onPicture,
}: {
  lookId: string;
  name: string;
  document: JobDocument;
  cards: readonly ResinCard[];
  colours: readonly ColourCard[];
  pictureId: string | null;
  onPicture: OnPicture;
}) {
  const drawn = useMemo(() => {
    if (pictureId !== null) return null;
    const plan = derivePlan(document, cards, colours);
    const [largest] = plan.pieces
      .flatMap((piece) => {
        const of = rehearsalOf(plan, document, piece);
        return of ? [{ piece, of }] : [];
      })
      .sort((a, b) => b.piece.topAreaMm2 - a.piece.topAreaMm2);
    return largest ?? null;
  }, [document, cards, colours, pictureId]);
  const picture = usePicture(drawn?.of ?? null, drawn?.of.passes.length ?? 0, WIDE_PX, {
    measured: false,
    light: USUAL_LIGHT,
  });
  const ref = useRef<HTMLCanvasElement>(null);
  const keeping = useRef<JobDocument | null>(null);
  useEffect(() => {
    if (pictureId !== null) return;
    const none = (trouble: string) => onPicture(lookId, { pictureId: null, trouble });
    if (!drawn) return none("nothing with a pattern to draw");
    if (!ref.current || !picture) return;
    drawPiece(ref.current, picture.canvas, drawn.piece, WIDE_PX);
    if (!picture.sharp || picture.of !== drawn.of || keeping.current === document) return;
    keeping.current = document;
    ref.current.toBlob((png) => {
      if (!png) return none("this browser cannot keep it");
      void addPicture(new File([png], "look.png", { type: "image/png" })).then((result) =>
        result.ok
          ? onPicture(lookId, { pictureId: result.value.pictureId, trouble: null })
          : none(result.error.message),
      );
    }, "image/png");
  }, [picture, drawn, document, lookId, pictureId, onPicture]);
  return (
    <div className="h-40 grid place-items-center">
      {pictureId !== null ? (
        <ShopPicture
          pictureId={pictureId}
          alt={name}
          className="max-h-full max-w-full object-contain min-h-0"
        />
      ) : (
        drawn && (
          <canvas
            ref={ref}
            role="img"
            aria-label={`${name}, being drawn`}
            className="max-h-full max-w-full min-h-0"
          />
        )
      )}
    </div>
  );
}
