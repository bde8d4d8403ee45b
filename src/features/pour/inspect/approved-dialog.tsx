"use client";

import { useEffect, useState } from "react";
import type { BoardLooks } from "@/core/inspect/photo/board-share";
import type { At } from "@/core/inspect/photo/perspective";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { PhotoStage } from "@/pictures/photo-stage";
import { photoReader } from "@/pictures/photo-reader";
import { useAsked } from "@/pictures/use-asked";
import { BOARD_CORNERS, CARD_PLACE, useTouchedPhoto } from "@/pictures/use-touched-photo";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";

/** Reads the photo of the approved board by its corners and its grey card, for the colours of this coat. */
export function ApprovedDialog({
  name,
  pictureId,
  palette,
  onClose,
  onShares,
}: {
  name: string;
  pictureId: string;
  palette: PieceRehearsal["palette"];
  onClose: () => void;
  /** By the looks of the palette. */
  onShares: (shares: number[]) => void;
}) {
  const touched = useTouchedPhoto([...BOARD_CORNERS, CARD_PLACE], pictureId);
  const { bitmap, points, next, patchPx, open } = touched;
  const { ask, answer, failed, busy } = useAsked<BoardLooks>(points);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let wanted = true;
    void fetch(`/pictures/${pictureId}`)
      .then((response) => (response.ok ? response.blob() : Promise.reject(new Error(response.statusText))))
      .then(
        (blob) => wanted && open(new File([blob], name, { type: blob.type })),
        () => wanted && setMissing(true),
      );
    return () => {
      wanted = false;
    };
  }, [pictureId, name, open]);
  useEffect(() => {
    if (answer?.ok) onShares(answer.shares);
  }, [answer, onShares]);
  const read = () =>
    bitmap &&
    ask(
      photoReader.ask("looks", {
        bitmap,
        corners: points.slice(0, BOARD_CORNERS.length),
        card: points[BOARD_CORNERS.length] as At,
        radius: patchPx,
        palette,
      }),
    );
  const problem = missing
    ? "The server does not answer: its picture is not here."
    : (touched.problem ??
      (failed ? "The picture could not be read." : answer?.ok === false ? answer.reason : null));
  return (
    <Dialog open onClose={onClose} title={name} wide>
      {bitmap && (
        <div className="h-[46vh] flex mb-3">
          <PhotoStage asked={touched} />
        </div>
      )}
      {bitmap && (
        <p role="status" className="text-lg my-2">
          {next ? (
            <>
              Touch the <span className="text-signal font-semibold">{next}</span>.
            </>
          ) : (
            "All places are touched."
          )}
        </p>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 my-2">
          {problem}
        </p>
      )}
      <div className="flex gap-3 flex-wrap mt-3">
        <Button
          weight="primary"
          className="min-h-11"
          disabled={busy || next !== null || !bitmap}
          onClick={read}
        >
          {busy ? "Reading …" : "Read it"}
        </Button>
        <Button className="min-h-11" disabled={points.length === 0} onClick={touched.back}>
          Take the last place back
        </Button>
      </div>
    </Dialog>
  );
}
